/**
 * Textbook mechanics of wires, rails and posts, each formula its own class with its source and limits. Knows no fence.
 * Imports nothing of ours.
 */
@NullMarked
package buckle.mechanics;

import org.jspecify.annotations.NullMarked;
