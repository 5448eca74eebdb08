/**
 * Site and spec become the fence: posts, braces, pulls, gates, cut-outs, sections, test points and findings.
 *
 * <p>Stations are horizontal metres from the start of the line; wire lengths run along the slope. Imports units,
 * rulebook, site and spec.
 */
@NullMarked
package buckle.layout;

import org.jspecify.annotations.NullMarked;
