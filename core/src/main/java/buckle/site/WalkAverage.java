package buckle.site;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Several walks of one line made one: corners that both walks found are averaged, each weighing by the inverse square of
 * its expected error, so that the better walk counts more. Source: the weighted mean of any adjustment textbook.
 */
public final class WalkAverage {
    private static final double LEAST_REACH_M = 6;
    private static final double REACH_SIGMAS = 4;
    private static final double DRAWN_M = 0.5;

    private WalkAverage() {}

    /**
     * A line averaged with another walk of it.
     *
     * @param matched corners both walks have
     * @param alone corners only one walk has; they were kept
     * @param apartM how far apart the matched corners lay, root mean square
     */
    public record Averaged(FenceLine line, int matched, int alone, double apartM) {}

    /**
     * The line with its corners averaged; gates, cut-outs and names stay those of {@code line}.
     *
     * @throws BadInput when the two are not walks of the same line
     */
    public static Averaged of(FenceLine line, FenceLine walk) {
        List<GeoPoint> all = new ArrayList<>();
        line.corners().forEach(c -> all.add(c.at()));
        walk.corners().forEach(c -> all.add(c.at()));
        LocalPlane plane = LocalPlane.around(all);
        double ours = cornerM(line);
        double theirs = cornerM(walk);
        double reach = Math.max(LEAST_REACH_M, REACH_SIGMAS * Math.hypot(ours, theirs));
        double weight = 1 / (ours * ours) / (1 / (ours * ours) + 1 / (theirs * theirs));
        List<Corner> corners = new ArrayList<>();
        int matched = 0;
        double squares = 0;
        for (Corner corner : line.corners()) {
            PlanePoint p = plane.toPlane(corner.at());
            Optional<PlanePoint> other = nearest(p, walk.corners(), plane)
                    .filter(q -> q.distanceM(p) <= reach)
                    .filter(q -> nearest(q, line.corners(), plane).orElseThrow().distanceM(p) < 1e-9);
            if (other.isPresent()) {
                matched++;
                squares += Math.pow(other.get().distanceM(p), 2);
                corners.add(new Corner(corner.id(), plane.toGeo(p.towards(other.get(), 1 - weight))));
            } else {
                corners.add(corner);
            }
        }
        if (matched < 2
                || 2 * matched < Math.min(line.corners().size(), walk.corners().size())) {
            throw new BadInput(
                    "walk.other-line",
                    "walk",
                    "Only " + matched + " corners of this walk meet corners of " + line.name()
                            + "; it is not another walk of the same line.");
        }
        List<GeoPoint> ground = new ArrayList<>(line.ground());
        ground.addAll(walk.ground());
        int alone = line.corners().size() + walk.corners().size() - 2 * matched;
        FenceLine averaged = line.withCorners(corners).withGround(ground).withSurvey(accuracy(line, walk));
        return new Averaged(averaged, matched, alone, Math.sqrt(squares / matched));
    }

    private static double cornerM(FenceLine line) {
        return Math.max(0.05, line.survey().map(CleanLine.Accuracy::cornerM).orElse(DRAWN_M));
    }

    private static Optional<PlanePoint> nearest(PlanePoint p, List<Corner> corners, LocalPlane plane) {
        return corners.stream()
                .map(c -> plane.toPlane(c.at()))
                .min((a, b) -> Double.compare(a.distanceM(p), b.distanceM(p)));
    }

    private static Optional<CleanLine.Accuracy> accuracy(FenceLine line, FenceLine walk) {
        if (line.survey().isEmpty() || walk.survey().isEmpty()) {
            return line.survey().isPresent() ? line.survey() : walk.survey();
        }
        CleanLine.Accuracy a = line.survey().get();
        CleanLine.Accuracy b = walk.survey().get();
        return Optional.of(new CleanLine.Accuracy(
                Math.max(a.jitterM(), b.jitterM()),
                both(a.cornerM(), b.cornerM()),
                both(a.lengthM(), b.lengthM()),
                Math.max(a.toleranceM(), b.toleranceM())));
    }

    private static double both(double a, double b) {
        return a * b / Math.hypot(a, b);
    }
}
