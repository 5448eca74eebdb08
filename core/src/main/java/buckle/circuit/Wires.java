package buckle.circuit;

import buckle.land.Traits.Soil;
import buckle.layout.GatePlace;
import buckle.layout.LineLayout;
import buckle.material.Conductor;
import buckle.network.LiveWires;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.spec.FenceSpec;
import buckle.spec.Growth;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What a metre of a line is to the pulse: its joined hot wires, its earth wires, growth and ground. */
final class Wires {
    private static final double LEAST_HEIGHT_M = 0.05;
    /** Double-insulated cable in the ground; typical values from memory. */
    static final double CABLE_FARAD_PER_M = 150e-12;

    static final double CABLE_HENRY_PER_M = 0.5e-6;

    private final Conditions conditions;
    private final LiveWires live;

    Wires(Conditions conditions, LiveWires live) {
        this.conditions = conditions;
        this.live = live;
    }

    static LineType cable() {
        return LineType.of(
                new LineType.Cable(Conductor.LEAD_OUT_CABLE.ohmPerM(), CABLE_HENRY_PER_M, CABLE_FARAD_PER_M));
    }

    /** A run of fence; empty where no joint leads the pulse to any of its hot wires. */
    Optional<LineType> type(LineLayout line, FenceSpec.Wires plan, double stationM, Soil soil) {
        List<Integer> hot = live.at(line, stationM);
        return hot.isEmpty() ? Optional.empty() : Optional.of(type(line, plan, hot, soil, stationM));
    }

    /** The strands across an opening: those that are fed on the side they hang from; empty when none is. */
    Optional<LineType> across(LineLayout line, GatePlace gate, FenceSpec.Wires plan, Soil soil) {
        List<Integer> hot = LiveWires.hot(line);
        List<Integer> hung =
                gate.kind() == GateKind.STRAND ? hot.subList(Math.max(0, hot.size() - 1), hot.size()) : hot;
        List<Integer> before = live.at(line, gate.fromM() - 1e-3);
        List<Integer> after = live.at(line, gate.toM() + 1e-3);
        List<Integer> fed = hung.stream()
                .filter(w -> before.contains(w) && after.contains(w))
                .toList();
        return fed.isEmpty()
                ? Optional.empty()
                : Optional.of(type(line, plan, fed, soil, (gate.fromM() + gate.toM()) / 2));
    }

    private LineType type(LineLayout line, FenceSpec.Wires plan, List<Integer> hot, Soil soil, double stationM) {
        List<LineWire> strands = new ArrayList<>();
        double lowest = Double.POSITIVE_INFINITY;
        List<Wire> wires = line.schedule().wires();
        // One wire on n heights has n times the resistance of one on the way, where n that are joined have the n-th
        // part.
        int passes = line.stringing().way().oneWire() ? hot.size() * hot.size() : 1;
        for (int i = 0; i < wires.size(); i++) {
            Wire w = wires.get(i);
            boolean isHot = hot.contains(i + 1);
            if (isHot || w.role() == WireRole.EARTH) {
                strands.add(strand(w, w.madeOf(plan), isHot, isHot ? passes : 1));
            }
            if (isHot) {
                lowest = Math.min(lowest, w.heightM());
            }
        }
        double soilOhmM = Math.clamp(Soils.ohmM(soil, conditions.ground()) * conditions.soil(), 0.2, 9e5);
        return LineType.overGround(
                strands, leakSPerM(lowest) * conditions.leakFactor(line.lineId(), stationM), soilOhmM);
    }

    private LineWire strand(Wire w, Conductor conductor, boolean hot, int times) {
        double muR = conductor.muR() > 1 ? conditions.steel() : 1;
        double height = Math.max(LEAST_HEIGHT_M, w.heightM());
        return new LineWire(
                height,
                Math.min(conductor.roundM(), height),
                times * conductor.ohmPerM() * Math.pow(conductor.tolerance(), conditions.wire()),
                muR,
                hot);
    }

    /** As reckoned: insulators leak a little everywhere; growth reaches low hot wires more than high ones. */
    double leakSPerM(double lowestHotM) {
        double insulators = conditions.insulators().siemensPerKm();
        double up = (lowestHotM - Values.V12_FULL_M) / (Values.V12_LITTLE_M - Values.V12_FULL_M);
        double share = Math.clamp(1 - (1 - Values.V12_LITTLE_SHARE) * up, Values.V12_LITTLE_SHARE, 1);
        double growth = (conditions.growth().siemensPerKm() - Growth.CLEAN.siemensPerKm()) * share;
        return (insulators + growth) / 1000;
    }
}
