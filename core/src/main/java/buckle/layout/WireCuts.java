package buckle.layout;

import buckle.spec.Stringing.Way;
import buckle.spec.WireGroup;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** What coils each wire takes, run by run, and in which pull they are joined (S14). */
final class WireCuts {
    private final StrongPosts.Found strong;
    private final WireSchedule schedule;
    private final Pulling pulling;
    private final List<Bracing.Placed> placed;
    private final double[] slopesM;
    private final Map<Integer, Map<WireGroup, Pulling.Cut>> cuts = new HashMap<>();
    private final Map<Integer, Double> runsM = new HashMap<>();

    private WireCuts(
            StrongPosts.Found strong,
            WireSchedule schedule,
            Pulling pulling,
            List<Bracing.Placed> placed,
            double[] slopesM) {
        this.strong = strong;
        this.schedule = schedule;
        this.pulling = pulling;
        this.placed = placed;
        this.slopesM = slopesM;
    }

    /**
     * Of all runs, in order.
     *
     * @param placed braces, two for each pull
     * @param slopesM length of each pull along the slope
     */
    static WireCuts of(
            List<WireRuns.Course> courses,
            StrongPosts.Found strong,
            WireSchedule schedule,
            Pulling pulling,
            List<Bracing.Placed> placed,
            double[] slopesM) {
        WireCuts all = new WireCuts(strong, schedule, pulling, placed, slopesM);
        courses.forEach(all::course);
        return all;
    }

    /** What is opened and joined in a pull. */
    Map<WireGroup, Pulling.Cut> in(int pull) {
        return cuts.getOrDefault(pull, Map.of());
    }

    /** Length of each wire that a pull is part of. */
    double runM(int pull) {
        return Objects.requireNonNull(runsM.get(pull));
    }

    private void course(WireRuns.Course course) {
        double slope = course.pulls().stream().mapToDouble(k -> slopesM[k]).sum();
        boolean oneWire = strong.way().oneWire();
        int passes = oneWire ? schedule.count(WireRole.HOT) : 1;
        course.pulls().forEach(k -> runsM.put(k, passes * slope));
        for (WireGroup group : pulling.groups()) {
            int count = group.count();
            boolean one = oneWire && group.role() == WireRole.HOT;
            share(
                    course,
                    group,
                    pulling.cut(group, one ? 1 : count, one ? count : 1, slope, gone -> joinedAt(course, gone)));
        }
    }

    /** @param gone how many times the wire has gone along; out and back every second time the other way */
    private double joinedAt(WireRuns.Course course, double gone) {
        double whole = course.pulls().stream()
                .map(strong.stops()::get)
                .mapToDouble(s -> s.toM() - s.fromM())
                .sum();
        double share = gone - Math.floor(gone);
        boolean back = strong.way() == Way.OUT_AND_BACK && (long) Math.floor(gone) % 2 == 1;
        double left = whole * (back ? 1 - share : share);
        for (int k : course.pulls()) {
            StrongPosts.Stop stop = strong.stops().get(k);
            double length = stop.toM() - stop.fromM();
            if (left <= length) {
                return Pulling.outOfBrace(stop.fromM() + left, placed.subList(2 * k, 2 * k + 2));
            }
            left -= length;
        }
        return strong.stops().get(course.pulls().getLast()).toM();
    }

    /** Coils are opened where the wires begin; each joint belongs to the pull it lies in. */
    private void share(WireRuns.Course course, WireGroup group, Pulling.Cut cut) {
        Map<Integer, List<Double>> joints = new HashMap<>();
        for (double at : cut.joinersM()) {
            int in = course.pulls().stream()
                    .filter(k -> at <= strong.stops().get(k).toM()
                            && at >= strong.stops().get(k).fromM())
                    .findFirst()
                    .orElse(course.pulls().getFirst());
            joints.computeIfAbsent(in, k -> new ArrayList<>()).add(at);
        }
        int first = course.pulls().getFirst();
        for (int k : course.pulls()) {
            cuts.computeIfAbsent(k, i -> new HashMap<>())
                    .put(group, new Pulling.Cut(k == first ? cut.coils() : 0, joints.getOrDefault(k, List.of())));
        }
    }
}
