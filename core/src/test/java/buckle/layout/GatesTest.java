package buckle.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.message.LayoutMessage;
import buckle.network.LiveWires;
import buckle.rulebook.Rule;
import buckle.site.FenceLine;
import buckle.site.Gate;
import buckle.site.GateKind;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

/** Gates as people hang them (common practice): across corners, on posts that stand, sliding, with one cable or two. */
class GatesTest {
    private static final double FT_16_5 = Lengths.ft(16.5);

    private static final Gate.GateFit ACROSS = Gate.GateFit.USUAL.withAcrossCorner(true);

    private static Design lay(Spec spec, FenceLine... lines) {
        return Design.of(Fences.site(-4, 0, lines), spec);
    }

    private static FenceLine square(Gate... gates) {
        return Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60).withGates(List.of(gates));
    }

    private static LineLayout first(Design design) {
        return design.layout().lines().getFirst();
    }

    private static double quantity(Design design, String item) {
        return design.takeoff().stream()
                .filter(t -> t.item().equals(item))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
    }

    private static boolean dead(Design design) {
        LiveWires live = design.laid().network().orElseThrow().live(Set.of());
        return !live.dead().isEmpty();
    }

    /** 16 ft 6 in across a right angle: the posts stand 11 ft 8 in from the corner, and no post in it. */
    @Test
    void acrossACorner() {
        Gate gate = Fences.gate("g", GateKind.SWING, 79, 1, FT_16_5).withFit(ACROSS);
        Design with = lay(Spec.USUAL, square(gate));
        Design without = lay(Spec.USUAL, square());
        GatePlace place = first(with).gates().getFirst();
        double leg = FT_16_5 / Math.sqrt(2);
        assertThat(place.fromM()).isCloseTo(80 - leg, within(1e-6));
        assertThat(place.toM()).isCloseTo(80 + leg, within(1e-6));
        assertThat(place.openingM()).isCloseTo(FT_16_5, within(1e-9));

        assertThat(quantity(with, "post.gate")).as("2 strong posts").isEqualTo(2);
        assertThat(quantity(with, "post.corner")).isEqualTo(quantity(without, "post.corner") - 1);
        assertThat(first(with).posts())
                .noneMatch(p -> p.stationM() > place.fromM() + 0.01 && p.stationM() < place.toM() - 0.01);
        assertThat(first(with).pulls())
                .noneMatch(p -> p.fromM() < place.toM() - 0.01 && p.toM() > place.fromM() + 0.01);
        Post one = post(with, place.fromM());
        Post other = post(with, place.toM());
        assertThat(Fences.distanceM(one, other))
                .as("straight from post to post")
                .isCloseTo(FT_16_5, within(0.01));
        assertThat(quantity(with, "wire.hot"))
                .isCloseTo(quantity(without, "wire.hot") - 2 * 2 * leg * 1.03, within(0.2));
        assertThat(dead(with)).isFalse();
    }

    private static Post post(Design design, double stationM) {
        return first(design).posts().stream()
                .filter(p -> Math.abs(p.stationM() - stationM) < 0.01)
                .findFirst()
                .orElseThrow();
    }

    @Property(tries = 60)
    void acrossAnyCorner(
            @ForAll @DoubleRange(min = 20, max = 140) double turnDeg,
            @ForAll @DoubleRange(min = 1, max = 12) double openingM) {
        double turn = Math.toRadians(turnDeg);
        FenceLine line = Fences.line("a", false, 0, 0, 80, 0, 80 + 60 * Math.cos(turn), 60 * Math.sin(turn))
                .withGates(List.of(
                        Fences.gate("g", GateKind.RIGID, 80, 0, openingM).withFit(ACROSS)));
        Design design = lay(Spec.USUAL, line);
        GatePlace place = first(design).gates().getFirst();
        assertThat(Fences.distanceM(post(design, place.fromM()), post(design, place.toM())))
                .isCloseTo(openingM, within(0.01));
    }

    /** Where there is no corner to cut off, the gate stands beside it, and it is said. */
    @Test
    void noCornerToCutOff() {
        Design atStart = lay(
                Spec.USUAL, square(Fences.gate("g", GateKind.SWING, 0.5, 0, 4).withFit(ACROSS)));
        assertThat(atStart.layout().findings())
                .anyMatch(
                        f -> f.rule() == Rule.J5 && f.message() instanceof LayoutMessage.NoCornerToCut m && m.closed());
        assertThat(first(atStart).gates()).hasSize(1);
        Design wide = lay(
                Spec.USUAL, square(Fences.gate("g", GateKind.SWING, 80, 0, 100).withFit(ACROSS)));
        assertThat(wide.layout().findings()).anyMatch(f -> f.message() instanceof LayoutMessage.GateTooWide);
        assertThat(first(wide).gates().getFirst().openingM()).isCloseTo(60 * Math.sqrt(2), within(1e-6));
    }

    /** From the brace post of a branch to the perimeter, 100 ft: no stub, one handle, two anchors. */
    @Test
    void strandFromBracePostToPerimeter() {
        FenceLine cross = Fences.line("b", false, 40, 0, 40, 60)
                .withStartsOn(Optional.of("a"))
                .withEndsOn(Optional.of("a"))
                .withGates(List.of(Fences.gate("s", GateKind.STRAND, 40, 45, Lengths.ft(100))));
        Design design = lay(Spec.USUAL, square(), cross);
        LineLayout branch = design.layout().lines().get(1);
        GatePlace place = branch.gates().getFirst();
        assertThat(place.toM()).as("to the perimeter").isCloseTo(branch.lengthM(), within(1e-6));
        assertThat(branch.posts().stream().filter(p -> p.stationM() > place.fromM() + 0.1))
                .as("only the tee post of the perimeter")
                .singleElement()
                .matches(Post::shared);
        assertThat(quantity(design, "gate.strand")).isEqualTo(1);
        assertThat(quantity(design, "gate.anchor")).isEqualTo(2);
    }

    /** X15: a gate beside a tee hangs on the tee post. */
    @Test
    void onTheTeePost() {
        FenceLine cross = Fences.line("b", false, 40, 0, 40, 60)
                .withStartsOn(Optional.of("a"))
                .withEndsOn(Optional.of("a"));
        Design design = lay(Spec.USUAL, square(Fences.gate("g", GateKind.SWING, 42.9, 0, 4)), cross);
        assertThat(first(design).gates().getFirst().fromM()).isCloseTo(40, within(1e-6));
        assertThat(quantity(design, "post.gate") + quantity(design, "post.tee"))
                .as("two of the gate, of which one takes the branch, and the other end of the branch")
                .isEqualTo(3);
    }

    /** All hot, 13 ft: one cable. With earth wires two, each up to the lowest wire it serves; or only the hot one. */
    @Test
    void cables() {
        double opening = Lengths.ft(13);
        Gate gate = Fences.gate("g", GateKind.SWING, 40, 0, opening);
        Design hot = lay(Spec.USUAL, square(gate));
        double low = Preset.of("W1").schedule().wires().getFirst().heightM();
        double under = 2 * 0.45 + 2 * 0.5;
        assertThat(quantity(hot, "cable.gate")).as("one").isCloseTo(opening + 2 * low + under, within(0.1));

        Spec both = Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W7").schedule()));
        double hotM = both.fence().schedule().wires().stream()
                .filter(w -> w.role() == WireRole.HOT)
                .findFirst()
                .orElseThrow()
                .heightM();
        double earthM = both.fence().schedule().wires().stream()
                .filter(w -> w.role() == WireRole.EARTH)
                .findFirst()
                .orElseThrow()
                .heightM();
        assertThat(quantity(lay(both, square(gate)), "cable.gate"))
                .isCloseTo(2 * (opening + under) + 2 * hotM + 2 * earthM, within(0.1));
        Design hotOnly = lay(both, square(gate.withFit(Gate.GateFit.USUAL.withHotOnly(true))));
        assertThat(quantity(hotOnly, "cable.gate")).isCloseTo(opening + under + 2 * hotM, within(0.1));
        assertThat(dead(hotOnly)).isFalse();
    }

    /** A line from a barn to a barn's corner: no end posts, no braces at them, an eye in the wall for each wire. */
    @Test
    void onAWall() {
        LandFeature barn = new LandFeature(
                "barn",
                LandKind.BUILDING,
                "barn",
                LandKind.Shape.AREA,
                List.of(Fences.at(-8, -5), Fences.at(0, -5), Fences.at(0, 5), Fences.at(-8, 5)),
                Traits.NONE,
                "");
        FenceLine line = Fences.line("a", false, 0.2, 0, 60, 0);
        Land land = new Land(List.of(barn), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
        Surroundings around = new Surroundings(land, Terrain.NONE);
        Design design = Design.of(Fences.site(5, 3, line), around, Spec.USUAL);
        Post first = first(design).posts().getFirst();
        assertThat(first.shared()).isTrue();
        assertThat(quantity(design, "post.end")).isEqualTo(1);
        assertThat(quantity(design, "brace.rail")).isEqualTo(1);
        assertThat(quantity(design, "wall-anchor")).isEqualTo(2);
        assertThat(quantity(design, "insulator.strain")).isEqualTo(4);
        double round = Math.PI * first(design).posts().getLast().stock().widthM();
        assertThat(quantity(design, "insulator.tie"))
                .as("the wall's anchors hold theirs")
                .isCloseTo(2 * (round + 0.3), within(0.06));
        assertThat(design.layout().findings())
                .anyMatch(f -> f.message() instanceof LayoutMessage.EndsAtWall m
                        && m.building().contains("barn"));
        assertThat(dead(design)).isFalse();
    }

    /** A sliding leaf wants its own width of straight fence beside it. */
    @Test
    void sliding() {
        Design room = lay(
                Spec.USUAL,
                square(Fences.gate("g", GateKind.SLIDING, 40, 0, 5).withFit(Gate.GateFit.USUAL.withNetting(true))));
        assertThat(quantity(room, "gate.sliding")).isEqualTo(1);
        assertThat(quantity(room, "gate.netting")).isEqualTo(5);
        assertThat(quantity(room, "cable.gate")).isPositive();
        assertThat(dead(room)).isFalse();
        assertThat(room.layout().findings()).noneMatch(f -> f.message() instanceof LayoutMessage.NoRoomToSlide);
        FenceLine narrow = Fences.line("a", true, 0, 0, 8, 0, 8, 60, 0, 60)
                .withGates(List.of(Fences.gate("g", GateKind.SLIDING, 4, 0, 5)));
        assertThat(lay(Spec.USUAL, narrow).layout().findings())
                .anyMatch(f -> f.message() instanceof LayoutMessage.NoRoomToSlide);
    }
}
