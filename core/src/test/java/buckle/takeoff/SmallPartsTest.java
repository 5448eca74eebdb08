package buckle.takeoff;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.Fences;
import buckle.design.Design;
import buckle.layout.Joint;
import buckle.layout.Post;
import buckle.material.PostStock;
import buckle.message.JointKind;
import buckle.message.TakeoffMessage.Tool;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Small parts recounted by hand from a fence of 80 × 60 m with two cattle wires. */
class SmallPartsTest {
    private static FenceLine square(GateKind kind) {
        return Fences.line("a", true, 0, 0, 80, 0, 80, 60, 0, 60).withGates(List.of(Fences.gate("g", kind, 40, 0, 5)));
    }

    private static Design lay(Spec spec, GateKind kind) {
        return Design.of(Fences.site(-4, 0, square(kind)), spec);
    }

    private static double quantity(Design design, String item) {
        return design.takeoff().stream()
                .filter(t -> t.item().equals(item))
                .mapToDouble(TakeoffLine::quantity)
                .sum();
    }

    @Test
    void whatIsForgotten() {
        Design design = lay(Spec.USUAL, GateKind.SWING);
        double frames = quantity(design, "brace.rail");
        assertThat(frames).as("both ways at four corners, and at the gate").isEqualTo(10);
        assertThat(quantity(design, "brace.twitch")).isEqualTo(frames);
        assertThat(quantity(design, "brace.staple")).isEqualTo(4 * frames);
        double high = 34 * 0.0254 - Values.B14_UNDER_TOP_M;
        double strand = Math.hypot(8 * 0.3048, high) + 0.5;
        assertThat(quantity(design, "brace.wire")).isCloseTo(2 * strand * frames, within(0.11));
        assertThat(quantity(design, "fastener.insulator"))
                .as("two nails an insulator, spares too")
                .isEqualTo(2 * quantity(design, "insulator.line"));
        assertThat(quantity(design, "conduit.elbow")).isEqualTo(4);
        assertThat(quantity(design, "cable.mark")).as("both ends of one cable").isEqualTo(2);
        assertThat(quantity(design, "conduit.riser")).isCloseTo(2 * 20 * 0.0254, within(0.1));
        long pieces = design.layout().joints().stream()
                .mapToLong(j -> j.parts().pieces())
                .sum();
        long sets = design.layout().joints().stream()
                .filter(j -> j.kind() == JointKind.JUMPER)
                .map(Joint::parts)
                .mapToLong(Joint.Parts::pieces)
                .sum();
        assertThat(quantity(design, "jumper.wire"))
                .as("14 in from wire to wire in a set, 2 ft elsewhere")
                .isCloseTo(sets * (14 * 0.0254 + 0.15) + (pieces - sets) * 0.6, within(0.11));
        assertThat(quantity(design, "gate.wire")).isZero();
        assertThat(quantity(design, "crimp.loose"))
                .as("one left on each end for the jumper, of three sleeves there")
                .isEqualTo(quantity(design, "crimp") / 2);
    }

    @Test
    void strandsOfGates() {
        assertThat(quantity(lay(Spec.USUAL, GateKind.HANDLE), "gate.wire")).isEqualTo(2 * 5);
        assertThat(quantity(lay(Spec.USUAL, GateKind.STRAND), "gate.wire")).isEqualTo(5);
        assertThat(quantity(lay(Spec.USUAL, GateKind.RIGID), "gate.wire")).isZero();
    }

    /** Two hot wires end twice at each of five strong posts of 115 mm: once round it and a foot to twist. */
    @Test
    void tiesOfStrainInsulators() {
        Design design = lay(Spec.USUAL, GateKind.SWING);
        double insulators = quantity(design, "insulator.strain");
        double round = design.layout().lines().getFirst().posts().stream()
                .filter(Post::ends)
                .mapToDouble(p -> Math.PI * p.stock().widthM())
                .max()
                .orElseThrow();
        assertThat(quantity(design, "insulator.tie")).isCloseTo(insulators * (round + 0.3), within(0.06));
    }

    /** The insulators of a cut-out lie in the wire. */
    @Test
    void cutOutsAreNotTied() {
        FenceLine line = Fences.line("a", false, 0, 0, 80, 0);
        double tied = quantity(Design.of(Fences.site(-4, 0, line), Spec.USUAL), "insulator.tie");
        FenceLine cut = line.withCutOuts(List.of(Fences.cutOut("c", 40, 0)));
        assertThat(quantity(Design.of(Fences.site(-4, 0, cut), Spec.USUAL), "insulator.tie"))
                .isEqualTo(tied)
                .isGreaterThan(2);
    }

    /** Whatever gate stands in a fence without a hot wire, the layout comes back. */
    @ParameterizedTest
    @EnumSource(GateKind.class)
    void gatesWithoutHotWires(GateKind kind) {
        Spec plain = Spec.USUAL.withFence(f -> f.withSchedule(
                new WireSchedule("own", List.of(new Wire(0.5, WireRole.PLAIN), new Wire(1, WireRole.EARTH)))));
        assertThat(quantity(lay(plain, kind), "gate.wire")).isZero();
    }

    /** Six footings of 12 in round a pipe of 60 mm, 3 ft deep: 0.0642 m³, 147.6 kg each. */
    @Test
    void concreteByTheBag() {
        Spec pipes = Spec.USUAL.withFence(f -> f.withBraces(f.braces().withKind(BraceKind.PIPE_CONCRETE))
                .withPosts(f.posts().withStrong(PostStock.STEEL_PIPE)));
        Design design = lay(pipes, GateKind.SWING);
        double each = Math.PI / 4 * (0.3048 * 0.3048 - 0.06 * 0.06) * 0.9144 * 2300;
        assertThat(each).isCloseTo(147.5, within(0.3));
        assertThat(quantity(design, "brace.concrete")).isEqualTo(6);
        assertThat(quantity(design, "concrete")).isEqualTo(Math.ceil(6 * each / 25));
        assertThat(Tools.of(design.layout(), design.takeoff()))
                .contains(Tool.MIXER)
                .doesNotContain(Tool.DRILL_SAW);
    }

    /** What has a mass: 1,000 m of 2.51 mm steel wire are 38.8 kg, a timber post of 90 mm 3.5 kg a metre. */
    @Test
    void massOfWhatIsBought() {
        Design design = lay(Spec.USUAL, GateKind.SWING);
        var kg = design.takeoff().stream()
                .filter(t -> t.massKg().isPresent())
                .collect(Collectors.toMap(TakeoffLine::item, t -> t.massKg().getAsDouble()));
        assertThat(kg.get("wire.hot") / quantity(design, "wire.hot")).isCloseTo(0.0388, within(0.0003));
        assertThat(kg.get("post.line") / quantity(design, "post.line")).isCloseTo(3.5 * 1.8288, within(0.8));
        assertThat(kg).doesNotContainKey("insulator.line");
        assertThat(Tools.of(design.layout(), design.takeoff()))
                .contains(Tool.CRIMPER, Tool.STRAINER_HANDLE, Tool.DRILL_SAW, Tool.SPINNER)
                .doesNotContain(Tool.REEL, Tool.BAR_PILOT_AUGER);
    }
}
