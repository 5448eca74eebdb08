package buckle.review;

import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.Section;
import buckle.layout.Severity;
import buckle.message.LayoutMessage;
import buckle.message.Message;
import buckle.network.FenceNetwork;
import buckle.network.IdleCutOut;
import buckle.network.Switch;
import buckle.rulebook.Rule;
import buckle.site.PlanePoint;
import buckle.spec.WireRole;
import java.util.List;
import java.util.OptionalDouble;

/** What is joined to nothing: ends that stop beside a line, switches that part nothing, sections that nothing feeds. */
final class NetworkFindings {
    /** An end this near another line looks as if it were joined to it. */
    private static final double LOOKS_JOINED_M = 1;

    private final Fence fence;
    private final FenceNetwork network;
    private final List<Finding> findings;

    private NetworkFindings(Fence fence, FenceNetwork network, List<Finding> findings) {
        this.fence = fence;
        this.network = network;
        this.findings = findings;
    }

    static void of(Fence fence, FenceNetwork network, List<Finding> findings) {
        NetworkFindings all = new NetworkFindings(fence, network, findings);
        network.idleCutOuts().forEach(all::idle);
        for (LaidLine line : fence.lines()) {
            if (!line.line().closed()) {
                all.looseEnd(line, true);
                all.looseEnd(line, false);
            }
        }
        network.sections().forEach(all::dead);
        network.switches().forEach(all::ring);
    }

    private void idle(IdleCutOut c) {
        findings.add(Finding.at(
                Rule.J4,
                Severity.WARN,
                c.lineId(),
                c.cutOut().stationM(),
                new LayoutMessage.CutOutIdle(c.cutOut().name(), c.why(), c.other())));
    }

    /** An end that stops right at another line without being joined to it stays dead, or looks as if it were joined. */
    private void looseEnd(LaidLine laid, boolean atStart) {
        boolean joined = fence.tees().stream().anyMatch(t -> t.lineId().equals(laid.id()) && t.atStart() == atStart);
        if (joined) {
            return;
        }
        double station = atStart ? 0 : laid.layout().lengthM();
        PlanePoint at = laid.stationing().at(station);
        for (LaidLine other : fence.lines()) {
            if (other != laid
                    && !branches(other, laid)
                    && !beside(laid, other)
                    && !beside(other, laid)
                    && other.stationing().nearest(at).offsetM() <= LOOKS_JOINED_M) {
                findings.add(Finding.at(
                        Rule.J1,
                        Severity.WARN,
                        laid.id(),
                        station,
                        new LayoutMessage.LooseEnd(
                                atStart, laid.line().name(), other.line().name())));
            }
        }
    }

    private boolean branches(LaidLine one, LaidLine on) {
        return fence.tees().stream()
                .anyMatch(t -> t.lineId().equals(one.id()) && t.onLineId().equals(on.id()));
    }

    /** The rows of a double fence run beside each other on purpose. */
    private static boolean beside(LaidLine outer, LaidLine inner) {
        return outer.line().book().beside().filter(inner.id()::equals).isPresent();
    }

    private void dead(Section section) {
        boolean powered = section.stretches().stream()
                .anyMatch(s -> fence.line(s.lineId()).layout().schedule().count(WireRole.HOT) > 0);
        if (section.live() || !powered) {
            return;
        }
        Section.Stretch first = section.stretches().getFirst();
        if (rowOfDouble(first.lineId()) && !bridged(first.lineId())) {
            findings.add(Finding.at(
                    Rule.X3, Severity.NOTE, first.lineId(), first.fromM(), new LayoutMessage.RowsNotBridged()));
        } else {
            findings.add(Finding.at(Rule.J7, Severity.WARN, first.lineId(), first.fromM(), nearest(section)));
        }
    }

    /** Which live line comes nearest, and how far a lead to it would be. */
    private LayoutMessage.SectionDead nearest(Section dead) {
        double best = Double.POSITIVE_INFINITY;
        String name = "";
        for (Section.Stretch stretch : dead.stretches()) {
            LaidLine line = fence.line(stretch.lineId());
            for (LaidLine other : fence.lines()) {
                if (other != line && live(other)) {
                    double off = line.stationing()
                            .nearest(other.stationing(), stretch.fromM(), stretch.toM())
                            .offM();
                    if (off < best) {
                        best = off;
                        name = other.line().name();
                    }
                }
            }
        }
        return new LayoutMessage.SectionDead(
                dead.name(), name, name.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(best));
    }

    private boolean live(LaidLine line) {
        return line.layout().schedule().count(WireRole.HOT) > 0
                && network.sections().stream()
                        .filter(Section::live)
                        .flatMap(section -> section.stretches().stream())
                        .anyMatch(stretch -> stretch.lineId().equals(line.id()));
    }

    /** Whether the rows are joined, so that something else keeps the power away. */
    private boolean bridged(String lineId) {
        return fence.leads().stream()
                .anyMatch(l ->
                        l.bridge() && (l.lineId().equals(lineId) || l.onLineId().equals(lineId)));
    }

    /** Whether a line is the inner or the outer row of a double fence. */
    private boolean rowOfDouble(String lineId) {
        LaidLine line = fence.line(lineId);
        return fence.lines().stream()
                .anyMatch(l -> l.line().book().beside().isPresent() && (l == line || beside(l, line)));
    }

    private void ring(Switch s) {
        Message name = new Message.Name(s.cutOut().name());
        double at = s.cutOut().stationM();
        switch (network.sectionView().lies(s)) {
            case IN_A_RING ->
                findings.add(
                        Finding.at(Rule.J7, Severity.WARN, s.lineId(), at, new LayoutMessage.CutOutInRing(), name));
            case CLOSES_A_RING ->
                findings.add(
                        Finding.at(Rule.J7, Severity.NOTE, s.lineId(), at, new LayoutMessage.CutOutClosesRing(), name));
            case FEEDS -> {}
        }
    }
}
