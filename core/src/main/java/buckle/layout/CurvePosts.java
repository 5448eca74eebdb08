package buckle.layout;

import buckle.site.PlanePoint;
import buckle.site.Stationing;
import java.util.ArrayList;
import java.util.List;

/** Posts that stand evenly along rounded outlines, whatever corners drew them: how much each turns the wires, and what it carries. */
final class CurvePosts {
    private final List<Curves.Curve> curves;
    private final Stationing stationing;
    private final boolean closed;

    CurvePosts(List<Curves.Curve> curves, Stationing stationing, boolean closed) {
        this.curves = curves;
        this.stationing = stationing;
        this.closed = closed;
    }

    /** Curves that turn as much as a braced corner. */
    List<Bend> bends(List<Mark> marks, double braceFromDeg, Pulling pulling) {
        return curves.stream()
                .filter(c -> Math.abs(c.turnDeg()) >= braceFromDeg)
                .map(c -> Bends.bend(stationing, c, Math.max(1, postsAlong(c, marks)), pulling))
                .toList();
    }

    private int postsAlong(Curves.Curve curve, List<Mark> marks) {
        return (int) marks.stream()
                .filter(m -> m.kind() != PostKind.LIGHT && on(curve, m.stationM()))
                .count();
    }

    /** Whether a station lies on a curve or on the half sides before and after it. */
    private boolean on(Curves.Curve curve, double stationM) {
        int count = stationing.sideCount();
        for (int corner : curve.corners()) {
            double at = stationing.cornerStationM(corner);
            int before = closed ? (corner + count - 1) % count : corner - 1;
            double away = stationM - at;
            if (closed) {
                away -= stationing.lengthM() * Math.rint(away / stationing.lengthM());
            }
            if (away <= stationing.sideLengthM(corner) / 2 && -away <= stationing.sideLengthM(before) / 2) {
                return true;
            }
        }
        return false;
    }

    /** The wire passes posts on a curve as a chain of chords: each turns it by what lies between its two. */
    List<Mark> turned(List<Mark> marks) {
        if (curves.isEmpty()) {
            return marks;
        }
        List<Integer> posts = new ArrayList<>();
        for (int i = 0; i < marks.size(); i++) {
            if (marks.get(i).kind() != PostKind.LIGHT) {
                posts.add(i);
            }
        }
        List<Mark> turned = new ArrayList<>(marks);
        int count = posts.size();
        for (int j = 0; j < count; j++) {
            Mark mark = marks.get(posts.get(j));
            boolean inner = closed ? count > 2 : j > 0 && j < count - 1;
            if (inner && mark.kind().spaced() && curves.stream().anyMatch(c -> on(c, mark.stationM()))) {
                PlanePoint before = place(marks.get(posts.get((j + count - 1) % count)));
                PlanePoint after = place(marks.get(posts.get((j + 1) % count)));
                turned.set(posts.get(j), mark.turning(turnDeg(before, place(mark), after)));
            }
        }
        return turned;
    }

    private PlanePoint place(Mark mark) {
        return stationing.at(mark.stationM());
    }

    private static double turnDeg(PlanePoint before, PlanePoint here, PlanePoint after) {
        double in = Math.atan2(here.eastM() - before.eastM(), here.northM() - before.northM());
        double out = Math.atan2(after.eastM() - here.eastM(), after.northM() - here.northM());
        return Math.toDegrees(Math.IEEEremainder(out - in, 2 * Math.PI));
    }
}
