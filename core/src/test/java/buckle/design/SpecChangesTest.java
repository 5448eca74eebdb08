package buckle.design;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.Fences;
import buckle.design.SpecChange.Effect;
import buckle.land.Surroundings;
import buckle.material.Conductor;
import buckle.material.EarthKind;
import buckle.material.Hazard;
import buckle.material.PostStock;
import buckle.power.Energizers;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.spec.Animal;
import buckle.spec.BraceKind;
import buckle.spec.Deviation;
import buckle.spec.EarthRod;
import buckle.spec.FenceSpec;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import buckle.spec.LineSpec;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.PulseModel;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.spec.Supply;
import buckle.spec.Yardstick;
import buckle.units.UnitSystem;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** No field of the spec changes a job unseen. */
class SpecChangesTest {
    private static final FenceLine LINE = Fences.line("l", true, 0, 0, 420, 0, 420, 160, 0, 160)
            .withGates(List.of(Fences.gate("g", GateKind.SWING, 200, 0, 4)))
            .withCutOuts(List.of(Fences.cutOut("c", 300, 0)));

    /** Fed by battery and sun, with earth wires, ice and light posts, so that as much as possible matters. */
    private static Spec spec() {
        return Spec.USUAL
                .withFence(f -> f.withAnimals(List.of(Animal.ALPACAS))
                        .withSchedule(Preset.of("W7").schedule())
                        .withClimate(new FenceSpec.Climate(0.4, 0.01, -15, 35, 15))
                        .withPosts(f.posts()
                                .withLight(PostStock.FIBREGLASS_20)
                                .withLightPerGap(1)
                                .withStrongDepthM(0.9)
                                .withLineDepthM(0.9)))
                .withSupply(s ->
                        s.withEnergizer(Optional.of(Energizers.GENERIC.get(5))).withSource(Supply.Source.SOLAR));
    }

    /** Another value of the same kind. */
    private static Object other(String path, Object value) {
        return switch (value) {
            case Boolean b -> !b;
            case Integer i -> path.endsWith("toMonth") ? i - 2 : i + 1;
            case Double d ->
                switch (path) {
                    case "fence.climate.coldC" -> d - 10;
                    case "fence.climate.warmC" -> 20.0;
                    case "fence.climate.frostDepthM" -> 1.5;
                    case "purchasing.coilM" -> d / 2;
                    default -> path.endsWith("Share") ? d + 0.2 : d * 1.3 + 0.05;
                };
            case Conductor c -> c == Conductor.HT_14 ? Conductor.HT_12_5 : Conductor.HT_14;
            case PostStock s -> s == PostStock.TIMBER_115 ? PostStock.TIMBER_90 : PostStock.TIMBER_115;
            case BraceKind b -> BraceKind.PIPE;
            case Hazard h -> Hazard.FLOOD;
            case Enum<?> e -> {
                Object[] all = e.getDeclaringClass().getEnumConstants();
                yield all[(e.ordinal() + 1) % all.length];
            }
            case List<?> l ->
                switch (path) {
                    case "fence.animals" -> List.of(Animal.BEEF_CATTLE);
                    case "fence.posts.holdsAtM" -> List.of(0.1, 0.2, 0.3, 0.6, 0.9, 1.2, 1.4);
                    case "supply.earth.found" ->
                        List.of(new EarthRod("r", EarthKind.SPIKE, 2, 0.5, 0.02, 1, Optional.empty(), true, false));
                    default ->
                        List.of(new LineSpec(
                                "l",
                                Optional.of(Preset.of("W1").schedule()),
                                Optional.of(BraceKind.DOUBLE_H),
                                Optional.empty(),
                                Optional.empty()));
                };
            case OptionalDouble o -> OptionalDouble.of(120);
            case Optional<?> o when path.endsWith("stringing.end") -> Optional.of(Stringing.WireEnd.KNOT);
            case Optional<?> o
            when path.endsWith("yardstick") ->
                Optional.of(new Yardstick(
                        Instant.parse("2026-05-02T08:00:00Z"),
                        Growth.LIGHT,
                        Insulators.SOUND,
                        GroundState.MOIST,
                        Energizers.GENERIC.get(5),
                        List.of(UUID.randomUUID()),
                        Deviation.NONE.withLeakage(1),
                        List.of(Deviation.NONE.withSoil(0.2))));
            case Optional<?> o ->
                path.endsWith("lastSwap")
                        ? Optional.of(LocalDate.of(2026, 4, 1))
                        : path.endsWith("energizer")
                                ? Optional.of(Energizers.GENERIC.get(2))
                                : Optional.of(
                                        path.endsWith("terminalNf")
                                                ? new PulseModel.Spread(0, 1, 2)
                                                : new PulseModel.Spread(3000, 4000, 5000));
            case PulseModel.Spread s -> new PulseModel.Spread(s.low() / 2, s.likely() / 2, s.high() / 2);
            case buckle.spec.WireSchedule s -> Preset.of("W1").schedule();
            default -> throw new AssertionError(path + " " + value.getClass());
        };
    }

    /** Fields that do nothing to this job, and why. */
    private static final Map<String, String> NOTHING = Map.of(
            "supply.countedJ", "an energizer is chosen, and its own output counts",
            "supply.battery.lastSwap", "the panel keeps the battery",
            "fence.wires.plain", "this fence has no plain wire",
            "fence.climate.warmC", "the battery stays full through summer",
            "fence.braces.braceFromDeg", "every corner turns by a right angle",
            "fence.posts.closeUp", "no heights of the ground are known");

    @Test
    void everyFieldShowsOrIsListedAsDoingNothing() {
        Plan before = Plan.EMPTY.withSite(Fences.site(0, -4, LINE)).withSpec(spec());
        Surroundings around = Surroundings.NONE;
        Set<String> idle = new TreeSet<>();
        List<String> missed = new ArrayList<>();
        Map<String, Object> fields = SpecFields.of(before);
        assertThat(fields).hasSizeGreaterThan(50);
        fields.forEach((path, value) -> {
            Object then = other(path, value);
            Plan after = SpecFields.with(before, path, then).orElseThrow(() -> new AssertionError(path));
            List<SpecChange> changes = Comparison.of(before, after, around).fields();
            if (changes.size() != 1 || !changes.getFirst().path().equals(path)) {
                missed.add(path + ": " + changes);
            } else if (changes.getFirst().effects().isEmpty()) {
                idle.add(path);
            }
        });
        assertThat(missed).isEmpty();
        assertThat(idle).isEqualTo(new TreeSet<>(NOTHING.keySet()));
    }

    /** A change of product is a change of material, whatever the line of the takeoff is called. */
    @Test
    void otherPostsAreOtherMaterial() {
        Spec angle = spec().withFence(f -> f.withPosts(
                f.posts().withLine(PostStock.ANGLE_STEEL).withLightPerGap(0).withCloseUp(false)));
        Spec rods = angle.withFence(f -> f.withPosts(f.posts().withLine(PostStock.FIBREGLASS_20)));
        Plan before = Plan.EMPTY.withSite(Fences.site(0, -4, LINE)).withSpec(angle);
        Comparison c = Comparison.of(before, before.withSpec(rods), Surroundings.NONE);
        assertThat(c.items())
                .filteredOn(i -> i.use() == buckle.material.Use.LINE_POST)
                .hasSize(2)
                .anyMatch(i -> i.product().id().startsWith("post.angle-steel") && i.before() > 80 && i.after() == 0)
                .anyMatch(i -> i.product().id().startsWith("post.fibreglass-20") && i.before() == 0 && i.after() > 80);
        assertThat(c.fields()).singleElement().satisfies(f -> {
            assertThat(f.path()).isEqualTo("fence.posts.line");
            assertThat(f.effects()).contains(Effect.MATERIAL);
            assertThat(f.before()).contains("angle-steel");
        });
    }

    /** What goes only with another change says so. */
    @Test
    void whatDoesNotGoAloneSaysSo() {
        Plan before = Plan.EMPTY.withSite(Fences.site(0, -4, LINE)).withSpec(spec());
        FenceSpec.Climate hot = new FenceSpec.Climate(0.4, 0.01, 20, 60, 50);
        Plan after = before.withSpec(spec().withFence(f -> f.withClimate(hot)));
        assertThat(Comparison.of(before, after, Surroundings.NONE).fields())
                .filteredOn(f -> f.path().equals("fence.climate.buildC"))
                .singleElement()
                .satisfies(f -> assertThat(f.effects()).isEqualTo(EnumSet.of(Effect.ONLY_TOGETHER)));
    }

    /** Values are told in the units of the job, none as the program writes it. */
    @Test
    void valuesAreToldWithTheirUnits() {
        SpecWords feet = new SpecWords(UnitSystem.FT_IN);
        SpecFields.of(Plan.EMPTY.withSpec(spec())).forEach((path, value) -> {
            for (Object v : List.of(value, other(path, value))) {
                assertThat(feet.text(path, v)).as(path).isNotBlank().doesNotContain("[", "Optional", "_");
                boolean bare = v instanceof Double && feet.text(path, v).matches("[-0-9.]+");
                assertThat(bare).as(path + " has no unit").isFalse();
            }
        });
        assertThat(new SpecWords(UnitSystem.METRIC).text("posts.depthM", 0.76))
                .isNotEqualTo(new SpecWords(UnitSystem.METRIC).text("posts.depthM", 0.8));
        assertThat(new SpecWords(UnitSystem.METRIC).text("power.rodDiameterM", 0.016))
                .isEqualTo("16 mm");
        assertThat(feet.text("posts.spacingM", 4.572)).isEqualTo("15 ft");
        assertThat(new SpecWords(UnitSystem.METRIC).text("posts.spacingM", 4.572))
                .isEqualTo("4.570 m");
        assertThat(feet.text("fence.climate.coldC", -15.0)).contains("°F");
        assertThat(feet.text("takeoff.wireSlackPercent", 5.0)).isEqualTo("5 %");
    }
}
