/** Pieces cut from what is sold and what is left over. */
@NullMarked
package buckle.cut;

import org.jspecify.annotations.NullMarked;
