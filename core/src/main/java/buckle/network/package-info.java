/**
 * The fence joined up, once and wire by wire: nodes, edges with lasting ids, and what follows from them: sections, the fed side of
 * gates, test points, live and dead wires, the spans that the pulse runs along. docs/network.md draws a small one. Imports all down
 * to layout.
 */
@NullMarked
package buckle.network;

import org.jspecify.annotations.NullMarked;
