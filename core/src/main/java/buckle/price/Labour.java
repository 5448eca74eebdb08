package buckle.price;

import buckle.land.Traits.Soil;
import buckle.layout.LaidLine;
import buckle.layout.Post;
import buckle.takeoff.TakeoffLine;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Hours by task from the takeoff, and the ground the posts stand in. */
public final class Labour {
    private Labour() {}

    /**
     * Hours of a task.
     *
     * @param units pieces or metres, as {@link Task#byMetre} says; {@code norm} hours for one
     * @param soilFactor times longer than in loam, over all posts; 1 where the ground does not matter
     * @param hours of one person, at the crew's pace
     */
    public record Line(Task task, double units, double norm, double soilFactor, double hours, double machineHours) {}

    /** How much longer than in loam digging and driving takes. Common practice, from memory. */
    static double factor(Soil soil) {
        return switch (soil) {
            case SAND -> 0.9;
            case LOAM -> 1;
            case CLAY -> 1.1;
            case WET -> 1.2;
            case FROZEN_IN_SEASON -> 1.3;
            case STONE -> 2.5;
        };
    }

    /** Of a fence. */
    public static List<Line> of(List<LaidLine> fence, List<TakeoffLine> takeoff, double pace) {
        Map<Task, Double> units = new EnumMap<>(Task.class);
        double length = 0;
        double soil = 0;
        long posts = 0;
        for (LaidLine line : fence) {
            length += line.layout().slopeLengthM();
            for (Post post : line.layout().posts()) {
                if (post.shared()) {
                    continue;
                }
                soil += factor(line.soil().at(post.stationM()).orElse(Soil.LOAM));
                posts++;
                if (post.reused()) {
                    // Not bought, so the takeoff has none; it is set all the same.
                    units.merge(post.kind().strong() ? Task.STRONG_POST : Task.LINE_POST, 1.0, Double::sum);
                }
            }
        }
        if (length > 0) {
            units.put(Task.SET_OUT, length);
        }
        takeoff.forEach(l -> Task.of(l).ifPresent(d -> units.merge(d.task(), d.units(), Double::sum)));
        double factor = posts == 0 ? 1 : soil / posts;
        List<Line> lines = new ArrayList<>();
        units.forEach((task, n) -> {
            double longer = task.dug() ? factor : 1;
            if (n > 0) {
                lines.add(new Line(
                        task,
                        n,
                        task.hours(),
                        longer,
                        n * task.hours() * longer * pace,
                        n * task.machineHours() * longer));
            }
        });
        return List.copyOf(lines);
    }
}
