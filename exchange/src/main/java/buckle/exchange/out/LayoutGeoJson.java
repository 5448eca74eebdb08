package buckle.exchange.out;

import buckle.exchange.Json;
import buckle.exchange.job.JobFileWriter;
import buckle.layout.Brace;
import buckle.layout.EarthPlace;
import buckle.layout.FeedPlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.Sign;
import buckle.layout.TestPoint;
import buckle.message.English;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.Stationing;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Writes the layout as GeoJSON so that others can count: lines, posts with their loads, braces, signs, joints with their pieces, cables,
 * rods, the lead-out, test points and the energizer. Source: RFC 7946.
 */
public final class LayoutGeoJson {
    private LayoutGeoJson() {}

    public static byte[] write(Site site, Layout layout) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.put("type", "FeatureCollection");
        ArrayNode features = root.putArray("features");
        for (int i = 0; i < layout.lines().size(); i++) {
            line(features, site.lines().get(i), layout.lines().get(i));
        }
        Places places = new Places(site, layout);
        for (LineLayout line : layout.lines()) {
            line.posts().forEach(post -> post(features, line, post));
            for (int i = 0; i < line.braces().size(); i++) {
                brace(features, places, line, i);
            }
        }
        for (int i = 0; i < layout.signs().size(); i++) {
            Sign sign = layout.signs().get(i);
            JobFileWriter.feature(features, "sign/" + (i + 1), "Point", places.at(sign.lineId(), sign.stationM()))
                    .put("kind", "sign")
                    .put("name", sign.why())
                    .put("lineId", sign.lineId())
                    .put("stationM", sign.stationM());
        }
        for (int i = 0; i < layout.joints().size(); i++) {
            joint(features, places, layout.joints().get(i), i + 1);
        }
        layout.testPoints().forEach(p -> testPoint(features, p));
        layout.feed()
                .ifPresent(feed -> JobFileWriter.feature(
                                features, "energizer", "Point", List.of(feed.lonDeg(), feed.latDeg()))
                        .put("kind", "energizer")
                        .put("name", feed.name())
                        .put("rods", feed.rods()));
        layout.feed().ifPresent(feed -> feed(features, feed));
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
                .put("stationM", post.stationM())
                .put("stock", post.stock().name())
                .put("stockM", post.stockM())
                .put("lengthM", post.lengthM())
                .put("depthM", post.depthM())
                .put("standsAlready", post.shared())
                .put("upliftN", post.load().upliftN())
                .put("sideN", post.load().sideN())
                .put("upliftWorstN", post.load().upliftWorstN())
                .put("sideWorstN", post.load().sideWorstN())
                .put("holdUpN", post.load().holdUpN())
                .put("holdSideN", post.load().holdSideN())
                .put("hold", post.load().hold().text())
                .put("holdWorst", post.load().holdWorst().text());
    }

    private static void brace(ArrayNode features, Places places, LineLayout line, int i) {
        Brace b = line.braces().get(i);
        List<GeoPoint> from =
                List.of(places.at(line.lineId(), b.strongStationM()), places.at(line.lineId(), b.braceStationM()));
        boolean point = b.strongStationM() == b.braceStationM();
        JobFileWriter.feature(
                        features,
                        line.lineId() + "/brace/" + (i + 1),
                        point ? "Point" : "LineString",
                        point ? from.getFirst() : from)
                .put("kind", "brace")
                .put("brace", b.kind().name())
                .put("lineId", line.lineId())
                .put("stationM", b.strongStationM())
                .put("railM", b.kind().framed() ? b.railM() : 0)
                .put("compressionN", b.load().day().compressionN())
                .put("diagonalN", b.load().day().diagonalN())
                .put("compressionWorstN", b.load().worst().compressionN())
                .put("diagonalWorstN", b.load().worst().diagonalN())
                .put("pullN", b.load().day().pullN())
                .put("pullWorstN", b.load().worst().pullN())
                .put("safety", b.load().day().safety())
                .put("safetyWorst", b.load().worst().safety())
                .put("hold", b.load().day().hold().text())
                .put("holdWorst", b.load().worst().hold().text());
    }

    private static void joint(ArrayNode features, Places places, Joint joint, int number) {
        GeoPoint at = places.at(joint.lineId(), joint.stationM());
        ObjectNode node = JobFileWriter.feature(features, "joint/" + number, "Point", at)
                .put("kind", "joint")
                .put("name", joint.name())
                .put("joint", joint.kind().name())
                .put("lineId", joint.lineId())
                .put("stationM", joint.stationM())
                .put("pieces", joint.parts().pieces())
                .put("clamps", joint.parts().clamps())
                .put("cables", joint.parts().cables())
                .put("says", English.text(joint.says(), UnitSystem.METRIC));
        joint.hot().forEach(node.withArray("hot")::add);
        joint.earth().forEach(node.withArray("earth")::add);
        if (joint.parts().cables() > 0) {
            places.gate(joint)
                    .ifPresent(to -> JobFileWriter.feature(features, "cable/" + number, "LineString", List.of(at, to))
                            .put("kind", "cable")
                            .put("name", joint.name())
                            .put("lineId", joint.lineId())
                            .put("cables", joint.parts().cables()));
        }
    }

    /** Rods without a place of their own are written at the energizer, with how far they are taken to reach. */
    private static void feed(ArrayNode features, FeedPlace feed) {
        GeoPoint at = GeoPoint.of(feed.lonDeg(), feed.latDeg());
        LocalPlane plane = new LocalPlane(at);
        double lead = 0;
        for (int i = 0; i < feed.earth().size(); i++) {
            EarthPlace rod = feed.earth().get(i);
            lead += rod.leadM();
            GeoPoint there = rod.placed() ? plane.toGeo(new PlanePoint(rod.eastM(), rod.northM())) : at;
            JobFileWriter.feature(features, "rod/" + (i + 1), "Point", there)
                    .put("kind", "ground-rod")
                    .put("name", rod.kind().text() + " " + (i + 1))
                    .put("lengthM", rod.lengthM())
                    .put("leadM", lead)
                    .put("placed", rod.placed());
        }
        if (feed.path().size() > 1) {
            JobFileWriter.feature(features, "lead-out", "LineString", feed.path())
                    .put("kind", "lead-out")
                    .put("lengthM", feed.leadOutM())
                    .put("lineId", feed.lineId())
                    .put("stationM", feed.stationM());
        }
    }

    /** Stations as places. */
    private static final class Places {
        private final Layout layout;
        private final LocalPlane plane;
        private final Map<String, Stationing> lines = new HashMap<>();

        Places(Site site, Layout layout) {
            this.layout = layout;
            this.plane = site.plane();
            layout.lines()
                    .forEach(l -> lines.put(
                            l.lineId(),
                            new Stationing(
                                    l.corners().stream().map(plane::toPlane).toList(), l.closed())));
        }

        GeoPoint at(String lineId, double stationM) {
            Stationing line = Objects.requireNonNull(lines.get(lineId));
            return plane.toGeo(line.at(Math.clamp(stationM, 0, line.lengthM())));
        }

        /** The other side of the opening that begins at a joint. */
        Optional<GeoPoint> gate(Joint joint) {
            return layout.lines().stream()
                    .filter(l -> l.lineId().equals(joint.lineId()))
                    .flatMap(l -> l.gates().stream())
                    .filter(g -> g.name().equals(joint.name()))
                    .findFirst()
                    .map(g -> at(joint.lineId(), g.toM()));
        }
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
