/** Files that come in: tracks, maps, tables, terrain grids, pictures and job files, read safely or refused with a place. Imports the core, the job room and the formats. */
@NullMarked
package buckle.exchange.in;

import org.jspecify.annotations.NullMarked;
