package buckle.exchange;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.TestPoint;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes the layout as GeoJSON: lines, every post, test points and the energizer. Source: RFC 7946. */
public final class LayoutGeoJson {
    private LayoutGeoJson() {}

    public static byte[] write(Site site, Layout layout) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.put("type", "FeatureCollection");
        ArrayNode features = root.putArray("features");
        for (int i = 0; i < layout.lines().size(); i++) {
            line(features, site.lines().get(i), layout.lines().get(i));
        }
        for (LineLayout line : layout.lines()) {
            line.posts().forEach(post -> post(features, line, post));
        }
        layout.testPoints().forEach(p -> testPoint(features, p));
        layout.feed()
                .ifPresent(feed -> JobFileWriter.feature(
                                features, "energizer", "Point", List.of(feed.lonDeg(), feed.latDeg()))
                        .put("kind", "energizer")
                        .put("name", feed.name())
                        .put("rods", feed.rods()));
        return Json.MAPPER.writeValueAsBytes(root);
    }

    private static void line(ArrayNode features, FenceLine line, LineLayout layout) {
        List<GeoPoint> path =
                new ArrayList<>(line.corners().stream().map(c -> c.at()).toList());
        if (line.closed()) {
            path.add(path.getFirst());
        }
        JobFileWriter.feature(features, line.id(), "LineString", path)
                .put("kind", "fence-line")
                .put("name", line.name())
                .put("lengthM", layout.lengthM())
                .put("slopeLengthM", layout.slopeLengthM());
    }

    private static void post(ArrayNode features, LineLayout line, Post post) {
        JobFileWriter.feature(
                        features,
                        line.lineId() + "/post/" + post.number(),
                        "Point",
                        List.of(post.lonDeg(), post.latDeg()))
                .put("kind", "post")
                .put("name", name(post))
                .put("post", post.kind().name().toLowerCase(Locale.ROOT))
                .put("lineId", line.lineId())
                .put("number", post.number())
                .put("stationM", post.stationM());
    }

    private static void testPoint(ArrayNode features, TestPoint p) {
        JobFileWriter.feature(features, "test/" + p.id(), "Point", List.of(p.lonDeg(), p.latDeg()))
                .put("kind", "test-point")
                .put("name", p.name())
                .put("lineId", p.lineId())
                .put("stationM", p.stationM())
                .put("sectionId", p.sectionId());
    }

    static String name(Post post) {
        String kind = post.kind().name().toLowerCase(Locale.ROOT);
        return post.label().isEmpty() ? kind + " " + post.number() : post.label();
    }
}
