/** Lengths as people write and read them. SI inside; feet and inches only at the edge. Imports nothing of Buckle. */
@NullMarked
package buckle.units;

import org.jspecify.annotations.NullMarked;
