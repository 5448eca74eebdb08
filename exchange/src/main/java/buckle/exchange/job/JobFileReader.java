package buckle.exchange.job;

import buckle.exchange.Json;
import buckle.exchange.Limits;
import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.LandCheck;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Traits;
import buckle.readings.Observation;
import buckle.readings.ObservationCheck;
import buckle.site.BadInput;
import buckle.site.CleanLine;
import buckle.site.Corner;
import buckle.site.CutOut;
import buckle.site.EnergizerPlace;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LineBook;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.site.Tees;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.tape.TapeBook;
import buckle.upkeep.FaultNote;
import buckle.upkeep.FaultNoteCheck;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads a job file back without loss, or says what is wrong with it and where. */
public final class JobFileReader {
    private static final int MOST_NOTES = 5000;
    private static final int MOST_ROUND_DAYS = 730;
    public static final int MOST_READINGS = 50_000;

    private final Map<String, FenceLine> lines = new LinkedHashMap<>();
    private final List<LandFeature> landFeatures = new ArrayList<>();
    private final List<GeoPoint> spotHeights = new ArrayList<>();
    private @Nullable EnergizerPlace energizer;
    private int points;

    private JobFileReader() {}

    public static boolean isJobFile(JsonNode root) {
        return root.has("buckle");
    }

    public static JobFile read(JsonNode root) {
        JsonNode buckle = root.path("buckle");
        checkSchema(buckle.path("schema"));
        JobFileReader reader = new JobFileReader();
        JsonNode features = root.path("features");
        for (int i = 0; i < features.size(); i++) {
            reader.feature(features.get(i), "features[" + i + "]");
        }
        JsonNode job = buckle.path("job");
        Site drawn = new Site(List.copyOf(reader.lines.values()), Optional.ofNullable(reader.energizer));
        boolean branchesNamed = buckle.path("schema").asInt() >= 2;
        Site site = branchesNamed ? drawn : Tees.fromCoincidence(drawn);
        Land land = reader.land(buckle.path("land"));
        List<Problem> problems = new ArrayList<>(SiteCheck.problems(site));
        problems.addAll(LandCheck.problems(land));
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        SpecReader.Ordered ordered = SpecReader.read(buckle, "buckle.");
        List<String> leftOut = new ArrayList<>();
        List<Observation> readings = readings(buckle.path("readings"), site, leftOut);
        return new JobFile(
                text(job, "name", "Job without a name"),
                text(job, "client", ""),
                text(job, "property", ""),
                new Plan(site, ordered.spec(), ordered.circumstances(), decisions(buckle.path("decisions"))),
                land,
                grid(buckle.path("terrain")),
                readings,
                log(buckle.path("log"), leftOut),
                roundDays(job.path("roundDays")),
                leftOut);
    }

    private static Decisions decisions(JsonNode node) {
        return node.isObject() ? Json.read(node, Decisions.class, "buckle.decisions") : Decisions.NONE;
    }

    private Land land(JsonNode node) {
        JsonNode declination = node.path("declinationDeg");
        JsonNode tapes = node.path("tapes");
        List<TapeBook> books = new ArrayList<>();
        for (int i = 0; i < tapes.size(); i++) {
            books.add(Json.read(tapes.get(i), TapeBook.class, "buckle.land.tapes[" + i + "]"));
        }
        try {
            return new Land(
                    landFeatures,
                    spotHeights,
                    Optional.empty(),
                    declination.isNumber() ? OptionalDouble.of(declination.asDouble()) : OptionalDouble.empty(),
                    List.of(),
                    books);
        } catch (IllegalArgumentException e) {
            throw new BadInput("land.declination", "buckle.land.declinationDeg", e.getMessage() + ".");
        }
    }

    private static Optional<GridTerrain> grid(JsonNode node) {
        if (!node.isObject()) {
            return Optional.empty();
        }
        JsonNode heights = node.path("heightsM");
        int columns = node.path("columns").asInt(0);
        int rows = node.path("rows").asInt(0);
        double cell = node.path("cellDeg").asDouble(0);
        if (!(cell > 0) || heights.size() != (long) columns * rows || heights.size() > Limits.MOST_CELLS) {
            throw new BadInput(
                    "terrain.size",
                    "buckle.terrain",
                    "The terrain says " + columns + " × " + rows + " cells and holds " + heights.size() + " heights.");
        }
        float[] values = new float[heights.size()];
        for (int i = 0; i < values.length; i++) {
            JsonNode h = heights.get(i);
            if (!h.isNumber() && !h.isNull()) {
                throw new BadInput(
                        "terrain.height", "buckle.terrain.heightsM[" + i + "]", "A height is a number or null.");
            }
            values[i] = h.isNull() ? Float.NaN : (float) h.asDouble();
        }
        try {
            return Optional.of(new GridTerrain(
                    columns,
                    rows,
                    node.path("westDeg").asDouble(0),
                    node.path("southDeg").asDouble(0),
                    cell,
                    values));
        } catch (IllegalArgumentException e) {
            throw new BadInput("terrain.size", "buckle.terrain", e.getMessage() + ".");
        }
    }

    private void landFeature(String id, JsonNode feature, JsonNode properties, String path) {
        JsonNode geometry = feature.path("geometry");
        JsonNode coordinates = geometry.path("coordinates");
        String at = path + ".geometry.coordinates";
        LandKind.Shape shape = switch (geometry.path("type").asString("")) {
            case "Point" -> LandKind.Shape.POINT;
            case "LineString" -> LandKind.Shape.LINE;
            case "Polygon" -> LandKind.Shape.AREA;
            default ->
                throw new BadInput(
                        "feature.shape", path + ".geometry.type", "A feature is a point, a line or an outline.");
        };
        List<GeoPoint> places = switch (shape) {
            case POINT -> List.of(Json.place(coordinates, at));
            case LINE -> places(coordinates, at);
            case AREA -> places(coordinates.path(0), at + "[0]");
        };
        if (shape == LandKind.Shape.AREA
                && places.size() > 1
                && places.getFirst().equals(places.getLast())) {
            places.removeLast();
        }
        JsonNode traits = properties.path("traits");
        landFeatures.add(new LandFeature(
                id,
                Json.read(properties.path("landKind"), LandKind.class, path + ".properties.landKind"),
                text(properties, "name", ""),
                shape,
                places,
                traits.isObject() ? Json.read(traits, Traits.class, path + ".properties.traits") : Traits.NONE,
                text(properties, "note", "")));
    }

    /** What is left out, as in files from before it could be said, is empty. */
    private static LineBook book(ObjectNode own, String path) {
        ObjectNode whole = Json.MAPPER.valueToTree(LineBook.EMPTY);
        whole.setAll(own);
        return Json.read(whole, LineBook.class, path);
    }

    private static void checkSchema(JsonNode schema) {
        if (!schema.isInt()) {
            throw new BadInput("job.schema", "buckle.schema", "The job file does not say which schema it follows.");
        }
        if (schema.asInt() > JobFile.SCHEMA) {
            throw new BadInput(
                    "job.schema-newer",
                    "buckle.schema",
                    "This job file follows schema " + schema.asInt() + "; this Buckle reads up to " + JobFile.SCHEMA
                            + ". Update Buckle. Nothing was stored.");
        }
        if (schema.asInt() < 1) {
            throw new BadInput("job.schema", "buckle.schema", "There is no schema " + schema.asInt() + ".");
        }
    }

    /** Those that can have been taken at this fence; an older Buckle took others as well, and they do not keep the job from opening. */
    private static List<Observation> readings(JsonNode node, Site site, List<String> leftOut) {
        if (node.size() > MOST_READINGS) {
            throw new BadInput(
                    "job.too-many-readings", "buckle.readings", "At most 50,000 readings are read from one file.");
        }
        List<Observation> readings = new ArrayList<>();
        Set<UUID> ids = new HashSet<>();
        ObservationCheck check = new ObservationCheck(site, Instant.now());
        for (int i = 0; i < node.size(); i++) {
            Observation reading = Json.read(node.get(i), Observation.class, "buckle.readings[" + i + "]");
            if (!ids.add(reading.id())) {
                throw new BadInput("reading.twice", "buckle.readings[" + i + "].id", "This reading stands twice.");
            }
            List<Problem> problems = check.problems(reading, "");
            if (problems.isEmpty()) {
                readings.add(reading);
            } else {
                leftOut.add("Reading " + (i + 1) + " was left out. "
                        + problems.getFirst().message());
            }
        }
        return readings;
    }

    /** Photos stay where they were taken. */
    private static List<FaultNote> log(JsonNode node, List<String> leftOut) {
        if (node.size() > MOST_NOTES) {
            throw new BadInput(
                    "job.too-many-notes", "buckle.log", "At most 5,000 notes of faults are read from one file.");
        }
        List<FaultNote> notes = new ArrayList<>();
        Set<UUID> ids = new HashSet<>();
        for (int i = 0; i < node.size(); i++) {
            FaultNote note = Json.read(node.get(i), FaultNote.class, "buckle.log[" + i + "]")
                    .withPhotos(List.of());
            if (!ids.add(note.id())) {
                throw new BadInput("log.twice", "buckle.log[" + i + "].id", "This note stands twice.");
            }
            List<Problem> problems = FaultNoteCheck.problems(note, Instant.now(), "");
            if (problems.isEmpty()) {
                notes.add(note);
            } else {
                leftOut.add("Note " + (i + 1) + " of the log was left out. "
                        + problems.getFirst().message());
            }
        }
        return notes;
    }

    private static OptionalInt roundDays(JsonNode node) {
        int days = node.asInt(0);
        return days >= 1 && days <= MOST_ROUND_DAYS ? OptionalInt.of(days) : OptionalInt.empty();
    }

    private void feature(JsonNode feature, String path) {
        JsonNode properties = feature.path("properties");
        String at = path + ".geometry.coordinates";
        JsonNode coordinates = feature.path("geometry").path("coordinates");
        String id = feature.path("id").asString("");
        String kind = properties.path("kind").asString("");
        if (id.isBlank()) {
            throw new BadInput("feature.id", path + ".id", "Each feature of a job file has an id.");
        }
        switch (kind) {
            case "fence-line" -> line(id, properties, coordinates, path);
            case "gate" -> gate(id, properties, Json.place(coordinates, at), path);
            case "cut-out" -> cutOut(id, properties, Json.place(coordinates, at), path);
            case "land" -> landFeature(id, feature, properties, path);
            case "spot-height" -> spotHeights.add(Json.place(coordinates, at));
            case "energizer" -> energizer(properties, Json.place(coordinates, at), path);
            default ->
                throw new BadInput(
                        "feature.kind",
                        path + ".properties.kind",
                        "“" + kind + "” is no part of a fence this version knows.");
        }
    }

    private void line(String id, JsonNode properties, JsonNode coordinates, String path) {
        boolean closed = properties.path("closed").asBoolean(false);
        List<GeoPoint> places = places(coordinates, path + ".geometry.coordinates");
        if (closed && places.size() > 1 && places.getFirst().equals(places.getLast())) {
            places.removeLast();
        }
        JsonNode ids = properties.path("cornerIds");
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            String cornerId = i < ids.size() ? ids.get(i).asString("") : "";
            corners.add(new Corner(cornerId.isBlank() ? "c" + (i + 1) : cornerId, places.get(i)));
        }
        JsonNode survey = properties.path("survey");
        FenceLine line = new FenceLine(
                id,
                text(properties, "name", id),
                closed,
                corners,
                List.of(),
                List.of(),
                places(properties.path("ground"), path + ".properties.ground"),
                survey.isObject()
                        ? Optional.of(Json.read(survey, CleanLine.Accuracy.class, path + ".properties.survey"))
                        : Optional.empty(),
                branch(properties.path("startsOn")),
                branch(properties.path("endsOn")),
                properties.path("book") instanceof ObjectNode book
                        ? book(book, path + ".properties.book")
                        : LineBook.EMPTY);
        if (lines.put(id, line) != null) {
            throw new BadInput("id.twice", path + ".id", "Two lines have the id “" + id + "”.");
        }
    }

    private static Optional<String> branch(JsonNode id) {
        return id.isString() && !id.asString().isBlank() ? Optional.of(id.asString()) : Optional.empty();
    }

    private List<GeoPoint> places(JsonNode positions, String path) {
        List<GeoPoint> places = new ArrayList<>();
        for (int i = 0; i < positions.size(); i++) {
            Limits.checkPoints(++points, path);
            places.add(Json.place(positions.get(i), path + "[" + i + "]"));
        }
        return places;
    }

    private void gate(String id, JsonNode properties, GeoPoint at, String path) {
        FenceLine line = lineOf(properties, path);
        JsonNode kind = properties.path("gateKind");
        GateKind gateKind =
                kind.isMissingNode() ? GateKind.SWING : Json.read(kind, GateKind.class, path + ".properties.gateKind");
        JsonNode opening = properties.path("openingM");
        if (!opening.isNumber()) {
            throw new BadInput(
                    "gate.opening", path + ".properties.openingM", "The gate's opening in metres is missing.");
        }
        List<Gate> gates = new ArrayList<>(line.gates());
        JsonNode end = properties.path("hangs");
        Optional<Gate.GateEnd> hangs = end.isString()
                ? Optional.of(Json.read(end, Gate.GateEnd.class, path + ".properties.hangs"))
                : Optional.empty();
        try {
            gates.add(new Gate(
                    id,
                    text(properties, "name", id),
                    gateKind,
                    at,
                    opening.asDouble(),
                    hangs,
                    new Gate.GateFit(
                            flag(properties, "acrossCorner", path),
                            flag(properties, "hotOnly", path),
                            flag(properties, "netting", path))));
        } catch (IllegalArgumentException e) {
            throw new BadInput("gate.opening", path + ".properties.openingM", e.getMessage() + ".");
        }
        lines.put(line.id(), line.withGates(gates));
    }

    /** False where nothing is said. */
    private static boolean flag(JsonNode properties, String name, String path) {
        JsonNode flag = properties.path(name);
        return !flag.isMissingNode() && Json.read(flag, Boolean.class, path + ".properties." + name);
    }

    private void cutOut(String id, JsonNode properties, GeoPoint at, String path) {
        FenceLine line = lineOf(properties, path);
        List<CutOut> cutOuts = new ArrayList<>(line.cutOuts());
        cutOuts.add(new CutOut(id, text(properties, "name", id), at));
        lines.put(line.id(), line.withCutOuts(cutOuts));
    }

    private void energizer(JsonNode properties, GeoPoint at, String path) {
        if (energizer != null) {
            throw new BadInput("energizer.twice", path, "One fence has one energizer; this file places two.");
        }
        energizer = new EnergizerPlace(text(properties, "name", "energizer"), at);
    }

    private FenceLine lineOf(JsonNode properties, String path) {
        String id = properties.path("lineId").asString("");
        FenceLine line = lines.get(id);
        if (line == null) {
            throw new BadInput(
                    "line.unknown", path + ".properties.lineId", "No line “" + id + "” stands before this feature.");
        }
        return line;
    }

    private static String text(JsonNode node, String field, String otherwise) {
        String text = node.path(field).asString(otherwise);
        if (text.indexOf('\0') >= 0) {
            throw new BadInput("text.nul", field, "The text holds a NUL character.");
        }
        return text.length() > 200 ? text.substring(0, 200) : text;
    }
}
