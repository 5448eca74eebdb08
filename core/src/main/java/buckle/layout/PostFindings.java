package buckle.layout;

import buckle.layout.Pull.PullWire;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.units.Forces;
import buckle.units.Lengths;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/** What posts, braces and wires of a line have to say: one finding of each sort, at the worst place. */
final class PostFindings {
    private final FenceLine line;
    private final Spec spec;
    private final List<Finding> findings;

    private PostFindings(FenceLine line, Spec spec, List<Finding> findings) {
        this.line = line;
        this.spec = spec;
        this.findings = findings;
    }

    static void of(
            FenceLine line, List<Post> posts, List<Brace> braces, List<Pull> pulls, Spec spec, List<Finding> findings) {
        PostFindings all = new PostFindings(line, spec, findings);
        all.lifted(posts);
        all.pushed(posts);
        all.tooLong(posts);
        all.standing(posts);
        all.braces(braces);
        all.wires(pulls);
        if (line.book().onExisting()) {
            all.add(
                    "I4",
                    Severity.NOTE,
                    0,
                    "The wires hang on offset brackets of the fence that stands; its line posts are not counted. Never electrify its own wires.");
        }
    }

    private void lifted(List<Post> posts) {
        worst(
                posts,
                p -> p.kind() == PostKind.TIE_DOWN && p.upliftN() > 0,
                Post::upliftN,
                (post, count) -> add(
                        "P18",
                        Severity.WARN,
                        post.stationM(),
                        count == 1
                                ? "Post " + post.number() + " stands in a hollow and the wires lift it with "
                                        + force(post.upliftN()) + ": it takes a tie-down."
                                : count
                                        + " posts stand in hollows and the wires lift them: each takes a tie-down. Worst is post "
                                        + post.number() + " with " + force(post.upliftN()) + "."));
        worst(
                posts,
                p -> !p.holds() && p.kind().strong() && p.upliftN() > 0,
                Post::upliftN,
                (post, count) -> add(
                        "B8",
                        Severity.WARN,
                        post.stationM(),
                        counted(count, "strong post is", "strong posts are")
                                + " lifted by the diagonal by more than the ground holds with a factor of "
                                + Values.P18_SAFETY + ": worst is post " + post.number() + " with "
                                + force(post.upliftN())
                                + ". A longer rail, a deeper post or concrete."));
    }

    private void pushed(List<Post> posts) {
        worst(
                posts,
                p -> !p.holds() && p.sideN() > 0,
                Post::sideN,
                (post, count) -> add(
                        "B9",
                        Severity.WARN,
                        post.stationM(),
                        counted(count, "post is", "posts are")
                                + " pushed sideways by the turn of the wires by more than the ground holds: worst is post "
                                + post.number() + " with " + force(post.sideN())
                                + ". A thicker or deeper post, or a brace."));
    }

    private void tooLong(List<Post> posts) {
        worst(
                posts,
                p -> !p.shared() && p.lengthM() > p.stockM() + 1e-6,
                Post::lengthM,
                (post, count) -> add(
                        "P16",
                        Severity.WARN,
                        post.stationM(),
                        "No " + post.stock().text() + " is sold "
                                + length(post.lengthM()) + " long, which " + counted(count, "post needs", "posts need")
                                + "; the longest is " + length(post.stockM())
                                + ". Choose another kind or a lower top wire."));
        worst(
                posts,
                p -> p.kind().strong() && !p.stock().family().strong(),
                Post::stationM,
                (post, count) -> add(
                        "P10",
                        Severity.WARN,
                        post.stationM(),
                        "A " + post.stock().text()
                                + " does not take the end of a pull. Choose timber, pipe or angle steel for strong posts."));
        boolean steel = posts.stream().anyMatch(p -> p.stock().family().conducts());
        if (steel) {
            add("I5", Severity.NOTE, 0, "On steel posts a failed insulator is a dead short. Choose good ones.");
        }
    }

    private void standing(List<Post> posts) {
        worst(
                posts,
                p -> p.depthM() < Values.P21_LEAST_DEPTH_M && p.stock().family() != PostStock.Family.STEP_IN,
                p -> -p.depthM(),
                (post, count) -> add(
                        "P14",
                        Severity.WARN,
                        post.stationM(),
                        "Post " + post.number() + " stands only " + length(post.depthM())
                                + " deep. Drill and set it again, or brace it."));
    }

    private void braces(List<Brace> braces) {
        List<Brace> weak = braces.stream()
                .filter(b -> b.kind() != BraceKind.NONE && b.load().safety() < 1)
                .sorted(Comparator.comparingDouble(b -> b.load().safety()))
                .toList();
        if (!weak.isEmpty()) {
            Brace b = weak.getFirst();
            add(
                    "B8",
                    Severity.WARN,
                    b.strongStationM(),
                    counted(weak.size(), "brace does", "braces do")
                            + " not hold the pull of " + force(b.load().pullN()) + " by the figures: worst at "
                            + length(b.strongStationM()) + ", " + b.load().weakest() + " at "
                            + String.format(
                                    Locale.ROOT, "%.0f %%", 100 * b.load().safety()) + " of its load.");
        }
        boolean framed = braces.stream().anyMatch(b -> b.kind().framed());
        boolean hot = spec.schedule().count(WireRole.HOT) > 0;
        if (framed && hot) {
            add(
                    "I8",
                    Severity.NOTE,
                    braces.getFirst().strongStationM(),
                    "Hot wires pass the diagonal of each brace and can arc to it: tie them off or put the spare insulators there.");
        }
        if (framed) {
            add(
                    "B7",
                    Severity.CAUTION,
                    braces.getFirst().strongStationM(),
                    "Do not over-tighten the diagonals before the wires pull; stand clear of wire under load.");
        }
    }

    private void wires(List<Pull> pulls) {
        if (pulls.isEmpty()) {
            return;
        }
        Pull widest = pulls.stream()
                .max(Comparator.comparingDouble(Pull::widestSpanM))
                .orElseThrow();
        for (PullWire w : widest.wires()) {
            double breaking = w.conductor().breakingN();
            if (w.coldN() > Values.S12_WORKING_SHARE * breaking) {
                add(
                        "S12",
                        Severity.WARN,
                        widest.fromM(),
                        "At " + Math.round(spec.build().season().coldC())
                                + " °C a wire of " + w.conductor().text() + " pulls " + force(w.coldN())
                                + ", over half of the "
                                + force(breaking) + " that break it. Strain it less, or choose a heavier one.");
            }
            if (spec.build().season().iceM() > 0) {
                ice(widest, w, breaking);
            }
        }
    }

    private void ice(Pull pull, PullWire w, double breaking) {
        boolean broken = w.icedN() > Values.S12_WORKING_SHARE * breaking;
        double relief = w.conductor().stiffnessN() * Values.S6_LET_OUT_SHARE;
        add(
                "S6",
                broken ? Severity.WARN : Severity.NOTE,
                pull.fromM(),
                "Under "
                        + length(spec.build().season().iceM()) + " of ice a wire of "
                        + w.conductor().text() + " pulls "
                        + force(w.icedN()) + " and sags " + length(w.icedSagM()) + " in the widest span of "
                        + length(pull.widestSpanM()) + (broken ? ", over half of what breaks it" : "")
                        + ". Let wires out 2 to 3 in in 1000 ft before a big load: that takes about " + force(relief)
                        + " off while the wire is taut (S9).");
    }

    private interface Say {
        void say(Post worst, int count);
    }

    private static void worst(List<Post> posts, Predicate<Post> which, ToDoubleFunction<Post> size, Say say) {
        Post worst = null;
        int count = 0;
        for (Post p : posts) {
            if (which.test(p)) {
                count++;
                worst = worst == null || size.applyAsDouble(p) > size.applyAsDouble(worst) ? p : worst;
            }
        }
        if (worst != null) {
            say.say(worst, count);
        }
    }

    private static String counted(int count, String one, String many) {
        return count + " " + (count == 1 ? one : many);
    }

    private void add(String rule, Severity severity, double stationM, String message) {
        findings.add(Finding.at(rule, severity, line.id(), stationM, message));
    }

    private String force(double forceN) {
        return Forces.text(forceN, spec.units());
    }

    private String length(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }
}
