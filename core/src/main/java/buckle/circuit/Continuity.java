package buckle.circuit;

import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Pull;
import buckle.message.CircuitMessage;
import buckle.site.Tees;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Which hot wires of each pull hang together with the feed, by the joints as drawn and nothing else (J1): a wire that no joint
 * reaches is dead, however near a live one it runs.
 */
final class Continuity {
    /** Id of a pull's jumper set among what is tried out. */
    static String jumperId(String lineId, int pull) {
        return "jumper:" + lineId + ":" + pull;
    }

    private static final double SAME_PLACE_M = 0.15;

    private record Piece(String lineId, int pull, int wire) {}

    private final Layout layout;
    private final List<Tees.Tee> tees;
    private final Trial trial;
    private final Together<Piece> pieces = new Together<>();
    private Piece feed = new Piece("", 0, 0);
    /** All that the feed reaches. */
    private final Set<Piece> fed;

    Continuity(Layout layout, List<Tees.Tee> tees, Trial trial) {
        this.layout = layout;
        this.tees = tees;
        this.trial = trial;
        layout.joints().forEach(this::join);
        this.fed = pieces.with(feed);
    }

    /** Numbers of the hot wires at a station that the feed reaches, from the ground up. */
    List<Integer> live(LineLayout line, double stationM) {
        int pull = pullAt(line, stationM);
        return hot(line).stream()
                .filter(w -> fed.contains(piece(line, pull, w)))
                .toList();
    }

    /** Hot wires that no joint reaches, pull by pull. */
    List<FenceCircuit.DeadStretch> dead() {
        List<FenceCircuit.DeadStretch> dead = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            for (Pull pull : line.pulls()) {
                double middle = (pull.fromM() + pull.toM()) / 2;
                List<Integer> live = live(line, middle);
                List<Integer> without =
                        hot(line).stream().filter(w -> !live.contains(w)).toList();
                if (!live.isEmpty() && !without.isEmpty()) {
                    dead.add(new FenceCircuit.DeadStretch(
                            line.lineId(), pull.fromM(), pull.toM(), without, new CircuitMessage.NoJumper(without)));
                }
            }
        }
        return dead;
    }

    private void join(Joint joint) {
        LineLayout line = line(joint.lineId());
        int here = pullAt(line, joint.stationM());
        switch (joint.kind()) {
            case FEED -> {
                feed = new Piece(
                        line.lineId(),
                        here,
                        joint.hot().isEmpty() ? 1 : joint.hot().getFirst());
                together(line, here, joint.hot());
            }
            case JUMPER -> {
                if (!trial.open().contains(jumperId(line.lineId(), here))) {
                    together(line, here, joint.hot());
                }
            }
            case CUT_OUT -> together(line, here, joint.hot());
            case LINK, HANDLE -> {
                int[] sides = sides(line, joint.stationM());
                joint.hot().forEach(w -> pieces.join(piece(line, sides[0], w), piece(line, sides[1], w)));
            }
            case CABLE -> {
                int[] sides = sides(line, joint.stationM());
                together(line, sides[0], joint.hot());
                together(line, sides[1], joint.hot());
                joint.hot().stream()
                        .findFirst()
                        .ifPresent(w -> pieces.join(piece(line, sides[0], w), piece(line, sides[1], w)));
            }
            case TEE ->
                tees.stream()
                        .filter(t -> t.lineId().equals(line.lineId())
                                && t.atStart() == joint.stationM() < line.lengthM() / 2)
                        .forEach(t -> branch(line, here, t));
            case OPEN -> {}
        }
    }

    private void branch(LineLayout branch, int pull, Tees.Tee tee) {
        LineLayout on = line(tee.onLineId());
        int onPull = pullAt(on, tee.stationM());
        together(branch, pull, hot(branch));
        together(on, onPull, hot(on));
        if (!hot(branch).isEmpty() && !hot(on).isEmpty()) {
            pieces.join(piece(branch, pull, hot(branch).getFirst()), piece(on, onPull, hot(on).getFirst()));
        }
    }

    private void together(LineLayout line, int pull, List<Integer> wires) {
        wires.forEach(w -> pieces.join(piece(line, pull, wires.getFirst()), piece(line, pull, w)));
    }

    /** The pulls that end and begin at a post, over the opening where a gate follows; round the seam of a closed line. */
    private static int[] sides(LineLayout line, double stationM) {
        double beyond = line.gates().stream()
                .filter(g -> Math.abs(g.fromM() - stationM) < SAME_PLACE_M)
                .mapToDouble(GatePlace::toM)
                .findFirst()
                .orElse(stationM);
        List<Pull> pulls = line.pulls();
        int before = IntStream.range(0, pulls.size())
                .filter(k -> near(line, pulls.get(k).toM(), stationM))
                .findFirst()
                .orElse(pullAt(line, stationM));
        int after = IntStream.range(0, pulls.size())
                .filter(k -> near(line, pulls.get(k).fromM(), beyond))
                .findFirst()
                .orElse(before);
        return new int[] {before, after};
    }

    private static boolean near(LineLayout line, double one, double other) {
        double apart = Math.abs(one - other);
        return apart < SAME_PLACE_M || line.closed() && Math.abs(apart - line.lengthM()) < SAME_PLACE_M;
    }

    private static int pullAt(LineLayout line, double stationM) {
        List<Pull> pulls = line.pulls();
        for (int k = 0; k < pulls.size(); k++) {
            if (pulls.get(k).fromM() - SAME_PLACE_M <= stationM
                    && stationM <= pulls.get(k).toM() + SAME_PLACE_M) {
                return k;
            }
        }
        // A closed line's pull may begin before its zero.
        return Math.max(0, pulls.size() - 1);
    }

    static List<Integer> hot(LineLayout line) {
        var wires = line.schedule().wires();
        return IntStream.range(0, wires.size())
                .filter(i -> wires.get(i).role() == WireRole.HOT)
                .mapToObj(i -> i + 1)
                .toList();
    }

    private static Piece piece(LineLayout line, int pull, int wire) {
        return new Piece(line.lineId(), pull, wire);
    }

    private LineLayout line(String id) {
        return layout.lines().stream()
                .filter(l -> l.lineId().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
