package buckle.layout;

import buckle.rulebook.Values;
import buckle.spec.Stringing.Tightener;
import buckle.spec.Stringing.Way;
import buckle.spec.WireGroup;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntToDoubleFunction;

/** Pulls put together to runs of wire, where each is tightened, and what friction round the posts leaves of the pull (capstan: e^(−μφ)). */
final class WireRuns {
    private final List<StrongPosts.Stop> stops;
    private final double lengthM;
    private final double beginM;

    private WireRuns(List<StrongPosts.Stop> stops, double lengthM, double beginM) {
        this.stops = stops;
        this.lengthM = lengthM;
        this.beginM = beginM;
    }

    /** Stretches that one wire runs through. */
    record Course(List<Integer> pulls, boolean ring) {}

    /** @param beginM where the wires of a ring begin */
    static List<Course> courses(List<StrongPosts.Stop> stops, double lengthM, double beginM) {
        return new WireRuns(stops, lengthM, beginM).courses();
    }

    private boolean joinedBefore(int k) {
        int count = stops.size();
        StrongPosts.Stop before = stops.get((k + count - 1) % count);
        double from = stops.get(k).fromM();
        boolean next = k > 0 && Math.abs(before.toM() - from) < Mark.SAME_PLACE_M;
        boolean seam = k == 0 && from < Mark.SAME_PLACE_M && Math.abs(before.toM() - lengthM) < Mark.SAME_PLACE_M;
        return before.joined() && (next || seam);
    }

    private List<Course> courses() {
        int count = stops.size();
        List<Course> courses = new ArrayList<>();
        boolean ring = count > 0;
        int first = 0;
        for (int k = count - 1; k >= 0; k--) {
            if (!joinedBefore(k)) {
                ring = false;
                first = k;
            }
        }
        for (int k = 0; ring && k < count; k++) {
            first = Math.abs(stops.get(k).fromM() - beginM) < Mark.SAME_PLACE_M ? k : first;
        }
        List<Integer> run = new ArrayList<>();
        for (int j = 0; j < count; j++) {
            int k = (first + j) % count;
            if (j > 0 && !joinedBefore(k)) {
                courses.add(new Course(List.copyOf(run), false));
                run.clear();
            }
            run.add(k);
        }
        if (!run.isEmpty()) {
            courses.add(new Course(List.copyOf(run), ring));
        }
        return courses;
    }

    /**
     * A course with its tighteners and its friction.
     *
     * @param posts all posts of the line, in order
     * @param midFromM longer ones are tightened in their middle
     * @param endM where a tightener at the start of a pull sits
     */
    static WireRun run(
            Course course,
            List<Pull> pulls,
            List<Mark> posts,
            Tightener tightener,
            double midFromM,
            Way way,
            IntToDoubleFunction endM) {
        double slope = course.pulls().stream()
                .mapToDouble(k -> pulls.get(k).slopeLengthM())
                .sum();
        Pull first = pulls.get(course.pulls().getFirst());
        Pull last = pulls.get(course.pulls().getLast());
        Along along = new Along(course, pulls);
        double whole = along.wholeM();
        boolean midway = tightener == Tightener.MIDWAY || tightener == Tightener.BY_LENGTH && slope > midFromM;
        List<Double> tighteners = switch (tightener) {
            case NONE -> List.<Double>of();
            case EACH_SIDE ->
                course.pulls().stream()
                        .map(k -> pulls.get(k).slopeLengthM() > midFromM
                                ? (pulls.get(k).fromM() + pulls.get(k).toM()) / 2
                                : endM.applyAsDouble(k))
                        .toList();
            case BY_LENGTH, AT_END, MIDWAY ->
                List.of(
                        midway
                                ? along.stationAt(whole / 2)
                                : endM.applyAsDouble(course.pulls().getFirst()));
        };
        // Where wires end at each strong post the few turns of a pull are no matter, and there are many pulls.
        List<Turn> turns = way.passesCorners() ? turns(along, posts) : List.of();
        double all = turns.stream().mapToDouble(Turn::deg).sum();
        double from = midway ? whole / 2 : 0;
        double before = turns.stream()
                .filter(t -> t.atM() < from)
                .mapToDouble(Turn::deg)
                .sum();
        boolean loses = tightener != Tightener.NONE && tightener != Tightener.EACH_SIDE;
        double most = Math.toRadians(loses ? Math.max(before, all - before) : 0);
        return new WireRun(
                course.pulls(),
                first.fromM(),
                last.toM(),
                course.ring(),
                way.oneWire(),
                slope,
                all,
                tighteners,
                Math.exp(-Values.S13_FRICTION_HIGH * most),
                Math.exp(-Values.S13_FRICTION_LOW * most));
    }

    /** Where all are pulled by hand but some, these are tightened at the end. */
    static Tightener tightener(Tightener said, List<WireGroup> groups) {
        boolean strained = groups.stream().anyMatch(g -> !g.byHand());
        return said == Tightener.NONE && strained ? Tightener.AT_END : said;
    }

    /** A post that turns the wires, by how far along the run it stands. */
    private record Turn(double atM, double stationM, double deg) {}

    private static List<Turn> turns(Along along, List<Mark> posts) {
        List<Turn> turns = new ArrayList<>();
        double whole = along.wholeM();
        for (Mark m : posts) {
            double at = along.distanceTo(m.stationM());
            if (!m.wiresEnd() && m.deflectionDeg() != 0 && at > Mark.SAME_PLACE_M && at < whole - Mark.SAME_PLACE_M) {
                turns.add(new Turn(at, m.stationM(), Math.abs(m.deflectionDeg())));
            }
        }
        turns.sort(Comparator.comparingDouble(Turn::atM));
        return turns;
    }

    /** The post that has half of the turns before it, or the first beyond. */
    static double bestPartM(WireRun run, List<Pull> pulls, List<Mark> posts) {
        double sum = 0;
        double best = run.fromM();
        for (Turn turn : turns(new Along(new Course(run.pulls(), run.ring()), pulls), posts)) {
            if (sum < run.turnDeg() / 2) {
                best = turn.stationM();
            }
            sum += turn.deg();
        }
        return best;
    }

    /** Along a course, over the start of a closed line where it runs there; negative for what is not on it. */
    record Along(Course course, List<Pull> pulls) {
        double wholeM() {
            return course.pulls().stream()
                    .mapToDouble(k -> pulls.get(k).toM() - pulls.get(k).fromM())
                    .sum();
        }

        double stationAt(double distanceM) {
            double left = distanceM;
            for (int k : course.pulls()) {
                double length = pulls.get(k).toM() - pulls.get(k).fromM();
                if (left <= length) {
                    return pulls.get(k).fromM() + left;
                }
                left -= length;
            }
            return pulls.get(course.pulls().getLast()).toM();
        }

        double distanceTo(double stationM) {
            double done = 0;
            for (int k : course.pulls()) {
                Pull p = pulls.get(k);
                if (stationM >= p.fromM() - Mark.SAME_PLACE_M && stationM < p.toM() - Mark.SAME_PLACE_M) {
                    return done + stationM - p.fromM();
                }
                done += p.toM() - p.fromM();
            }
            return -1;
        }
    }
}
