package buckle.exchange.cli;

import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.Ladder;
import buckle.pulse.LineType;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.site.BadInput;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * The same network for ngspice: every run cut into sections of series impedance between halves of its capacitance and leakage.
 * What grows with frequency is written as a chain of resistances and inductances ({@link Ladder}).
 */
public final class SpiceNetlist {
    private final Circuit circuit;
    private final double sectionM;
    private final StringBuilder out = new StringBuilder();
    private final Map<LineType, Ladder> ladders = new HashMap<>();
    private final Map<Place, String> nodes = new HashMap<>();
    private final List<Place> ammeters = new java.util.ArrayList<>();
    private int next;

    private SpiceNetlist(Circuit circuit, double sectionM) {
        this.circuit = circuit;
        this.sectionM = sectionM;
    }

    /**
     * Writes a netlist whose run prints {@code p0 = PEAK at= TIME} and so on for each point.
     *
     * @param stepS time step of the transient
     */
    public static String write(Circuit circuit, List<Place> points, double sectionM, double stepS, double windowS) {
        if (circuit.earthTied() && circuit.earthOhm() > 0) {
            throw new BadInput(
                    "circuit.spice",
                    "earth_wires_tied",
                    "Earth wires tied to the terminal share the return frequency by frequency; that has no netlist.");
        }
        List<Meter> volts = points.stream().<Meter>map(Meter.Volts::new).toList();
        return write(circuit, volts, new Steps(sectionM, stepS, windowS));
    }

    /** Length of a section, time step and time of the transient. */
    public record Steps(double sectionM, double stepS, double windowS) {}

    /** The same with meters of all kinds: {@code p0} is the highest value of the first, {@code q0} the lowest of what has a sign. */
    public static String write(Circuit circuit, List<Meter> meters, Steps steps) {
        SpiceNetlist net = new SpiceNetlist(circuit, steps.sectionM());
        net.write(meters, steps.stepS(), steps.windowS());
        return net.out.toString();
    }

    private void write(List<Meter> meters, double stepS, double windowS) {
        List<Place> points = new java.util.ArrayList<>();
        for (Meter m : meters) {
            switch (m) {
                case Meter.Volts v -> points.add(v.at());
                case Meter.Amperes a -> {
                    points.add(a.at());
                    ammeters.add(a.at());
                }
                case Meter.EarthVolts e -> {}
            }
        }
        line("* " + circuit.name().replaceAll("[^\\x20-\\x7e]", "?"));
        line("Cs src et %s IC=%s", circuit.source().faradF(), circuit.source().chargedV());
        line("Rs src si %s", circuit.source().ohm());
        line("Ls si n0 %s IC=0", Math.max(circuit.source().henryH(), 1e-12));
        circuit.source().bleedOhm().ifPresent(r -> line("Rbleed n0 et %s", r));
        circuit.source().terminalF().ifPresent(c -> line("Cterm n0 et %s", c));
        line("Rearth et 0 %s", Math.max(circuit.earthOhm(), 1e-6));
        Map<String, String> far = new HashMap<>();
        List<Run> open = new java.util.ArrayList<>(circuit.runs());
        while (!open.isEmpty()) {
            for (Run run : List.copyOf(open)) {
                if (run.parent().isEmpty() || far.containsKey(run.parent().get())) {
                    far.put(run.id(), run(run, run.parent().map(far::get).orElse("n0"), points));
                    open.remove(run);
                }
            }
        }
        for (Run run : circuit.runs()) {
            run.joins().ifPresent(j -> line("Rjoin%d %s %s 1e-6", ++next, node(far, run.id()), node(far, j)));
        }
        line(".options method=gear reltol=1e-4");
        line(".tran %s %s 0 %s uic", stepS, windowS, stepS);
        IntStream.range(0, meters.size()).forEach(i -> {
            switch (meters.get(i)) {
                case Meter.Volts v -> line(".meas tran p%d MAX v(%s)", i, node(nodes, v.at()));
                case Meter.Amperes a -> extremes(i, "i(Vam" + ammeters.indexOf(a.at()) + ")");
                case Meter.EarthVolts e -> extremes(i, "v(et)");
            }
        });
        line(".end");
    }

    private void extremes(int meter, String what) {
        line(".meas tran p%d MAX %s", meter, what);
        line(".meas tran q%d MIN %s", meter, what);
    }

    private static <K> String node(Map<K, String> nodes, K at) {
        return Objects.requireNonNull(nodes.get(at));
    }

    private String run(Run run, String from, List<Place> points) {
        TreeSet<Double> stops = new TreeSet<>(List.of(0.0, run.lengthM()));
        points.stream().filter(p -> p.runId().equals(run.id())).forEach(p -> stops.add(p.distanceM()));
        circuit.faults().stream()
                .filter(f -> f.at().runId().equals(run.id()))
                .forEach(f -> stops.add(f.at().distanceM()));
        String node = from;
        double at = 0;
        if (run.open()) {
            node = series(node, 1e12);
        }
        for (double stop : stops) {
            int sections = (int) Math.ceil((stop - at) / sectionM - 1e-9);
            for (int k = 0; k < sections; k++) {
                node = section(run.type(), node, (stop - at) / sections);
            }
            at = stop;
            Place place = new Place(run.id(), stop);
            int ammeter = ammeters.indexOf(place);
            if (ammeter >= 0) {
                String to = "i" + ++next;
                line("Vam%d %s %s 0", ammeter, node, to);
                node = to;
            }
            nodes.put(place, node);
            for (Fault f : circuit.faults()) {
                if (f.at().runId().equals(run.id()) && f.at().distanceM() == stop) {
                    if (f.kind() == Fault.Kind.SHUNT) {
                        line("Rf%d %s 0 %s", ++next, node, f.ohm());
                    } else {
                        node = series(node, Math.min(f.ohm(), 1e12));
                    }
                }
            }
        }
        return node;
    }

    private String series(String from, double ohm) {
        String to = "n" + ++next;
        line("Rx%d %s %s %s", next, from, to, ohm);
        return to;
    }

    private String section(LineType type, String from, double lengthM) {
        int n = ++next;
        String to = "n" + n;
        double farad = Ladder.faradPerM(type) * lengthM / 2;
        double leak = type.leakSPerM() * lengthM / 2;
        shunt(from, "a" + n, farad, leak);
        shunt(to, "b" + n, farad, leak);
        Ladder ladder = ladders.computeIfAbsent(type, t -> Ladder.of(t, circuit.model()));
        String node = from;
        if (ladder.ohmPerM() > 0) {
            line("Rs%d %s m%d %s", n, node, n, ladder.ohmPerM() * lengthM);
            node = "m" + n;
        }
        for (int i = 0; i < ladder.stepOhmPerM().length; i++) {
            double ohm = ladder.stepOhmPerM()[i] * lengthM;
            if (ohm > 0) {
                String then = "m" + n + "_" + i;
                line("Rp%d_%d %s %s %s", n, i, node, then, ohm);
                line("Lp%d_%d %s %s %s", n, i, node, then, ladder.stepHenryPerM()[i] * lengthM);
                node = then;
            }
        }
        line("Ll%d %s %s %s", n, node, to, Math.max(ladder.henryPerM() * lengthM, 1e-15));
        return to;
    }

    private void shunt(String node, String name, double farad, double leak) {
        line("C%s %s 0 %s", name, node, farad);
        if (leak > 0) {
            line("R%s %s 0 %s", name, node, 1 / leak);
        }
    }

    private void line(String format, Object... values) {
        Object[] texts = new Object[values.length];
        for (int i = 0; i < values.length; i++) {
            texts[i] = values[i] instanceof Double d ? String.format(Locale.ROOT, "%.10g", d) : values[i];
        }
        out.append(values.length == 0 ? format : String.format(Locale.ROOT, format, texts))
                .append('\n');
    }
}
