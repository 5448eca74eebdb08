package buckle.layout;

import java.util.ArrayList;
import java.util.List;

/**
 * A line's many like posts as rows of numbers, for a picture that changes many times a second: what is the same for all of a kind
 * stands once, their loads are left for the whole answer.
 *
 * @param like one post of each kind that is packed
 * @param rows for each packed post five numbers: its kind as index of {@code like}, its number, its station in metres, longitude and
 *     latitude in degrees; to a tenth of a millimetre
 */
public record Rows(String lineId, List<Post> like, List<Double> rows) {
    private static final double STATIONS_PER_M = 1e4;
    private static final double PER_DEGREE = 1e9;

    public Rows {
        like = List.copyOf(like);
        rows = List.copyOf(rows);
    }

    /** A layout without its like posts, and those as rows. */
    public record Packed(Layout layout, List<Rows> rows) {
        public Packed {
            rows = List.copyOf(rows);
        }
    }

    public static Packed of(Layout layout) {
        List<LineLayout> lines = new ArrayList<>();
        List<Rows> rows = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            lines.add(
                    line.withPosts(line.posts().stream().filter(p -> !packed(p)).toList()));
            rows.add(of(line));
        }
        return new Packed(layout.withLines(lines), rows);
    }

    private static boolean packed(Post post) {
        boolean kind = post.kind() == PostKind.LINE || post.kind() == PostKind.LIGHT;
        return kind && post.label().isEmpty() && !post.shared();
    }

    private static Rows of(LineLayout line) {
        List<Post> like = new ArrayList<>();
        List<Double> rows = new ArrayList<>();
        for (Post post : line.posts()) {
            if (!packed(post)) {
                continue;
            }
            int index = 0;
            while (index < like.size() && like.get(index).kind() != post.kind()) {
                index++;
            }
            if (index == like.size()) {
                like.add(post);
            }
            rows.add((double) index);
            rows.add((double) post.number());
            rows.add(Math.rint(post.stationM() * STATIONS_PER_M) / STATIONS_PER_M);
            rows.add(Math.rint(post.lonDeg() * PER_DEGREE) / PER_DEGREE);
            rows.add(Math.rint(post.latDeg() * PER_DEGREE) / PER_DEGREE);
        }
        return new Rows(line.lineId(), like, rows);
    }
}
