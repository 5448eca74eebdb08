package buckle.exchange.in;

import buckle.exchange.Json;
import buckle.exchange.Limits;
import buckle.exchange.Swap;
import buckle.site.BadInput;
import buckle.site.Mark;
import buckle.site.Walk;
import buckle.site.WalkPoint;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;

/**
 * Reads lines, outlines and named points of GeoJSON. Source: RFC 7946. An outline's first ring becomes a closed line;
 * holes are left out and said.
 */
public final class GeoJsonReader {
    private final List<Walk> walks = new ArrayList<>();
    private final List<Mark> marks = new ArrayList<>();
    private final List<String> leftOut = new ArrayList<>();
    private final Swap swap;
    private int points;

    private GeoJsonReader(Swap swap) {
        this.swap = swap;
    }

    public static Tracks read(JsonNode root) {
        return read(root, Swap.NONE);
    }

    public static Tracks read(JsonNode root, Swap swap) {
        GeoJsonReader reader = new GeoJsonReader(swap);
        reader.object(root, "");
        return new Tracks(reader.walks, reader.marks, reader.leftOut);
    }

    private void object(JsonNode node, String path) {
        String type = node.path("type").asString("");
        switch (type) {
            case "FeatureCollection" -> {
                int i = 0;
                for (JsonNode feature : list(node, "features", path)) {
                    object(feature, path + "features[" + i++ + "]");
                }
            }
            case "Feature" -> feature(node, path);
            default -> geometry(node, "", path);
        }
    }

    private void feature(JsonNode node, String path) {
        JsonNode geometry = node.path("geometry");
        if (geometry.isNull() || geometry.isMissingNode()) {
            leftOut.add("A feature without a place.");
            return;
        }
        geometry(geometry, node.path("properties").path("name").asString(""), path + ".geometry");
    }

    private void geometry(JsonNode node, String name, String path) {
        String type = node.path("type").asString("");
        String at = path + ".coordinates";
        switch (type) {
            case "LineString" -> line(list(node, "coordinates", path), name, at);
            case "MultiLineString" -> many(node, path, (part, i) -> line(part, name, at + "[" + i + "]"));
            case "Polygon" -> polygon(list(node, "coordinates", path), name, at);
            case "MultiPolygon" -> many(node, path, (part, i) -> polygon(part, name, at + "[" + i + "]"));
            case "Point" -> point(node, name, path);
            case "MultiPoint" -> leftOut.add("A group of points: nothing says what they are.");
            case "GeometryCollection" -> {
                int i = 0;
                for (JsonNode part : list(node, "geometries", path)) {
                    geometry(part, name, path + ".geometries[" + i++ + "]");
                }
            }
            default ->
                throw new BadInput(
                        "geojson.type",
                        path.isEmpty() ? "type" : path + ".type",
                        type.isEmpty()
                                ? "The file is no GeoJSON: it has no type."
                                : "“" + type + "” is no GeoJSON type.");
        }
    }

    private interface Part {
        void take(JsonNode part, int index);
    }

    private static void many(JsonNode node, String path, Part part) {
        int i = 0;
        for (JsonNode each : list(node, "coordinates", path)) {
            part.take(each, i++);
        }
    }

    private static JsonNode list(JsonNode node, String field, String path) {
        JsonNode list = node.path(field);
        if (!list.isArray()) {
            throw new BadInput("geojson." + field, path + "." + field, "A list is missing here.");
        }
        return list;
    }

    private void polygon(JsonNode rings, String name, String path) {
        if (rings.isEmpty()) {
            leftOut.add("An outline without points.");
            return;
        }
        if (rings.size() > 1) {
            leftOut.add((rings.size() - 1) + " holes in an outline.");
        }
        line(rings.get(0), name, path + "[0]");
    }

    private void line(JsonNode positions, String name, String path) {
        List<WalkPoint> stretch = new ArrayList<>();
        for (int i = 0; i < positions.size(); i++) {
            Limits.checkPoints(++points, path);
            stretch.add(WalkPoint.of(Json.place(positions.get(i), path + "[" + i + "]", swap)));
        }
        walks.add(new Walk(name.isBlank() ? "Line " + (walks.size() + 1) : name, List.of(stretch)));
    }

    private void point(JsonNode node, String name, String path) {
        var at = Json.place(node.path("coordinates"), path + ".coordinates", swap);
        if (name.isBlank()) {
            leftOut.add("A point without a name.");
        } else {
            marks.add(new Mark(name, at));
        }
    }
}
