package buckle.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.circuit.FenceCircuit.DeadStretch;
import buckle.land.Surroundings;
import buckle.layout.Joint;
import buckle.layout.LineLayout;
import buckle.layout.Pull;
import buckle.message.JointKind;
import buckle.network.LiveWires;
import buckle.pulse.Run;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.Site;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Only what joints really join is joined (J1). */
class ContinuityTest {
    private static final Spec FIVE =
            Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W16").schedule()));

    private static Laid lay(Site site, Spec spec) {
        return LayoutPlanner.laid(Plan.EMPTY.withSite(site).withSpec(spec), Surroundings.NONE);
    }

    private static LiveWires live(Laid laid, Set<String> leftOut) {
        return laid.network().orElseThrow().live(leftOut);
    }

    /** Id of the jumper set in the pull that begins at a station. */
    private static String jumper(Laid laid, double stationM) {
        return laid.layout().joints().stream()
                .filter(j -> j.kind() == JointKind.JUMPER && j.stationM() > stationM - 0.1)
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Site gated(GateKind kind) {
        return Fences.site(
                0,
                -4,
                Fences.line("l", false, 0, 0, 300, 0, 300, 200)
                        .withGates(List.of(Fences.gate("g", kind, 150, 0, 4)))
                        .withCutOuts(List.of(Fences.cutOut("c", 230, 0))));
    }

    /** As laid out, the feed reaches every hot wire of every pull up to where nothing passes. */
    @Property(tries = 60)
    void asLaidOutEveryHotWireIsFed(
            @ForAll GateKind kind,
            @ForAll @IntRange(max = 18) int preset,
            @ForAll boolean closed,
            @ForAll boolean ring,
            @ForAll @IntRange(min = 20, max = 180) int at) {
        FenceLine line = Fences.line("l", closed, 0, 0, 200, 0, 200, 150, 40, 180)
                .withGates(List.of(Fences.gate("g", kind, at, 0, 4)))
                .withCutOuts(List.of(Fences.cutOut("c", 200, 70)));
        Site site = Fences.site(198, 160, line, Fences.line("b", false, 200, 100, 260, 110, 300, 60));
        Spec spec = Spec.USUAL
                .withFence(f -> f.withSchedule(Preset.all().get(preset).schedule()))
                .withFence(f -> f.withWires(f.wires().withRingClosed(ring)));
        Laid layout = lay(site, spec);
        LiveWires live = live(layout, Set.of());
        for (LineLayout laid : layout.layout().lines()) {
            for (Pull pull : laid.pulls()) {
                double middle = (pull.fromM() + pull.toM()) / 2;
                // The feed is beyond the gate; a ring leads round to it, a closed line left open at its post does not.
                boolean passes = kind != GateKind.RIGID || closed && ring || middle > at;
                if (laid.lineId().equals("l") && passes) {
                    assertThat(live.at(laid, middle))
                            .as("%s %s pull at %.0f", kind, laid.lineId(), middle)
                            .isEqualTo(LiveWires.hot(laid));
                }
            }
        }
        if (kind != GateKind.RIGID) {
            assertThat(live.dead()).isEmpty();
        }
    }

    /** One strand feeds the pull beyond a gate through its jumpers: without them, only the wire that the strand hangs on lives. */
    @Test
    void aWireThatNobodyJumpedIsDeadAndIsSaid() {
        Site site = gated(GateKind.STRAND);
        Laid layout = lay(site, FIVE);
        LineLayout line = layout.layout().lines().getFirst();
        LiveWires whole = live(layout, Set.of());
        assertThat(whole.at(line, 200)).containsExactly(1, 2, 3, 4, 5);
        Set<String> without = Set.of(jumper(layout, 152));
        LiveWires left = live(layout, without);
        // The cut-out beyond joins all hot wires through its switch.
        assertThat(left.at(line, 200)).containsExactly(1, 2, 3, 4, 5);
        Site plain = Fences.site(
                0,
                -4,
                Fences.line("l", false, 0, 0, 300, 0).withGates(List.of(Fences.gate("g", GateKind.STRAND, 150, 0, 4))));
        Laid bare = lay(plain, FIVE);
        LineLayout laid = bare.layout().lines().getFirst();
        Set<String> none = Set.of(jumper(bare, 152));
        LiveWires dead = live(bare, none);
        assertThat(dead.at(laid, 200)).containsExactly(5);
        assertThat(dead.at(laid, 100)).containsExactly(1, 2, 3, 4, 5);
        assertThat(dead.dead()).singleElement().satisfies(d -> {
            assertThat(d.wires()).containsExactly(1, 2, 3, 4);
            assertThat(d.fromM()).isCloseTo(152, within(0.01));
        });
        FenceCircuit circuit = circuit(plain, none);
        List<Integer> hot = new ArrayList<>();
        for (Run run : circuit.circuit().runs()) {
            if (run.id().startsWith("l:152")) {
                hot.add((int) run.type().strands().stream().filter(s -> s.hot()).count());
            }
        }
        assertThat(hot).containsExactly(1);
        assertThat(circuit.dead()).extracting(DeadStretch::wires).containsExactly(List.of(1, 2, 3, 4));
    }

    /** Handles and links carry each wire on: one jumper set left out changes nothing, both of its neighbours' neither. */
    @Test
    void linksFeedAPullWithoutJumpers() {
        Site site = gated(GateKind.HANDLE);
        Laid layout = lay(site, FIVE);
        LineLayout line = layout.layout().lines().getFirst();
        List<String> sets = layout.layout().joints().stream()
                .filter(x -> x.kind() == JointKind.JUMPER)
                .map(Joint::id)
                .toList();
        assertThat(sets).hasSize(line.pulls().size()).doesNotHaveDuplicates();
        assertThat(live(layout, Set.copyOf(sets.subList(1, 3))).dead()).isEmpty();
    }

    private static FenceCircuit circuit(Site site, Set<String> open) {
        Plan plan = Plan.EMPTY.withSite(site).withSpec(FIVE);
        Laid layout = LayoutPlanner.laid(plan, Surroundings.NONE);
        return new Solver(plan, layout, Surroundings.NONE)
                .fence(
                        Conditions.likely(buckle.power.Energizers.GENERIC.get(3), plan.circumstances()),
                        new Trial(open, List.of()));
    }
}
