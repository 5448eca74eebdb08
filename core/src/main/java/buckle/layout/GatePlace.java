package buckle.layout;

import buckle.site.Gate.GateFit;
import buckle.site.GateKind;

/**
 * A gate in its line.
 *
 * @param fromM station of its first post, {@code toM} of its last: over the corner it cuts off where it does
 * @param openingM from post to post, straight
 * @param fit what it has otherwise than most gates, as it was laid out
 */
public record GatePlace(
        String id, String name, GateKind kind, double fromM, double toM, double openingM, GateFit fit) {}
