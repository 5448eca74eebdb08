package buckle.bench;

import buckle.exchange.in.GridReader;
import buckle.land.Contact;
import buckle.land.Contacts;
import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Traits;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.site.Stationing;
import buckle.tape.TapeAdjuster;
import buckle.tape.TapeBook;
import buckle.tape.TapeResult;
import buckle.tape.TapeRow;
import buckle.units.UnitSystem;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The survey: a large grid, many features along a long line, a full tape book. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 4, time = 1)
@Fork(1)
public class SurveyBench {
    private byte[] grid = {};
    private Stationing line = new Stationing(List.of(new PlanePoint(0, 0), new PlanePoint(1, 0)), false);
    /** Each feature by itself, so that every one is looked at for every side. */
    private List<Contacts> oneByOne = List.of();

    private Contacts contacts = new Contacts(Land.NONE, new LocalPlane(GeoPoint.of(0, 0)));
    private TapeBook book = new TapeBook("t", "t", List.of(), UnitSystem.METRIC, 0.75, false, Optional.empty());

    @Setup
    public void prepare() {
        grid = grid(2000);
        Site site = Jobs.line(10_000);
        LocalPlane plane = site.plane();
        line = new Stationing(
                site.lines().getFirst().corners().stream()
                        .map(c -> plane.toPlane(c.at()))
                        .toList(),
                false);
        Land land = features(2000);
        contacts = new Contacts(land, plane);
        oneByOne = land.features().stream()
                .map(f -> new Contacts(
                        new Land(List.of(f), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of()),
                        plane))
                .toList();
        book = book(60, 200);
    }

    /** An ASCII grid of n × n heights. */
    static byte[] grid(int n) {
        StringBuilder text = new StringBuilder("ncols " + n + "\nnrows " + n
                + "\nxllcorner 0.8\nyllcorner 44.1\ncellsize 0.0001\nNODATA_value -9999\n");
        for (int r = 0; r < n; r++) {
            for (int c = 0; c < n; c++) {
                text.append(String.format(Locale.ROOT, "%.2f ", 200 + 30 * Math.sin(r / 90.0) * Math.cos(c / 120.0)));
            }
            text.append('\n');
        }
        return text.toString().getBytes(StandardCharsets.US_ASCII);
    }

    /** Features of every kind scattered along the line. */
    private Land features(int count) {
        Random random = new Random(11);
        Site site = Jobs.line(10_000);
        LocalPlane plane = site.plane();
        LandKind[] kinds = {
            LandKind.OVERHEAD_LINE, LandKind.BURIED_SERVICE, LandKind.PUBLIC_WAY, LandKind.TRACK, LandKind.CREEK
        };
        List<LandFeature> features = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            PlanePoint p = line.at(line.lengthM() * random.nextDouble());
            List<GeoPoint> points = new ArrayList<>();
            for (int k = 0; k < 6; k++) {
                points.add(plane.toGeo(new PlanePoint(
                        p.eastM() + 150 * random.nextGaussian(), p.northM() + 150 * random.nextGaussian())));
            }
            features.add(new LandFeature(
                    "f" + i, kinds[i % kinds.length], "", LandKind.Shape.LINE, points, Traits.NONE, ""));
        }
        return new Land(features, List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
    }

    private static TapeBook book(int points, int measures) {
        Random random = new Random(5);
        double[] xy = new double[2 * points];
        for (int i = 2; i < xy.length; i++) {
            xy[i] = 80 * random.nextDouble() + (i % 2);
        }
        Set<String> seen = new HashSet<>();
        List<TapeRow> rows = new ArrayList<>();
        for (int i = 1; rows.size() < measures; i++) {
            int a = i < points ? 0 : i < 2 * points - 2 ? 1 : random.nextInt(points);
            int b = i < points ? i : i < 2 * points - 2 ? i - points + 2 : random.nextInt(points);
            if (a < b && seen.add(a + "-" + b)) {
                double d = Math.hypot(xy[2 * a] - xy[2 * b], xy[2 * a + 1] - xy[2 * b + 1]);
                rows.add(TapeRow.distance("P" + a, "P" + b, String.valueOf(d + 0.01 * random.nextGaussian())));
            }
        }
        return new TapeBook("t", "t", rows, UnitSystem.METRIC, 0.75, false, Optional.empty());
    }

    @Benchmark
    public GridTerrain readGrid() {
        return GridReader.read(grid);
    }

    @Benchmark
    public List<Contact> contactsByTree() {
        return contacts.of(line);
    }

    @Benchmark
    public List<Contact> contactsByDoubleLoop() {
        return oneByOne.stream().flatMap(c -> c.of(line).stream()).toList();
    }

    @Benchmark
    public TapeResult adjustTape() {
        return TapeAdjuster.adjust(book);
    }
}
