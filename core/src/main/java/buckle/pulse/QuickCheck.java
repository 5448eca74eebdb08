package buckle.pulse;

import java.util.ArrayList;
import java.util.List;

/** Meters at the ends of runs and clamps where they begin, on a fence in order and with a few faults: whether few frequencies do for them. */
final class QuickCheck {
    /** So near voltages have to come, of their own or of a hundred volts: in the mean square, and each. */
    private static final double NEAR_V = 0.005;

    private static final double EACH_V = 0.02;
    private static final double LEAST_V = 100;
    /** So near currents have to come: a pulse runs into a short branch with its edges. */
    private static final double NEAR_A = 0.03;

    private static final double EACH_A = 0.2;
    private static final double LEAST_A = 0.5;
    /** Of more runs every second, every third is looked at. */
    private static final int MOST_LOOKED_AT = 60;
    /** Runs on which leaks and breaks are tried. */
    private static final int TRIED = 8;

    private static final double[] TRIED_AT = {0.15, 0.6};
    private static final double LEAK_OHM = 150;
    private static final double[] JOINT_OHM = {20_000, Double.POSITIVE_INFINITY};

    private final Circuit circuit;
    private final List<Meter> meters = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();
    private final List<Place> places = new ArrayList<>();

    QuickCheck(Circuit circuit) {
        this.circuit = circuit;
        List<Run> runs = circuit.runs();
        int step = 1 + runs.size() / MOST_LOOKED_AT;
        for (int i = 0; i < runs.size(); i += step) {
            Run r = runs.get(i);
            meters.add(new Meter.Volts(new Place(r.id(), r.lengthM())));
            places.add(new Place(r.id(), r.lengthM()));
            if (r.lengthM() > 0) {
                meters.add(new Meter.Amperes(new Place(r.id(), 0)));
                places.add(new Place(r.id(), 0));
            }
        }
        int apart = 1 + runs.size() / TRIED;
        for (int i = 0; i < runs.size(); i += apart) {
            Run r = runs.get(i);
            if (r.lengthM() == 0) {
                continue;
            }
            for (double part : TRIED_AT) {
                Place at = new Place(r.id(), part * r.lengthM());
                places.add(at);
                faults.add(new Fault(Fault.Kind.SHUNT, at, LEAK_OHM));
                for (double ohm : JOINT_OHM) {
                    faults.add(new Fault(Fault.Kind.BREAK, at, ohm));
                }
            }
        }
    }

    /** By fault and meter, in order first. */
    double[][] shown(PulseSolver.Span span) {
        PulseSolver solver = PulseSolver.quick(circuit, places, span);
        double[][] all = new double[faults.size() + 1][];
        all[0] = solver.readings(List.of(new Supply(circuit.source(), circuit.earthOhm())), meters)[0];
        double[][] each = solver.withEach(faults, meters).values();
        System.arraycopy(each, 0, all, 1, each.length);
        return all;
    }

    /** Which way a current goes is left open: where it swings back as far as it went, nothing tells. */
    boolean near(double[][] some, double[][] reference) {
        return near(some, reference, true) && near(some, reference, false);
    }

    private boolean near(double[][] some, double[][] reference, boolean amperes) {
        double least = amperes ? LEAST_A : LEAST_V;
        double squares = 0;
        int n = 0;
        for (int m = 0; m < meters.size(); m++) {
            if (meters.get(m) instanceof Meter.Amperes != amperes) {
                continue;
            }
            for (int f = 0; f < reference.length; f++) {
                double size = Math.abs(reference[f][m]);
                double off = Math.abs(Math.abs(some[f][m]) - size) / Math.max(least, size);
                if (off > (amperes ? EACH_A : EACH_V)) {
                    return false;
                }
                squares += off * off;
                n++;
            }
        }
        double most = amperes ? NEAR_A : NEAR_V;
        return squares <= n * most * most;
    }
}
