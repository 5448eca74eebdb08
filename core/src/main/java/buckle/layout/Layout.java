package buckle.layout;

import buckle.site.GeoPoint;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The whole job laid out.
 *
 * @param feed empty only when no line has been drawn
 * @param findings what is to be said of this very fence
 * @param everyJob what is so on every job of this kind; the local code and licensed people have the last word
 */
@RecordBuilder
public record Layout(
        GeoPoint origin,
        List<LineLayout> lines,
        Optional<FeedPlace> feed,
        List<Section> sections,
        List<TestPoint> testPoints,
        List<Lead> leads,
        List<Joint> joints,
        List<Sign> signs,
        List<Finding> findings,
        List<Standing> everyJob)
        implements LayoutBuilder.With {
    public Layout {
        lines = List.copyOf(lines);
        sections = List.copyOf(sections);
        testPoints = List.copyOf(testPoints);
        leads = List.copyOf(leads);
        joints = List.copyOf(joints);
        signs = List.copyOf(signs);
        findings = List.copyOf(findings);
        everyJob = List.copyOf(everyJob);
    }

    /** Posts to be set on all lines, by kind; one that stands as another line's post is counted there. */
    public Map<PostKind, Long> counts() {
        long[] counts = new long[PostKind.values().length];
        for (LineLayout line : lines) {
            for (Post post : line.posts()) {
                counts[post.kind().ordinal()] += post.shared() ? 0 : 1;
            }
        }
        Map<PostKind, Long> byKind = new EnumMap<>(PostKind.class);
        for (PostKind kind : PostKind.values()) {
            byKind.put(kind, counts[kind.ordinal()]);
        }
        return byKind;
    }

    /** Pulls on all lines. */
    public int pulls() {
        return lines.stream().mapToInt(l -> l.pulls().size()).sum();
    }

    /** Ids of the lines that carry power only (X3). */
    public Set<String> feeders() {
        return lines.stream().filter(LineLayout::feeder).map(LineLayout::lineId).collect(Collectors.toSet());
    }

    /** Gates of all lines. */
    public List<GatePlace> gates() {
        return lines.stream().flatMap(l -> l.gates().stream()).toList();
    }
}
