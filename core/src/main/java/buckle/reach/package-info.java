/** What a heap of material is enough for. */
@NullMarked
package buckle.reach;

import org.jspecify.annotations.NullMarked;
