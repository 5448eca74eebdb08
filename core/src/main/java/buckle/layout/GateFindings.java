package buckle.layout;

import buckle.message.LayoutMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.Gate;
import buckle.site.Gate.GateEnd;
import buckle.site.GateKind;
import buckle.spec.Spec;
import java.util.List;
import java.util.Optional;

/** What openings do to the pulse, and on which post they hang. */
final class GateFindings {
    private GateFindings() {}

    static void of(List<LineLayer> layers, List<LineLayout> lines, FedSide fed, Spec spec, List<Finding> findings) {
        for (int i = 0; i < lines.size(); i++) {
            LineLayout line = lines.get(i);
            for (GatePlace place : line.gates()) {
                Gate gate = layers.get(i).line().gates().stream()
                        .filter(g -> g.id().equals(place.id()))
                        .findFirst()
                        .orElseThrow();
                Optional<GateEnd> side = fed.of(line, place, spec.ringClosed());
                hanging(line, place, gate, side, findings);
                said(line, place, findings);
            }
        }
    }

    private static void hanging(
            LineLayout line, GatePlace place, Gate gate, Optional<GateEnd> side, List<Finding> findings) {
        if (side.isEmpty() || place.kind() == GateKind.RIGID || place.kind() == GateKind.SWING) {
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

    private static void note(
            List<Finding> findings, Rule rule, LineLayout line, GatePlace place, LayoutMessage message) {
        findings.add(Finding.at(rule, Severity.NOTE, line.lineId(), place.fromM(), message));
    }
}
