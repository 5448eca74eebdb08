package buckle.exchange.cli;

import buckle.message.CircuitMessage;
import buckle.message.English;
import buckle.pulse.Circuit;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.pulse.Source;
import buckle.site.BadInput;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;

/**
 * A neutral description of a network, as docs/electrics.md has it.
 *
 * @param notes what of the plate had to be taken otherwise
 */
public record CircuitFile(Circuit circuit, List<Place> points, List<String> notes) {
    private static final double PER_KM = 1000;
    private static final double MM = 1000;

    public CircuitFile {
        points = List.copyOf(points);
        notes = List.copyOf(notes);
    }

    public static CircuitFile read(JsonNode root) {
        List<String> notes = new ArrayList<>();
        Circuit circuit = circuit(root, notes);
        List<Place> points = new ArrayList<>();
        JsonNode asked = array(root, "points", "");
        for (int i = 0; i < asked.size(); i++) {
            points.add(point(asked.get(i), circuit.runs(), "points[" + i + "]"));
        }
        return new CircuitFile(circuit, points, notes);
    }

    /** The network alone. */
    static Circuit circuit(JsonNode root) {
        return circuit(root, new ArrayList<>());
    }

    private static Circuit circuit(JsonNode root, List<String> notes) {
        LineModel model = switch (text(root, "line_model", "")) {
            case "constant" -> LineModel.CONSTANT;
            case "frequency_dependent" -> LineModel.FREQUENCY_DEPENDENT;
            default -> throw new BadInput("circuit.model", "line_model", "Say “constant” or “frequency_dependent”.");
        };
        List<Run> runs = new ArrayList<>();
        JsonNode list = array(root, "runs", "");
        for (int i = 0; i < list.size(); i++) {
            JsonNode run = list.get(i);
            String path = "runs[" + i + "]";
            runs.add(checked(path, () -> run(run, path)));
        }
        List<Fault> faults = new ArrayList<>();
        JsonNode given = root.path("faults");
        for (int i = 0; i < given.size(); i++) {
            JsonNode fault = given.get(i);
            String path = "faults[" + i + "]";
            faults.add(checked(path, () -> fault(fault, path)));
        }
        Source source = checked("energizer", () -> source(root.path("energizer"), notes));
        double earth = number(root, "earth_ohm", "");
        boolean tied = root.path("earth_wires_tied").asBoolean(false);
        String name = root.path("name").asString("");
        return checked("runs", () -> new Circuit(name, model, source, earth, tied, runs, faults));
    }

    private static Place point(JsonNode node, List<Run> runs, String path) {
        if (!node.isArray() || node.size() != 2 || !node.get(1).isNumber()) {
            throw new BadInput("circuit.point", path, "A point is a run and a distance: [\"A\", 750].");
        }
        String id = node.get(0).asString("");
        double at = node.get(1).asDouble();
        Run run = runs.stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new BadInput("circuit.point", path, "There is no run “" + id + "”."));
        if (!(at >= 0 && at <= run.lengthM())) {
            throw new BadInput(
                    "circuit.point",
                    path,
                    "Run “" + id + "” is " + run.lengthM() + " m long; " + at + " m is not on it.");
        }
        return new Place(id, at);
    }

    /** Explicit values win; without them the plate's numbers are fitted. */
    private static Source source(JsonNode node, List<String> notes) {
        JsonNode plate = node.path("plate");
        boolean explicit = node.has("v0_V") && node.has("c_F") && node.has("l_H") && node.has("r_ohm");
        if (plate.isObject() && !explicit) {
            return plate(plate, notes);
        }
        return new Source(
                number(node, "v0_V", "energizer."),
                number(node, "c_F", "energizer."),
                number(node, "l_H", "energizer."),
                number(node, "r_ohm", "energizer."),
                maybe(node, "bleed_ohm", "energizer."),
                maybe(node, "terminal_F", "energizer."));
    }

    private static Source plate(JsonNode node, List<String> notes) {
        String at = "energizer.plate.";
        EnergizerRating plate = new EnergizerRating(
                "plate",
                maybe(node, "stored_J", at),
                maybe(node, "out500_J", at),
                number(node, "open_V", at),
                number(node, "v500", at),
                maybe(node, "v100", at),
                60,
                EnergizerRating.Draw.NOT_SAID,
                OptionalDouble.empty());
        plate.contradiction().ifPresent(why -> {
            throw new BadInput("circuit.plate", "energizer.plate", text(new CircuitMessage.PlateDoubted(why, false)));
        });
        CircuitMessage.OneEnergyComputed.of(plate).ifPresent(m -> notes.add(text(m)));
        plate.doubt().ifPresent(d -> notes.add(text(new CircuitMessage.PlateDoubted(d, false))));
        return plate.source();
    }

    private static String text(CircuitMessage message) {
        return English.text(message, UnitSystem.METRIC);
    }

    private static Run run(JsonNode node, String path) {
        String at = path + ".";
        return new Run(
                text(node, "id", at),
                word(node, "parent"),
                number(node, "length_m", at),
                type(node, at),
                node.path("open").asBoolean(false),
                word(node, "joins"));
    }

    private static LineType type(JsonNode node, String at) {
        JsonNode cable = node.path("cable");
        if (cable.isObject()) {
            return LineType.of(new LineType.Cable(
                    number(cable, "ohm_per_km", at + "cable.") / PER_KM,
                    number(cable, "H_per_m", at + "cable."),
                    number(cable, "F_per_m", at + "cable.")));
        }
        List<LineWire> strands = new ArrayList<>();
        JsonNode own = node.path("wires");
        for (int i = 0; i < own.size(); i++) {
            String wire = at + "wires[" + i + "].";
            strands.add(new LineWire(
                    number(own.get(i), "height_m", wire),
                    number(own.get(i), "diameter_mm", wire) / MM,
                    number(own.get(i), "ohm_per_km", wire) / PER_KM,
                    maybe(own.get(i), "mu_r", wire).orElse(1),
                    own.get(i).path("hot").asBoolean(true)));
        }
        if (own.isEmpty()) {
            heights(node, "hot_heights_m", true, at, strands);
            heights(node, "earth_heights_m", false, at, strands);
        }
        return LineType.overGround(
                strands,
                maybe(node, "leak_S_per_km", at).orElse(0) / PER_KM,
                maybe(node, "soil_ohm_m", at).orElse(100));
    }

    private static void heights(JsonNode node, String name, boolean hot, String at, List<LineWire> into) {
        for (JsonNode height : node.path(name)) {
            if (!height.isNumber()) {
                throw new BadInput("circuit.number", at + name, "Heights are numbers of metres.");
            }
            into.add(new LineWire(
                    height.asDouble(),
                    number(node, "diameter_mm", at) / MM,
                    number(node, "ohm_per_km", at) / PER_KM,
                    maybe(node, "mu_r", at).orElse(1),
                    hot));
        }
    }

    private static Fault fault(JsonNode node, String path) {
        Fault.Kind kind = switch (text(node, "type", path + ".")) {
            case "shunt" -> Fault.Kind.SHUNT;
            case "break" -> Fault.Kind.BREAK;
            default -> throw new BadInput("circuit.fault", path + ".type", "Say “shunt” or “break”.");
        };
        Place at = new Place(text(node, "run", path + "."), number(node, "distance_m", path + "."));
        OptionalDouble ohm = maybe(node, "ohm", path + ".");
        if (ohm.isEmpty() && kind == Fault.Kind.SHUNT) {
            throw new BadInput("circuit.fault", path + ".ohm", "A shunt has a resistance.");
        }
        return new Fault(kind, at, ohm.orElse(Double.POSITIVE_INFINITY));
    }

    /** What a record refuses is a problem with a place. */
    private static <T> T checked(String path, Supplier<T> make) {
        try {
            return make.get();
        } catch (IllegalArgumentException e) {
            throw new BadInput("circuit.value", path, e.getMessage() + ".");
        }
    }

    private static JsonNode array(JsonNode node, String name, String at) {
        JsonNode list = node.path(name);
        if (!list.isArray()) {
            throw new BadInput("circuit.missing", at + name, "A list “" + name + "” is needed.");
        }
        return list;
    }

    private static String text(JsonNode node, String name, String at) {
        JsonNode value = node.path(name);
        if (!value.isString()) {
            throw new BadInput("circuit.missing", at + name, "A text “" + name + "” is needed.");
        }
        return value.asString();
    }

    private static Optional<String> word(JsonNode node, String name) {
        JsonNode value = node.path(name);
        return value.isString() ? Optional.of(value.asString()) : Optional.empty();
    }

    private static double number(JsonNode node, String name, String at) {
        return maybe(node, name, at)
                .orElseThrow(() -> new BadInput("circuit.missing", at + name, "A number “" + name + "” is needed."));
    }

    private static OptionalDouble maybe(JsonNode node, String name, String at) {
        JsonNode value = node.path(name);
        if (value.isMissingNode() || value.isNull()) {
            return OptionalDouble.empty();
        }
        if (!value.isNumber() || !Double.isFinite(value.asDouble())) {
            throw new BadInput("circuit.number", at + name, "“" + name + "” is a number.");
        }
        return OptionalDouble.of(value.asDouble());
    }
}
