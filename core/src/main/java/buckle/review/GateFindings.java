package buckle.review;

import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.GatePlace;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.Severity;
import buckle.message.LayoutMessage;
import buckle.network.FenceNetwork;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.Gate;
import buckle.site.Gate.GateEnd;
import buckle.site.GateKind;
import java.util.List;
import java.util.Optional;

/** What openings do to the pulse, and on which post they hang. */
final class GateFindings {
    private GateFindings() {}

    static void of(Fence fence, FenceNetwork network, List<Finding> findings) {
        for (LaidLine laid : fence.lines()) {
            LineLayout line = laid.layout();
            for (GatePlace place : line.gates()) {
                Gate gate = laid.line().gates().stream()
                        .filter(g -> g.id().equals(place.id()))
                        .findFirst()
                        .orElseThrow();
                Optional<GateEnd> side = network.fedSide(place.id());
                hanging(line, place, gate, side, findings);
                said(line, place, findings);
            }
        }
    }

    private static void hanging(
            LineLayout line, GatePlace place, Gate gate, Optional<GateEnd> side, List<Finding> findings) {
        boolean leaf =
                place.kind() == GateKind.RIGID || place.kind() == GateKind.SWING || place.kind() == GateKind.SLIDING;
        if (side.isEmpty() || leaf) {
            return;
        }
        boolean fromFed = place.kind() == GateKind.SPRING_SET;
        GateEnd right = fromFed ? side.get() : side.get() == GateEnd.FIRST ? GateEnd.LAST : GateEnd.FIRST;
        double at = right == GateEnd.FIRST ? place.fromM() : place.toM();
        if (place.kind().opensCircuit() || fromFed) {
            boolean wrong = gate.hangs().isPresent() && gate.hangs().get() != right;
            findings.add(Finding.at(
                    Rule.J2,
                    wrong ? Severity.WARN : Severity.NOTE,
                    line.lineId(),
                    at,
                    new LayoutMessage.GateHangs(wrong, fromFed),
                    new LayoutMessage.HangingPost(place.name(), at)));
        }
    }

    private static void said(LineLayout line, GatePlace place, List<Finding> findings) {
        if (place.kind() == GateKind.SLIDING && !slides(line, place)) {
            findings.add(Finding.at(
                    Rule.J5,
                    Severity.WARN,
                    line.lineId(),
                    place.fromM(),
                    new LayoutMessage.NoRoomToSlide(place.name(), place.openingM())));
        }
        if (place.kind() == GateKind.RIGID) {
            note(findings, Rule.J5, line, place, new LayoutMessage.RigidGate());
        }
        if (place.kind() == GateKind.CREEK) {
            note(findings, Rule.J8, line, place, new LayoutMessage.CreekSwitch());
        }
        if (place.kind() == GateKind.HANDLE && place.openingM() > Values.J10_WIDEST_HANDLES_M) {
            note(
                    findings,
                    Rule.J10,
                    line,
                    place,
                    new LayoutMessage.HandlesTooWide(place.name(), Values.J10_WIDEST_HANDLES_M));
        }
    }

    /** Whether its leaf has its own width of straight fence on one side. */
    private static boolean slides(LineLayout line, GatePlace place) {
        double before = 0;
        double after = line.lengthM();
        for (double corner : line.cornerStationsM()) {
            before = corner <= place.fromM() ? Math.max(before, corner) : before;
            after = corner >= place.toM() ? Math.min(after, corner) : after;
        }
        for (GatePlace other : line.gates()) {
            before = other.toM() <= place.fromM() ? Math.max(before, other.toM()) : before;
            after = other.fromM() >= place.toM() ? Math.min(after, other.fromM()) : after;
        }
        return Math.max(place.fromM() - before, after - place.toM()) >= place.openingM();
    }

    private static void note(
            List<Finding> findings, Rule rule, LineLayout line, GatePlace place, LayoutMessage message) {
        findings.add(Finding.at(rule, Severity.NOTE, line.lineId(), place.fromM(), message));
    }
}
