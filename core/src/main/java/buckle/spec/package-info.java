/**
 * Fence: animals, wire schedule, posts, braces, gates, ground and packs. Lengths in metres. Imports units,
 * rulebook and site.
 */
@NullMarked
package buckle.spec;

import org.jspecify.annotations.NullMarked;
