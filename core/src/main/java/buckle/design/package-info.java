/** All that follows from a plan, and what changes with it: designs side by side, schools tried on a job, fields of the spec tried alone. Imports all others. */
@NullMarked
package buckle.design;

import org.jspecify.annotations.NullMarked;
