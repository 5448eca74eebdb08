package buckle.readings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.design.Design;
import buckle.diagnosis.Walk;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Traits;
import buckle.pulse.Place;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.GeoPoint;
import buckle.spec.Plan;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Ways across a paddock of 200 m by 200 m, by hand: from the middle of the south side to the middle of the north one it is 200 m, along the fence 400. */
class PaddockWaysTest {
    private static final FenceLine RING = Fences.line("ring", true, 0, 0, 200, 0, 200, 200, 0, 200);
    private static final FenceLine ACROSS = Fences.line("across", false, 0, 100, 200, 100)
            .withStartsOn(Optional.of("ring"))
            .withEndsOn(Optional.of("ring"));

    private static OptionalDouble metres(Land land, String to, double toM, FenceLine... lines) {
        Plan plan = Plan.EMPTY.withSite(Fences.site(-5, 0, lines));
        Design design = Design.of(plan, Surroundings.NONE);
        FenceCircuit fence =
                ElectricsPlanner.circuit(plan, design.laid(), Surroundings.NONE).orElseThrow();
        List<Walk.Link> links = PaddockWays.of(fence, design.layout(), land);
        Place from = fence.place("ring", 100).orElseThrow();
        Place there = fence.place(to, toM).orElseThrow();
        return links.stream()
                .filter(l -> near(l.from(), from) && near(l.to(), there) || near(l.from(), there) && near(l.to(), from))
                .mapToDouble(Walk.Link::metres)
                .findFirst();
    }

    private static boolean near(Place one, Place other) {
        return one.runId().equals(other.runId()) && Math.abs(one.distanceM() - other.distanceM()) < 0.1;
    }

    private static Land with(LandKind kind, LandKind.Shape shape, double... eastNorth) {
        List<GeoPoint> points = IntStream.range(0, eastNorth.length / 2)
                .mapToObj(i -> Fences.at(eastNorth[2 * i], eastNorth[2 * i + 1]))
                .toList();
        return Land.NONE.withFeatures(List.of(new LandFeature("f", kind, "", shape, points, Traits.NONE, "")));
    }

    @Test
    void straightOverOpenGround() {
        assertThat(metres(Land.NONE, "ring", 500, RING)).hasValueCloseTo(198.6, within(0.2));
    }

    /** A fence without a gate is not crossed; through a gate it is 99.3 m to it and as far on. */
    @Test
    void throughGatesAlone() {
        assertThat(metres(Land.NONE, "ring", 500, RING, ACROSS)).isEmpty();
        FenceLine gated = ACROSS.withGates(List.of(Fences.gate("g", GateKind.HANDLE, 110, 100, 4)));
        double byHand = 2 * Math.hypot(10, 99.3);
        assertThat(metres(Land.NONE, "ring", 500, RING, gated)).hasValueCloseTo(byHand, within(2.0));
    }

    /** Round the free end of a fence that stops short of the other side. */
    @Test
    void roundFreeEnds() {
        FenceLine stub = Fences.line("across", false, 0, 100, 160, 100).withStartsOn(Optional.of("ring"));
        double byHand = 2 * Math.hypot(60.7, 98.6) + 1.4;
        assertThat(metres(Land.NONE, "ring", 500, RING, stub)).hasValueCloseTo(byHand, within(1.0));
    }

    /** Water is gone round along the fence, a wood is walked through. */
    @Test
    void notThroughWater() {
        double[] pond = {-20, 90, 220, 90, 220, 110, -20, 110};
        assertThat(metres(with(LandKind.STANDING_WATER, LandKind.Shape.AREA, pond), "ring", 500, RING))
                .isEmpty();
        assertThat(metres(with(LandKind.TREES, LandKind.Shape.AREA, pond), "ring", 500, RING))
                .hasValueCloseTo(198.6, within(0.2));
    }

    /** As somebody walked it, a corner every two metres: no more places than are worth it, and the way across is there. */
    @Test
    void ofALineWithAThousandCorners() {
        double[] circle = new double[2000];
        for (int i = 0; i < 1000; i++) {
            circle[2 * i] = 300 + 300 * Math.cos(2 * Math.PI * i / 1000);
            circle[2 * i + 1] = 300 * Math.sin(2 * Math.PI * i / 1000);
        }
        Plan plan = Plan.EMPTY.withSite(Fences.site(610, 0, Fences.line("ring", true, circle)));
        Design design = Design.of(plan, Surroundings.NONE);
        List<Walk.Link> links = PaddockWays.of(
                ElectricsPlanner.circuit(plan, design.laid(), Surroundings.NONE).orElseThrow(),
                design.layout(),
                Land.NONE);
        assertThat(links).hasSizeLessThan(5000);
        // Across the middle it is the diameter less a step at either end, for a half of the circle along the fence.
        assertThat(links.stream().mapToDouble(Walk.Link::metres).max()).hasValueCloseTo(598.6, within(2.0));
    }
}
