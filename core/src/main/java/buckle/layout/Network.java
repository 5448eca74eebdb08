package buckle.layout;

import buckle.layout.Section.Stretch;
import buckle.message.LayoutMessage;
import buckle.message.LayoutMessage.IdleWhy;
import buckle.message.Message;
import buckle.rulebook.Rule;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Tees;
import buckle.spec.WireRole;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is joined to what: stretches of line between breaks (ends, cut-outs, branches, the feed), joined to sections, and
 * the sections joined by cut-outs to a tree from the energizer.
 */
final class Network {
    /** A line that ends this near another one, or near an end of it, is joined to it. */
    private static final double JOINED_M = 1;

    private static final double SAME_STATION_M = 0.01;

    private final List<LineLayout> lines;
    private final List<LineLayer> layers;
    private final List<Tees.Tee> tees;
    private final FeedPlace feed;
    private final boolean ringClosed;
    private final List<Finding> idle = new ArrayList<>();
    private final List<Piece> pieces = new ArrayList<>();
    private final List<Switch> switches = new ArrayList<>();
    private final List<List<Break>> breaks = new ArrayList<>();
    private int[] parent = new int[0];

    /** A piece of line between two breaks; its ends have the numbers {@code 2 i} and {@code 2 i + 1}. */
    private record Piece(int line, double fromM, double toM) {}

    /** @param open nothing is joined across it, ever */
    private record Break(double stationM, Optional<CutOutPlace> cutOut, boolean open) {}

    private record Switch(CutOutPlace cutOut, int line, int before, int after) {}

    private record Joint(int endLine, boolean atStart, int line, double stationM) {}

    /** What was found: sections in order from the energizer, where each ends, and findings. */
    record Result(List<Section> sections, List<TestPoint> ends, List<Finding> findings) {}

    private Network(
            List<LineLayout> lines, List<LineLayer> layers, List<Tees.Tee> tees, FeedPlace feed, boolean ringClosed) {
        this.lines = lines;
        this.layers = layers;
        this.tees = tees;
        this.feed = feed;
        this.ringClosed = ringClosed;
    }

    static Result of(
            List<LineLayout> lines,
            List<LineLayer> layers,
            List<Tees.Tee> tees,
            FeedPlace feed,
            boolean ringClosed,
            LocalPlane plane) {
        Network network = new Network(lines, layers, tees, feed, ringClosed);
        List<Joint> joints = network.joints();
        network.cut(joints);
        network.join(joints);
        return network.sections(plane);
    }

    private List<Joint> joints() {
        return tees.stream()
                .map(t -> new Joint(lineIndex(t.lineId()), t.atStart(), lineIndex(t.onLineId()), t.stationM()))
                .toList();
    }

    /** An end that stops right at another line without being joined to it stays dead, or looks as if it were joined. */
    private void looseEnds(List<Finding> findings) {
        for (int i = 0; i < lines.size(); i++) {
            LineLayout line = lines.get(i);
            for (boolean atStart : line.closed() ? new boolean[0] : new boolean[] {true, false}) {
                if (joined(i, atStart)) {
                    continue;
                }
                double station = atStart ? 0 : line.lengthM();
                PlanePoint at = layers.get(i).stationing().at(station);
                for (int other = 0; other < lines.size(); other++) {
                    if (other != i
                            && !branches(other, i)
                            && !beside(i, other)
                            && layers.get(other).stationing().nearest(at).offsetM() <= JOINED_M) {
                        findings.add(Finding.at(
                                Rule.J1,
                                Severity.WARN,
                                line.lineId(),
                                station,
                                new LayoutMessage.LooseEnd(
                                        atStart, line.name(), lines.get(other).name())));
                    }
                }
            }
        }
    }

    private boolean joined(int line, boolean atStart) {
        String id = lines.get(line).lineId();
        return tees.stream().anyMatch(t -> t.lineId().equals(id) && t.atStart() == atStart);
    }

    /** The rows of a double fence run beside each other on purpose. */
    private boolean beside(int one, int two) {
        return rowOf(one, two) || rowOf(two, one);
    }

    private boolean rowOf(int outer, int inner) {
        String id = lines.get(inner).lineId();
        return layers.get(outer).line().book().beside().filter(id::equals).isPresent();
    }

    private boolean branches(int line, int onLine) {
        String id = lines.get(line).lineId();
        String on = lines.get(onLine).lineId();
        return tees.stream().anyMatch(t -> t.lineId().equals(id) && t.onLineId().equals(on));
    }

    private void cut(List<Joint> joints) {
        for (int i = 0; i < lines.size(); i++) {
            LineLayout line = lines.get(i);
            List<Break> all = new ArrayList<>();
            line.cutOuts().forEach(c -> all.add(new Break(c.stationM(), Optional.of(c), false)));
            for (Joint joint : joints) {
                if (joint.line() == i) {
                    all.add(new Break(joint.stationM(), Optional.empty(), false));
                }
            }
            if (line.lineId().equals(feed.lineId())) {
                all.add(new Break(feed.stationM(), Optional.empty(), false));
            }
            for (GatePlace gate : line.gates()) {
                if (!gate.kind().conducts()) {
                    double at = gate.fromM() < SAME_STATION_M ? gate.toM() : gate.fromM();
                    all.add(new Break(at, Optional.empty(), true));
                }
            }
            if (line.closed() && line.closingM() > 0) {
                all.add(new Break(line.closingM(), Optional.empty(), !ringClosed));
            }
            all.sort(Comparator.comparingDouble(Break::stationM));
            all.stream().filter(b -> atEnd(line, b)).forEach(b -> idle(line, b, IdleWhy.AT_THE_END, Optional.empty()));
            all.removeIf(b -> atEnd(line, b));
            dropDoubled(line, all);
            breaks.add(all);
            double from = 0;
            for (Break b : all) {
                pieces.add(new Piece(i, from, b.stationM()));
                from = b.stationM();
            }
            pieces.add(new Piece(i, from, line.lengthM()));
        }
    }

    private static boolean atEnd(LineLayout line, Break b) {
        return b.stationM() < SAME_STATION_M || b.stationM() > line.lengthM() - SAME_STATION_M;
    }

    private void idle(LineLayout line, Break b, IdleWhy why, Optional<String> other) {
        b.cutOut()
                .ifPresent(c -> idle.add(Finding.at(
                        Rule.J4,
                        Severity.WARN,
                        line.lineId(),
                        c.stationM(),
                        new LayoutMessage.CutOutIdle(c.name(), why, other))));
    }

    /** Two breaks at one place are one; a cut-out among them stays. */
    private void dropDoubled(LineLayout line, List<Break> all) {
        for (int k = all.size() - 1; k > 0; k--) {
            Break one = all.get(k - 1);
            Break two = all.get(k);
            if (two.stationM() - one.stationM() < SAME_STATION_M) {
                if (one.cutOut().isPresent() && two.cutOut().isPresent()) {
                    idle(line, one, IdleWhy.SAME_PLACE, two.cutOut().map(CutOutPlace::name));
                }
                if (one.open() || two.open()) {
                    Break open = one.open() ? one : two;
                    (one.open() ? two : one)
                            .cutOut()
                            .ifPresent(c -> idle(line, one.open() ? two : one, IdleWhy.WIRES_END, Optional.empty()));
                    all.set(k - 1, open);
                    all.remove(k);
                } else {
                    all.remove(two.cutOut().isPresent() ? k - 1 : k);
                }
            }
        }
    }

    private void join(List<Joint> joints) {
        parent = new int[2 * pieces.size()];
        Arrays.setAll(parent, i -> i);
        int piece = 0;
        for (int i = 0; i < lines.size(); i++) {
            int line = i;
            int first = piece;
            for (Break b : breaks.get(i)) {
                int before = 2 * piece + 1;
                int after = 2 * (piece + 1);
                if (b.cutOut().isPresent()) {
                    switches.add(new Switch(b.cutOut().get(), line, before, after));
                } else if (!b.open()) {
                    union(before, after);
                }
                piece++;
            }
            if (lines.get(i).closed() && (ringClosed || lines.get(i).closingM() > 0)) {
                union(2 * first, 2 * piece + 1);
            }
            piece++;
        }
        for (int k = 0; k < pieces.size(); k++) {
            union(2 * k, 2 * k + 1);
        }
        for (Joint joint : joints) {
            double station = joint.atStart() ? 0 : lines.get(joint.endLine()).lengthM();
            union(endAt(joint.endLine(), station), endAt(joint.line(), joint.stationM()));
        }
    }

    /** Number of the piece end at a station of a line. */
    private int endAt(int line, double stationM) {
        for (int k = 0; k < pieces.size(); k++) {
            Piece p = pieces.get(k);
            if (p.line() == line && stationM <= p.toM() + SAME_STATION_M) {
                boolean opens = Math.abs(stationM - p.toM()) <= SAME_STATION_M && openAt(line, p.toM());
                return opens ? 2 * (k + 1) : Math.abs(stationM - p.fromM()) <= SAME_STATION_M ? 2 * k : 2 * k + 1;
            }
        }
        throw new IllegalStateException("station " + stationM + " m is beyond line " + line);
    }

    private boolean openAt(int line, double stationM) {
        return breaks.get(line).stream().anyMatch(b -> b.open() && b.stationM() == stationM);
    }

    private void union(int a, int b) {
        parent[root(a)] = root(b);
    }

    private int root(int a) {
        int at = a;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    private int lineIndex(String lineId) {
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).lineId().equals(lineId)) {
                return i;
            }
        }
        throw new IllegalStateException("no line " + lineId);
    }

    private Result sections(LocalPlane plane) {
        int feedRoot = root(endAt(lineIndex(feed.lineId()), feed.stationM()));
        Map<Integer, String> ids = new LinkedHashMap<>();
        Map<String, String> parents = new HashMap<>();
        Map<Integer, String> entry = new HashMap<>();
        List<Finding> findings = new ArrayList<>(idle);
        looseEnds(findings);
        ids.put(feedRoot, "feed");
        Deque<Integer> open = new ArrayDeque<>(List.of(feedRoot));
        while (!open.isEmpty()) {
            int here = open.removeFirst();
            for (Switch s : switches) {
                int a = root(s.before());
                int b = root(s.after());
                int there = a == here ? b : b == here ? a : -1;
                if (there >= 0 && !ids.containsKey(there)) {
                    ids.put(there, s.cutOut().id());
                    parents.put(s.cutOut().id(), ids.get(here));
                    entry.put(there, s.cutOut().id());
                    open.addLast(there);
                }
            }
        }
        List<Section> sections = build(ids, parents, findings);
        ringFindings(ids, entry, findings);
        return new Result(sections, ends(ids, plane), findings);
    }

    private List<Section> build(Map<Integer, String> ids, Map<String, String> parents, List<Finding> findings) {
        Map<Integer, List<Stretch>> stretches = new LinkedHashMap<>();
        ids.keySet().forEach(root -> stretches.put(root, new ArrayList<>()));
        for (int k = 0; k < pieces.size(); k++) {
            Piece p = pieces.get(k);
            String lineId = lines.get(p.line()).lineId();
            stretches.computeIfAbsent(root(2 * k), r -> new ArrayList<>()).add(new Stretch(lineId, p.fromM(), p.toM()));
        }
        List<Section> sections = new ArrayList<>();
        stretches.forEach((root, parts) -> {
            boolean live = ids.containsKey(root);
            String id = live ? ids.get(root) : "dead-" + parts.getFirst().lineId() + "-" + sections.size();
            double lengthM =
                    parts.stream().mapToDouble(s -> s.toM() - s.fromM()).sum();
            String name = "Section " + (sections.size() + 1);
            sections.add(new Section(id, name, Optional.ofNullable(parents.get(id)), live, lengthM, joined(parts)));
            boolean powered = parts.stream().anyMatch(p -> powered(p.lineId()));
            Stretch first = parts.getFirst();
            if (!live && powered && rowOfDouble(first.lineId())) {
                findings.add(Finding.at(
                        Rule.X3, Severity.NOTE, first.lineId(), first.fromM(), new LayoutMessage.RowsNotBridged()));
            } else if (!live && powered) {
                Stretch s = parts.getFirst();
                findings.add(
                        Finding.at(Rule.J7, Severity.WARN, s.lineId(), s.fromM(), new LayoutMessage.SectionDead(name)));
            }
        });
        return sections;
    }

    /** Whether a line is the inner or the outer row of a double fence. */
    private boolean rowOfDouble(String lineId) {
        return layers.stream()
                .map(LineLayer::line)
                .anyMatch(l -> l.book().beside().isPresent()
                        && (l.id().equals(lineId)
                                || l.book().beside().filter(lineId::equals).isPresent()));
    }

    private boolean powered(String lineId) {
        return lines.get(lineIndex(lineId)).schedule().count(WireRole.HOT) > 0;
    }

    /** Neighbouring pieces of one line, parted only by a feed or a branch, are one stretch. */
    private static List<Stretch> joined(List<Stretch> parts) {
        List<Stretch> result = new ArrayList<>();
        for (Stretch s : parts) {
            Stretch last = result.isEmpty() ? null : result.getLast();
            if (last != null && last.lineId().equals(s.lineId()) && last.toM() == s.fromM()) {
                result.set(result.size() - 1, new Stretch(s.lineId(), last.fromM(), s.toM()));
            } else {
                result.add(s);
            }
        }
        return result;
    }

    private void ringFindings(Map<Integer, String> ids, Map<Integer, String> entry, List<Finding> findings) {
        for (Switch s : switches) {
            String lineId = lines.get(s.line()).lineId();
            int a = root(s.before());
            int b = root(s.after());
            if (a == b) {
                findings.add(Finding.at(
                        Rule.J7,
                        Severity.WARN,
                        lineId,
                        s.cutOut().stationM(),
                        new LayoutMessage.CutOutInRing(),
                        new Message.Name(s.cutOut().name())));
            } else if (ids.containsKey(a)
                    && !s.cutOut().id().equals(entry.get(a))
                    && !s.cutOut().id().equals(entry.get(b))) {
                findings.add(Finding.at(
                        Rule.J7,
                        Severity.NOTE,
                        lineId,
                        s.cutOut().stationM(),
                        new LayoutMessage.CutOutClosesRing(),
                        new Message.Name(s.cutOut().name())));
            }
        }
    }

    private List<TestPoint> ends(Map<Integer, String> ids, LocalPlane plane) {
        List<TestPoint> points = new ArrayList<>();
        for (Switch s : switches) {
            String before = ids.get(root(s.before()));
            String after = ids.get(root(s.after()));
            String near = s.cutOut().id().equals(before) ? after : before;
            if (before != null && after != null && !before.equals(after)) {
                points.add(point(
                        "before:" + s.cutOut().id(),
                        "at " + s.cutOut().name() + ", energizer side",
                        s.line(),
                        s.cutOut().stationM(),
                        near,
                        plane));
            }
        }
        for (int i = 0; i < lines.size(); i++) {
            LineLayout line = lines.get(i);
            if (!(line.closed() && ringClosed)) {
                boolean moved = line.closed() && line.closingM() > 0;
                String first = layers.get(i).line().book().turned() ? "finish" : "start";
                String last = layers.get(i).line().book().turned() ? "start" : "finish";
                double closing = line.closingM();
                freeEnd(i, moved ? closing : 0, moved ? endAt(i, closing) : endAt(i, 0), first, ids, plane)
                        .ifPresent(points::add);
                freeEnd(
                                i,
                                moved ? closing : line.lengthM(),
                                moved ? endAt(i, closing) - 1 : endAt(i, line.lengthM()),
                                last,
                                ids,
                                plane)
                        .ifPresent(points::add);
            }
        }
        return points;
    }

    private Optional<TestPoint> freeEnd(
            int i, double stationM, int end, String which, Map<Integer, String> ids, LocalPlane plane) {
        LineLayout line = lines.get(i);
        boolean fed = line.lineId().equals(feed.lineId())
                && Math.abs(feed.stationM() - stationM) < JOINED_M
                && (line.closingM() == 0 || end == endAt(i, line.closingM()));
        boolean joined = !line.closed() && joined(i, stationM == 0);
        String section = ids.get(root(end));
        if (fed || joined || section == null) {
            return Optional.empty();
        }
        String name = line.closed() ? "closing post, " + which : which + " of " + line.name();
        return Optional.of(point("end:" + line.lineId() + ":" + which, name, i, stationM, section, plane));
    }

    private TestPoint point(String id, String name, int line, double stationM, String section, LocalPlane plane) {
        return TestPoints.at(
                id, name, lines.get(line).lineId(), layers.get(line).stationing(), stationM, section, plane);
    }
}
