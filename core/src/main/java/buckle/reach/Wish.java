package buckle.reach;

import buckle.design.Design;
import buckle.reach.Reach.HeapItem;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.spec.Spec;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The largest fence of a shape that a heap is enough for.
 *
 * @param lengthM all round, or along a line
 * @param areaM2 enclosed; 0 of a line
 * @param reach of the heap on that very fence
 */
public record Wish(Shape shape, double lengthM, double areaM2, Reach reach) {
    private static final double LEAST_M = 12;
    private static final double MOST_M = 40_000;
    private static final double FINE_M = 0.25;
    private static final int CIRCLE_CORNERS = 36;

    /** What is wished for. */
    public enum Shape {
        CIRCLE,
        SQUARE,
        RECTANGLE,
        LINE
    }

    /**
     * Laid out again and again, each time nearer, on flat and open ground.
     *
     * @param ratio long side ÷ short side of a rectangle
     * @return empty when the heap is not enough for twelve metres of it, or has nothing such a fence takes
     */
    public static Optional<Wish> largest(List<HeapItem> heap, Spec spec, Shape shape, double ratio) {
        if (at(heap, spec, shape, ratio, LEAST_M)
                .filter(r -> r.reach().reaches())
                .isEmpty()) {
            return Optional.empty();
        }
        double enough = LEAST_M;
        double tooLong = 2 * LEAST_M;
        while (tooLong < MOST_M && reaches(heap, spec, shape, ratio, tooLong)) {
            enough = tooLong;
            tooLong *= 2;
        }
        while (tooLong - enough > FINE_M) {
            Cancellation.check();
            double middle = (enough + tooLong) / 2;
            if (reaches(heap, spec, shape, ratio, middle)) {
                enough = middle;
            } else {
                tooLong = middle;
            }
        }
        return at(heap, spec, shape, ratio, enough);
    }

    private static boolean reaches(List<HeapItem> heap, Spec spec, Shape shape, double ratio, double lengthM) {
        return at(heap, spec, shape, ratio, lengthM).orElseThrow().reach().reaches();
    }

    private static Optional<Wish> at(List<HeapItem> heap, Spec spec, Shape shape, double ratio, double lengthM) {
        Site site = site(shape, ratio, lengthM);
        Reach reach = Reach.of(heap, Design.of(site, spec).takeoff());
        return reach.lines().isEmpty()
                ? Optional.empty()
                : Optional.of(new Wish(shape, lengthM, areaM2(shape, ratio, lengthM), reach));
    }

    private static double areaM2(Shape shape, double ratio, double lengthM) {
        return switch (shape) {
            case CIRCLE -> {
                // Of the polygon that is laid out.
                double side = lengthM / CIRCLE_CORNERS;
                yield CIRCLE_CORNERS * side * side / (4 * Math.tan(Math.PI / CIRCLE_CORNERS));
            }
            case SQUARE -> lengthM * lengthM / 16;
            case RECTANGLE -> ratio * Math.pow(lengthM / (2 * (1 + ratio)), 2);
            case LINE -> 0;
        };
    }

    private static Site site(Shape shape, double ratio, double lengthM) {
        List<PlanePoint> corners = new ArrayList<>();
        switch (shape) {
            case CIRCLE -> {
                double radius = lengthM / CIRCLE_CORNERS / (2 * Math.sin(Math.PI / CIRCLE_CORNERS));
                for (int i = 0; i < CIRCLE_CORNERS; i++) {
                    double turn = 2 * Math.PI * i / CIRCLE_CORNERS;
                    corners.add(new PlanePoint(radius * Math.cos(turn), radius * Math.sin(turn)));
                }
            }
            case SQUARE, RECTANGLE -> {
                double by = shape == Shape.SQUARE ? 1 : ratio;
                double depth = lengthM / (2 * (1 + by));
                double front = by * depth;
                corners.add(new PlanePoint(0, 0));
                corners.add(new PlanePoint(front, 0));
                corners.add(new PlanePoint(front, depth));
                corners.add(new PlanePoint(0, depth));
            }
            case LINE -> {
                corners.add(new PlanePoint(0, 0));
                corners.add(new PlanePoint(lengthM, 0));
            }
        }
        LocalPlane plane = new LocalPlane(GeoPoint.of(0.8841, 44.1372));
        List<Corner> at = new ArrayList<>();
        for (PlanePoint p : corners) {
            at.add(new Corner("c" + (at.size() + 1), plane.toGeo(p)));
        }
        return new Site(List.of(FenceLine.free("line-1", "wish", shape != Shape.LINE, at)), Optional.empty());
    }
}
