package buckle.network;

import buckle.layout.Fence;
import buckle.layout.Section;
import buckle.layout.Section.Stretch;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Spans joined to sections, and the sections joined by cut-outs to a tree from the energizer. */
public final class SectionView {
    private final FenceNetwork network;
    private final DisjointSets<Integer> pieces = new DisjointSets<>();
    private final Map<Integer, String> ids = new LinkedHashMap<>();
    private final Map<String, String> parents = new HashMap<>();
    private final Map<Integer, String> entry = new HashMap<>();
    private final List<Section> sections = new ArrayList<>();

    SectionView(Fence fence, FenceNetwork network) {
        this.network = network;
        network.spans().stream().filter(Span::conducts).forEach(s -> pieces.join(root(s.from()), root(s.to())));
        network.leads().forEach(l -> pieces.join(root(l.from()), root(l.to())));
        tree();
        build(fence);
    }

    List<Section> sections() {
        return List.copyOf(sections);
    }

    private int root(int place) {
        return pieces.root(network.root(place));
    }

    /** Id of the section a place lies in; empty where nothing is fed. */
    Optional<String> idOf(int place) {
        return Optional.ofNullable(ids.get(root(place)));
    }

    private void tree() {
        int feed = root(network.feedPlace());
        ids.put(feed, "feed");
        Deque<Integer> open = new ArrayDeque<>(List.of(feed));
        while (!open.isEmpty()) {
            int here = open.removeFirst();
            for (Switch s : network.switches()) {
                int a = root(s.before());
                int b = root(s.after());
                int there = a == here ? b : b == here ? a : -1;
                if (there >= 0 && !ids.containsKey(there)) {
                    ids.put(there, s.cutOut().id());
                    parents.put(s.cutOut().id(), ids.get(here));
                    entry.put(there, s.cutOut().id());
                    open.addLast(there);
                }
            }
        }
    }

    private void build(Fence fence) {
        Map<Integer, List<Stretch>> stretches = new LinkedHashMap<>();
        ids.keySet().forEach(root -> stretches.put(root, new ArrayList<>()));
        for (Span s : network.spans()) {
            boolean alone = !s.conducts() && s.fromM() < Stops.SAME_M;
            int side = s.conducts() || !alone ? s.to() : s.from();
            stretches
                    .computeIfAbsent(root(side), r -> new ArrayList<>())
                    .add(new Stretch(s.lineId(), s.fromM(), s.toM()));
        }
        stretches.forEach((root, parts) -> {
            if (parts.isEmpty()) {
                return;
            }
            Optional<String> id = Optional.ofNullable(ids.get(root));
            sections.add(new Section(
                    id.orElse("dead-" + parts.getFirst().lineId() + "-" + sections.size()),
                    "Section " + (sections.size() + 1),
                    id.map(parents::get),
                    id.isPresent(),
                    parts.stream().mapToDouble(p -> p.toM() - p.fromM()).sum(),
                    joined(parts)));
        });
    }

    /** Neighbouring pieces of one line are one stretch. */
    private static List<Stretch> joined(List<Stretch> parts) {
        List<Stretch> result = new ArrayList<>();
        for (Stretch s : parts) {
            Stretch last = result.isEmpty() ? null : result.getLast();
            if (last != null && last.lineId().equals(s.lineId()) && last.toM() == s.fromM()) {
                result.set(result.size() - 1, new Stretch(s.lineId(), last.fromM(), s.toM()));
            } else {
                result.add(s);
            }
        }
        return result;
    }

    /** How a switch lies among the sections. */
    public enum Lies {
        /** Both of its sides are one section. */
        IN_A_RING,
        /** It joins two sections that hang together another way already. */
        CLOSES_A_RING,
        /** One section is fed through it, or nothing is fed there. */
        FEEDS
    }

    /** How a switch lies among the sections. */
    public Lies lies(Switch s) {
        int a = root(s.before());
        int b = root(s.after());
        if (a == b) {
            return Lies.IN_A_RING;
        }
        boolean enters = s.cutOut().id().equals(entry.get(a)) || s.cutOut().id().equals(entry.get(b));
        return ids.containsKey(a) && !enters ? Lies.CLOSES_A_RING : Lies.FEEDS;
    }
}
