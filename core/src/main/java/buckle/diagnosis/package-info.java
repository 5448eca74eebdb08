/** Where on a fence a fault must be, of what kind and how strong, told from readings in order and now. */
@NullMarked
package buckle.diagnosis;

import org.jspecify.annotations.NullMarked;
