/**
 * The tape book: sides, diagonals and offsets as people call them out, adjusted by least squares; and the helper that
 * squares a rectangle. Imports units, rulebook and site.
 */
@NullMarked
package buckle.tape;

import org.jspecify.annotations.NullMarked;
