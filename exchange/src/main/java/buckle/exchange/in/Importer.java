package buckle.exchange.in;

import buckle.exchange.Json;
import buckle.exchange.Limits;
import buckle.exchange.Swap;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.land.GridTerrain;
import buckle.rulebook.Values;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Mark;
import buckle.site.PlanePoint;
import buckle.site.Survey;
import buckle.site.SurveyPlanner;
import buckle.site.Walk;
import buckle.site.WalkOptions;
import buckle.site.WalkPoint;
import buckle.tape.TapeBook;
import buckle.units.UnitSystem;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** Reads whatever file somebody drops, by its contents and not by its name. Nothing is stored here. */
public final class Importer {
    private static final double FAR_M = 100_000;
    private static final double NEAR_M = 50_000;

    private Importer() {}

    /**
     * How to read.
     *
     * @param near where the property lies, to tell coordinates that landed elsewhere
     * @param mapping what the columns of a CSV are, once somebody said so
     */
    public record Options(
            WalkOptions walk,
            Swap swap,
            Optional<GeoPoint> near,
            Optional<PointTable.Mapping> mapping,
            double stepM,
            UnitSystem units) {
        public static final Options USUAL =
                new Options(WalkOptions.USUAL, Swap.NONE, Optional.empty(), Optional.empty(), 0.75, UnitSystem.FT_IN);

        public static Options of(WalkOptions walk) {
            return new Options(walk, Swap.NONE, Optional.empty(), Optional.empty(), 0.75, UnitSystem.FT_IN);
        }
    }

    /**
     * One of: a whole job, a survey to be planned, a terrain grid, a tape sheet, a table whose columns need naming, a
     * picture.
     *
     * @param suggestion a swap of coordinates that would bring the file to the property
     */
    public record Found(
            Optional<JobFile> job,
            Optional<Survey> survey,
            Optional<GridTerrain> grid,
            Optional<TapeBook> tape,
            Optional<PointTable> table,
            Optional<Picture> picture,
            Optional<Swap> suggestion) {

        private static Found nothing() {
            return new Found(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty());
        }

        private Found with(Survey found, Optional<Swap> better) {
            return new Found(job, Optional.of(found), grid, tape, table, picture, better);
        }

        private Found with(
                Optional<JobFile> j,
                Optional<GridTerrain> g,
                Optional<TapeBook> t,
                Optional<PointTable> p,
                Optional<Picture> i) {
            return new Found(j, survey, g, t, p, i, suggestion);
        }
    }

    public static Found read(byte[] bytes, Options options) {
        if (bytes.length > 0 && GridReader.looksLikeOne(bytes)) {
            return Found.nothing()
                    .with(
                            Optional.empty(),
                            Optional.of(GridReader.read(bytes)),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty());
        }
        Limits.checkSize(bytes.length);
        if (picture(bytes)) {
            return Found.nothing()
                    .with(
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.of(Picture.look(bytes)));
        }
        return switch (firstCharacter(bytes)) {
            case '<' -> survey(xml(bytes, options), options);
            case '{' -> json(bytes, options);
            default -> text(bytes, options);
        };
    }

    private static boolean picture(byte[] b) {
        boolean png = b.length > 3 && (b[0] & 0xff) == 0x89 && b[1] == 'P' && b[2] == 'N' && b[3] == 'G';
        return png || b.length > 2 && (b[0] & 0xff) == 0xff && (b[1] & 0xff) == 0xd8;
    }

    private static Tracks xml(byte[] bytes, Options options) {
        return SafeXml.root(bytes).equals("kml")
                ? KmlReader.read(bytes, options.swap())
                : swapped(GpxReader.read(bytes), options.swap());
    }

    private static Tracks swapped(Tracks tracks, Swap swap) {
        if (swap == Swap.NONE) {
            return tracks;
        }
        try {
            List<Walk> walks = tracks.walks().stream()
                    .map(w -> new Walk(
                            w.name(),
                            w.stretches().stream()
                                    .map(s -> s.stream()
                                            .map(p -> new WalkPoint(swap.of(p.at()), p.timeS()))
                                            .toList())
                                    .toList()))
                    .toList();
            List<Mark> marks = tracks.marks().stream()
                    .map(m -> new Mark(m.name(), swap.of(m.at())))
                    .toList();
            return new Tracks(walks, marks, tracks.leftOut());
        } catch (IllegalArgumentException e) {
            throw new BadInput("position.range", "file", "Swapped so, a place does not lie on the earth.");
        }
    }

    private static Found json(byte[] bytes, Options options) {
        JsonNode root = Json.parse(bytes);
        Json.requirePlainTexts(root);
        return JobFileReader.isJobFile(root)
                ? Found.nothing()
                        .with(
                                Optional.of(JobFileReader.read(root)),
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty(),
                                Optional.empty())
                : survey(GeoJsonReader.read(root, options.swap()), options);
    }

    private static Found text(byte[] bytes, Options options) {
        String start = new String(bytes, 0, Math.min(bytes.length, 4000), StandardCharsets.UTF_8);
        String head = start.lines()
                .map(l -> l.replace("\uFEFF", ""))
                .filter(l -> !l.isBlank() && !l.startsWith("#"))
                .findFirst()
                .orElse("");
        if (TapeCsv.looksLikeOne(head)) {
            return Found.nothing()
                    .with(
                            Optional.empty(),
                            Optional.empty(),
                            Optional.of(TapeCsv.read(bytes, options.stepM(), options.units())),
                            Optional.empty(),
                            Optional.empty());
        }
        if (head.chars().filter(c -> c == ',' || c == ';' || c == '\t').count() == 0 || start.indexOf('\0') >= 0) {
            throw new BadInput(
                    "file.format",
                    "file",
                    "This is no GPX, GeoJSON, KML, CSV, terrain grid, picture or Buckle job file. Nothing was stored.");
        }
        if (options.mapping().isPresent()) {
            return survey(swapped(PointTable.read(bytes, options.mapping().get()), options.swap()), options);
        }
        return Found.nothing()
                .with(
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(PointTable.look(bytes)),
                        Optional.empty());
    }

    private static Found survey(Tracks tracks, Options options) {
        Survey survey = SurveyPlanner.plan(
                tracks.walks(), tracks.marks(), options.walk(), Values.J5_OPENING_M, tracks.leftOut(), options.units());
        return Found.nothing().with(survey, options.near().flatMap(near -> better(survey, near)));
    }

    /** A swap that brings a file from far away to the property; none when it is there already or no swap helps. */
    private static Optional<Swap> better(Survey survey, GeoPoint near) {
        if (survey.site().lines().isEmpty()) {
            return Optional.empty();
        }
        GeoPoint there = survey.site().lines().getFirst().corners().getFirst().at();
        if (distanceM(near, there) < FAR_M) {
            return Optional.empty();
        }
        for (Swap swap : new Swap[] {Swap.LAT_LON, Swap.EAST_WEST, Swap.NORTH_SOUTH}) {
            try {
                if (distanceM(near, swap.of(there)) < NEAR_M) {
                    return Optional.of(swap);
                }
            } catch (IllegalArgumentException e) {
                // Swapped so, the place does not lie on the earth: this is not what happened.
                continue;
            }
        }
        return Optional.empty();
    }

    /** Good for telling near from far; beyond the horizon of the plane it only grows. */
    private static double distanceM(GeoPoint a, GeoPoint b) {
        double lat = Math.abs(a.latDeg() - b.latDeg());
        double lon = Math.abs(Math.IEEEremainder(a.lonDeg() - b.lonDeg(), 360));
        if (lat > 5 || lon > 10) {
            return Double.MAX_VALUE;
        }
        PlanePoint p = new LocalPlane(a).toPlane(b);
        return Math.hypot(p.eastM(), p.northM());
    }

    /** First character after a byte order mark and white space. */
    private static char firstCharacter(byte[] bytes) {
        int i = bytes.length > 2 && (bytes[0] & 0xff) == 0xef && (bytes[1] & 0xff) == 0xbb ? 3 : 0;
        while (i < bytes.length && Character.isWhitespace(bytes[i])) {
            i++;
        }
        return i < bytes.length ? (char) bytes[i] : ' ';
    }
}
