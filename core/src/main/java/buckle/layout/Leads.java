package buckle.layout;

import buckle.message.LayoutMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.LineBook.LeadTo;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import buckle.site.Tees;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Leads from line to line as somebody wants them, and the bridge that feeds the outer row of a double fence by itself (X3). */
final class Leads {
    /** An outer row further out than this many times its usual distance is none that an arm's length bridges. */
    private static final double ARM_TIMES = 3;

    private final List<LaidLine> lines;
    private final List<Tees.Tee> tees;
    private final LocalPlane plane;
    private final List<Finding> findings;
    private final List<Lead> leads = new ArrayList<>();

    private Leads(List<LaidLine> lines, List<Tees.Tee> tees, LocalPlane plane, List<Finding> findings) {
        this.lines = lines;
        this.tees = tees;
        this.plane = plane;
        this.findings = findings;
    }

    static List<Lead> of(List<LaidLine> lines, List<Tees.Tee> tees, LocalPlane plane, List<Finding> findings) {
        Leads all = new Leads(lines, tees, plane, findings);
        for (LaidLine line : lines) {
            line.line().book().leads().forEach(lead -> all.wanted(line, lead));
        }
        lines.forEach(all::bridge);
        return List.copyOf(all.leads);
    }

    private Optional<LaidLine> line(String id) {
        return lines.stream().filter(l -> l.id().equals(id)).findFirst();
    }

    private static boolean hot(LaidLine line) {
        return line.layout().schedule().count(WireRole.HOT) > 0
                && !line.layout().pulls().isEmpty();
    }

    private void wanted(LaidLine line, LeadTo lead) {
        Optional<LaidLine> to = line(lead.toLineId()).filter(l -> l != line);
        if (to.isEmpty() || !hot(line) || !hot(to.get())) {
            double at = lead.at()
                    .map(p -> line.stationing().nearest(plane.toPlane(p)).stationM())
                    .orElse(0.0);
            findings.add(Finding.at(
                    Rule.X3,
                    Severity.WARN,
                    line.id(),
                    at,
                    new LayoutMessage.LeadToNothing(line.line().name())));
            return;
        }
        Lead made = lead.at()
                .map(p ->
                        from(line, line.stationing().nearest(plane.toPlane(p)).stationM(), to.get(), lead.id(), false))
                .orElseGet(() -> from(
                        line,
                        line.stationing()
                                .nearest(
                                        to.get().stationing(),
                                        0,
                                        line.stationing().lengthM())
                                .stationM(),
                        to.get(),
                        lead.id(),
                        false));
        lead.reelM().ifPresent(reel -> {
            if (made.lengthM() > reel) {
                findings.add(Finding.at(
                        Rule.X3,
                        Severity.WARN,
                        line.id(),
                        made.stationM(),
                        new LayoutMessage.LeadTooShort(made.name(), made.lengthM(), reel)));
            }
        });
        leads.add(made);
    }

    private Lead from(LaidLine line, double stationM, LaidLine on, String id, boolean bridge) {
        PlanePoint here = line.stationing().at(stationM);
        Stationing.Place there = on.stationing().nearest(here);
        String name = (bridge ? "bridge to " : "lead to ") + on.line().name();
        double at = clear(line.layout(), stationM);
        double onAt = clear(on.layout(), there.stationM());
        PlanePoint from = line.stationing().at(at);
        PlanePoint to = on.stationing().at(onAt);
        return new Lead(
                id, name, bridge, line.id(), at, plane.toGeo(from), on.id(), onAt, plane.toGeo(to), from.distanceM(to));
    }

    /** Not in an opening: at the post beside it. */
    private static double clear(LineLayout line, double stationM) {
        for (GatePlace gate : line.gates()) {
            if (stationM > gate.fromM() && stationM < gate.toM()) {
                return stationM - gate.fromM() < gate.toM() - stationM ? gate.fromM() : gate.toM();
            }
        }
        return stationM;
    }

    /** From where the outer row's wires begin to the inner row, unless they are joined another way. */
    private void bridge(LaidLine outer) {
        Optional<LaidLine> inner = outer.line().book().beside().flatMap(this::line);
        if (inner.isEmpty() || inner.get() == outer || !hot(outer) || !hot(inner.get())) {
            return;
        }
        boolean joined = Stream.concat(
                        tees.stream().map(t -> List.of(t.lineId(), t.onLineId())),
                        leads.stream().map(l -> List.of(l.lineId(), l.onLineId())))
                .anyMatch(pair ->
                        pair.contains(outer.id()) && pair.contains(inner.get().id()));
        Lead lead = from(outer, outer.layout().runs().getFirst().fromM(), inner.get(), "bridge:" + outer.id(), true);
        if (!joined && lead.lengthM() <= ARM_TIMES * Values.W9_APART_M) {
            leads.add(lead);
        }
    }
}
