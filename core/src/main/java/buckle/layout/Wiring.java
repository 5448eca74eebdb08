package buckle.layout;

import buckle.site.Tees;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Which wires are joined where (J1): once in each pull, on to the next pull, past gates, at branches and at the feed. */
final class Wiring {
    private final List<LineLayout> lines;
    private final Spec spec;
    private final List<Joint> joints = new ArrayList<>();

    private Wiring(List<LineLayout> lines, Spec spec) {
        this.lines = lines;
        this.spec = spec;
    }

    static List<Joint> of(List<LineLayout> lines, List<Tees.Tee> tees, FeedPlace feed, Spec spec) {
        Wiring wiring = new Wiring(lines, spec);
        lines.forEach(wiring::line);
        for (Tees.Tee tee : tees) {
            wiring.line(tee.lineId(), l -> wiring.line(tee.onLineId(), on -> wiring.tee(l, on, tee)));
        }
        wiring.line(
                feed.lineId(),
                l -> wiring.add(
                        l,
                        feed.stationM(),
                        Joint.Kind.FEED,
                        feed.name(),
                        wiring.feed(l),
                        "lead-out to the hot wires"
                                + (wiring.numbers(l, WireRole.EARTH).isEmpty()
                                        ? ", ground rods to the earth terminal"
                                        : spec.build().wires().earthTied()
                                                ? ", earth wires to the earth terminal together with the ground rods"
                                                : "; the earth wires are grounded along the way by rods of their own, the weaker way")));
        wiring.joints.sort(
                Comparator.comparing((Joint j) -> wiring.index(j.lineId())).thenComparingDouble(Joint::stationM));
        return wiring.joints;
    }

    /** The lead-out is carried on over the hot wires; over the earth wires where they are tied to the terminal. */
    private Joint.Parts feed(LineLayout line) {
        int earth = spec.build().wires().earthTied() ? line.schedule().count(WireRole.EARTH) : 0;
        return new Joint.Parts(0, line.schedule().count(WireRole.HOT) + earth, 0);
    }

    private void tee(LineLayout line, LineLayout on, Tees.Tee tee) {
        int hot = on.schedule().count(WireRole.HOT) > 0 ? line.schedule().count(WireRole.HOT) : 0;
        int earth = on.schedule().count(WireRole.EARTH) > 0 ? line.schedule().count(WireRole.EARTH) : 0;
        add(
                line,
                tee.atStart() ? 0 : line.lengthM(),
                Joint.Kind.TEE,
                "branch",
                Joint.Parts.links(hot + earth),
                "its hot wires to the hot wires of the line it branches from, earth to earth");
    }

    private void line(LineLayout line) {
        int hot = line.schedule().count(WireRole.HOT);
        int earth = line.schedule().count(WireRole.EARTH);
        boolean separate = spec.build().wires().jumperPieces();
        Joint.Parts jumper = Joint.Parts.jumper(hot, earth, separate);
        String how = separate
                ? "separate pieces from wire to wire"
                : "one continuous piece, its insulation stripped in windows";
        List<Pull> pulls = line.pulls();
        for (int k = 0; k < pulls.size(); k++) {
            Pull pull = pulls.get(k);
            if (jumper.pieces() > 0) {
                add(
                        line,
                        inside(line.braces().get(2 * k), pull),
                        Joint.Kind.JUMPER,
                        "jumper set",
                        jumper,
                        (hot > 1
                                        ? earth > 1 ? "hot with hot, earth with earth, " : "hot with hot, "
                                        : "earth with earth, ")
                                + how);
            }
            boolean last = k == pulls.size() - 1;
            if (!last || line.closed()) {
                between(line, pull, last ? pulls.getFirst() : pulls.get(k + 1));
            }
        }
        for (CutOutPlace c : line.cutOuts()) {
            joints.add(new Joint(
                    line.lineId(),
                    c.stationM(),
                    Joint.Kind.CUT_OUT,
                    c.name(),
                    numbers(line, WireRole.HOT),
                    List.of(),
                    hot == 0 ? Joint.Parts.NONE : Joint.Parts.cutOut(hot, separate),
                    "all hot wires together through the switch; earth wires pass untouched; handle falls to off"));
        }
    }

    /** Clear of the brace, so that no jumper touches its diagonal. */
    private static double inside(Brace first, Pull pull) {
        return first.braceStationM() > pull.fromM() ? Math.min(first.braceStationM() + 0.3, pull.toM()) : pull.fromM();
    }

    private void between(LineLayout line, Pull one, Pull next) {
        double at = one.toM();
        GatePlace gate = line.gates().stream()
                .filter(g -> Math.abs(g.fromM() - at) < Mark.SAME_PLACE_M)
                .findFirst()
                .orElse(null);
        boolean closing = line.closed()
                && !spec.ringClosed()
                && (Math.abs(at - line.closingM()) < Mark.SAME_PLACE_M
                        || line.closingM() == 0 && Math.abs(at - line.lengthM()) < Mark.SAME_PLACE_M);
        if (gate == null && closing) {
            joints.add(new Joint(
                    line.lineId(),
                    at,
                    Joint.Kind.OPEN,
                    "closing post",
                    List.of(),
                    numbers(line, WireRole.EARTH),
                    Joint.Parts.links(line.schedule().count(WireRole.EARTH)),
                    "hot wires end here on both sides, not joined; earth wires are"));
        } else if (gate == null) {
            int wires = line.schedule().count(WireRole.HOT) + line.schedule().count(WireRole.EARTH);
            add(
                    line,
                    at,
                    Joint.Kind.LINK,
                    "round the post",
                    Joint.Parts.links(wires),
                    "hot on to hot, earth on to earth of the next pull");
        } else {
            gate(line, gate);
        }
    }

    private void gate(LineLayout line, GatePlace gate) {
        boolean earth = line.schedule().count(WireRole.EARTH) > 0;
        boolean hot = line.schedule().count(WireRole.HOT) > 0;
        Joint.Parts cables = Joint.Parts.cables((hot ? 1 : 0) + (earth ? 1 : 0));
        String which = hot && earth ? "hot and earth cable" : hot ? "hot cable" : "earth cable";
        switch (gate.kind()) {
            case SWING, SPRING_SET ->
                add(
                        line,
                        gate.fromM(),
                        Joint.Kind.CABLE,
                        gate.name(),
                        cables,
                        which + " in conduit under the gate, both ends marked, elbows down");
            case CREEK ->
                add(
                        line,
                        gate.fromM(),
                        Joint.Kind.CABLE,
                        gate.name(),
                        cables,
                        "cable over the creek above the flood; the hanging part through its own switch on dry ground");
            case HANDLE ->
                add(
                        line,
                        gate.fromM(),
                        Joint.Kind.HANDLE,
                        gate.name(),
                        Joint.Parts.cables(earth ? 1 : 0),
                        "a spring handle for each hot wire" + (earth ? "; earth cable under the opening" : ""));
            case STRAND -> {
                List<Integer> strands = numbers(line, WireRole.HOT);
                joints.add(new Joint(
                        line.lineId(),
                        gate.fromM(),
                        Joint.Kind.HANDLE,
                        gate.name(),
                        strands.subList(Math.max(0, strands.size() - 1), strands.size()),
                        List.of(),
                        strands.isEmpty() ? Joint.Parts.NONE : new Joint.Parts(0, 2, 0),
                        "one hot strand across, joined to the hot wires on both sides"));
            }
            case RIGID ->
                joints.add(new Joint(
                        line.lineId(),
                        gate.fromM(),
                        Joint.Kind.OPEN,
                        gate.name(),
                        List.of(),
                        List.of(),
                        Joint.Parts.NONE,
                        "nothing passes: all wires end at both gate posts"));
        }
    }

    private void add(LineLayout line, double stationM, Joint.Kind kind, String name, Joint.Parts parts, String says) {
        joints.add(new Joint(
                line.lineId(),
                stationM,
                kind,
                name,
                numbers(line, WireRole.HOT),
                numbers(line, WireRole.EARTH),
                parts,
                says));
    }

    private void line(String id, java.util.function.Consumer<LineLayout> then) {
        lines.stream().filter(l -> l.lineId().equals(id)).findFirst().ifPresent(then);
    }

    private int index(String lineId) {
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).lineId().equals(lineId)) {
                return i;
            }
        }
        return -1;
    }

    private List<Integer> numbers(LineLayout line, WireRole role) {
        List<Integer> numbers = new ArrayList<>();
        List<Wire> wires = line.schedule().wires();
        for (int i = 0; i < wires.size(); i++) {
            if (wires.get(i).role() == role) {
                numbers.add(i + 1);
            }
        }
        return numbers;
    }
}
