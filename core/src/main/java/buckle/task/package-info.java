/** Long computations can be called off. */
@NullMarked
package buckle.task;

import org.jspecify.annotations.NullMarked;
