package buckle.bench;

import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.review.LayoutPlanner;
import buckle.site.Corner;
import buckle.site.EnergizerPlace;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.Preset;
import buckle.spec.Spec;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;

/** Large invented jobs and walks. */
final class Jobs {
    private static final LocalPlane PLANE = new LocalPlane(GeoPoint.of(0.8841, 44.1372));

    /** A terrain grid under all of them. */
    static final Surroundings HILLS = hills();

    private Jobs() {}

    private static Surroundings hills() {
        int columns = 4000;
        int rows = 1000;
        float[] heights = new float[columns * rows];
        for (int i = 0; i < heights.length; i++) {
            int column = i % columns;
            int row = i / columns;
            heights[i] = (float) (200 + 20 * Math.sin(column / 7.0) + 9 * Math.cos(row / 5.0));
        }
        GridTerrain grid = new GridTerrain(columns, rows, 0.8841 - 2, 44.1372 - 0.5, 0.001, heights);
        return new Surroundings(Land.NONE, grid);
    }

    /** Heap that a layout of 100 km holds for each of its posts, in bytes. */
    static double bytesAPost() {
        Site site = line(100_000);
        Spec spec = Spec.USUAL.withFence(f -> f.withAnimals(List.of(Animal.ALPACAS))
                .withSchedule(Preset.of("W16").schedule()));
        List<Layout> kept = new ArrayList<>();
        long before = used();
        long posts = 0;
        for (int i = 0; i < 8; i++) {
            Layout layout = LayoutPlanner.layOut(site, HILLS, spec);
            posts += layout.lines().getFirst().posts().size();
            kept.add(layout);
        }
        long after = used();
        if (kept.isEmpty()) {
            throw new IllegalStateException("nothing was kept");
        }
        return (after - before) / (double) posts;
    }

    private static long used() {
        for (int i = 0; i < 4; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }

    /** A meandering line of the given length with sides of about 300 m and heights every 25 m. */
    static Site line(double lengthM) {
        List<Corner> corners = new ArrayList<>();
        List<GeoPoint> ground = new ArrayList<>();
        double e = -lengthM / 3;
        double n = 0;
        double walked = 0;
        for (int i = 0; walked < lengthM; i++) {
            PlanePoint at = new PlanePoint(e, n);
            corners.add(new Corner("c" + i, PLANE.toGeo(at)));
            double angle = 0.9 * Math.sin(i * 0.7);
            double side = 250 + 100 * Math.sin(i * 1.3);
            for (double s = 0; s < side; s += 25) {
                PlanePoint p = new PlanePoint(e + s * Math.cos(angle), n + s * Math.sin(angle));
                ground.add(PLANE.toGeo(p).withHeight(200 + 20 * Math.sin((walked + s) / 400)));
            }
            e += side * Math.cos(angle);
            n += side * Math.sin(angle);
            walked += side;
        }
        FenceLine line = FenceLine.free("l", "long", false, corners).withGround(ground);
        return new Site(
                List.of(line),
                Optional.of(new EnergizerPlace("energizer", corners.getFirst().at())));
    }

    /** A walk of so many fixes, one a second, with a metre of drifting error, as GPX. */
    static byte[] gpx(int fixes) {
        StringBuilder gpx =
                new StringBuilder("<gpx version=\"1.1\" xmlns=\"http://www.topografix.com/GPX/1/1\"><trk><trkseg>");
        Random random = new Random(1);
        double driftE = 0;
        double driftN = 0;
        double e = -fixes * 0.4;
        double n = 0;
        for (int i = 0; i < fixes; i++) {
            double angle = 0.9 * Math.sin((i / 220) * 0.7);
            e += 1.2 * Math.cos(angle);
            n += 1.2 * Math.sin(angle);
            driftE = 0.93 * driftE + 0.37 * random.nextGaussian();
            driftN = 0.93 * driftN + 0.37 * random.nextGaussian();
            GeoPoint p = PLANE.toGeo(new PlanePoint(e + driftE, n + driftN));
            gpx.append(String.format(
                    Locale.ROOT,
                    "<trkpt lat=\"%.7f\" lon=\"%.7f\"><ele>%.1f</ele></trkpt>%n",
                    p.latDeg(),
                    p.lonDeg(),
                    200 + random.nextGaussian()));
        }
        return gpx.append("</trkseg></trk></gpx>").toString().getBytes(StandardCharsets.UTF_8);
    }
}
