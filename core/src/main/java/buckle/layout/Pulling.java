package buckle.layout;

import buckle.layout.Pull.PullWire;
import buckle.material.Conductor;
import buckle.mechanics.Span;
import buckle.message.PostMessage.When;
import buckle.rulebook.Values;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.List;

/** How hard the wires of a line pull, what a span of them does in frost and ice, and where their coils end. */
final class Pulling {
    private static final double HAIR_M = 0.01;
    /** A pull hardly over that of the day of building is the same. */
    private static final double SAME_SHARE = 0.005;

    private final Spec spec;
    private final FenceSpec fence;
    private final WireSchedule schedule;
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
        for (Wire wire : schedule.wires()) {
            double tension = tensionN(fence, wire.role());
            total += tension;
            moment += tension * wire.heightM();
        }
        this.totalN = total;
        this.momentNm = moment;
    }

    /** S1: steel by school, but so that the coldest night keeps it under its working share; what is pulled by hand at a tenth of its strength. */
    static double tensionN(FenceSpec fence, WireRole role) {
        Conductor conductor = fence.wires().of(role);
        if (!conductor.strained() && conductor.family() != Conductor.Family.SOFT_WIRE) {
            return Values.S1_BY_HAND_SHARE * conductor.breakingN();
        }
        FenceSpec.Climate season = fence.climate();
        double cold = conductor.stiffnessN() * conductor.expansionPerK() * (season.buildC() - season.coldC());
        return Math.max(
                Values.S1_BY_HAND_SHARE * conductor.breakingN(),
                Math.min(fence.wires().tension().tensionN(), Values.S12_WORKING_SHARE * conductor.breakingN() - cold));
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

    /** A pull as strained; joints are given later, pull by pull in order. */
    Pull pull(double fromM, double toM, double slopeM, double widestSpanM, List<Bracing.Placed> braces) {
        List<PullWire> wires = new ArrayList<>();
        for (WireRole role : WireRole.values()) {
            int count = schedule.count(role);
            if (count > 0) {
                wires.add(wire(role, count, slopeM, widestSpanM, joints(role, count, fromM, toM, slopeM, braces)));
            }
        }
        boolean mid = slopeM > fence.wires().midRunFromM();
        double strainer = mid ? (fromM + toM) / 2 : clearOf(braces, fromM, toM);
        double worst = 0;
        double worstNm = 0;
        boolean iced = false;
        for (Wire w : schedule.wires()) {
            PullWire of =
                    wires.stream().filter(p -> p.role() == w.role()).findFirst().orElseThrow();
            worst += of.worstN();
            worstNm += of.worstN() * w.heightM();
            iced |= of.icedN() > of.coldN();
        }
        When when = worst <= totalN * (1 + SAME_SHARE)
                ? new When.AsBuilt()
                : iced ? new When.Iced() : new When.Cold(fence.climate().coldC());
        return new Pull(fromM, toM, slopeM, totalN, momentNm, worst, worstNm, when, strainer, widestSpanM, wires);
    }

    /** In the first span after the brace. */
    private static double clearOf(List<Bracing.Placed> braces, double fromM, double toM) {
        double at = fromM;
        for (Bracing.Placed b : braces) {
            if (b.strongM() == fromM && b.braceM() > fromM) {
                at = b.braceM();
            }
        }
        return Math.min(at + 1, (fromM + toM) / 2);
    }

    /** What a wire stretches by with its spring, as one stiffness over the pull (H4). */
    private static double stiffnessN(Conductor c, boolean sprung, double slopeM) {
        return sprung
                ? 1 / (1 / c.stiffnessN() + 1 / (Values.H4_SPRING_N_PER_M * Math.max(1, slopeM)))
                : c.stiffnessN();
    }

    private PullWire wire(WireRole role, int count, double slopeM, double spanM, Cut cut) {
        Conductor c = fence.wires().of(role);
        double tension = tensionN(fence, role);
        double bare = Span.icedNPerM(c.kgPerM(), c.diameterM(), 0);
        Span strained = new Span(Math.max(spanM, 0.1), bare, tension);
        FenceSpec.Climate season = fence.climate();
        boolean sprung = role == WireRole.HOT && fence.wires().springs() && c.strained();
        double stiffness = stiffnessN(c, sprung, slopeM);
        double cold = strained.after(season.coldC() - season.buildC(), bare, stiffness, c.expansionPerK())
                .tensionN();
        Span iced = strained;
        if (season.iceM() > 0) {
            double heavy = Span.icedNPerM(c.kgPerM(), c.diameterM(), season.iceM());
            iced = strained.after(Math.min(0, -season.buildC()), heavy, stiffness, c.expansionPerK());
        }
        return new PullWire(
                role,
                c,
                count,
                tension,
                strained.sagM(),
                cold,
                iced.tensionN(),
                iced.sagM(),
                sprung,
                cut.coils(),
                cut.joinersM());
    }

    /** How many coils a pull opens, and where they are joined. */
    private record Cut(int coils, List<Double> joinersM) {}

    /** S14: each wire goes on from the rest of its coil where that is worth it; never joined within a brace. */
    private Cut joints(WireRole role, int count, double fromM, double toM, double slopeM, List<Bracing.Placed> braces) {
        double coil = spec.coilM(role);
        double[] rest = coils.rest(role, fence.wires().of(role));
        int opened = 0;
        double need = slopeM * slack;
        List<Double> joints = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            if (rest[0] + HAIR_M < Math.min(need, Values.S14_LEAST_REST_M)) {
                rest[0] = coil;
                opened++;
            }
            double done = 0;
            while (need - done > rest[0] + HAIR_M) {
                done += rest[0];
                rest[0] = coil;
                opened++;
                joints.add(outOfBrace(fromM + (toM - fromM) * done / need, braces));
            }
            rest[0] = Math.max(0, rest[0] - (need - done));
        }
        return new Cut(opened, joints);
    }

    private static double outOfBrace(double stationM, List<Bracing.Placed> braces) {
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
