/** Several plans of one job, side by side. */
@NullMarked
package buckle.variant;

import org.jspecify.annotations.NullMarked;
