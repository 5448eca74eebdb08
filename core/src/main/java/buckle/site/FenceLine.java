package buckle.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One fence from end to end, or closed.
 *
 * @param corners in order of station; the first is not repeated on a closed line
 * @param ground places with known heights along the line
 * @param survey how the line was measured, when it was walked
 * @param startsOn id of the line this one branches from: its first corner is a node on that line
 * @param endsOn id of the line this one runs into with its last corner
 * @param book what people decided along it
 */
@RecordBuilder
public record FenceLine(
        String id,
        String name,
        boolean closed,
        List<Corner> corners,
        List<Gate> gates,
        List<CutOut> cutOuts,
        List<GeoPoint> ground,
        Optional<CleanLine.Accuracy> survey,
        Optional<String> startsOn,
        Optional<String> endsOn,
        LineBook book)
        implements FenceLineBuilder.With {
    public FenceLine {
        corners = List.copyOf(corners);
        gates = List.copyOf(gates);
        cutOuts = List.copyOf(cutOuts);
        ground = List.copyOf(ground);
    }

    /** A line that stands by itself. */
    public static FenceLine free(String id, String name, boolean closed, List<Corner> corners) {
        return new FenceLine(
                id,
                name,
                closed,
                corners,
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                LineBook.EMPTY);
    }

    /** The same fence with its stations counted from the other end; nothing on the ground moves. */
    public FenceLine reversed() {
        List<Corner> back = closed
                ? Stream.concat(Stream.of(corners.getFirst()), corners.subList(1, corners.size()).reversed().stream())
                        .toList()
                : corners.reversed();
        return new FenceLine(
                id,
                name,
                closed,
                back,
                gates,
                cutOuts,
                ground.reversed(),
                survey,
                endsOn,
                startsOn,
                book.withTurned(!book.turned()).withWiresOn(book.wiresOn().map(LineBook.Side::other)));
    }

    /**
     * The same closed fence with its stations counted from another corner; the place where its wires stay open does not
     * move.
     */
    public FenceLine zeroAt(String cornerId) {
        int at = -1;
        for (int i = 0; i < corners.size(); i++) {
            at = corners.get(i).id().equals(cornerId) ? i : at;
        }
        if (!closed || at < 0) {
            throw new IllegalArgumentException("only a corner of a closed line can be its zero");
        }
        List<Corner> turned = new ArrayList<>(corners.subList(at, corners.size()));
        turned.addAll(corners.subList(0, at));
        Optional<String> closing =
                Optional.of(book.closingCorner().orElse(corners.getFirst().id()));
        return withCorners(turned).withBook(book.withClosingCorner(closing));
    }

    /** Number of the corner where a closed line's wires stay open; 0 when the corner said is gone. */
    public int closingCornerIndex() {
        for (int i = 0; i < corners.size(); i++) {
            if (book.closingCorner().filter(corners.get(i).id()::equals).isPresent()) {
                return i;
            }
        }
        return 0;
    }
}
