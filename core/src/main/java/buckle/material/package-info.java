/** What a fence is made of, in generic kinds: conductors, posts and rails with the sizes they are sold in. Imports units and rulebook. */
@NullMarked
package buckle.material;

import org.jspecify.annotations.NullMarked;
