package buckle.circuit;

import buckle.land.Traits.Soil;
import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.LineLayout;
import buckle.layout.Pull;
import buckle.material.Conductor;
import buckle.pulse.LineType;
import buckle.pulse.Strand;
import buckle.rulebook.Values;
import buckle.spec.Build;
import buckle.spec.Overgrowth;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;

/** What a metre of a line is to the pulse: its joined hot wires, its earth wires, growth and ground. */
final class Wires {
    private static final double LEAST_HEIGHT_M = 0.05;
    /** Double-insulated cable in the ground; typical values from memory. */
    static final double CABLE_FARAD_PER_M = 150e-12;

    static final double CABLE_HENRY_PER_M = 0.5e-6;

    private final Conditions conditions;
    private final List<Joint> joints;

    Wires(Conditions conditions, List<Joint> joints) {
        this.conditions = conditions;
        this.joints = joints;
    }

    static LineType cable() {
        return LineType.of(
                new LineType.Cable(Conductor.LEAD_OUT_CABLE.ohmPerM(), CABLE_HENRY_PER_M, CABLE_FARAD_PER_M));
    }

    /** Hot wires of the pull at a station that a jumper set joins; without one, only the lowest. */
    List<Integer> joined(LineLayout line, double stationM) {
        List<Integer> hot = new ArrayList<>();
        for (int i = 0; i < line.schedule().wires().size(); i++) {
            if (line.schedule().wires().get(i).role() == WireRole.HOT) {
                hot.add(i + 1);
            }
        }
        if (hot.size() < 2) {
            return hot;
        }
        for (Pull pull : line.pulls()) {
            if (pull.fromM() <= stationM && stationM <= pull.toM()) {
                boolean jumped = joints.stream()
                        .anyMatch(j -> j.kind() == Joint.Kind.JUMPER
                                && j.lineId().equals(line.lineId())
                                && j.stationM() >= pull.fromM() - 0.1
                                && j.stationM() <= pull.toM() + 0.1
                                && j.hot().containsAll(hot));
                return jumped ? hot : hot.subList(0, 1);
            }
        }
        return hot;
    }

    LineType type(LineLayout line, Build.WirePlan plan, double stationM, Soil soil) {
        List<Integer> hot = joined(line, stationM);
        return type(line, plan, hot, soil);
    }

    /** The strands across an opening. */
    LineType across(LineLayout line, GatePlace gate, Build.WirePlan plan, Soil soil) {
        List<Integer> hot = joined(line, gate.fromM() - 1e-3);
        boolean one = gate.kind() == buckle.site.GateKind.STRAND;
        return type(line, plan, one ? hot.subList(hot.size() - 1, hot.size()) : hot, soil);
    }

    private LineType type(LineLayout line, Build.WirePlan plan, List<Integer> hot, Soil soil) {
        List<Strand> strands = new ArrayList<>();
        double lowest = Double.POSITIVE_INFINITY;
        List<Wire> wires = line.schedule().wires();
        for (int i = 0; i < wires.size(); i++) {
            Wire w = wires.get(i);
            boolean isHot = hot.contains(i + 1);
            if (isHot || w.role() == WireRole.EARTH) {
                strands.add(strand(w, plan.of(w.role()), isHot));
            }
            if (isHot) {
                lowest = Math.min(lowest, w.heightM());
            }
        }
        double soilOhmM = Math.clamp(Soils.ohmM(soil, conditions.ground()) * conditions.soilFactor(), 0.2, 9e5);
        return LineType.overGround(strands, leakSPerM(lowest), soilOhmM);
    }

    private Strand strand(Wire w, Conductor conductor, boolean hot) {
        double muR = conductor.muR() > 1 ? conditions.steelMuR() : 1;
        double height = Math.max(LEAST_HEIGHT_M, w.heightM());
        return new Strand(height, Math.min(conductor.roundM(), height), conductor.ohmPerM(), muR, hot);
    }

    /** Insulators leak a little everywhere; growth reaches low hot wires more than high ones. */
    double leakSPerM(double lowestHotM) {
        double insulators = conditions.insulators().siemensPerKm();
        double up = (lowestHotM - Values.V12_FULL_M) / (Values.V12_LITTLE_M - Values.V12_FULL_M);
        double share = Math.clamp(1 - (1 - Values.V12_LITTLE_SHARE) * up, Values.V12_LITTLE_SHARE, 1);
        double growth = (conditions.growth().siemensPerKm() - Overgrowth.CLEAN.siemensPerKm()) * share;
        return (insulators + growth) * conditions.leakFactor() / 1000;
    }
}
