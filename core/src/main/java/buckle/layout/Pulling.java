package buckle.layout;

import buckle.layout.Pull.PullWire;
import buckle.material.Conductor;
import buckle.mechanics.Span;
import buckle.message.PostMessage.When;
import buckle.rulebook.Values;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.spec.WireGroup;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/** How hard the wires of a line pull, what a span of them does in frost and ice, and where their coils end. */
final class Pulling {
    private static final double HAIR_M = 0.01;
    /** A pull hardly over that of the day of building is the same. */
    private static final double SAME_SHARE = 0.005;

    private final Spec spec;
    private final FenceSpec fence;
    private final WireSchedule schedule;
    private final List<WireGroup> groups;
    private final double totalN;
    private final double momentNm;
    private final Coils coils;
    private final double slack;

    Pulling(Spec spec, WireSchedule schedule, Coils coils) {
        this.spec = spec;
        this.coils = coils;
        this.fence = spec.fence();
        this.schedule = schedule;
        this.slack = 1 + spec.purchasing().wireSlackPercent() / 100;
        double total = 0;
        double moment = 0;
        this.groups = fence.withSchedule(schedule).wireGroups();
        for (WireGroup group : groups) {
            double tension = tensionN(fence, group);
            for (int wire : group.wires()) {
                total += tension;
                moment += tension * heightM(wire);
            }
        }
        this.totalN = total;
        this.momentNm = moment;
    }

    /** What is pulled by hand as hard as a hand pulls (H3). S1: steel by school, but so that the coldest night keeps it under its working share; what is pulled by hand at a tenth of its strength. */
    static double tensionN(FenceSpec fence, WireGroup wires) {
        Conductor conductor = wires.conductor();
        if (wires.role() == WireRole.HOT && fence.standsByItself()) {
            return Values.S1_NET_N;
        }
        if (wires.byHand()) {
            double usual = Math.min(Values.H3_BY_HAND_N, Values.S1_BY_HAND_SHARE * conductor.breakingN());
            return fence.stringing().handN().orElse(usual);
        }
        if (!conductor.strained() && conductor.family() != Conductor.Family.SOFT_WIRE) {
            return Values.S1_BY_HAND_SHARE * conductor.breakingN();
        }
        FenceSpec.Climate season = fence.climate();
        double cold = conductor.stiffnessN() * conductor.expansionPerK() * (season.buildC() - season.coldC());
        return Math.max(
                Values.S1_BY_HAND_SHARE * conductor.breakingN(),
                Math.min(fence.wires().tension().tensionN(), Values.S12_WORKING_SHARE * conductor.breakingN() - cold));
    }

    /** Its wires by what they are made of and how they are pulled. */
    List<WireGroup> groups() {
        return groups;
    }

    private double heightM(int wire) {
        return schedule.wires().get(wire - 1).heightM();
    }

    double totalN() {
        return totalN;
    }

    double momentNm() {
        return momentNm;
    }

    /** Height at which one pull would do what all wires do together. */
    double leverM() {
        return momentNm / totalN;
    }

    /**
     * A pull as strained.
     *
     * @param runM length of each wire, of which this is a part
     * @param cuts what coils are opened for it and where they end
     */
    Pull pull(double fromM, double toM, double slopeM, double runM, double widestSpanM, Map<WireGroup, Cut> cuts) {
        List<PullWire> wires = new ArrayList<>();
        for (WireGroup group : groups) {
            wires.add(wire(group, runM, widestSpanM, cuts.getOrDefault(group, Cut.NONE)));
        }
        double worst = 0;
        double worstNm = 0;
        boolean iced = false;
        for (PullWire of : wires) {
            for (int wire : of.wires()) {
                worst += of.worstN();
                worstNm += of.worstN() * heightM(wire);
            }
            iced |= of.icedN() > of.coldN();
        }
        When when = worst <= totalN * (1 + SAME_SHARE)
                ? new When.AsBuilt()
                : iced ? new When.Iced() : new When.Cold(fence.climate().coldC());
        return new Pull(fromM, toM, slopeM, totalN, momentNm, worst, worstNm, when, widestSpanM, wires);
    }

    /** A tightener at the start of a pull sits in the first span after the brace. */
    static double endM(Bracing.Placed start, double fromM, double toM) {
        return Math.min(Math.max(start.braceM(), fromM) + 1, (fromM + toM) / 2);
    }

    /** What a wire stretches by with its spring, as one stiffness over the pull (H4). */
    private static double stiffnessN(Conductor c, boolean sprung, double slopeM) {
        return sprung
                ? 1 / (1 / c.stiffnessN() + 1 / (Values.H4_SPRING_N_PER_M * Math.max(1, slopeM)))
                : c.stiffnessN();
    }

    private PullWire wire(WireGroup group, double runM, double spanM, Cut cut) {
        Conductor c = group.conductor();
        double tension = tensionN(fence, group);
        double bare = Span.icedNPerM(c.kgPerM(), c.diameterM(), 0);
        Span strained = new Span(Math.max(spanM, 0.1), bare, tension);
        FenceSpec.Climate season = fence.climate();
        boolean sprung = sprung(fence, group);
        double stiffness = stiffnessN(c, sprung, runM);
        double cold = strained.after(season.coldC() - season.buildC(), bare, stiffness, c.expansionPerK())
                .tensionN();
        Span iced = strained;
        if (season.iceM() > 0) {
            double heavy = Span.icedNPerM(c.kgPerM(), c.diameterM(), season.iceM());
            iced = strained.after(Math.min(0, -season.buildC()), heavy, stiffness, c.expansionPerK());
        }
        return new PullWire(
                group.role(),
                c,
                group.count(),
                group.wires(),
                tension,
                strained.sagM(),
                cold,
                iced.tensionN(),
                iced.sagM(),
                sprung,
                cut.coils(),
                cut.joinersM());
    }

    /** Springs go with a tightener in hot wire that is strained. */
    static boolean sprung(FenceSpec fence, WireGroup wires) {
        return wires.role() == WireRole.HOT
                && fence.wires().springs()
                && wires.conductor().strained()
                && !wires.byHand();
    }

    /** How many coils wires take, and where they are joined. */
    record Cut(int coils, List<Double> joinersM) {
        static final Cut NONE = new Cut(0, List.of());
    }

    /** Left over at both ends of a wire; where it ends at each strong post the slack covers it. */
    static double tailsM(FenceSpec fence, Conductor conductor) {
        if (conductor.family() == Conductor.Family.NET) {
            return 0;
        }
        double tail = conductor.crimped() ? Values.S5_TAIL_M : Values.S5_WOVEN_TAIL_M;
        return fence.stringing().way().passesCorners() ? 2 * tail : 0;
    }

    /**
     * S14: each wire goes on from the rest of its coil where that is worth it.
     *
     * @param wires that are each in one piece
     * @param passes how often each goes along
     * @param joinedAt the station of a joint, by how many times the wire has gone along before it
     */
    Cut cut(WireGroup group, int wires, int passes, double slopeM, DoubleUnaryOperator joinedAt) {
        if (group.stands()) {
            return Cut.NONE;
        }
        WireRole role = group.role();
        Conductor conductor = group.conductor();
        double coil = spec.coilM(conductor);
        double[] rest = coils.rest(role, conductor);
        int opened = 0;
        boolean net = role == WireRole.HOT && fence.standsByItself();
        double need = passes * slopeM * (net ? 1 : slack) + tailsM(fence, conductor);
        List<Double> joints = new ArrayList<>();
        for (int i = 0; i < wires; i++) {
            if (rest[0] + HAIR_M < Math.min(need, Values.S14_LEAST_REST_M)) {
                rest[0] = coil;
                opened++;
            }
            double done = 0;
            while (need - done > rest[0] + HAIR_M) {
                done += rest[0];
                rest[0] = coil;
                opened++;
                joints.add(joinedAt.applyAsDouble(passes * done / need));
            }
            rest[0] = Math.max(0, rest[0] - (need - done));
        }
        return new Cut(opened, joints);
    }

    /** A wire is never joined within a brace. */
    static double outOfBrace(double stationM, List<Bracing.Placed> braces) {
        for (Bracing.Placed b : braces) {
            double low = Math.min(b.strongM(), b.braceM());
            double high = Math.max(b.strongM(), b.braceM());
            if (stationM >= low && stationM <= high) {
                return b.braceM() > b.strongM() ? high + 0.5 : low - 0.5;
            }
        }
        return stationM;
    }
}
