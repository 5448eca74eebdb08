package buckle.server.design;

import buckle.design.Design;
import buckle.design.SchoolEffect;
import buckle.exchange.DesignView;
import buckle.land.Land;
import buckle.material.Conductor;
import buckle.material.Hazard;
import buckle.material.PostStock;
import buckle.review.CutOutAdvisor;
import buckle.rulebook.Rule;
import buckle.server.land.LandService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.spec.BraceKind;
import buckle.spec.Mixed;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.School;
import buckle.spec.Spec;
import buckle.spec.TensionSchool;
import buckle.spec.Topic;
import buckle.units.UnitSystem;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What can be asked of a layout beyond the layout itself; nothing here is stored. */
@RestController
@RequestMapping("/api")
@Tag(name = "layout")
class LayoutController {
    private static final int MOST_PRESETS = 12;

    private final LandService lands;
    private final WorkQueue queue;

    LayoutController(LandService lands, WorkQueue queue) {
        this.lands = lands;
        this.queue = queue;
    }

    /** A plan on its land. */
    record PlanOrder(Plan plan, Land land) {}

    /** A line to count from its other end, or a closed one from another corner. */
    record TurnOrder(FenceLine line, Optional<String> zeroCornerId) {}

    /** A spec to lay out the way of a school. */
    record SchoolOrder(Spec spec, School school) {}

    /** A site with one more cut-out; empty when no place parts anything. */
    record CutOutAnswer(Optional<CutOutAdvisor.Advice> advice) {}

    /** A choice with its words. */
    record Choice(String id, String text) {}

    /** A school with its words. */
    record SchoolInfo(School id, Topic topic, Rule rule, String text) {}

    /** A conductor with what it is. */
    record ConductorInfo(
            Conductor id,
            String text,
            String joining,
            String seen,
            double diameterM,
            double kgPerM,
            double breakingN,
            double ohmPerM,
            List<Double> coilsM) {}

    /** A post as it is sold. */
    record PostInfo(PostStock id, String text, boolean strong, List<Double> lengthsM) {}

    /** What a fence can be made of. */
    record Materials(
            List<ConductorInfo> conductors,
            List<PostInfo> posts,
            List<Choice> braces,
            List<Choice> tensions,
            List<Choice> gates,
            List<Choice> hazards,
            List<Choice> topics,
            List<SchoolInfo> schools) {}

    /**
     * What a school does to this very job.
     *
     * @param items what would change of what is loaded
     */
    record SchoolAnswer(
            School school,
            boolean chosen,
            long strongPosts,
            long linePosts,
            double upliftN,
            double safety,
            double pullN,
            double wireM,
            long insulators,
            int rods,
            long toMend,
            List<DesignView.Row> items) {
        static SchoolAnswer of(SchoolEffect e, UnitSystem units) {
            return new SchoolAnswer(
                    e.school(),
                    e.chosen(),
                    e.strongPosts(),
                    e.linePosts(),
                    e.upliftN(),
                    e.safety(),
                    e.pullN(),
                    e.wireM(),
                    e.insulators(),
                    e.rods(),
                    e.toMend(),
                    e.items().stream().map(i -> DesignView.Row.of(i, units)).toList());
        }
    }

    @PostMapping("/schools")
    @Operation(operationId = "schools", summary = "What each school would do to this plan")
    List<SchoolAnswer> schools(@RequestBody PlanOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            UnitSystem units = order.plan().spec().units();
            return SchoolEffect.of(order.plan(), lands.around(order.land())).stream()
                    .map(e -> SchoolAnswer.of(e, units))
                    .toList();
        });
    }

    @PostMapping("/school")
    @Operation(operationId = "followSchool", summary = "The same spec the way of a school")
    Spec school(@RequestBody SchoolOrder order) {
        return order.school().applied(order.spec());
    }

    @PostMapping("/cut-out")
    @Operation(operationId = "adviseCutOut", summary = "Where one more cut-out halves the longest section best")
    CutOutAnswer cutOut(@RequestBody PlanOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Design.of(order.plan(), lands.around(order.land()));
            return new CutOutAnswer(CutOutAdvisor.next(
                    order.plan().site(),
                    lands.around(order.land()),
                    order.plan().spec()));
        });
    }

    @PostMapping("/turned")
    @Operation(
            operationId = "turnLine",
            summary = "The same fence with stations from its other end or another corner; nothing on the ground moves")
    FenceLine turned(@RequestBody TurnOrder order) {
        FenceLine alone = order.line().withStartsOn(Optional.empty()).withEndsOn(Optional.empty());
        List<Problem> problems = SiteCheck.problems(new Site(List.of(alone), Optional.empty()));
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        try {
            return order.zeroCornerId()
                    .map(order.line()::zeroAt)
                    .orElseGet(() -> order.line().reversed());
        } catch (IllegalArgumentException e) {
            throw new BadInput("line.zero", "zeroCornerId", "Only a corner of a closed line can be its zero.");
        }
    }

    @GetMapping("/mixed-wires")
    @Operation(operationId = "mixWires", summary = "One wire schedule for several presets together")
    Mixed mixed(@RequestParam List<String> presets) {
        if (presets.isEmpty() || presets.size() > MOST_PRESETS) {
            throw new BadInput("wires.presets", "presets", "Name 1 to 12 wire schedules.");
        }
        try {
            return Mixed.of(presets.stream().map(Preset::of).toList());
        } catch (IllegalArgumentException e) {
            throw new BadInput("wires.presets", "presets", "One of these wire schedules is not known.");
        }
    }

    @GetMapping("/materials")
    @Operation(operationId = "materials", summary = "Generic conductors, posts, braces and gates, and the schools")
    Materials materials() {
        return new Materials(
                Arrays.stream(Conductor.values())
                        .map(c -> new ConductorInfo(
                                c,
                                c.text(),
                                c.family().joining(),
                                c.family().seen(),
                                c.diameterM(),
                                c.kgPerM(),
                                c.breakingN(),
                                c.ohmPerM(),
                                c.coilsM()))
                        .toList(),
                Arrays.stream(PostStock.values())
                        .map(p -> new PostInfo(p, p.text(), p.family().strong(), p.lengthsM(UnitSystem.METRIC)))
                        .toList(),
                Arrays.stream(BraceKind.values())
                        .map(b -> new Choice(b.name(), b.text()))
                        .toList(),
                Arrays.stream(TensionSchool.values())
                        .map(t -> new Choice(t.name(), t.text()))
                        .toList(),
                Arrays.stream(GateKind.values())
                        .map(g -> new Choice(g.name(), g.text()))
                        .toList(),
                Arrays.stream(Hazard.values())
                        .map(h -> new Choice(h.name(), h.text()))
                        .toList(),
                Arrays.stream(Topic.values())
                        .map(t -> new Choice(t.name(), t.text()))
                        .toList(),
                Arrays.stream(School.values())
                        .map(s -> new SchoolInfo(s, s.topic(), s.rule(), s.text()))
                        .toList());
    }
}
