package buckle.layout;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;

/**
 * A line's many like posts and its braces as rows of numbers, for a picture that changes many times a second: what is the same for
 * all of a kind stands once, their loads are left for the whole answer.
 *
 * @param likePosts one post of each kind that is packed
 * @param posts for each packed post five numbers: its kind as index of {@code likePosts}, its number, its station in metres, longitude and
 *     latitude in degrees; to a tenth of a millimetre
 * @param likeBraces one brace of each kind
 * @param braces for each brace three numbers: its kind as index of {@code likeBraces}, the stations in metres of its strong post and
 *     of its brace post
 */
public record Rows(
        String lineId, List<Post> likePosts, List<Double> posts, List<Brace> likeBraces, List<Double> braces) {
    private static final double STATIONS_PER_M = 1e4;
    private static final double PER_DEGREE = 1e9;

    public Rows {
        likePosts = List.copyOf(likePosts);
        posts = List.copyOf(posts);
        likeBraces = List.copyOf(likeBraces);
        braces = List.copyOf(braces);
    }

    /** A layout without its like posts and its braces, and those as rows. */
    public record Packed(Layout layout, List<Rows> rows) {
        public Packed {
            rows = List.copyOf(rows);
        }
    }

    public static Packed of(Layout layout) {
        List<LineLayout> lines = new ArrayList<>();
        List<Rows> rows = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            List<Post> others = line.posts().stream().filter(p -> !packed(p)).toList();
            lines.add(line.with(others, List.of()));
            rows.add(of(line));
        }
        return new Packed(layout.withLines(lines), rows);
    }

    private static boolean packed(Post post) {
        boolean kind = post.kind() == PostKind.LINE || post.kind() == PostKind.LIGHT;
        return kind && post.label().isEmpty() && !post.shared();
    }

    private static Rows of(LineLayout line) {
        List<Post> likePosts = new ArrayList<>();
        List<Double> posts = new ArrayList<>();
        for (Post post : line.posts()) {
            if (!packed(post)) {
                continue;
            }
            posts.add((double) index(likePosts, post, Post::kind));
            posts.add((double) post.number());
            posts.add(station(post.stationM()));
            posts.add(Math.rint(post.lonDeg() * PER_DEGREE) / PER_DEGREE);
            posts.add(Math.rint(post.latDeg() * PER_DEGREE) / PER_DEGREE);
        }
        List<Brace> likeBraces = new ArrayList<>();
        List<Double> braces = new ArrayList<>();
        for (Brace brace : line.braces()) {
            braces.add((double) index(likeBraces, brace, Brace::kind));
            braces.add(station(brace.strongStationM()));
            braces.add(station(brace.braceStationM()));
        }
        return new Rows(line.lineId(), likePosts, posts, likeBraces, braces);
    }

    /** Where in a list the one of the same kind stands; it is put there when there is none. */
    private static <T> int index(List<T> like, T one, Function<T, ?> kind) {
        for (int i = 0; i < like.size(); i++) {
            if (kind.apply(like.get(i)).equals(kind.apply(one))) {
                return i;
            }
        }
        like.add(one);
        return like.size() - 1;
    }

    private static double station(double stationM) {
        return Math.rint(stationM * STATIONS_PER_M) / STATIONS_PER_M;
    }
}
