package buckle.exchange.in;

import buckle.site.Mark;
import buckle.site.Walk;
import java.util.List;

/** What a file of tracks or lines holds, before anything is cleaned. */
public record Tracks(List<Walk> walks, List<Mark> marks, List<String> leftOut) {
    public Tracks {
        walks = List.copyOf(walks);
        marks = List.copyOf(marks);
        leftOut = List.copyOf(leftOut);
    }
}
