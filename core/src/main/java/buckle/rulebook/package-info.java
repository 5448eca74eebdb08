/**
 * The rules of the job: each with an id, what it says, its basis and the school that holds it, and the values that the
 * other packages compute with, in SI. One plain ordered catalogue, no scanning. Imports units only.
 */
@NullMarked
package buckle.rulebook;

import org.jspecify.annotations.NullMarked;
