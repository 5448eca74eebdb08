package buckle.exchange.cli;

import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.diagnosis.Walk;
import buckle.pulse.Circuit;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/** Readings of a fence in order and now, as docs/faults.md has it. */
public record HuntFile(Hunt hunt, Walk walk) {
    private static final int MOST_READINGS = 1000;
    private static final double BEYOND_M = 0.5;
    private static final double OVERFLOW_V = 20_000;
    private static final double KILOVOLTS = 20;
    private static final double MOST_A = 10_000;

    /** @throws BadInput with every problem that was found */
    public static HuntFile read(JsonNode root) {
        return new Reader(root).file();
    }

    private static final class Reader {
        private final JsonNode root;
        private final List<Problem> problems = new ArrayList<>();
        private final Map<String, Run> runs = new HashMap<>();
        private final Set<String> switches = new HashSet<>();

        Reader(JsonNode root) {
            this.root = root;
        }

        HuntFile file() {
            if (!root.path("circuit").isObject()) {
                throw new BadInput("hunt.circuit", "circuit", "A hunt has a “circuit”.");
            }
            Circuit plan = CircuitFile.circuit(root.path("circuit"));
            plan.runs().forEach(r -> runs.put(r.id(), r));
            if (runs.isEmpty()) {
                throw new BadInput("hunt.circuit", "circuit.runs", "There is no run.");
            }
            List<Hunt.Switch> all = new ArrayList<>();
            for (int i = 0; i < root.path("switches").size(); i++) {
                JsonNode s = root.path("switches").get(i);
                String path = "switches[" + i + "]";
                String id = s.path("id").asString("");
                place(s, path).ifPresent(at -> all.add(new Hunt.Switch(id, at)));
                if (id.isEmpty() || !switches.add(id)) {
                    problem("hunt.switch", path + ".id", "Every switch has an id of its own.");
                }
            }
            if (root.path("healthy").size() + root.path("now").size() > MOST_READINGS) {
                throw new BadInput("hunt.many", "now", "At most 1,000 readings are taken.");
            }
            List<Reading> healthy = readings("healthy");
            List<Reading> now = readings("now");
            if (now.stream().filter(r -> !r.ignored()).count() < 2) {
                problem("hunt.few", "now", "At least two readings are needed.");
            }
            List<Double> volts = new ArrayList<>();
            healthy.forEach(r -> r.peakV().ifPresent(volts::add));
            now.forEach(r -> r.peakV().ifPresent(volts::add));
            if (volts.stream().anyMatch(v -> v > 0) && volts.stream().allMatch(v -> v < KILOVOLTS)) {
                problem(
                        "hunt.kilovolts",
                        "now",
                        "All readings are under 20 V: these look like kilovolts. “peak_V” is in volts, 5.4 kV are 5400.");
            }
            MeterNoise meter = meter(root.path("meter"));
            Walk walk = walk(root.path("walk"));
            if (!problems.isEmpty()) {
                throw new BadInput(problems);
            }
            return new HuntFile(new Hunt(plan, meter, healthy, now, all), walk);
        }

        private void problem(String code, String path, String message) {
            problems.add(new Problem(code, path, message));
        }

        private List<Reading> readings(String set) {
            List<Reading> all = new ArrayList<>();
            JsonNode list = root.path(set);
            if (!list.isArray() && !(list.isMissingNode() && set.equals("healthy"))) {
                problem("hunt.missing", set, "A list “" + set + "” is needed.");
                return all;
            }
            for (int i = 0; i < list.size(); i++) {
                String path = set + "[" + i + "]";
                int before = problems.size();
                Optional<Reading> reading = reading(list.get(i), path);
                if (reading.isPresent() && problems.size() == before) {
                    all.add(reading.get());
                }
            }
            return all;
        }

        private Optional<Reading> reading(JsonNode node, String path) {
            boolean earth = node.path("at").asString("").equals("earth");
            Optional<Place> at = earth ? Optional.empty() : place(node, path);
            if (!earth && at.isEmpty()) {
                return Optional.empty();
            }
            OptionalDouble volts = value(node, "peak_V", path, OVERFLOW_V, "A meter shows an overflow");
            OptionalDouble amperes = value(node, "current_A", path, MOST_A, "No fence carries this current");
            if (volts.isEmpty() && amperes.isEmpty()) {
                problem("hunt.reading", path, "A reading has “peak_V” or “current_A”.");
            }
            String direction = node.path("direction").asString("");
            if (!direction.isEmpty() && !direction.equals("away") && !direction.equals("toward")) {
                problem("hunt.direction", path + ".direction", "A current flows “away” or “toward”.");
            }
            Set<String> open = new HashSet<>();
            for (JsonNode id : node.path("open")) {
                if (!switches.contains(id.asString(""))) {
                    problem("hunt.switch", path + ".open", "There is no switch “" + id.asString("") + "”.");
                }
                open.add(id.asString(""));
            }
            double sign = direction.equals("toward") ? -1 : 1;
            return Optional.of(new Reading(
                    at,
                    volts,
                    amperes.isPresent() ? OptionalDouble.of(sign * amperes.getAsDouble()) : amperes,
                    !direction.isEmpty(),
                    open,
                    node.path("void").asBoolean(false)));
        }

        private OptionalDouble value(JsonNode node, String name, String path, double most, String beyond) {
            JsonNode value = node.path(name);
            if (value.isMissingNode() || value.isNull()) {
                return OptionalDouble.empty();
            }
            if (!value.isNumber() || !Double.isFinite(value.asDouble()) || value.asDouble() < 0) {
                problem("hunt.number", path + "." + name, "“" + name + "” is a number from 0 on.");
                return OptionalDouble.empty();
            }
            if (value.asDouble() > most) {
                problem("hunt.overflow", path + "." + name, beyond + ": " + value.asDouble() + ".");
                return OptionalDouble.empty();
            }
            return OptionalDouble.of(Math.abs(value.asDouble()));
        }

        private Optional<Place> place(JsonNode node, String path) {
            String id = node.path("run").asString("");
            Run run = runs.get(id);
            if (run == null) {
                problem("hunt.run", path + ".run", "There is no run “" + id + "”.");
                return Optional.empty();
            }
            JsonNode at = node.path("distance_m");
            if (!at.isNumber() || !(at.asDouble() >= 0 && at.asDouble() <= run.lengthM() + BEYOND_M)) {
                problem(
                        "hunt.place",
                        path + ".distance_m",
                        "Run “" + id + "” is " + run.lengthM() + " m long; say a distance on it.");
                return Optional.empty();
            }
            return Optional.of(new Place(id, Math.min(run.lengthM(), Math.abs(at.asDouble()))));
        }

        private MeterNoise meter(JsonNode node) {
            MeterNoise usual = MeterNoise.USUAL;
            return new MeterNoise(
                    some(node, "resolution_V", "meter", 0, 5000, usual.resolutionV()),
                    some(node, "noise", "meter", 0, 1, usual.share()),
                    some(node, "resolution_A", "meter", 0, 100, usual.resolutionA()),
                    some(node, "noise_A", "meter", 0, 1, usual.shareA()));
        }

        private Walk walk(JsonNode node) {
            Walk usual = Walk.USUAL;
            List<Walk.Link> links = new ArrayList<>();
            for (int i = 0; i < node.path("links").size(); i++) {
                JsonNode link = node.path("links").get(i);
                String path = "walk.links[" + i + "]";
                Optional<Place> from = place(link.path("from"), path + ".from");
                Optional<Place> to = place(link.path("to"), path + ".to");
                double metres = some(link, "metres", path, 0, 100_000, 0);
                if (from.isPresent() && to.isPresent()) {
                    links.add(new Walk.Link(from.get(), to.get(), metres));
                }
            }
            return new Walk(
                    some(node, "metres_per_minute", "walk", 1, 1000, usual.metresPerMinute()),
                    some(node, "inspect_metres_per_minute", "walk", 0.1, 1000, usual.inspectMetresPerMinute()),
                    some(node, "reading_minutes", "walk", 0, 600, usual.readingMinutes()),
                    some(node, "switch_minutes", "walk", 0, 600, usual.switchMinutes()),
                    node.path("start").isObject() ? place(node.path("start"), "walk.start") : Optional.empty(),
                    links);
        }

        private double some(JsonNode node, String name, String path, double least, double most, double usual) {
            JsonNode value = node.path(name);
            if (value.isMissingNode() || value.isNull()) {
                return usual;
            }
            if (!value.isNumber() || !(value.asDouble() >= least && value.asDouble() <= most)) {
                problem(
                        "hunt.number",
                        path + "." + name,
                        "“" + name + "” is a number between " + least + " and " + most + ".");
                return usual;
            }
            return value.asDouble();
        }
    }
}
