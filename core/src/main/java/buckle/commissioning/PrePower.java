package buckle.commissioning;

import buckle.layout.CutOutPlace;
import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.message.CommissionMessage;
import buckle.message.CommissionMessage.ToCheck;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.Observed.Check;
import buckle.readings.OnFence;
import buckle.rulebook.Rule;
import buckle.site.GeoPoint;
import buckle.spec.Spec;
import buckle.spec.Supply;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * What is looked at before power is put on, of what this fence has, with the latest tick of each.
 *
 * @param done how many points are in order, {@code left} how many were left with a reason
 */
public record PrePower(List<CheckItem> items, int done, int left) {
    public PrePower {
        items = List.copyOf(items);
    }

    /**
     * A point of the list.
     *
     * @param of id of the line, gate or switch; empty for the whole job
     * @param lineId {@code stationM} and {@code at}: where a tick is put down
     */
    public record CheckItem(
            Check check,
            Optional<String> of,
            ToCheck says,
            Rule rule,
            String lineId,
            double stationM,
            GeoPoint at,
            Optional<CheckTick> tick) {}

    /** By whom and when. */
    public record CheckTick(UUID reading, boolean inOrder, String reason, String by, Instant at) {}

    /** Whether nothing is open. */
    public boolean complete() {
        return done + left == items.size();
    }

    /** Ticks from {@code since} on count. */
    public static PrePower of(Layout layout, Spec spec, List<Observation> readings, Instant since) {
        if (layout.feed().isEmpty()) {
            return new PrePower(List.of(), 0, 0);
        }
        List<Observation> ticks = OnFence.standing(readings).stream()
                .filter(o ->
                        o.what() instanceof Observed.Checked && !o.takenAt().isBefore(since))
                .sorted(Comparator.comparing(Observation::takenAt))
                .toList();
        List<CheckItem> items = new Listed(layout, spec, ticks).all();
        return new PrePower(
                items,
                (int) items.stream()
                        .filter(i -> i.tick().filter(CheckTick::inOrder).isPresent())
                        .count(),
                (int) items.stream()
                        .filter(i -> i.tick().filter(t -> !t.inOrder()).isPresent())
                        .count());
    }

    private static final class Listed {
        private final Layout layout;
        private final Spec spec;
        private final List<Observation> ticks;
        private final List<CheckItem> items = new ArrayList<>();

        Listed(Layout layout, Spec spec, List<Observation> ticks) {
            this.layout = layout;
            this.spec = spec;
            this.ticks = ticks;
        }

        List<CheckItem> all() {
            for (LineLayout line : layout.lines()) {
                add(
                        Check.WIRES_CLEAR,
                        new CommissionMessage.WiresClear(line.name(), line.lengthM()),
                        Rule.F1,
                        line,
                        line.lineId(),
                        0);
                int braces = (int) line.braces().stream()
                        .filter(b -> b.strongStationM() != b.braceStationM())
                        .count();
                add(
                        Check.HOT_WIRES_APART,
                        new CommissionMessage.HotWiresApart(line.name(), braces),
                        Rule.X9,
                        line,
                        line.lineId(),
                        0);
                List<Joint> joints = layout.joints().stream()
                        .filter(j -> j.lineId().equals(line.lineId()))
                        .toList();
                if (!joints.isEmpty()) {
                    add(
                            Check.JOINTS_TIGHT,
                            new CommissionMessage.JointsTight(line.name(), joints.size()),
                            Rule.J1,
                            line,
                            line.lineId(),
                            0);
                }
                for (GatePlace g : line.gates()) {
                    add(
                            Check.GATE_RIGHT,
                            new CommissionMessage.GateRight(g.name(), g.kind()),
                            Rule.J1,
                            line,
                            g.id(),
                            g.fromM());
                    if (g.kind().cabled()) {
                        add(
                                Check.CABLE_WHOLE,
                                new CommissionMessage.CableWhole(g.name(), false),
                                Rule.C9,
                                line,
                                g.id(),
                                g.fromM());
                    }
                }
                for (CutOutPlace c : line.cutOuts()) {
                    add(
                            Check.SWITCH_CLOSED,
                            new CommissionMessage.SwitchClosed(c.name()),
                            Rule.J1,
                            line,
                            c.id(),
                            c.stationM());
                }
            }
            job(Check.CABLE_WHOLE, new CommissionMessage.CableWhole("", true), Rule.C9);
            job(
                    Check.RODS_CLAMPED,
                    new CommissionMessage.RodsClamped(
                            layout.feed().orElseThrow().rods()),
                    Rule.G8);
            job(Check.SIGNS_UP, new CommissionMessage.SignsUp(layout.signs().size()), Rule.C4);
            job(Check.NOBODY_NEAR, new CommissionMessage.NobodyNear(), Rule.C12);
            job(
                    Check.CONNECTED_IN_ORDER,
                    new CommissionMessage.ConnectedInOrder(spec.supply().source() == Supply.Source.MAINS),
                    Rule.X6);
            return items;
        }

        private void add(Check check, ToCheck says, Rule rule, LineLayout line, String of, double stationM) {
            items.add(new CheckItem(
                    check,
                    Optional.of(of),
                    says,
                    rule,
                    line.lineId(),
                    stationM,
                    Places.on(layout, line, stationM),
                    tick(check, Optional.of(of))));
        }

        private void job(Check check, ToCheck says, Rule rule) {
            var feed = layout.feed().orElseThrow();
            items.add(new CheckItem(
                    check,
                    Optional.empty(),
                    says,
                    rule,
                    feed.lineId(),
                    feed.stationM(),
                    feed.at(),
                    tick(check, Optional.empty())));
        }

        private Optional<CheckTick> tick(Check check, Optional<String> of) {
            return ticks.stream()
                    .filter(o -> o.what() instanceof Observed.Checked c && c.check() == check && c.of().equals(of))
                    .reduce((a, b) -> b)
                    .map(o -> new CheckTick(
                            o.id(), ((Observed.Checked) o.what()).inOrder(), o.note(), o.takenBy(), o.takenAt()));
        }
    }
}
