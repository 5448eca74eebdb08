package buckle.takeoff;

import static buckle.Told.inFeet;
import static buckle.Told.inMetres;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.BadInput;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.Site;
import buckle.spec.Animal;
import buckle.spec.FenceSpec;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class TakeoffTest {
    private static Map<String, TakeoffLine> takeoff(Site site, Spec spec) {
        return Design.of(site, spec).takeoff().stream()
                .collect(Collectors.toMap(TakeoffLine::item, Function.identity()));
    }

    /** A line of 100 m with 5 hot and earth wires, worked by hand. */
    @Test
    void aWorkedLine() {
        FenceLine line = Fences.line("l", false, 0, 0, 100, 0);
        Spec spec = Spec.USUAL
                .withFence(f -> f.withAnimals(List.of(Animal.HORSES))
                        .withSchedule(Preset.of("W7").schedule()))
                .withFence(f -> f.withPosts(f.posts().withSpacingM(5)))
                .withUnits(UnitSystem.METRIC);
        Map<String, TakeoffLine> t = takeoff(Fences.site(-4, 0, line), spec);
        double between = 100 - 2 * Values.B1_RAIL_M;
        int linePosts = (int) Math.ceil(between / 5) - 1;
        assertThat(linePosts).isEqualTo(19);
        assertThat(t.get("post.line").quantity()).isEqualTo(linePosts);
        assertThat(t.get("post.brace").quantity()).isEqualTo(2);
        int passed = linePosts + 2;
        assertThat(t.get("insulator.line").quantity())
                .as("3 hot × 21 posts + 2 × 3 spare")
                .isEqualTo(3 * passed + 6);
        assertThat(t.get("insulator.line").pack().orElseThrow().count()).isEqualTo(3);
        assertThat(t.get("insulator.strain").quantity()).isEqualTo(6);
        assertThat(t.get("fastener").quantity()).isEqualTo(2 * passed);
        assertThat(t.get("strainer").quantity()).isEqualTo(5);
        assertThat(t.get("crimp").quantity()).isEqualTo(5 * 2 * 2);
        assertThat(t.get("wire.hot").quantity()).isCloseTo(3 * 100 * 1.03, within(0.11));
        assertThat(t.get("wire.earth").quantity()).isCloseTo(2 * 100 * 1.03, within(0.11));
        assertThat(t.get("wire.hot").pack().orElseThrow().count()).isEqualTo(1);
        assertThat(t.get("cable.lead-out").quantity()).isCloseTo(2 * (4 + 5), within(0.11));
        assertThat(t.get("ground.rod").quantity()).isEqualTo(3);
        assertThat(t.get("ground.lead").quantity())
                .as("10 ft to the first rod, two gaps of 10 ft")
                .isCloseTo(2 * 3.05 + 3.048, within(0.11));
        assertThat(t.get("sign").quantity()).isEqualTo(2);
        assertThat(inMetres(t.get("strainer").derivation())).isEqualTo("5 wires × 1 pull = 5");
        assertThat(t).doesNotContainKeys("wire.plain", "post.gate", "cut-out", "gate.swing");
    }

    @Test
    void handleGatesTakeOneHandleForEachHotWire() {
        FenceLine line = Fences.line("l", false, 0, 0, 100, 0)
                .withGates(List.of(
                        Fences.gate("g", GateKind.HANDLE, 50, 0, 3), Fences.gate("h", GateKind.HANDLE, 70, 0, 3)));
        Map<String, TakeoffLine> t = takeoff(Fences.site(-4, 0, line), Spec.USUAL);
        assertThat(t.get("gate.handle").quantity()).isEqualTo(4);
        assertThat(t).doesNotContainKeys("cable.gate", "gate.swing", "conduit");
    }

    @Test
    void unitsChangeTheSentenceAndNeverTheCount() {
        FenceLine line = Fences.line("l", true, 0, 0, 0, 100, 100, 100, 100, 0);
        List<TakeoffLine> imperial =
                Design.of(Fences.site(1, 1, line), Spec.USUAL).takeoff();
        List<TakeoffLine> metric = Design.of(Fences.site(1, 1, line), Spec.USUAL.withUnits(UnitSystem.METRIC))
                .takeoff();
        assertThat(metric)
                .extracting(TakeoffLine::quantity)
                .isEqualTo(imperial.stream().map(TakeoffLine::quantity).toList());
        assertThat(inFeet(imperial.getFirst().derivation())).contains(" in").doesNotContain(" mm");
        assertThat(inMetres(metric.getFirst().derivation())).contains(" mm").doesNotContain(" in,");
    }

    @Test
    void aSiteThatCannotBeLaidOutIsRefusedWhole() {
        FenceLine eight = Fences.line("l", false, 0, 0, 100, 100, 100, 0, 0, 100);
        assertThatThrownBy(() -> Design.of(Fences.site(0, 0, eight), Spec.USUAL))
                .isInstanceOf(BadInput.class);
        assertThat(Design.of(Site.EMPTY, Spec.USUAL).takeoff()).isEmpty();
    }

    /** Source: common practice W1 to W17 (rules of the job), heights in inches. */
    @Test
    void presetsHoldTheHeightsOfTheirRules() {
        assertThat(inches("W1")).containsExactly(20.0, 34.0);
        assertThat(inches("W2")).containsExactly(28.0);
        assertThat(inches("W3").getFirst()).isBetween(36.0, 38.0);
        assertThat(inches("W4")).hasSizeBetween(7, 9).startsWith(4.0, 8.0, 12.0, 16.0, 20.0);
        assertThat(inches("W5")).containsExactly(6.0, 12.0, 18.0, 30.0, 42.0);
        assertThat(Preset.of("W7").wires())
                .extracting(Wire::role)
                .containsExactly(WireRole.HOT, WireRole.EARTH, WireRole.HOT, WireRole.EARTH, WireRole.HOT);
        assertThat(inches("W8")).hasSize(7).startsWith(4.0);
        assertThat(inches("W9")).containsExactly(10.0, 24.0);
        assertThat(inches("W10")).containsExactly(12.0, 24.0, 36.0, 48.0, 60.0, 72.0);
        assertThat(Preset.of("W10").lineDepthM().orElseThrow()).isBetween(Lengths.in(18), Lengths.in(24));
        assertThat(Preset.of("W21").schedule().count(WireRole.HOT)).isEqualTo(6);
        assertThat(Preset.of("W21").wires().getFirst().role()).isEqualTo(WireRole.EARTH);
        assertThat(inches("W11")).hasSize(7).endsWith(36.0);
        assertThat(inches("W12")).hasSizeBetween(3, 4);
        assertThat(Preset.of("W13").schedule().count(WireRole.EARTH)).isEqualTo(3);
        assertThat(Preset.of("W13").schedule().count(WireRole.HOT)).isEqualTo(5);
        assertThat(inches("W15")).containsExactly(8.0, 18.0, 30.0);
        assertThat(inches("W15-badger")).containsExactly(4.0, 6.0, 8.0, 18.0, 30.0);
        assertThat(inches("W16")).hasSizeBetween(4, 5).endsWith(48.0);
        assertThat(inches("W17")).containsExactly(20.0, 34.0, 48.0);
        for (int i = 1; i <= 17; i++) {
            Rule rule = Rule.valueOf("W" + i);
            assertThat(Preset.all()).anyMatch(p -> p.rule() == rule);
        }
    }

    private static List<Double> inches(String preset) {
        return Preset.of(preset).wires().stream()
                .map(w -> Math.round(w.heightM() / Lengths.M_PER_IN * 100) / 100.0)
                .toList();
    }

    @Test
    void schedulesThatCannotHangAreRefused() {
        assertThatThrownBy(() ->
                        new WireSchedule("own", List.of(new Wire(0.5, WireRole.HOT), new Wire(0.4, WireRole.HOT))))
                .hasMessageContaining("wire 2 is not above wire 1");
        assertThatThrownBy(() -> new Wire(-0.1, WireRole.HOT)).hasMessageContaining("height");
        assertThatThrownBy(() -> FenceSpec.USUAL.posts().withSpacingM(0)).hasMessageContaining("posts.spacingM");
        assertThatThrownBy(() -> FenceSpec.USUAL.posts().withSpacingM(Double.NaN))
                .hasMessageContaining("posts.spacingM");
    }
}
