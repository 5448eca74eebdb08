package buckle.review;

import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Section;
import buckle.site.CutOut;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Site;
import buckle.spec.Spec;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * J9: where one more cut-out halves the longest section best. Candidates are strong posts and evenly spread line posts of that
 * section, above every flood; each is laid out and the longest section that remains decides.
 */
public final class CutOutAdvisor {
    private static final int MOST_CANDIDATES = 24;
    private static final double CLEAR_OF_GATE_M = 1;

    private CutOutAdvisor() {}

    /** The site with one more cut-out, and the station it stands at; empty when no place parts anything. */
    public record Advice(Site site, String lineId, double stationM, double longestBeforeM, double longestAfterM) {}

    private record Candidate(String lineId, Post post) {}

    /** The next cut-out worth setting; empty when none is. */
    public static Optional<Advice> next(Site site, Surroundings around, Spec spec) {
        Layout now = LayoutPlanner.layOut(site, around, spec);
        Optional<Section> longest =
                now.sections().stream().filter(Section::live).max(Comparator.comparingDouble(Section::lengthM));
        if (longest.isEmpty()) {
            return Optional.empty();
        }
        Advice best = null;
        for (Candidate c : candidates(now, longest.get(), new Floods(around, site.plane()), site.plane())) {
            Site with = with(site, c);
            double inThis = partLeft(with, spec, longest.get());
            if (inThis < longest.get().lengthM() - 1 && (best == null || inThis < best.longestAfterM())) {
                best = new Advice(
                        with, c.lineId(), c.post().stationM(), longest.get().lengthM(), inThis);
            }
        }
        return Optional.ofNullable(best);
    }

    /** The longest section that overlaps the one that was parted. */
    private static double partLeft(Site with, Spec spec, Section parted) {
        return LayoutPlanner.layOut(with, Surroundings.NONE, spec).sections().stream()
                .filter(s -> s.stretches().stream()
                        .anyMatch(a -> parted.stretches().stream()
                                .anyMatch(b -> a.lineId().equals(b.lineId())
                                        && a.fromM() < b.toM() - 0.5
                                        && a.toM() > b.fromM() + 0.5)))
                .mapToDouble(Section::lengthM)
                .max()
                .orElse(0);
    }

    private static List<Candidate> candidates(Layout now, Section section, Floods floods, LocalPlane plane) {
        List<Candidate> strong = new ArrayList<>();
        List<Candidate> other = new ArrayList<>();
        for (LineLayout line : now.lines()) {
            for (Post p : line.posts()) {
                boolean inside = section.stretches().stream()
                        .anyMatch(s -> s.lineId().equals(line.lineId())
                                && p.stationM() > s.fromM() + 0.5
                                && p.stationM() < s.toM() - 0.5);
                boolean gate = line.gates().stream()
                        .anyMatch(g ->
                                p.stationM() > g.fromM() - CLEAR_OF_GATE_M && p.stationM() < g.toM() + CLEAR_OF_GATE_M);
                if (inside
                        && !gate
                        && !wet(line, p)
                        && !(floods.deepestM(plane.toPlane(GeoPoint.of(p.lonDeg(), p.latDeg()))) > 0)
                        && p.kind() != PostKind.LIGHT) {
                    (p.kind().strong() ? strong : other).add(new Candidate(line.lineId(), p));
                }
            }
        }
        List<Candidate> all = new ArrayList<>(thinned(strong));
        all.addAll(thinned(other));
        return all;
    }

    private static boolean wet(LineLayout line, Post p) {
        return line.land().stream()
                .anyMatch(l -> (l.kind() == LandKind.CREEK || l.kind() == LandKind.STANDING_WATER)
                        && p.stationM() >= l.fromM()
                        && p.stationM() <= l.toM());
    }

    private static List<Candidate> thinned(List<Candidate> all) {
        if (all.size() <= MOST_CANDIDATES) {
            return all;
        }
        List<Candidate> some = new ArrayList<>();
        for (int i = 0; i < MOST_CANDIDATES; i++) {
            some.add(all.get((int) ((long) i * all.size() / MOST_CANDIDATES)));
        }
        return some;
    }

    private static Site with(Site site, Candidate c) {
        int number = 1 + site.lines().stream().mapToInt(l -> l.cutOuts().size()).sum();
        List<FenceLine> lines = new ArrayList<>();
        for (FenceLine line : site.lines()) {
            if (line.id().equals(c.lineId())) {
                List<CutOut> cutOuts = new ArrayList<>(line.cutOuts());
                cutOuts.add(new CutOut(
                        "cut-out-" + number + "-" + c.post().number(),
                        "Cut-out " + number,
                        GeoPoint.of(c.post().lonDeg(), c.post().latDeg())));
                lines.add(line.withCutOuts(cutOuts));
            } else {
                lines.add(line);
            }
        }
        return new Site(lines, site.energizer());
    }
}
