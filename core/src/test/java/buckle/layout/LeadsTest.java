package buckle.layout;

import static org.assertj.core.api.Assertions.assertThat;
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
import buckle.message.JointMessage;
import buckle.message.LandMessage;
import buckle.message.LayoutMessage;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.LineBook.LeadTo;
import buckle.site.Site;
import buckle.spec.Plan;
import buckle.spec.Spec;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Power from line to line (X3): a lead to an inner fence, what is not hooked on, a feeder. */
class LeadsTest {
    private static final FenceLine PADDOCK = Fences.line("paddock", true, 0, 0, 60, 0, 60, 60, 0, 60);
    private static final FenceLine INNER = Fences.line("inner", false, 20, 12, 20, 40);

    private static FenceLine lead(FenceLine line, String to, OptionalDouble reelM) {
        return line.withBook(line.book().withLeads(List.of(new LeadTo("lead-1", to, Optional.empty(), reelM))));
    }

    private static Design lay(FenceLine... lines) {
        return Design.of(Fences.site(-4, 0, lines), Spec.USUAL);
    }

    private static Electrics pulse(FenceLine... lines) {
        Plan plan = Plan.EMPTY.withSite(Fences.site(-4, 0, lines)).withSpec(Spec.USUAL);
        return ElectricsPlanner.of(
                        plan, Design.of(plan, Surroundings.NONE).laid(), Surroundings.NONE, Trial.NONE, Set.of())
                .orElseThrow();
    }

    private static List<LayoutMessage> said(Design design) {
        return design.layout().findings().stream()
                .map(Finding::message)
                .filter(LayoutMessage.class::isInstance)
                .map(LayoutMessage.class::cast)
                .toList();
    }

    /** An inner fence reads nothing before it is hooked on, and nearly what the paddock reads after (practice: 0, then 7.3 of 7.2 kV). */
    @Test
    void anInnerFenceIsDeadUntilItIsHookedOn() {
        Design before = lay(PADDOCK, INNER);
        assertThat(said(before)).anySatisfy(m -> {
            assertThat(m).isInstanceOf(LayoutMessage.SectionDead.class);
            LayoutMessage.SectionDead dead = (LayoutMessage.SectionDead) m;
            assertThat(dead.nearest()).isEqualTo("Line paddock");
            assertThat(dead.leadM().orElseThrow()).as("12 m to the front").isCloseTo(12, within(0.01));
        });
        Design after = lay(PADDOCK, lead(INNER, "paddock", OptionalDouble.empty()));
        assertThat(after.layout().sections()).hasSize(1).allMatch(Section::live);
        assertThat(after.layout().joints())
                .filteredOn(j -> j.id().equals("lead-1"))
                .singleElement()
                .satisfies(j -> assertThat(((JointMessage.LeadJoint) j.says()).lengthM())
                        .isCloseTo(12, within(0.01)));
        Electrics e = pulse(PADDOCK, lead(INNER, "paddock", OptionalDouble.empty()));
        double inner = at(e, "inner");
        double paddock = at(e, "paddock");
        assertThat(inner).isBetween(0.97 * paddock, 1.03 * paddock);
        assertThat(e.dead()).isEmpty();
    }

    private static double at(Electrics e, String line) {
        return e.points().stream()
                .filter(p -> p.lineId().equals(line))
                .mapToDouble(Electrics.PulsePoint::likelyV)
                .min()
                .orElseThrow();
    }

    /** A lead is judged like the lead-out: what drives or walks over it, and conductors over it, are told. */
    @Test
    void whatALeadCrossesIsTold() {
        LandFeature track = new LandFeature(
                "t",
                LandKind.TRACK,
                "hay track",
                LandKind.Shape.LINE,
                List.of(Fences.at(10, 6), Fences.at(30, 6)),
                Traits.NONE,
                "");
        Land land = new Land(List.of(track), List.of(), Optional.empty(), OptionalDouble.empty(), List.of(), List.of());
        Site site = Fences.site(-4, 0, PADDOCK, lead(INNER, "paddock", OptionalDouble.empty()));
        Design design = Design.of(site, new Surroundings(land, Terrain.NONE), Spec.USUAL);
        assertThat(design.layout().findings())
                .extracting(Finding::message)
                .anyMatch(m ->
                        m instanceof LandMessage.LeadOutCrossesWay w && w.lead().equals("lead to Line paddock"));
    }

    /** A rigid gate opens the ring already: it is joined at its closing post, and live to both gate posts. */
    @Test
    void anEnclosureWithARigidGateIsLiveToBothGatePosts() {
        FenceLine line = PADDOCK.withGates(List.of(Fences.gate("g", GateKind.RIGID, 60, 30, 4)));
        Design design = lay(line);
        assertThat(design.layout().sections()).hasSize(1).allMatch(Section::live);
        assertThat(pulse(line).dead()).isEmpty();
        assertThat(said(design)).noneMatch(LayoutMessage.SectionDead.class::isInstance);
    }

    @Test
    void aLeadLongerThanItsReelAndOneToNothingAreTold() {
        assertThat(said(lay(PADDOCK, lead(INNER, "paddock", OptionalDouble.of(10)))))
                .anyMatch(m -> m instanceof LayoutMessage.LeadTooShort s && s.reelM() == 10 && s.lengthM() > 11.9);
        assertThat(said(lay(PADDOCK, lead(INNER, "paddock", OptionalDouble.of(15)))))
                .noneMatch(LayoutMessage.LeadTooShort.class::isInstance);
        assertThat(said(lay(PADDOCK, lead(INNER, "gone", OptionalDouble.empty()))))
                .anyMatch(LayoutMessage.LeadToNothing.class::isInstance);
    }

    /** A feeder of 3 km may drop as it likes: what it feeds is judged. */
    @Test
    void aFeederNeedsNothing() {
        FenceLine feeder = Fences.line("feeder", false, -3000, 0, 0, 0).withEndsOn(Optional.of("paddock"));
        FenceLine far = Fences.line("far", false, -3000, 0, -3000, 40).withStartsOn(Optional.of("feeder"));
        FenceLine said = feeder.withBook(feeder.book().withFeeder(true));
        assertThat(pulse(PADDOCK, feeder).weakest().orElseThrow().lineId()).isEqualTo("feeder");
        assertThat(pulse(PADDOCK, said).weakest().orElseThrow().lineId()).isEqualTo("paddock");
        assertThat(pulse(PADDOCK, said, far).weakest().orElseThrow().lineId()).isNotEqualTo("feeder");
        assertThat(pulse(PADDOCK, said).points())
                .filteredOn(p -> p.lineId().equals("feeder"))
                .isNotEmpty()
                .allMatch(p -> p.met() == buckle.rulebook.Standing.MET);
    }
}
