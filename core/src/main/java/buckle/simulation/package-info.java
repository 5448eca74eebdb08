/** Fences as they really are: off their plans, with faults nobody knows of. */
@NullMarked
package buckle.simulation;

import org.jspecify.annotations.NullMarked;
