package buckle.takeoff;

import buckle.layout.Brace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Posts by what they do and what they are cut from; braces by kind. */
final class PostTakeoff {
    private final Layout layout;
    private final Spec spec;
    private final Counts counts;
    private final Tally tally;

    PostTakeoff(Layout layout, Spec spec, Counts counts, Tally tally) {
        this.layout = layout;
        this.spec = spec;
        this.counts = counts;
        this.tally = tally;
    }

    /** What posts of one kind are cut from, and the longest that is needed of it. */
    private record Cut(PostStock stock, double stockM) {}

    private static final class Heap {
        private long count;
        private double lengthM;
        private double depthM;
    }

    void posts() {
        Map<PostKind, Map<Cut, Heap>> heaps = new EnumMap<>(PostKind.class);
        for (LineLayout line : layout.lines()) {
            for (Post p : line.posts()) {
                if (!p.shared()) {
                    Heap heap = heaps.computeIfAbsent(p.kind(), k -> new LinkedHashMap<>())
                            .computeIfAbsent(new Cut(p.stock(), p.stockM()), c -> new Heap());
                    heap.count++;
                    heap.lengthM = Math.max(heap.lengthM, p.lengthM());
                    heap.depthM = Math.max(heap.depthM, p.depthM());
                }
            }
        }
        heaps.forEach((kind, cuts) -> {
            List<Map.Entry<Cut, Heap>> order = new ArrayList<>(cuts.entrySet());
            order.sort(Comparator.comparingLong((Map.Entry<Cut, Heap> e) -> -e.getValue().count));
            for (int i = 0; i < order.size(); i++) {
                post(kind, i, order.get(i).getKey(), order.get(i).getValue());
            }
        });
        long tied = heaps.getOrDefault(PostKind.TIE_DOWN, Map.of()).values().stream()
                .mapToLong(h -> h.count)
                .sum();
        tally.pieces("tie-down", "Tie-down anchor", tied, "one at each of " + tied + " posts in hollows", "P18");
        long timber = layout.lines().stream()
                .flatMap(l -> l.posts().stream())
                .filter(p -> !p.shared() && p.kind().strong() && p.stock().family() == PostStock.Family.TIMBER)
                .count();
        tally.pieces("post.cap", "Post cap", timber, "one on each of " + timber + " strong timber posts", "P16");
    }

    private void post(PostKind kind, int rank, Cut cut, Heap heap) {
        String item = "post." + kind.name().toLowerCase(Locale.ROOT).replace('_', '-')
                + (rank == 0
                        ? ""
                        : "." + cut.stock().name().toLowerCase(Locale.ROOT) + "-" + Math.round(cut.stockM() * 1000));
        String name = Character.toUpperCase(kind.text().charAt(0)) + kind.text().substring(1) + ", "
                + cut.stock().text() + ", " + tally.length(cut.stockM());
        boolean longer = cut.stockM() > cut.stock().stockFor(heap.lengthM, spec.units());
        String needs = (longer
                        ? tally.length(cut.stockM()) + " as gate posts usually are, what is over stands above; needs "
                        : "cut to ")
                + tally.sawn(heap.lengthM) + ": "
                + tally.length(heap.lengthM - heap.depthM - cut.stock().family().driverAllowanceM())
                + " above ground, " + tally.length(heap.depthM) + " deep"
                + (cut.stock().family().driverAllowanceM() > 0
                        ? ", " + tally.length(cut.stock().family().driverAllowanceM()) + " for the driver"
                        : "");
        tally.pieces(item, name, heap.count, reason(kind) + "; " + needs, rules(kind));
    }

    private String reason(PostKind kind) {
        return switch (kind) {
            case END -> "one at each end of an open line";
            case CORNER ->
                "where the line turns by " + Tally.number(spec.braces().strongerFromDeg())
                        + "° or more, and the closing post of a closed line";
            case GATE -> "two at each gate that does not hang on a corner post";
            case TEE -> "one where another line branches off and no strong post stands";
            case INLINE ->
                "where a straight pull is longer than "
                        + tally.whole(spec.build().braces().inlineFromM());
            case BRACE -> "one for each rail";
            case LIGHT -> "between line posts, only to keep the wires apart";
            case TIE_DOWN -> "line posts that the wires would lift";
            case LINE ->
                "evened between strong posts, none wider than "
                        + tally.length(spec.posts().spacingM())
                        + (counts.widestM() > 0
                                ? "; they stand " + tally.length(counts.leastM()) + " to "
                                        + tally.length(counts.widestM()) + " apart"
                                : "");
        };
    }

    private static String[] rules(PostKind kind) {
        return switch (kind) {
            case END, TEE -> new String[] {"P10", "P16"};
            case CORNER -> new String[] {"B10", "P10", "P16"};
            case GATE -> new String[] {"J5", "P10", "P13"};
            case INLINE -> new String[] {"B12", "P10"};
            case BRACE -> new String[] {"B3", "P10"};
            case LIGHT -> new String[] {"P3", "P12"};
            case TIE_DOWN -> new String[] {"P17", "P18"};
            case LINE -> new String[] {"P1", "P11", "P15", "P17"};
        };
    }

    void braces() {
        Map<BraceKind, Long> kinds = new EnumMap<>(BraceKind.class);
        Map<Double, Long> rails = new LinkedHashMap<>();
        for (LineLayout line : layout.lines()) {
            for (Brace b : line.braces()) {
                kinds.merge(b.kind(), 1L, Long::sum);
                if (b.kind().framed()) {
                    rails.merge(b.railM(), (long) b.kind().rails(), Long::sum);
                }
            }
        }
        String school = spec.braces().railSchool().rule();
        long frames = rails.values().stream().mapToLong(Long::longValue).sum();
        int nth = 0;
        for (var rail : rails.entrySet()) {
            tally.pieces(
                    nth++ == 0 ? "brace.rail" : "brace.rail." + nth,
                    "Brace rail, " + tally.length(rail.getKey()),
                    rail.getValue(),
                    kinds.getOrDefault(BraceKind.SINGLE_H, 0L) + " single and "
                            + kinds.getOrDefault(BraceKind.DOUBLE_H, 0L) + " double H braces, one rail a frame",
                    school,
                    "B3");
        }
        tally.pieces(
                "brace.pin",
                "Brace pin, 10 in",
                frames * Values.B4_PINS_PER_RAIL,
                frames + " rails × " + Values.B4_PINS_PER_RAIL + " pins",
                "B4");
        tally.pieces(
                "brace.loop",
                "Brace diagonal loop",
                frames,
                frames + " frames × 1 diagonal, strong post foot to brace post top",
                "B3",
                "B7");
        long diagonal = kinds.getOrDefault(BraceKind.DIAGONAL, 0L);
        tally.pieces("brace.diagonal", "Diagonal rail with foot pad", diagonal, diagonal + " diagonal braces", "B11");
        long stake = posts(BraceKind.BACK_STAKE);
        tally.pieces(
                "brace.back-stake",
                "Back-stake with tie, 3 ft",
                stake,
                "one behind each of " + Tally.plural(stake, "post") + " on which light pulls end, "
                        + tally.length(Values.B5_OUT_M) + " out",
                "B5");
        long pipe = posts(BraceKind.PIPE_CONCRETE);
        tally.pieces(
                "brace.concrete",
                "Concrete footing for a pipe post",
                pipe,
                "one for each of " + Tally.plural(pipe, "pipe post"),
                "B6");
    }

    /** Strong posts held by a kind of brace; one holds both pulls of a corner. */
    private long posts(BraceKind kind) {
        long count = 0;
        for (LineLayout line : layout.lines()) {
            count += line.braces().stream()
                    .filter(b -> b.kind() == kind)
                    .mapToLong(b -> line.closed() && b.strongStationM() > line.lengthM() - Lengths.TAPE_M
                            ? 0
                            : Math.round(b.strongStationM() / Lengths.TAPE_M))
                    .distinct()
                    .count();
        }
        return count;
    }
}
