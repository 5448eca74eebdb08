package buckle.review;

import buckle.layout.Fence;
import buckle.layout.Layout;
import buckle.network.FenceNetwork;
import java.util.Optional;

/**
 * A plan laid out: its lines with what they were laid out from, the network they are joined to, and the layout as it is told.
 *
 * @param network empty when no line has been drawn
 */
public record Laid(Fence fence, Optional<FenceNetwork> network, Layout layout) {}
