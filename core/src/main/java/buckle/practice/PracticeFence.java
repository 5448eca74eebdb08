package buckle.practice;

import buckle.design.Design;
import buckle.land.Surroundings;
import buckle.site.Corner;
import buckle.site.CutOut;
import buckle.site.EnergizerPlace;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Site;
import buckle.spec.Plan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Fences to practise on, drawn for it: no job is needed. */
enum PracticeFence {
    /** A paddock with one gate and two cut-outs, 550 m. */
    PADDOCK {
        @Override
        Site site() {
            return fed(
                    -4,
                    line("fence", 0, 0, 170, 0, 170, 120, 0, 120, 0, 10)
                            .withGates(List.of(gate("gate", 60, 0, GateKind.SWING)))
                            .withCutOuts(List.of(cutOut("cut-a", 170, 40), cutOut("cut-b", 90, 120))));
        }
    },
    /** A fence with two branches, 960 m. */
    FORK {
        @Override
        Site site() {
            return fed(
                    -4,
                    line("along", 0, 0, 220, 0, 440, 40)
                            .withGates(List.of(gate("gate", 120, 0, GateKind.SWING)))
                            .withCutOuts(List.of(cutOut("cut-a", 60, 0), cutOut("cut-b", 330, 20))),
                    line("north", 220, 0, 220, 260)
                            .withStartsOn(Optional.of("along"))
                            .withCutOuts(List.of(cutOut("cut-c", 220, 20))),
                    line("south", 220, 0, 200, -240)
                            .withStartsOn(Optional.of("along"))
                            .withCutOuts(List.of(cutOut("cut-d", 219, -20))));
        }
    },
    /** A lane with three cut-outs, 1,500 m. */
    LANE {
        @Override
        Site site() {
            return fed(
                    -4,
                    line("lane", 0, 0, 500, 60, 1000, 0, 1500, 80)
                            .withGates(List.of(gate("gate", 700, 36, GateKind.SPRING_SET)))
                            .withCutOuts(List.of(
                                    cutOut("cut-a", 380, 45), cutOut("cut-b", 800, 24), cutOut("cut-c", 1180, 29))));
        }
    };

    private static final LocalPlane PLANE = new LocalPlane(GeoPoint.of(0.9, 44.1));

    abstract Site site();

    /** As it is laid out. */
    Design design() {
        return Design.of(plan(), Surroundings.NONE);
    }

    Plan plan() {
        return Plan.EMPTY.withSite(site());
    }

    private static GeoPoint at(double eastM, double northM) {
        return PLANE.toGeo(new PlanePoint(eastM, northM));
    }

    private static FenceLine line(String id, double... eastNorth) {
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i < eastNorth.length; i += 2) {
            corners.add(new Corner(id + "-" + i / 2, at(eastNorth[i], eastNorth[i + 1])));
        }
        return FenceLine.free(id, id, false, corners);
    }

    private static Gate gate(String id, double eastM, double northM, GateKind kind) {
        return Gate.of(id, id, kind, at(eastM, northM), 3.6);
    }

    private static CutOut cutOut(String id, double eastM, double northM) {
        return new CutOut(id, id.substring(id.length() - 1).toUpperCase(java.util.Locale.ROOT), at(eastM, northM));
    }

    private static Site fed(double energizerEastM, FenceLine... lines) {
        return new Site(List.of(lines), Optional.of(new EnergizerPlace("energizer", at(energizerEastM, -2))));
    }
}
