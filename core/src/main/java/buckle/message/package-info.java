/**
 * What Buckle has to say, as facts: each message is a record of typed values, with units in their names; its sentence is made by
 * {@link English} in the units of the job, and nowhere else. Imports units, rulebook, material, mechanics, site, land and spec.
 */
@NullMarked
package buckle.message;

import org.jspecify.annotations.NullMarked;
