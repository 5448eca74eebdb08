package buckle.layout;

import buckle.message.JointKind;
import buckle.message.JointMessage;
import buckle.message.JointMessage.EarthAtFeed;
import buckle.site.Tees;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** Which wires are joined where (J1): once in each pull, on to the next pull, past gates, at branches and at the feed. */
final class Wiring {
    private final List<LineLayout> lines;
    private final Map<String, PlaceKeys> keys = new HashMap<>();
    private final Spec spec;
    private final List<Joint> joints = new ArrayList<>();

    private Wiring(List<LaidLine> laid, Spec spec) {
        this.lines = laid.stream().map(LaidLine::layout).toList();
        laid.forEach(l -> keys.put(l.id(), l.keys()));
        this.spec = spec;
    }

    static List<Joint> of(List<LaidLine> lines, List<Tees.Tee> tees, List<Lead> leads, FeedPlace feed, Spec spec) {
        Wiring wiring = new Wiring(lines, spec);
        wiring.lines.forEach(wiring::line);
        for (Tees.Tee tee : tees) {
            wiring.line(tee.lineId(), l -> wiring.line(tee.onLineId(), on -> wiring.tee(l, on, tee)));
        }
        for (Lead lead : leads) {
            wiring.line(
                    lead.lineId(),
                    l -> wiring.joints.add(new Joint(
                            lead.id(),
                            l.lineId(),
                            lead.stationM(),
                            JointKind.LEAD,
                            lead.name(),
                            wiring.numbers(l, WireRole.HOT),
                            List.of(),
                            Joint.Parts.NONE,
                            new JointMessage.LeadJoint(lead.bridge(), lead.lengthM()))));
        }
        wiring.line(
                feed.lineId(),
                l -> wiring.joints.add(new Joint(
                        "feed",
                        l.lineId(),
                        feed.stationM(),
                        JointKind.FEED,
                        feed.name(),
                        oneWire(l)
                                ? wiring.numbers(l, WireRole.HOT).stream()
                                        .limit(1)
                                        .toList()
                                : wiring.numbers(l, WireRole.HOT),
                        wiring.numbers(l, WireRole.EARTH),
                        wiring.feed(l),
                        new JointMessage.FeedJoint(
                                wiring.numbers(l, WireRole.EARTH).isEmpty()
                                        ? EarthAtFeed.NONE
                                        : spec.fence().wires().earthTied() ? EarthAtFeed.TIED : EarthAtFeed.ALONG))));
        wiring.joints.sort(
                Comparator.comparing((Joint j) -> wiring.index(j.lineId())).thenComparingDouble(Joint::stationM));
        return wiring.joints;
    }

    private static boolean oneWire(LineLayout line) {
        return line.runs().stream().anyMatch(WireRun::oneWire);
    }

    /**
     * The lead-out is carried on over the hot wires; over the earth wires where they are tied to the terminal. On one wire that goes
     * out and back, or round and round, the clip of the energizer's own lead goes on.
     */
    private Joint.Parts feed(LineLayout line) {
        int earth = spec.fence().wires().earthTied() ? line.schedule().count(WireRole.EARTH) : 0;
        int hot = oneWire(line) ? 0 : line.schedule().count(WireRole.HOT);
        return new Joint.Parts(0, hot + earth, 0);
    }

    private void tee(LineLayout line, LineLayout on, Tees.Tee tee) {
        int hot = on.schedule().count(WireRole.HOT) > 0 ? line.schedule().count(WireRole.HOT) : 0;
        int earth = on.schedule().count(WireRole.EARTH) > 0 ? line.schedule().count(WireRole.EARTH) : 0;
        add(
                "branch:" + line.lineId() + (tee.atStart() ? ":start" : ":finish"),
                line,
                tee.atStart() ? 0 : line.lengthM(),
                JointKind.TEE,
                "branch",
                Joint.Parts.links(hot + earth),
                new JointMessage.BranchJoint());
    }

    private void line(LineLayout line) {
        int hot = line.schedule().count(WireRole.HOT);
        int earth = line.schedule().count(WireRole.EARTH);
        boolean separate = spec.fence().wires().jumperPieces();
        List<Pull> pulls = line.pulls();
        for (WireRun run : line.runs()) {
            int separateHot = run.oneWire() ? 1 : hot;
            Joint.Parts jumper = Joint.Parts.jumper(separateHot, earth, separate);
            int first = run.pulls().getFirst();
            if (jumper.pieces() > 0) {
                joints.add(new Joint(
                        "jumper:" + line.lineId() + ":"
                                + Objects.requireNonNull(keys.get(line.lineId()))
                                        .begin(first),
                        line.lineId(),
                        inside(line.braces().get(2 * first), pulls.get(first)),
                        JointKind.JUMPER,
                        "jumper set",
                        separateHot > 1 ? numbers(line, WireRole.HOT) : List.of(),
                        numbers(line, WireRole.EARTH),
                        jumper,
                        new JointMessage.JumperSet(separateHot > 1, earth > 1, separate, run.ring())));
            }
            int last = run.pulls().getLast();
            boolean onwards = last < pulls.size() - 1 || line.closed();
            if (!run.ring() && onwards) {
                between(
                        line,
                        pulls.get(last),
                        Objects.requireNonNull(keys.get(line.lineId())).end(last));
            }
        }
        for (CutOutPlace c : line.cutOuts()) {
            joints.add(new Joint(
                    c.id(),
                    line.lineId(),
                    c.stationM(),
                    JointKind.CUT_OUT,
                    c.name(),
                    numbers(line, WireRole.HOT),
                    List.of(),
                    hot == 0 ? Joint.Parts.NONE : Joint.Parts.cutOut(hot, separate),
                    new JointMessage.CutOutJoint()));
        }
    }

    /** Clear of the brace, so that no jumper touches its diagonal. */
    private static double inside(Brace first, Pull pull) {
        return first.braceStationM() > pull.fromM() ? Math.min(first.braceStationM() + 0.3, pull.toM()) : pull.fromM();
    }

    private void between(LineLayout line, Pull one, String key) {
        double at = one.toM();
        GatePlace gate = line.gates().stream()
                .filter(g -> Math.abs(g.fromM() - at) < Mark.SAME_PLACE_M)
                .findFirst()
                .orElse(null);
        boolean closing = line.closed()
                && !line.ringJoined()
                && (Math.abs(at - line.closingM()) < Mark.SAME_PLACE_M
                        || line.closingM() == 0 && Math.abs(at - line.lengthM()) < Mark.SAME_PLACE_M);
        if (gate == null && closing) {
            joints.add(new Joint(
                    "open:" + line.lineId(),
                    line.lineId(),
                    at,
                    JointKind.OPEN,
                    "closing post",
                    List.of(),
                    numbers(line, WireRole.EARTH),
                    Joint.Parts.links(line.schedule().count(WireRole.EARTH)),
                    new JointMessage.ClosingPost()));
        } else if (gate == null) {
            int wires = line.schedule().count(WireRole.HOT) + line.schedule().count(WireRole.EARTH);
            add(
                    "link:" + line.lineId() + ":" + key,
                    line,
                    at,
                    JointKind.LINK,
                    "round the post",
                    Joint.Parts.links(wires),
                    new JointMessage.RoundThePost());
        } else {
            gate(line, gate);
        }
    }

    private void gate(LineLayout line, GatePlace gate) {
        boolean earth = line.schedule().count(WireRole.EARTH) > 0 && !gate.fit().hotOnly();
        boolean hot = line.schedule().count(WireRole.HOT) > 0;
        Joint.Parts cables = Joint.Parts.cables((hot ? 1 : 0) + (earth ? 1 : 0));
        switch (gate.kind()) {
            case SWING, SLIDING, SPRING_SET ->
                across(gate, line, JointKind.CABLE, earth, cables, new JointMessage.CableUnderGate(hot, earth));
            case CREEK -> across(gate, line, JointKind.CABLE, earth, cables, new JointMessage.CableOverCreek());
            case HANDLE ->
                across(
                        gate,
                        line,
                        JointKind.HANDLE,
                        earth,
                        Joint.Parts.cables(earth ? 1 : 0),
                        new JointMessage.SpringHandles(earth));
            case STRAND -> {
                List<Integer> strands = numbers(line, WireRole.HOT);
                joints.add(new Joint(
                        gate.id(),
                        line.lineId(),
                        gate.fromM(),
                        JointKind.HANDLE,
                        gate.name(),
                        strands.subList(Math.max(0, strands.size() - 1), strands.size()),
                        List.of(),
                        strands.isEmpty() ? Joint.Parts.NONE : new Joint.Parts(0, 2, 0),
                        new JointMessage.OneStrand()));
            }
            case RIGID ->
                joints.add(new Joint(
                        gate.id(),
                        line.lineId(),
                        gate.fromM(),
                        JointKind.OPEN,
                        gate.name(),
                        List.of(),
                        List.of(),
                        Joint.Parts.NONE,
                        new JointMessage.NothingPasses()));
        }
    }

    /** @param earth whether the earth wires are led across as well */
    private void across(
            GatePlace gate, LineLayout line, JointKind kind, boolean earth, Joint.Parts parts, JointMessage says) {
        joints.add(new Joint(
                gate.id(),
                line.lineId(),
                gate.fromM(),
                kind,
                gate.name(),
                numbers(line, WireRole.HOT),
                earth ? numbers(line, WireRole.EARTH) : List.of(),
                parts,
                says));
    }

    private void add(
            String id,
            LineLayout line,
            double stationM,
            JointKind kind,
            String name,
            Joint.Parts parts,
            JointMessage says) {
        joints.add(new Joint(
                id,
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
