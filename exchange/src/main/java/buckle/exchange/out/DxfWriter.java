package buckle.exchange.out;

import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;

/**
 * Writes DXF release 12 as text, metres east and north of the job's middle: lines, posts and texts, each on its layer. The
 * smallest form that drawing programs open: a layer table and entities. Source: the DXF reference for release 12, section
 * by section (from memory; checked by opening it with GDAL).
 */
public final class DxfWriter {
    private static final double TEXT_M = 0.8;

    private final StringBuilder out = new StringBuilder();
    private final LocalPlane plane;

    private DxfWriter(LocalPlane plane) {
        this.plane = plane;
    }

    public static byte[] write(Layout layout, Land land) {
        DxfWriter dxf = new DxfWriter(new LocalPlane(layout.origin()));
        dxf.document(layout, land);
        return dxf.out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private void document(Layout layout, Land land) {
        Set<String> layers = new TreeSet<>(Set.of("FENCE_LINE", "GATE", "POST_TEXT", "TEXT"));
        layout.lines().forEach(l -> l.posts().forEach(p -> layers.add("POST_" + p.kind())));
        land.features().forEach(f -> layers.add("LAND_" + f.kind()));
        pair(0, "SECTION")
                .pair(2, "HEADER")
                .pair(9, "$ACADVER")
                .pair(1, "AC1009")
                .pair(0, "ENDSEC");
        pair(0, "SECTION").pair(2, "TABLES");
        pair(0, "TABLE").pair(2, "LTYPE").pair(70, "1");
        pair(0, "LTYPE")
                .pair(2, "CONTINUOUS")
                .pair(70, "0")
                .pair(3, "Solid line")
                .pair(72, "65")
                .pair(73, "0")
                .pair(40, "0.0");
        pair(0, "ENDTAB");
        pair(0, "TABLE").pair(2, "LAYER").pair(70, String.valueOf(layers.size()));
        layers.forEach(
                l -> pair(0, "LAYER").pair(2, l).pair(70, "0").pair(62, "7").pair(6, "CONTINUOUS"));
        pair(0, "ENDTAB").pair(0, "ENDSEC");
        pair(0, "SECTION").pair(2, "ENTITIES");
        layout.lines().forEach(this::line);
        land.features().forEach(this::land);
        pair(0, "ENDSEC").pair(0, "EOF");
    }

    private void line(LineLayout line) {
        polyline("FENCE_LINE", line.corners(), line.closed());
        text("TEXT", line.name(), plane.toPlane(line.corners().getFirst()), 1.5 * TEXT_M);
        for (Post post : line.posts()) {
            if (!post.shared()) {
                PlanePoint at = plane.toPlane(GeoPoint.of(post.lonDeg(), post.latDeg()));
                pair(0, "POINT").pair(8, "POST_" + post.kind());
                at(10, at);
                if (post.kind().strong()) {
                    text("POST_TEXT", LayoutGeoJson.name(post), at, TEXT_M);
                }
            }
        }
        for (GatePlace gate : line.gates()) {
            List<GeoPoint> ends = line.posts().stream()
                    .filter(p ->
                            Math.abs(p.stationM() - gate.fromM()) < 0.1 || Math.abs(p.stationM() - gate.toM()) < 0.1)
                    .map(p -> GeoPoint.of(p.lonDeg(), p.latDeg()))
                    .toList();
            if (ends.size() == 2) {
                polyline("GATE", ends, false);
            }
        }
    }

    private void land(LandFeature f) {
        String layer = "LAND_" + f.kind();
        if (f.shape() == LandKind.Shape.POINT) {
            pair(0, "POINT").pair(8, layer);
            at(10, plane.toPlane(f.points().getFirst()));
        } else {
            polyline(layer, f.points(), f.shape() == LandKind.Shape.AREA);
        }
        text("TEXT", f.title(), plane.toPlane(f.points().getFirst()), TEXT_M);
    }

    private void polyline(String layer, List<GeoPoint> points, boolean closed) {
        pair(0, "POLYLINE").pair(8, layer).pair(66, "1").pair(70, closed ? "1" : "0");
        at(10, new PlanePoint(0, 0));
        for (GeoPoint p : points) {
            pair(0, "VERTEX").pair(8, layer);
            at(10, plane.toPlane(p));
        }
        pair(0, "SEQEND").pair(8, layer);
    }

    private void text(String layer, String text, PlanePoint p, double heightM) {
        pair(0, "TEXT").pair(8, layer);
        at(10, new PlanePoint(p.eastM() + heightM, p.northM() + heightM));
        pair(40, number(heightM)).pair(1, plain(text));
    }

    private void at(int code, PlanePoint p) {
        pair(code, number(p.eastM())).pair(code + 10, number(p.northM())).pair(code + 20, "0.0");
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.4f", value);
    }

    /** Release 12 knows ASCII; other letters go as their code, line breaks as blanks. */
    private static String plain(String text) {
        StringBuilder plain = new StringBuilder();
        text.chars()
                .forEach(c -> plain.append(
                        c >= 32 && c < 127 ? String.valueOf((char) c) : c < 32 ? " " : String.format("\\U+%04X", c)));
        return plain.isEmpty() ? " " : plain.toString();
    }

    private DxfWriter pair(int code, String value) {
        out.append(code).append("\r\n").append(value).append("\r\n");
        return this;
    }
}
