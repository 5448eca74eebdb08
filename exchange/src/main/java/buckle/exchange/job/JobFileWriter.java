package buckle.exchange.job;

import buckle.exchange.Json;
import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.rulebook.Rule;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LineBook;
import buckle.spec.Decisions;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a job as one GeoJSON FeatureCollection with a {@code buckle} member. Source: RFC 7946. */
public final class JobFileWriter {
    private JobFileWriter() {}

    public static byte[] write(JobFile job) {
        return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(tree(job));
    }

    static ObjectNode tree(JobFile job) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.put("type", "FeatureCollection");
        ObjectNode buckle = root.putObject("buckle");
        buckle.put("schema", JobFile.SCHEMA);
        buckle.put("rulebook", Rule.REVISION);
        ObjectNode about = buckle.putObject("job");
        about.put("name", job.name());
        about.put("client", job.client());
        about.put("property", job.property());
        buckle.set("spec", Json.MAPPER.valueToTree(job.spec()));
        buckle.set("circumstances", Json.MAPPER.valueToTree(job.plan().circumstances()));
        if (!job.plan().decisions().equals(Decisions.NONE)) {
            buckle.set("decisions", Json.MAPPER.valueToTree(job.plan().decisions()));
        }
        buckle.set("readings", Json.MAPPER.valueToTree(job.readings()));
        if (!job.log().isEmpty()) {
            buckle.set(
                    "log",
                    Json.MAPPER.valueToTree(
                            job.log().stream().map(n -> n.withPhotos(List.of())).toList()));
        }
        job.roundDays().ifPresent(days -> about.put("roundDays", days));
        land(buckle.putObject("land"), job.land());
        job.grid().ifPresent(grid -> grid(buckle.putObject("terrain"), grid));
        ArrayNode features = root.putArray("features");
        job.site().lines().forEach(line -> line(features, line));
        job.land().features().forEach(f -> landFeature(features, f));
        for (int i = 0; i < job.land().spotHeights().size(); i++) {
            feature(
                            features,
                            "spot-" + (i + 1),
                            "Point",
                            job.land().spotHeights().get(i))
                    .put("kind", "spot-height");
        }
        job.site()
                .energizer()
                .ifPresent(e -> point(features, "energizer", e.name(), e.at()).put("kind", "energizer"));
        return root;
    }

    /** Pictures under the plan stay at home: they would make the file too large to send. */
    private static void land(ObjectNode node, Land land) {
        if (land.declinationDeg().isPresent()) {
            node.put("declinationDeg", land.declinationDeg().getAsDouble());
        }
        node.set("tapes", Json.MAPPER.valueToTree(land.tapes()));
    }

    /** Heights to the centimetre, north row first, null where there is none. */
    private static void grid(ObjectNode node, GridTerrain grid) {
        node.put("columns", grid.columns()).put("rows", grid.rows());
        node.put("westDeg", grid.westDeg()).put("southDeg", grid.southDeg()).put("cellDeg", grid.cellDeg());
        ArrayNode heights = node.putArray("heightsM");
        for (float h : grid.heightsM()) {
            if (Float.isNaN(h)) {
                heights.addNull();
            } else {
                heights.add(Math.round(h * 100) / 100.0);
            }
        }
    }

    private static void landFeature(ArrayNode features, LandFeature f) {
        Object coordinates = switch (f.shape()) {
            case POINT -> f.points().getFirst();
            case LINE -> f.points();
            case AREA -> {
                List<GeoPoint> ring = new ArrayList<>(f.points());
                ring.add(ring.getFirst());
                yield List.of(ring);
            }
        };
        String type = switch (f.shape()) {
            case POINT -> "Point";
            case LINE -> "LineString";
            case AREA -> "Polygon";
        };
        ObjectNode properties = feature(features, f.id(), type, coordinates);
        properties.put("kind", "land").put("landKind", f.kind().name());
        properties.put("name", f.name()).put("note", f.note());
        properties.set("traits", Json.MAPPER.valueToTree(f.traits()));
    }

    private static void line(ArrayNode features, FenceLine line) {
        List<GeoPoint> path =
                new ArrayList<>(line.corners().stream().map(Corner::at).toList());
        if (line.closed() && !path.isEmpty()) {
            path.add(path.getFirst());
        }
        ObjectNode properties = feature(features, line.id(), "LineString", path);
        properties.put("kind", "fence-line");
        properties.put("name", line.name());
        properties.put("closed", line.closed());
        properties.set(
                "cornerIds",
                Json.MAPPER.valueToTree(line.corners().stream().map(Corner::id).toList()));
        properties.set("ground", Json.MAPPER.valueToTree(line.ground()));
        line.startsOn().ifPresent(on -> properties.put("startsOn", on));
        line.endsOn().ifPresent(on -> properties.put("endsOn", on));
        if (!line.book().equals(LineBook.EMPTY)) {
            properties.set("book", Json.MAPPER.valueToTree(line.book()));
        }
        line.survey().ifPresent(survey -> properties.set("survey", Json.MAPPER.valueToTree(survey)));
        line.gates().forEach(gate -> {
            ObjectNode p = point(features, gate.id(), gate.name(), gate.at());
            p.put("kind", "gate")
                    .put("lineId", line.id())
                    .put("gateKind", gate.kind().name())
                    .put("openingM", gate.openingM());
            flag(p, "acrossCorner", gate.fit().acrossCorner());
            flag(p, "hotOnly", gate.fit().hotOnly());
            flag(p, "netting", gate.fit().netting());
            gate.hangs().ifPresent(end -> p.put("hangs", end.name()));
        });
        line.cutOuts()
                .forEach(cutOut -> point(features, cutOut.id(), cutOut.name(), cutOut.at())
                        .put("kind", "cut-out")
                        .put("lineId", line.id()));
    }

    /** Written only where it is so. */
    private static void flag(ObjectNode properties, String name, boolean value) {
        if (value) {
            properties.put(name, true);
        }
    }

    private static ObjectNode point(ArrayNode features, String id, String name, GeoPoint at) {
        ObjectNode properties = feature(features, id, "Point", at);
        properties.put("name", name);
        return properties;
    }

    public static ObjectNode feature(ArrayNode features, String id, String type, Object coordinates) {
        ObjectNode feature = features.addObject();
        feature.put("type", "Feature");
        feature.put("id", id);
        ObjectNode geometry = feature.putObject("geometry");
        geometry.put("type", type);
        geometry.set("coordinates", Json.MAPPER.valueToTree(coordinates));
        return feature.putObject("properties");
    }
}
