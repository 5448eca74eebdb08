/** Speed goals as ratios in one run; see docs/benchmarks.md. */
@NullMarked
package buckle.bench;

import org.jspecify.annotations.NullMarked;
