/** What became of a fence since it was handed over: faults found and mended, what fails, what is falling, which rounds are due. */
@NullMarked
package buckle.upkeep;

import org.jspecify.annotations.NullMarked;
