package buckle.network;

import buckle.layout.CutOutPlace;
import buckle.message.LayoutMessage.IdleWhy;
import java.util.Optional;

/**
 * A cut-out that parts nothing.
 *
 * @param other the one that stands at its place
 */
public record IdleCutOut(String lineId, CutOutPlace cutOut, IdleWhy why, Optional<String> other) {}
