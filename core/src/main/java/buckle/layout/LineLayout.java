package buckle.layout;

import java.util.List;

/** One fence line laid out. Lists are in order of station. */
public record LineLayout(
        String lineId,
        String name,
        boolean closed,
        double lengthM,
        double slopeLengthM,
        double areaM2,
        List<Double> cornerStationsM,
        List<ProfilePoint> profile,
        List<Post> posts,
        List<Brace> braces,
        List<Pull> pulls,
        List<GatePlace> gates,
        List<CutOutPlace> cutOuts) {
    public LineLayout {
        cornerStationsM = List.copyOf(cornerStationsM);
        profile = List.copyOf(profile);
        posts = List.copyOf(posts);
        braces = List.copyOf(braces);
        pulls = List.copyOf(pulls);
        gates = List.copyOf(gates);
        cutOuts = List.copyOf(cutOuts);
    }

    public long count(PostKind kind) {
        return posts.stream().filter(p -> p.kind() == kind).count();
    }
}
