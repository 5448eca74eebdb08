/**
 * The layout becomes a list to load: counts, packs, and the sentence that derives each count. Imports units, rulebook,
 * site, spec and layout.
 */
@NullMarked
package buckle.takeoff;

import org.jspecify.annotations.NullMarked;
