package buckle.layout;

import buckle.rulebook.Values;
import buckle.site.Gate;
import buckle.site.Gate.GateEnd;
import buckle.site.GateKind;
import buckle.spec.Spec;
import buckle.units.Lengths;
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
                hanging(line, place, gate, side, spec, findings);
                said(line, place, spec, findings);
            }
        }
    }

    private static void hanging(
            LineLayout line, GatePlace place, Gate gate, Optional<GateEnd> side, Spec spec, List<Finding> findings) {
        if (side.isEmpty() || place.kind() == GateKind.RIGID || place.kind() == GateKind.SWING) {
            return;
        }
        boolean fromFed = place.kind() == GateKind.SPRING_SET;
        GateEnd right = fromFed ? side.get() : side.get() == GateEnd.FIRST ? GateEnd.LAST : GateEnd.FIRST;
        double at = right == GateEnd.FIRST ? place.fromM() : place.toM();
        String where = "the post at station " + Lengths.text(at, spec.units());
        if (place.kind().opensCircuit() || fromFed) {
            boolean wrong = gate.hangs().isPresent() && gate.hangs().get() != right;
            String what = fromFed
                    ? "Spring gate sets are fed from their hinge side."
                    : "Handle gates hang on their dead side, so that they are dead in the hand when open; what lies beyond is dead then.";
            findings.add(Finding.of(
                    "J2",
                    wrong ? Severity.WARN : Severity.NOTE,
                    (wrong ? "Drawn the wrong way round. " : "") + what,
                    List.of(new Finding.At(line.lineId(), at, place.name() + " at " + where))));
        }
    }

    private static void said(LineLayout line, GatePlace place, Spec spec, List<Finding> findings) {
        if (place.kind() == GateKind.RIGID) {
            findings.add(Finding.at(
                    "J5",
                    Severity.NOTE,
                    line.lineId(),
                    place.fromM(),
                    "No power passes a rigid gate. What lies beyond is fed from its other side, or stays dead."));
        }
        if (place.kind() == GateKind.CREEK) {
            findings.add(Finding.at(
                    "J8",
                    Severity.NOTE,
                    line.lineId(),
                    place.fromM(),
                    "The hanging part over a creek has its own switch on dry ground; open it before the flood comes."));
        }
        if (place.kind() == GateKind.HANDLE && place.openingM() > Values.J10_WIDEST_HANDLES_M) {
            findings.add(Finding.at(
                    "J10",
                    Severity.NOTE,
                    line.lineId(),
                    place.fromM(),
                    place.name() + " is wider than spring handles hang well (about "
                            + Lengths.text(Values.J10_WIDEST_HANDLES_M, spec.units())
                            + "); one strand closes it better."));
        }
    }
}
