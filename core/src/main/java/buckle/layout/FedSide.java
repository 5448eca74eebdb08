package buckle.layout;

import buckle.site.Gate.GateEnd;
import buckle.site.Tees;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Where each line gets the pulse from, and so which post of a gate is fed. */
final class FedSide {
    private final Map<String, Double> entryM = new HashMap<>();

    FedSide(List<LineLayout> lines, List<Tees.Tee> tees, FeedPlace feed) {
        Map<String, LineLayout> byId = new HashMap<>();
        lines.forEach(l -> byId.put(l.lineId(), l));
        entryM.put(feed.lineId(), feed.stationM());
        for (int round = 0; round <= tees.size(); round++) {
            for (Tees.Tee tee : tees) {
                LineLayout branch = byId.get(tee.lineId());
                double end = branch == null || tee.atStart() ? 0 : branch.lengthM();
                if (entryM.containsKey(tee.onLineId())) {
                    entryM.putIfAbsent(tee.lineId(), end);
                } else if (entryM.containsKey(tee.lineId())) {
                    entryM.put(tee.onLineId(), tee.stationM());
                }
            }
        }
    }

    /** The post on the energizer's side; empty where the line is not fed or fed from both sides. */
    Optional<GateEnd> of(LineLayout line, GatePlace gate, boolean ringClosed) {
        Double entry = entryM.get(line.lineId());
        if (entry == null || line.closed() && ringClosed) {
            return Optional.empty();
        }
        double fed = fromClosing(line, entry);
        double at = fromClosing(line, gate.fromM());
        return Optional.of(fed <= at + Mark.SAME_PLACE_M ? GateEnd.FIRST : GateEnd.LAST);
    }

    private static double fromClosing(LineLayout line, double stationM) {
        if (!line.closed()) {
            return stationM;
        }
        double along = stationM - line.closingM();
        return along < -Mark.SAME_PLACE_M ? along + line.lengthM() : Math.max(0, along);
    }
}
