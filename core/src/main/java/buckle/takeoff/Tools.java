package buckle.takeoff;

import buckle.layout.Layout;
import buckle.layout.Post;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.material.Use;
import buckle.message.LandMessage;
import buckle.message.TakeoffMessage.Tool;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What the crew has to carry, by what the takeoff holds (common practice). */
public final class Tools {
    private Tools() {}

    /** None where nothing is laid out. */
    public static List<Tool> of(Layout layout, List<TakeoffLine> takeoff) {
        if (takeoff.isEmpty()) {
            return List.of();
        }
        Set<Use> uses = takeoff.stream()
                .map(TakeoffLine::use)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Use.class)));
        Set<PostStock.Family> posts = layout.lines().stream()
                .flatMap(l -> l.posts().stream())
                .filter(p -> !p.shared())
                .map(Post::stock)
                .map(PostStock::family)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(PostStock.Family.class)));
        Set<Conductor.Family> wires = layout.lines().stream()
                .flatMap(l -> l.pulls().stream())
                .flatMap(p -> p.wires().stream())
                .map(w -> w.conductor().family())
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Conductor.Family.class)));
        List<Tool> tools = new ArrayList<>(List.of(Tool.GLOVES_GLASSES, Tool.TAPE_STRING, Tool.STORY_POLE, Tool.METER));
        when(tools, Tool.POST_DRIVER, !posts.isEmpty() && posts.stream().anyMatch(f -> f != PostStock.Family.STEP_IN));
        when(tools, Tool.AUGER_LEVEL, posts.contains(PostStock.Family.TIMBER) || posts.contains(PostStock.Family.PIPE));
        when(tools, Tool.BAR_PILOT_AUGER, stony(layout));
        when(tools, Tool.DRILL_SAW, uses.contains(Use.RAIL));
        when(tools, Tool.HAMMER, uses.contains(Use.STAPLE) || uses.contains(Use.INSULATOR_NAIL));
        when(
                tools,
                Tool.SPINNER,
                wires.contains(Conductor.Family.SPRING_WIRE) || wires.contains(Conductor.Family.COATED_WIRE));
        when(tools, Tool.REEL, wires.contains(Conductor.Family.WOVEN));
        when(tools, Tool.PLIERS, !wires.isEmpty());
        when(tools, Tool.CRIMPER, uses.contains(Use.CRIMP) || uses.contains(Use.JOINT_SLEEVE));
        when(tools, Tool.STRAINER_HANDLE, uses.contains(Use.STRAINER));
        when(tools, Tool.SPADE, uses.contains(Use.GATE_CABLE) || uses.contains(Use.LEAD_OUT));
        when(tools, Tool.ROD_DRIVER, uses.contains(Use.GROUND_ROD));
        when(tools, Tool.SPANNER, uses.contains(Use.CLAMP) || uses.contains(Use.GROUND_CLAMP));
        when(tools, Tool.MIXER, uses.contains(Use.CONCRETE));
        return List.copyOf(tools);
    }

    private static void when(List<Tool> tools, Tool tool, boolean needed) {
        if (needed) {
            tools.add(tool);
        }
    }

    private static boolean stony(Layout layout) {
        return layout.findings().stream().anyMatch(f -> f.message() instanceof LandMessage.StonyGround);
    }
}
