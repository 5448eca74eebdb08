/**
 * The property around the fence: what is there already, the ground's height, and where a line meets any of it. Imports
 * units, rulebook and site.
 */
@NullMarked
package buckle.land;

import org.jspecify.annotations.NullMarked;
