package buckle.review;

import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.rulebook.Values;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** How deep a flood stands at a place: the bed of the creek at its nearest place, plus the rise, less the ground here. */
final class Floods {
    private final Terrain terrain;
    private final LocalPlane plane;
    private final List<Course> courses = new ArrayList<>();

    private record Course(LandFeature creek, Stationing stationing) {}

    Floods(Surroundings around, LocalPlane plane) {
        this.terrain = around.terrain();
        this.plane = plane;
        for (LandFeature f : around.land().features()) {
            if (f.kind() == LandKind.CREEK && f.traits().floodRiseM().isPresent()) {
                courses.add(new Course(
                        f,
                        new Stationing(f.points().stream().map(plane::toPlane).toList(), false)));
            }
        }
    }

    List<LandFeature> creeks() {
        return courses.stream().map(Course::creek).toList();
    }

    /** Of any creek; below zero where it stays dry or nothing is known. */
    double deepestM(PlanePoint p) {
        double deepest = -1;
        for (Course c : courses) {
            deepest = Math.max(deepest, depthM(p, c));
        }
        return deepest;
    }

    double depthM(PlanePoint p, LandFeature creek) {
        return courses.stream()
                .filter(c -> c.creek() == creek)
                .mapToDouble(c -> depthM(p, c))
                .max()
                .orElse(-1);
    }

    private double depthM(PlanePoint p, Course course) {
        Stationing.Place near = course.stationing().nearest(p);
        if (near.offsetM() > Values.L2_FLOOD_REACH_M) {
            return -1;
        }
        OptionalDouble bed = terrain.heightM(plane.toGeo(course.stationing().at(near.stationM(), near.side())));
        OptionalDouble ground = terrain.heightM(plane.toGeo(p));
        double rise = course.creek().traits().floodRiseM().orElseThrow();
        return bed.isPresent() && ground.isPresent() ? bed.getAsDouble() + rise - ground.getAsDouble() : -1;
    }
}
