package buckle.design;

import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.layout.PostKind;
import buckle.layout.Severity;
import buckle.material.Use;
import buckle.spec.Plan;
import buckle.spec.School;
import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/**
 * What a school does to this very job.
 *
 * @param chosen whether the job follows it
 * @param upliftN of the strong post that is lifted most, on the day of building
 * @param safety of the weakest brace or post, at the worst load
 * @param items takeoff lines that would change against the job as it is
 */
public record SchoolEffect(
        School school,
        boolean chosen,
        long strongPosts,
        long linePosts,
        double upliftN,
        double safety,
        double pullN,
        double wireM,
        long insulators,
        int rods,
        long toMend,
        List<Comparison.ItemRow> items) {
    public SchoolEffect {
        items = List.copyOf(items);
    }

    /** Every school of every topic, each laid out on this job. */
    public static List<SchoolEffect> of(Plan plan, Surroundings around) {
        Design now = Design.of(plan, around);
        List<SchoolEffect> effects = new ArrayList<>();
        for (School school : School.values()) {
            Spec spec = school.applied(plan.spec());
            boolean chosen = spec.equals(plan.spec());
            Design then = chosen ? now : Design.of(plan.withSpec(spec), around);
            effects.add(of(school, chosen, then, Comparison.of(now, then).items()));
        }
        return effects;
    }

    private static SchoolEffect of(School school, boolean chosen, Design design, List<Comparison.ItemRow> items) {
        Layout layout = design.layout();
        Map<PostKind, Long> posts = layout.counts();
        long strong = count(posts, k -> k.strong() || k == PostKind.BRACE);
        long line = count(posts, k -> k == PostKind.LINE || k == PostKind.TIE_DOWN || k == PostKind.LIGHT);
        double uplift = 0;
        double safety = Double.POSITIVE_INFINITY;
        double pull = 0;
        for (var l : layout.lines()) {
            for (var b : l.braces()) {
                uplift = Math.max(uplift, b.load().day().upliftN());
                safety = Math.min(safety, b.load().worst().safety());
                pull = Math.max(pull, b.load().day().pullN());
            }
        }
        double wire = sum(design, Use::isWire);
        return new SchoolEffect(
                school,
                chosen,
                strong,
                line,
                uplift,
                Double.isInfinite(safety) ? 0 : safety,
                pull,
                wire,
                Math.round(sum(design, Use::isInsulator)),
                layout.feed().map(f -> f.rods()).orElse(0),
                layout.findings().stream()
                        .filter(f ->
                                f.severity() == Severity.WARN && f.accepted().isEmpty())
                        .count(),
                items);
    }

    private static long count(Map<PostKind, Long> posts, Predicate<PostKind> which) {
        return posts.keySet().stream().filter(which).mapToLong(posts::get).sum();
    }

    private static double sum(Design design, Predicate<Use> which) {
        return design.takeoff().stream()
                .filter(t -> which.test(t.use()))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
    }
}
