package buckle.site;

import java.util.List;

/** A line as it came: a walked track in one or more stretches of signal, or a line somebody drew. */
public record Walk(String name, List<List<WalkPoint>> stretches) {
    public Walk {
        stretches = stretches.stream().map(List::copyOf).toList();
    }

    /** Points of all stretches. */
    public int pointCount() {
        return stretches.stream().mapToInt(List::size).sum();
    }
}
