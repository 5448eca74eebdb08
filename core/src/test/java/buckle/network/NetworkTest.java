package buckle.network;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.Fences;
import buckle.land.Surroundings;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.GateKind;
import buckle.site.Site;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The fence joined up wire by wire: what leads where, and names that last. */
class NetworkTest {
    private static final Spec FIVE =
            Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W7").schedule()));

    private static Laid lay(FenceLine... lines) {
        return LayoutPlanner.laid(Plan.EMPTY.withSite(Fences.site(0, -4, lines)).withSpec(FIVE), Surroundings.NONE);
    }

    private static FenceNetwork network(FenceLine... lines) {
        return lay(lines).network().orElseThrow();
    }

    private static FenceLine main(double bendM) {
        return Fences.line("m", false, 0, 0, 200, bendM, 360, 0)
                .withGates(List.of(Fences.gate("g", GateKind.HANDLE, 90, bendM * 90 / 200, 4)))
                .withCutOuts(List.of(Fences.cutOut("c", 320, bendM * 40 / 160)));
    }

    private static FenceLine branch(double toM) {
        return Fences.line("b", false, 200, 0, 200, toM).withStartsOn(Optional.of("m"));
    }

    private static Set<String> ids(FenceNetwork n) {
        Set<String> ids = n.nodes().stream().map(Node::id).collect(Collectors.toSet());
        n.edges().forEach(e -> assertThat(ids.add(e.id())).as(e.id()).isTrue());
        return ids;
    }

    /** A corner, the gate and the end of the branch move; what stands still keeps its name, and nothing else is named like it. */
    @Property(tries = 40)
    void namesLastWhenSomethingElseMoves(
            @ForAll @IntRange(min = -30, max = 30) int bend,
            @ForAll @IntRange(min = 30, max = 150) int branch,
            @ForAll @IntRange(min = 10, max = 180) int gate) {
        FenceLine still = main(20);
        FenceLine moved = main(20 + bend % 10).withGates(List.of(Fences.gate("g", GateKind.HANDLE, gate, 0, 4)));
        Set<String> before = ids(network(still, branch(80)));
        Set<String> after = ids(network(moved, branch(branch)));
        assertThat(after).containsExactlyInAnyOrderElementsOf(before);
    }

    /** One more gate names only what it parts anew. */
    @Test
    void oneMoreGateKeepsAllNamesBeyondIt() {
        FenceLine one = main(0);
        FenceLine two = one.withGates(List.of(one.gates().getFirst(), Fences.gate("h", GateKind.SWING, 20, 0, 4)));
        Set<String> kept = new HashSet<>(ids(network(one, branch(80))));
        kept.retainAll(ids(network(two, branch(80))));
        assertThat(kept)
                .contains("m/gate:g:last+/1", "c/1")
                .contains("m/corner:" + one.corners().getLast().id() + "-/2");
    }

    /** Each wire of each pull runs once from end to end, and every joint leads between wires that are there. */
    @Test
    void wiresAndJointsHangTogether() {
        Laid laid = lay(main(20), branch(80));
        FenceNetwork n = laid.network().orElseThrow();
        Set<Node> nodes = new HashSet<>(n.nodes());
        assertThat(n.edges()).allMatch(e -> nodes.contains(e.from()) && nodes.contains(e.to()));
        for (var line : laid.layout().lines()) {
            double wired =
                    line.pulls().stream().mapToDouble(p -> p.toM() - p.fromM()).sum()
                            * line.schedule().wires().size();
            double drawn = n.edges().stream()
                    .filter(e -> e.kind() == Edge.Kind.WIRE && e.from().lineId().equals(line.lineId()))
                    .mapToDouble(Edge::lengthM)
                    .sum();
            assertThat(drawn).as(line.lineId()).isCloseTo(wired, org.assertj.core.api.Assertions.within(1e-6));
        }
        assertThat(n.edges()).filteredOn(Edge::opens).extracting(Edge::joint).containsOnly("g", "c");
        assertThat(n.edges()).filteredOn(e -> e.kind() == Edge.Kind.SWITCH).hasSize(1);
        long hot = FIVE.fence().schedule().count(WireRole.HOT);
        assertThat(n.edges()).filteredOn(e -> e.kind() == Edge.Kind.CONTACT).hasSize((int) hot);
    }

    /** The network holds what is not laid out yet: wires in series, one after the other, from terminal to terminal. */
    @Test
    void wiresInSeriesAreAPathFromTerminalToTerminal() {
        List<Edge> loop = new ArrayList<>();
        Node at = Node.HOT_TERMINAL;
        for (int wire = 1; wire <= 3; wire++) {
            Node from = Node.of("ring", "post+", wire, 0);
            Node to = Node.of("ring", "post-", wire, 400);
            loop.add(Edge.of(wire == 1 ? Edge.Kind.LEAD : Edge.Kind.LINK, at, from, "series", 0, false));
            loop.add(Edge.of(Edge.Kind.WIRE, from, to, "ring/post..post", 400, false));
            at = to;
        }
        loop.add(Edge.of(Edge.Kind.LEAD, at, Node.EARTH_TERMINAL, "lead:earth", 0, false));
        assertThat(loop).extracting(Edge::id).doesNotHaveDuplicates();
        DisjointSets<Node> whole = new DisjointSets<>();
        loop.forEach(e -> whole.join(e.from(), e.to()));
        assertThat(whole.root(Node.HOT_TERMINAL)).isEqualTo(whole.root(Node.EARTH_TERMINAL));
        DisjointSets<Node> cut = new DisjointSets<>();
        loop.stream().filter(e -> !e.id().equals("ring/post..post/2")).forEach(e -> cut.join(e.from(), e.to()));
        assertThat(cut.root(Node.HOT_TERMINAL)).isNotEqualTo(cut.root(Node.EARTH_TERMINAL));
    }

    /** Corners keep the ids they were drawn with, so a fence drawn twice alike is named alike. */
    @Test
    void theSiteAloneNamesTheNetwork() {
        Site site = Fences.site(0, -4, main(20), branch(80));
        List<String> corners =
                site.lines().getFirst().corners().stream().map(Corner::id).toList();
        assertThat(ids(network(main(20), branch(80)))).anyMatch(id -> id.startsWith("m/corner:" + corners.getFirst()));
    }

    /** The small fence of docs/network.md is as it is drawn there. */
    @Test
    void thePageDrawsTheNetwork() throws IOException {
        FenceLine line = Fences.line("m", false, 0, 0, 100, 0, 100, 60)
                .withGates(List.of(Fences.gate("g", GateKind.HANDLE, 40, 0, 4)))
                .withCutOuts(List.of(Fences.cutOut("c", 70, 0)));
        Spec one = Spec.USUAL.withFence(f -> f.withSchedule(Preset.of("W3").schedule()));
        FenceNetwork n = LayoutPlanner.laid(
                        Plan.EMPTY.withSite(Fences.site(0, -4, line)).withSpec(one), Surroundings.NONE)
                .network()
                .orElseThrow();
        String page = Files.readString(Path.of("..", "docs", "network.md"));
        assertThat(listed(page, "### Nodes"))
                .containsExactlyElementsOf(n.nodes().stream().map(Node::id).toList());
        assertThat(listed(page, "### Edges"))
                .containsExactlyElementsOf(
                        n.edges().stream().map(e -> e.kind() + " " + e.id()).toList());
        assertThat(n.sections())
                .extracting(s -> s.id() + " " + Math.round(s.lengthM()))
                .containsExactly("feed 70", "c 90");
    }

    private static List<String> listed(String page, String heading) {
        String from = page.substring(page.indexOf(heading));
        return from.substring(from.indexOf("```") + 3)
                .split("```")[0]
                .strip()
                .lines()
                .toList();
    }
}
