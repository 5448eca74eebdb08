/**
 * The ground and what stands on the plan: places, fence lines, gates, cut-outs, the energizer's place, and how a walked
 * track becomes a clean line.
 *
 * <p>In: WGS 84 longitude and latitude in degrees, heights in metres. Out: metres on a plane tangent at the site.
 * Imports units and rulebook only.
 */
@NullMarked
package buckle.site;

import org.jspecify.annotations.NullMarked;
