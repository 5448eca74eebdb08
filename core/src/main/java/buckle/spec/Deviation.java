package buckle.spec;

import buckle.pulse.Drift;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;

/**
 * How far a fence lies from what is reckoned for it: natural logarithms of factors, 0 where it is as reckoned.
 *
 * @param leakage of all its wires
 * @param soil on the resistivity of the ground under the wires
 * @param steel on the permeability of steel wire
 * @param earth on the resistance of the earth rods
 * @param volts of the energizer's capacitor; {@code capacitor}, {@code coil}, {@code resistance}, {@code bleed} and {@code terminal} of
 *     what is in it and across its terminals
 * @param stretches what single stretches leak beside that
 * @param drift of what is read along it from what all that comes to
 */
@RecordBuilder
public record Deviation(
        double leakage,
        double soil,
        double steel,
        double earth,
        double volts,
        double capacitor,
        double coil,
        double resistance,
        double bleed,
        double terminal,
        List<LeakyStretch> stretches,
        Drift drift)
        implements DeviationBuilder.With {
    public static final Deviation NONE = new Deviation(0, 0, 0, 0, 0, 0, 0, 0, 0, 0, List.of(), Drift.NONE);
    private static final double MOST = 8;
    private static final int MOST_STRETCHES = 20_000;

    public Deviation {
        stretches = List.copyOf(stretches);
        double[] all = {leakage, soil, steel, earth, volts, capacitor, coil, resistance, bleed, terminal};
        for (double one : all) {
            Ranges.between("deviation", one, -MOST, MOST);
        }
        if (stretches.size() > MOST_STRETCHES) {
            throw new IllegalArgumentException("a fence deviates on at most " + MOST_STRETCHES + " stretches");
        }
    }

    /** A part of a line. */
    public record LeakyStretch(String lineId, double fromM, double toM, double leakage) {
        public LeakyStretch {
            Ranges.between("leakage", leakage, -MOST, MOST);
        }
    }

    /** Of the leakage at a station. */
    public double leakage(String lineId, double stationM) {
        double all = leakage;
        for (LeakyStretch s : stretches) {
            if (s.lineId().equals(lineId) && s.fromM() <= stationM && stationM <= s.toM()) {
                return all + s.leakage();
            }
        }
        return all;
    }

    /** Another on top, a part of it; both of the same stretches, or one of none. */
    public Deviation plus(Deviation other, double part) {
        List<LeakyStretch> own = new ArrayList<>();
        List<LeakyStretch> base = stretches.isEmpty() ? other.stretches : stretches;
        for (int i = 0; i < base.size(); i++) {
            LeakyStretch s = base.get(i);
            double at = stretches.isEmpty() ? 0 : s.leakage();
            double more = other.stretches.size() == base.size()
                    ? other.stretches.get(i).leakage()
                    : 0;
            own.add(new LeakyStretch(s.lineId(), s.fromM(), s.toM(), at + part * more));
        }
        return new Deviation(
                leakage + part * other.leakage,
                soil + part * other.soil,
                steel + part * other.steel,
                earth + part * other.earth,
                volts + part * other.volts,
                capacitor + part * other.capacitor,
                coil + part * other.coil,
                resistance + part * other.resistance,
                bleed + part * other.bleed,
                terminal + part * other.terminal,
                own,
                drift.plus(other.drift, part));
    }

    /** Of the fence alone: another energizer is as its plate says. */
    public Deviation withoutEnergizer() {
        return new Deviation(leakage, soil, steel, earth, 0, 0, 0, 0, 0, 0, stretches, drift);
    }
}
