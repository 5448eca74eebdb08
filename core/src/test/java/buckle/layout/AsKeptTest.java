package buckle.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.Design;
import buckle.land.Land;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Terrain;
import buckle.land.Traits;
import buckle.land.Traits.Soil;
import buckle.material.EarthKind;
import buckle.material.PostStock;
import buckle.message.LandMessage;
import buckle.message.LayoutMessage;
import buckle.message.PostMessage;
import buckle.power.Energizers;
import buckle.site.FenceLine;
import buckle.site.LineBook;
import buckle.site.Season;
import buckle.spec.EarthRod;
import buckle.spec.FenceSpec;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.spec.Supply;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;

/** Fences as they are kept: earth as found, batteries in turn, lines that go up and down, posts used again. */
class AsKeptTest {
    private static final Traits STONE_AT_HALF_A_METRE = new Traits(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            OptionalDouble.of(0.5),
            OptionalDouble.empty(),
            Optional.of(Soil.STONE),
            OptionalDouble.empty());
    private static final Season SUMMER = new Season(4, 15, 10, 31);

    private static FenceLine square() {
        return Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60);
    }

    private static Plan plan(Spec spec, FenceLine... lines) {
        return Plan.EMPTY.withSite(Fences.site(-4, 0, lines)).withSpec(spec);
    }

    private static Design lay(Plan plan) {
        return Design.of(plan, Surroundings.NONE);
    }

    private static Electrics electrics(Plan plan, Electrics.Part... parts) {
        return ElectricsPlanner.of(plan, lay(plan).laid(), Surroundings.NONE, Trial.NONE, EnumSet.of(parts[0], parts))
                .orElseThrow();
    }

    private static double quantity(Design design, String item) {
        return design.takeoff().stream()
                .filter(t -> t.item().equals(item))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
    }

    private static EarthRod rod(EarthKind kind, int count, double lengthM, double apartM) {
        return new EarthRod("r", kind, count, lengthM, 0.016, apartM, Optional.empty(), false, false);
    }

    private static Spec found(EarthRod... rods) {
        return Spec.USUAL.withSupply(s -> s.withEnergizer(Optional.of(Energizers.GENERIC.get(4)))
                .withEarth(s.earth().withFound(List.of(rods))));
    }

    /** Three rods told one by one are the three of the school, in ohms and in volts. */
    @Test
    void rodsOneByOneAreThoseOfTheSchool() {
        Spec school = Spec.USUAL.withSupply(s -> s.withEnergizer(Optional.of(Energizers.GENERIC.get(4))));
        Electrics by = electrics(plan(school, square()), Electrics.Part.EARTH);
        Electrics one =
                electrics(plan(found(rod(EarthKind.ROD, 3, Lengths.ft(6), 3.05)), square()), Electrics.Part.EARTH);
        assertThat(one.rodsOhm()).isCloseTo(by.rodsOhm(), within(1e-9));
        assertThat(one.weakest().orElseThrow().likelyV())
                .isCloseTo(by.weakest().orElseThrow().likelyV(), within(1e-6));
        Design design = lay(plan(found(rod(EarthKind.ROD, 3, Lengths.ft(6), 3.05)), square()));
        assertThat(quantity(design, "ground.rod")).isEqualTo(3);
        assertThat(quantity(design, "ground.lead"))
                .isCloseTo(quantity(lay(plan(school, square())), "ground.lead"), within(1e-9));
    }

    /** What one more, longer, watered brings: fewer ohms, and more volts at the weakest point. */
    @Test
    void whatMoreEarthBrings() {
        Electrics e = electrics(plan(found(rod(EarthKind.SPIKE, 2, 0.4, 1)), square()), Electrics.Part.EARTH);
        Electrics.EarthAnswer earth = e.earth().orElseThrow();
        double weakest = e.weakest().orElseThrow().likelyV();
        assertThat(earth.improvements()).hasSizeGreaterThanOrEqualTo(3).allSatisfy(c -> {
            assertThat(c.ohm()).as(String.valueOf(c.name())).isLessThan(earth.rodsOhm());
            assertThat(c.weakestV()).as(String.valueOf(c.name())).isGreaterThan(weakest);
            assertThat(c.testV()).isLessThan(earth.testV());
        });
        assertThat(earth.seasons()).anySatisfy(s -> assertThat(s.ohm()).isGreaterThan(4 * earth.rodsOhm()));
        Electrics watered = electrics(
                plan(found(rod(EarthKind.SPIKE, 2, 0.4, 1).withWatered(true)), square()), Electrics.Part.EARTH);
        assertThat(watered.rodsOhm()).isLessThan(0.8 * e.rodsOhm());
        Design stands = lay(plan(found(rod(EarthKind.OLD_FENCE, 8, 0.5, 3).withStands(true)), square()));
        assertThat(quantity(stands, "ground.rod")).as("nothing to buy").isZero();
        assertThat(quantity(stands, "ground.clamp")).as("one on the old fence").isEqualTo(1);
    }

    /** A 50 ft kit: 30 ft left to the box with rods 10 ft apart, 20 ft with 15 (common practice). */
    @Test
    void whatAKitLeavesToTheBox() {
        for (double[] row : new double[][] {{10, 30}, {15, 20}}) {
            Spec spec = Spec.USUAL.withSupply(s -> s.withEarth(
                    s.earth().withRodApartM(Lengths.ft(row[0])).withLeadM(OptionalDouble.of(Lengths.ft(50)))));
            assertThat(lay(plan(spec, square())).layout().findings())
                    .filteredOn(f -> f.message() instanceof LandMessage.EarthLead)
                    .singleElement()
                    .satisfies(f -> assertThat(((LandMessage.EarthLead) f.message()).leftM())
                            .isCloseTo(Lengths.ft(row[1]), within(0.001)));
        }
    }

    private static LandFeature area(String id, LandKind kind, Traits traits, double eastM, double sizeM) {
        return new LandFeature(
                id,
                kind,
                id,
                LandKind.Shape.AREA,
                List.of(
                        Fences.at(eastM, -30),
                        Fences.at(eastM + sizeM, -30),
                        Fences.at(eastM + sizeM, -30 + sizeM),
                        Fences.at(eastM, -30 + sizeM)),
                traits,
                "");
    }

    private static List<Class<?>> saidOf(EarthRod rod, LandFeature feature) {
        Land land =
                new Land(List.of(feature), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
        return Design.of(plan(found(rod), square()), new Surroundings(land, Terrain.NONE)).layout().findings().stream()
                .<Class<?>>map(f -> f.message().getClass())
                .toList();
    }

    /** Each rod is judged where it stands: in a building, nearer than 10 m to one, on stone; those in a row too, not the first only. */
    @Test
    void rodsWhereTheyStand() {
        LandFeature barn = area("barn", LandKind.BUILDING, Traits.NONE, 0, 10);
        EarthRod one = rod(EarthKind.ROD, 1, 1.8, 3);
        assertThat(saidOf(one.withAt(Optional.of(Fences.at(5, -25))), barn)).contains(LandMessage.RodInBuilding.class);
        assertThat(saidOf(one.withAt(Optional.of(Fences.at(15, -25))), barn))
                .contains(LandMessage.RodNearBuilding.class)
                .doesNotContain(LandMessage.RodInBuilding.class);
        assertThat(saidOf(one.withAt(Optional.of(Fences.at(21, -25))), barn))
                .doesNotContain(LandMessage.RodNearBuilding.class, LandMessage.RodInBuilding.class);
        EarthRod row = rod(EarthKind.ROD, 4, 1.8, 4).withAt(Optional.of(Fences.at(-12, -25)));
        assertThat(saidOf(row, barn)).contains(LandMessage.RodNearBuilding.class, LandMessage.RodInBuilding.class);

        LandFeature stone = area("stone", LandKind.SOIL, STONE_AT_HALF_A_METRE, 0, 10);
        EarthRod there = one.withAt(Optional.of(Fences.at(5, -25)));
        assertThat(saidOf(there, stone)).contains(LandMessage.RodOnStone.class);
        assertThat(saidOf(there.withLengthM(0.4), stone)).doesNotContain(LandMessage.RodOnStone.class);
        assertThat(saidOf(there.withStands(true), stone)).doesNotContain(LandMessage.RodOnStone.class);
    }

    private static Spec battery(double ah, int inTurn, Optional<LocalDate> last) {
        return Spec.USUAL
                .withFence(f -> f.withClimate(new FenceSpec.Climate(0, 0, 5, 5, 5)))
                .withSupply(s -> s.withSource(Supply.Source.BATTERY)
                        .withEnergizer(Optional.of(Energizers.GENERIC.get(1)))
                        .withBattery(s.battery()
                                .withBatteryAh(ah)
                                .withInTurn(inTurn)
                                .withLastSwap(last)
                                .withCableM(0)));
    }

    /** The calendar of swaps keeps the days to half charge, whatever they are. */
    @Test
    void swapsOfBatteriesInTurn() {
        LocalDate first = LocalDate.of(2026, 5, 1);
        Electrics e = electrics(plan(battery(7.2, 2, Optional.of(first)), square()), Electrics.Part.SUPPLY);
        Electrics.BatteryAnswer answer = e.supply().orElseThrow().battery().orElseThrow();
        assertThat(answer.daysToHalf()).isCloseTo(answer.daysToEmpty() / 2, within(1e-9));
        assertThat(answer.swaps()).hasSize(8).isSorted();
        long days = ChronoUnit.DAYS.between(first, answer.swaps().getLast());
        assertThat(days).isEqualTo((long) (8 * answer.daysToHalf()));
        assertThat(electrics(plan(battery(7.2, 1, Optional.of(first)), square()), Electrics.Part.SUPPLY)
                        .supply()
                        .orElseThrow()
                        .battery()
                        .orElseThrow()
                        .swaps())
                .as("one battery is not swapped in turn")
                .isEmpty();
        Design design = lay(plan(battery(7.2, 2, Optional.empty()), square()));
        assertThat(quantity(design, "battery")).isEqualTo(2);
        assertThat(quantity(design, "battery-box")).isEqualTo(1);
        assertThat(quantity(design, "panel")).isZero();
    }

    @Test
    void daysOfASeason() {
        assertThat(SUMMER.days()).isEqualTo(199);
        assertThat(SUMMER.overNewYear()).isFalse();
        Season winter = new Season(11, 1, 3, 15);
        assertThat(winter.overNewYear()).isTrue();
        assertThat(winter.days()).isEqualTo(134);
        assertThat(winter.standsIn(1)).isTrue();
        assertThat(winter.standsIn(6)).isFalse();
        assertThatThrownBy(() -> new Season(2, 30, 3, 1)).hasMessageContaining("no month 2 has a day 30");
        assertThatThrownBy(() -> new Season(3, 1, 3, 1)).hasMessageContaining("never up");
    }

    /** A line of the summer meets neither cold nor ice, its battery no winter, and its timber posts are told to stay. */
    @Test
    void linesOfTheSummer() {
        Spec spec = Spec.USUAL
                .withFence(f -> f.withClimate(new FenceSpec.Climate(0.4, 0.01, -15, 35, 15)))
                .withSupply(
                        s -> s.withSource(Supply.Source.SOLAR).withEnergizer(Optional.of(Energizers.GENERIC.get(2))));
        FenceLine summer = square().withBook(LineBook.EMPTY.withSeason(Optional.of(SUMMER)));
        Plan all = plan(spec, square());
        Plan some = plan(spec, summer);
        Pull always = lay(all).layout().lines().getFirst().pulls().getFirst();
        Pull seasonal = lay(some).layout().lines().getFirst().pulls().getFirst();
        assertThat(seasonal.totalN()).isGreaterThanOrEqualTo(always.totalN());
        assertThat(seasonal.worstN() / seasonal.totalN()).isLessThan(always.worstN() / always.totalN());
        assertThat(lay(some).layout().findings())
                .anyMatch(f -> f.message() instanceof LayoutMessage.Seasonal m && m.days() == 199)
                .anyMatch(f -> f.message() instanceof LayoutMessage.StaysInGround);
        var year = electrics(some, Electrics.Part.SUPPLY)
                .supply()
                .orElseThrow()
                .battery()
                .orElseThrow()
                .year();
        assertThat(year).extracting(m -> m.month()).containsExactly(4, 5, 6, 7, 8, 9, 10);
        assertThat(electrics(all, Electrics.Part.SUPPLY)
                        .supply()
                        .orElseThrow()
                        .battery()
                        .orElseThrow()
                        .year())
                .hasSize(12);
    }

    /** A steel bar at one place and short timber over a stretch: set, not bought, and what is wrong with them is said. */
    @Test
    void postsUsedAgain() {
        FenceLine line = square();
        var bars = new LineBook.PostOverride(
                "o",
                Fences.at(10, 0),
                Fences.at(70, 0),
                OptionalDouble.empty(),
                Optional.of(PostStock.STEEL_BAR),
                OptionalInt.empty(),
                Optional.empty(),
                "found",
                Optional.of(new LineBook.Found(OptionalDouble.of(1.2))));
        Design bought = lay(plan(Spec.USUAL, line));
        Design found = lay(plan(Spec.USUAL, line.withBook(LineBook.EMPTY.withOverrides(List.of(bars)))));
        long reused = found.layout().lines().getFirst().posts().stream()
                .filter(Post::reused)
                .count();
        assertThat(reused).isGreaterThan(5);
        assertThat(quantity(found, "post.line")).isEqualTo(quantity(bought, "post.line") - reused);
        assertThat(quantity(found, "insulator.line.steel-bar"))
                .as("two wires on each bar")
                .isEqualTo(2 * reused);
        assertThat(found.layout().findings())
                .anyMatch(f -> f.message() instanceof PostMessage.SteelPosts)
                .anyMatch(f -> f.message() instanceof PostMessage.FoundTooShort m && m.count() == reused);
        assertThat(bought.layout().findings()).noneMatch(f -> f.message() instanceof PostMessage.SteelPosts);
    }
}
