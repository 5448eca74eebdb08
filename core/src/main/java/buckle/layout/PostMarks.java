package buckle.layout;

import buckle.material.PostStock;
import buckle.spec.Wire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Where to mark posts that stand alike, from the foot up, before they are set (X5).
 *
 * @param sort what they are: strong, between them, or light
 * @param posts how many of them a line has
 * @param depthM mark where the ground comes to
 * @param wiresM marks of the wires above it, from the lowest up
 */
public record PostMarks(Sort sort, PostStock stock, int posts, double depthM, List<Double> wiresM) {
    public PostMarks {
        wiresM = List.copyOf(wiresM);
    }

    /** Posts that are told apart on a card. */
    public enum Sort {
        STRONG,
        BRACE,
        LINE,
        LIGHT
    }

    private static final double MM = 1000;

    private record Alike(Sort sort, PostStock stock, long depthMm) {}

    /** Of posts that have to be set; those that stand already need no marks. */
    static List<PostMarks> of(List<Post> posts, List<Wire> wires) {
        Map<Alike, Integer> alike = new LinkedHashMap<>();
        int from = 0;
        while (from < posts.size()) {
            Post p = posts.get(from);
            int to = from + 1;
            while (to < posts.size() && alike(p, posts.get(to))) {
                to++;
            }
            if (!p.shared()) {
                alike.merge(new Alike(sort(p.kind()), p.stock(), Math.round(p.depthM() * MM)), to - from, Integer::sum);
            }
            from = to;
        }
        List<PostMarks> cards = new ArrayList<>();
        alike.forEach((a, count) -> {
            double depth = a.depthMm() / MM;
            cards.add(new PostMarks(
                    a.sort(),
                    a.stock(),
                    count,
                    depth,
                    wires.stream().map(w -> depth + w.heightM()).toList()));
        });
        cards.sort((one, other) -> other.posts() - one.posts());
        return cards;
    }

    private static boolean alike(Post one, Post next) {
        return one.kind() == next.kind()
                && one.shared() == next.shared()
                && one.depthM() == next.depthM()
                && one.stock().equals(next.stock());
    }

    private static Sort sort(PostKind kind) {
        return switch (kind) {
            case END, CORNER, GATE, TEE, INLINE -> Sort.STRONG;
            case BRACE -> Sort.BRACE;
            case LINE, TIE_DOWN -> Sort.LINE;
            case LIGHT -> Sort.LIGHT;
        };
    }
}
