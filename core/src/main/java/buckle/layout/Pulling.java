package buckle.layout;

import buckle.layout.Pull.PullWire;
import buckle.material.Conductor;
import buckle.mechanics.Span;
import buckle.rulebook.Values;
import buckle.spec.Build;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** How hard the wires of a line pull, what a span of them does in frost and ice, and where their coils end. */
final class Pulling {
    private static final double HAIR_M = 0.01;

    private final Spec spec;
    private final Build build;
    private final WireSchedule schedule;
    private final double totalN;
    private final double momentNm;
    private final Map<WireRole, double[]> restM = new EnumMap<>(WireRole.class);
    private final double slack;

    Pulling(Spec spec, WireSchedule schedule) {
        this.spec = spec;
        this.build = spec.build();
        this.schedule = schedule;
        this.slack = 1 + spec.takeoff().wireSlackPercent() / 100;
        double total = 0;
        double moment = 0;
        for (Wire wire : schedule.wires()) {
            double tension = tensionN(build, wire.role());
            total += tension;
            moment += tension * wire.heightM();
        }
        this.totalN = total;
        this.momentNm = moment;
    }

    /** S1: steel by school, but never over its working share; what is pulled by hand at a tenth of its strength. */
    static double tensionN(Build build, WireRole role) {
        Conductor conductor = build.wires().of(role);
        if (!conductor.strained() && conductor.family() != Conductor.Family.SOFT_WIRE) {
            return Values.S1_BY_HAND_SHARE * conductor.breakingN();
        }
        return Math.min(build.wires().tension().tensionN(), Values.S12_WORKING_SHARE * conductor.breakingN());
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
    Pull pull(double fromM, double toM, double slopeM, double widestSpanM, List<Brace> braces) {
        List<PullWire> wires = new ArrayList<>();
        for (WireRole role : WireRole.values()) {
            int count = schedule.count(role);
            if (count > 0) {
                wires.add(wire(role, count, widestSpanM, joints(role, count, fromM, toM, slopeM, braces)));
            }
        }
        boolean mid = slopeM > build.wires().midRunFromM();
        double strainer = mid ? (fromM + toM) / 2 : clearOf(braces, fromM, toM);
        return new Pull(fromM, toM, slopeM, totalN, momentNm, strainer, widestSpanM, wires);
    }

    /** In the first span after the brace. */
    private static double clearOf(List<Brace> braces, double fromM, double toM) {
        double at = fromM;
        for (Brace b : braces) {
            if (b.strongStationM() == fromM && b.braceStationM() > fromM) {
                at = b.braceStationM();
            }
        }
        return Math.min(at + 1, (fromM + toM) / 2);
    }

    private PullWire wire(WireRole role, int count, double spanM, List<Double> joints) {
        Conductor c = build.wires().of(role);
        double tension = tensionN(build, role);
        double bare = Span.icedNPerM(c.kgPerM(), c.diameterM(), 0);
        Span strained = new Span(Math.max(spanM, 0.1), bare, tension);
        Build.Season season = build.season();
        double cold = strained.after(season.coldC() - season.buildC(), bare, c.stiffnessN(), c.expansionPerK())
                .tensionN();
        Span iced = strained;
        if (season.iceM() > 0) {
            double heavy = Span.icedNPerM(c.kgPerM(), c.diameterM(), season.iceM());
            iced = strained.after(Math.min(0, -season.buildC()), heavy, c.stiffnessN(), c.expansionPerK());
        }
        return new PullWire(role, c, count, tension, strained.sagM(), cold, iced.tensionN(), iced.sagM(), joints);
    }

    /** S14: each wire goes on from the rest of its coil where that is worth it; never joined within a brace. */
    private List<Double> joints(WireRole role, int count, double fromM, double toM, double slopeM, List<Brace> braces) {
        double coil = spec.coilM(role);
        double[] rest = restM.computeIfAbsent(role, r -> new double[1]);
        double need = slopeM * slack;
        List<Double> joints = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            if (rest[0] < Math.min(need, Values.S14_LEAST_REST_M)) {
                rest[0] = coil;
            }
            double done = 0;
            while (need - done > rest[0] + HAIR_M) {
                done += rest[0];
                rest[0] = coil;
                joints.add(outOfBrace(fromM + (toM - fromM) * done / need, braces));
            }
            rest[0] = Math.max(0, rest[0] - (need - done));
        }
        return joints;
    }

    private static double outOfBrace(double stationM, List<Brace> braces) {
        for (Brace b : braces) {
            double low = Math.min(b.strongStationM(), b.braceStationM());
            double high = Math.max(b.strongStationM(), b.braceStationM());
            if (stationM >= low && stationM <= high) {
                return b.braceStationM() > b.strongStationM() ? high + 0.5 : low - 0.5;
            }
        }
        return stationM;
    }
}
