package buckle.exchange.out;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes every post as CSV (RFC 4180): station, place on earth, and metres east and north of the job's middle. */
public final class PostsCsv {
    private PostsCsv() {}

    public static byte[] write(Layout layout) {
        LocalPlane plane = new LocalPlane(layout.origin());
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(
                        "line",
                        "number",
                        "name",
                        "kind",
                        "station_m",
                        "lon_deg",
                        "lat_deg",
                        "east_m",
                        "north_m",
                        "turn_deg",
                        "shared")
                .get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (LineLayout line : layout.lines()) {
                for (Post post : line.posts()) {
                    PlanePoint p = plane.toPlane(GeoPoint.of(post.lonDeg(), post.latDeg()));
                    csv.printRecord(
                            Cells.text(line.name()),
                            post.number(),
                            Cells.text(LayoutGeoJson.name(post)),
                            post.kind().name().toLowerCase(Locale.ROOT),
                            number(post.stationM(), 3),
                            number(post.lonDeg(), 8),
                            number(post.latDeg(), 8),
                            number(p.eastM(), 3),
                            number(p.northM(), 3),
                            number(post.deflectionDeg(), 1),
                            post.shared() ? "yes" : "no");
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static String number(double value, int places) {
        return String.format(Locale.ROOT, "%." + places + "f", value);
    }
}
