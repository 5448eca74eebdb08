/** Files that go out: CSV, GeoJSON, GPX, KML, DXF and terrain grids. */
@NullMarked
package buckle.exchange.out;

import org.jspecify.annotations.NullMarked;
