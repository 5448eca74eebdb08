package buckle.exchange;

import buckle.layout.Brace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.material.PostStock;
import buckle.site.GeoPoint;
import buckle.spec.BraceKind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A line's posts, braces and joints as rows of whole numbers, for a picture that changes many times a second: what is the same for
 * many stands once, their loads are left for the whole answer. Whole numbers are written and read several times as fast as others.
 *
 * @param likePosts one post of each sort, with the loads of the first
 * @param posts for each post six numbers: its sort as index of {@code likePosts}, its number, its station in tenths of a millimetre,
 *     longitude and latitude in billionths of a degree from the line's first corner, its turn in thousandths of a degree
 * @param labels of the posts that have one
 * @param likeBraces one brace of each sort
 * @param braces for each brace three numbers: its sort as index of {@code likeBraces}, the stations of its strong post and of its brace
 *     post in tenths of a millimetre
 * @param likeJoints one joint of each sort
 * @param joints for each joint two numbers: its sort as index of {@code likeJoints}, its station in tenths of a millimetre
 */
public record Rows(
        String lineId,
        List<Post> likePosts,
        List<Long> posts,
        List<Label> labels,
        List<Brace> likeBraces,
        List<Long> braces,
        List<Joint> likeJoints,
        List<Long> joints) {
    private static final double PER_M = 1e4;
    private static final double PER_DEGREE = 1e9;
    private static final double TURN_PER_DEGREE = 1e3;

    public Rows {
        likePosts = List.copyOf(likePosts);
        posts = List.copyOf(posts);
        labels = List.copyOf(labels);
        likeBraces = List.copyOf(likeBraces);
        braces = List.copyOf(braces);
        likeJoints = List.copyOf(likeJoints);
        joints = List.copyOf(joints);
    }

    /**
     * Letter or name of a post.
     *
     * @param post which of the line's posts, from 0
     */
    public record Label(int post, String text) {}

    /** A layout without what is packed, its signs left out, and the rest as rows. */
    public record Packed(Layout layout, List<Rows> rows) {
        public Packed {
            rows = List.copyOf(rows);
        }
    }

    /** Of a whole layout. */
    public static Packed of(Layout layout) {
        List<LineLayout> lines = layout.lines().stream()
                .map(line -> line.withPosts(List.of()).withBraces(List.of()))
                .toList();
        List<Rows> rows =
                layout.lines().stream().map(line -> of(line, layout.joints())).toList();
        return new Packed(layout.withLines(lines).withJoints(List.of()).withSigns(List.of()), rows);
    }

    private static Rows of(LineLayout line, List<Joint> all) {
        Sorts<PostSort, Post> likePosts = new Sorts<>();
        List<Long> posts = new ArrayList<>(6 * line.posts().size());
        List<Label> labels = new ArrayList<>();
        GeoPoint origin = line.corners().getFirst();
        int i = 0;
        for (Post post : line.posts()) {
            posts.add(likePosts.index(PostSort.of(post), post));
            posts.add((long) post.number());
            posts.add(whole(post.stationM(), PER_M));
            posts.add(whole(post.lonDeg() - origin.lonDeg(), PER_DEGREE));
            posts.add(whole(post.latDeg() - origin.latDeg(), PER_DEGREE));
            posts.add(whole(post.deflectionDeg(), TURN_PER_DEGREE));
            if (!post.label().isEmpty()) {
                labels.add(new Label(i, post.label()));
            }
            i++;
        }
        Sorts<BraceSort, Brace> likeBraces = new Sorts<>();
        List<Long> braces = new ArrayList<>();
        for (Brace brace : line.braces()) {
            braces.add(likeBraces.index(new BraceSort(brace.kind(), brace.railM()), brace));
            braces.add(whole(brace.strongStationM(), PER_M));
            braces.add(whole(brace.braceStationM(), PER_M));
        }
        Sorts<Joint, Joint> likeJoints = new Sorts<>();
        List<Long> joints = new ArrayList<>();
        for (Joint joint : all) {
            if (joint.lineId().equals(line.lineId())) {
                joints.add(likeJoints.index(joint.withId("").withStationM(0), joint));
                joints.add(whole(joint.stationM(), PER_M));
            }
        }
        return new Rows(
                line.lineId(), likePosts.all(), posts, labels, likeBraces.all(), braces, likeJoints.all(), joints);
    }

    private static long whole(double value, double per) {
        return Math.round(value * per);
    }

    /** What must be the same for posts to be of one sort. */
    private record PostSort(
            PostKind kind,
            boolean ends,
            boolean shared,
            PostStock stock,
            double depthM,
            double lengthM,
            double stockM,
            boolean wiresInside) {
        static PostSort of(Post p) {
            return new PostSort(
                    p.kind(), p.ends(), p.shared(), p.stock(), p.depthM(), p.lengthM(), p.stockM(), p.wiresInside());
        }
    }

    private record BraceSort(BraceKind kind, double railM) {}

    /** One of each sort, in the order they were met. */
    private static final class Sorts<K, T> {
        private final Map<K, Long> indexes = new LinkedHashMap<>();
        private final List<T> firsts = new ArrayList<>();

        long index(K sort, T one) {
            Long known = indexes.putIfAbsent(sort, (long) firsts.size());
            if (known == null) {
                firsts.add(one);
            }
            return known == null ? firsts.size() - 1 : known;
        }

        List<T> all() {
            return firsts;
        }
    }
}
