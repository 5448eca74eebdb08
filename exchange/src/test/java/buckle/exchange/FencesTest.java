package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.design.Design;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.exchange.out.LayoutGeoJson;
import buckle.layout.Finding;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Severity;
import buckle.layout.Sign;
import buckle.material.PostStock;
import buckle.mechanics.Hold;
import buckle.message.English;
import buckle.message.JointKind;
import buckle.message.LandMessage;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine;
import buckle.units.Forces;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import tools.jackson.databind.JsonNode;

/** Fences recounted and reckoned by hand: what each must give. Files of schema 3, which stay readable. */
class FencesTest {
    private static final Path FENCES = Path.of("src", "test", "resources", "fences");

    /** A fence as it comes out. */
    record Came(JobFile job, Design design) {
        static Came of(String name) {
            try {
                JobFile job = JobFileReader.read(Json.parse(Files.readAllBytes(FENCES.resolve(name + ".geojson"))));
                return new Came(job, Design.of(job.plan(), job.around()));
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
        }

        Came with(Spec spec) {
            Plan plan = job.plan().withSpec(spec);
            return new Came(job, Design.of(plan, job.around()));
        }

        Layout layout() {
            return design.layout();
        }

        LineLayout line() {
            return layout().lines().getFirst();
        }

        double quantity(String item) {
            return design.takeoff().stream()
                    .filter(t -> t.item().equals(item))
                    .mapToDouble(TakeoffLine::quantity)
                    .sum();
        }

        String derivation(String item) {
            return design.takeoff().stream()
                    .filter(t -> t.item().equals(item))
                    .map(t -> English.text(t.derivation(), UnitSystem.METRIC))
                    .findFirst()
                    .orElse("");
        }

        List<Finding> findings(Rule rule, Severity severity) {
            return layout().findings().stream()
                    .filter(f -> f.rule() == rule && f.severity() == severity)
                    .toList();
        }

        List<Post> posts(PostKind kind) {
            return layout().lines().stream()
                    .flatMap(l -> l.posts().stream())
                    .filter(p -> p.kind() == kind)
                    .toList();
        }

        Map<String, JsonNode> written() {
            JsonNode all = Json.parse(LayoutGeoJson.write(job.site(), layout()));
            return all.path("features")
                    .valueStream()
                    .collect(Collectors.toMap(f -> f.path("id").asString(), f -> f.path("properties"), (a, b) -> a));
        }
    }

    private static Spec springs(Spec spec, boolean springs) {
        return spec.withFence(f -> f.withWires(f.wires().withSprings(springs)));
    }

    private static DynamicTest fence(String name, Consumer<Came> must) {
        return DynamicTest.dynamicTest(name, () -> must.accept(Came.of(name)));
    }

    @TestFactory
    List<DynamicTest> eachFenceGivesWhatARecountGives() {
        return List.of(
                fence("w1", f -> {
                    assertThat(f.posts(PostKind.CORNER))
                            .hasSize(4)
                            .allSatisfy(p -> assertThat(p.load().upliftN()).isCloseTo(1251, within(1.0)));
                    assertThat(f.design().ledger())
                            .filteredOn(l -> l.key().equals("uplift"))
                            .singleElement()
                            .satisfies(l -> assertThat(English.figure(l.figure(), UnitSystem.FT_IN)
                                            .value())
                                    .isEqualTo("281 lbf"));
                    assertThat(f.layout().findings()).hasSizeLessThanOrEqualTo(8);
                    assertThat(f.layout().everyJob())
                            .extracting("rule")
                            .contains(Rule.C1, Rule.C6, Rule.B7, Rule.I8, Rule.J7);
                    assertThat(f.quantity("sign"))
                            .as("400.00001 m in parts of 50 m")
                            .isEqualTo(8);
                }),
                fence("pipe", f -> {
                    assertThat(f.posts(PostKind.CORNER))
                            .allSatisfy(p -> assertThat(p.load().sideN() / Forces.N_PER_LBF)
                                    .isCloseTo(Math.sqrt(2) * 1000, within(1.0)));
                    assertThat(f.quantity("brace.concrete")).as("driven").isZero();
                    Came set = f.with(buckle.spec.School.BRACE_PIPE_CONCRETE.applied(
                            f.job().spec()));
                    assertThat(set.quantity("brace.concrete")).as("one a post").isEqualTo(4);
                    assertThat(set.posts(PostKind.CORNER).getFirst().load().holdSideN())
                            .isGreaterThan(2
                                    * f.posts(PostKind.CORNER).getFirst().load().holdSideN());
                }),
                fence("garden", f -> {
                    assertThat(f.quantity("brace.back-stake")).isEqualTo(6);
                    Post corner = f.posts(PostKind.CORNER).getFirst();
                    Post gate = f.posts(PostKind.GATE).getFirst();
                    assertThat(corner.load().sideN())
                            .as("the resultant of both pulls")
                            .isCloseTo(Math.sqrt(2) * gate.load().sideN(), within(0.5));
                    assertThat(corner.load().hold()).isNotEqualTo(Hold.MOVES);
                }),
                fence("buried", f -> {
                    assertThat(f.findings(Rule.C6, Severity.WARN))
                            .extracting(x -> x.text(UnitSystem.METRIC))
                            .anyMatch(m -> m.contains("gas main") && m.contains("1500 mm deep"))
                            .anyMatch(m -> m.contains("water") && m.contains("1200 mm deep"));
                }),
                fence(
                        "buried2",
                        f -> assertThat(f.findings(Rule.C6, Severity.WARN)).isEmpty()),
                fence(
                        "rodservice",
                        f -> assertThat(f.findings(Rule.C6, Severity.WARN))
                                .extracting(x -> x.text(UnitSystem.METRIC))
                                .anyMatch(m -> m.contains("earth rods") && m.contains("no place on the plan yet"))),
                fence("leadx", f -> {
                    assertThat(f.findings(Rule.C6, Severity.WARN))
                            .extracting(x -> x.text(UnitSystem.METRIC))
                            .anyMatch(m -> m.contains("lead-out"));
                    assertThat(f.findings(Rule.C9, Severity.WARN))
                            .extracting(x -> x.text(UnitSystem.METRIC))
                            .anyMatch(m -> m.contains("lane"));
                }),
                fence(
                        "oh",
                        f -> assertThat(f.findings(Rule.C5, Severity.WARN))
                                .extracting(x -> x.text(UnitSystem.METRIC))
                                .anyMatch(m -> m.contains("lie 2.9 m; 4.0 m are needed"))
                                .anyMatch(m -> m.contains("3.1 m high") && m.contains("under 3.0 m"))),
                fence("ice", f -> {
                    var bare = f.with(springs(f.job().spec(), false))
                            .line()
                            .pulls()
                            .getFirst();
                    assertThat(bare.wires().getFirst().tensionN()).isCloseTo(1112, within(1.0));
                    assertThat(bare.wires().getFirst().coldN()).isCloseTo(1710, within(10.0));
                    assertThat(bare.totalN()).isCloseTo(4450, within(5.0));
                    assertThat(bare.worstN()).isCloseTo(6800, within(50.0));
                    var sprung = f.line().pulls().getFirst();
                    assertThat(sprung.worstN()).isBetween(1.1 * sprung.totalN(), 0.95 * bare.worstN());
                    // 15 kN/m in each wire of 100 m: E A α ΔT of 594 N falls by 1 / (1 + E A / k L).
                    double share = 1 / (1 + 989_600 / (15_000 * 100.0));
                    assertThat(sprung.wires().getFirst().coldN() - 1112).isCloseTo(594 * share, within(8.0));
                    assertThat(f.line().braces().getFirst().load().worst().pullN())
                            .isEqualTo(sprung.worstN());
                    assertThat(f.line().braces().getFirst().load().day().pullN())
                            .isEqualTo(sprung.totalN());
                }),
                fence("tpost", f -> {
                    assertThat(f.quantity("insulator.line.steel-tee")).isEqualTo(240);
                    assertThat(f.quantity("insulator.line"))
                            .as("4 wires on 8 brace posts, and 4 × 4 braced pulls × 2 spare")
                            .isEqualTo(4 * 8 + 4 * 4 * 2);
                }),
                fence(
                        "coils",
                        f -> assertThat(f.design().takeoff())
                                .filteredOn(t -> t.item().equals("wire.hot"))
                                .singleElement()
                                .satisfies(t -> {
                                    assertThat(t.pack().orElseThrow().count()).isEqualTo(17);
                                    assertThat(f.quantity("joiner")).isZero();
                                })),
                fence("hazards", f -> {
                    long drawn = ((LandMessage.PublicWayNear) f.findings(Rule.C4, Severity.CAUTION)
                                    .getFirst()
                                    .message())
                            .signs();
                    LineLayout line = f.line();
                    var path = line.land().stream()
                            .filter(s -> s.title().equals("path"))
                            .findFirst()
                            .orElseThrow();
                    assertThat(f.layout().signs())
                            .filteredOn(s -> s.stationM() > path.fromM() - 3 && s.stationM() < path.toM() + 3)
                            .hasSize((int) drawn);
                    assertThat(f.quantity("sign")).isEqualTo(f.layout().signs().size());
                }),
                fence(
                        "creek",
                        f -> assertThat(f.layout().findings())
                                .noneMatch(x -> x.rule() == Rule.J4 && x.severity() == Severity.WARN)),
                fence("many", f -> {
                    Map<JointKind, Long> drawn = f.layout().joints().stream()
                            .collect(Collectors.groupingBy(Joint::kind, Collectors.counting()));
                    assertThat(f.quantity("jumper"))
                            .isEqualTo(drawn.get(JointKind.JUMPER).doubleValue());
                    // By hand, two hot wires: feed 2; set 2; link 4; gate cable 2; branch 4; switch 6 clamps.
                    long clamps = 2
                            + 2 * drawn.get(JointKind.JUMPER)
                            + 4 * drawn.get(JointKind.LINK)
                            + 2 * drawn.get(JointKind.CABLE)
                            + 4 * drawn.get(JointKind.TEE)
                            + 6 * drawn.get(JointKind.CUT_OUT);
                    assertThat(f.quantity("clamp")).isEqualTo(clamps);
                    assertThat(drawn.get(JointKind.CABLE)).isEqualTo(8);
                    double each = 5.0292 + 2 * 0.45 + 2 * Lengths.in(20) + 2 * 0.5;
                    assertThat(f.quantity("cable.gate")).isCloseTo(8 * each, within(0.1));
                    assertThat(f.findings(Rule.J7, Severity.WARN))
                            .singleElement()
                            .satisfies(x -> assertThat(x.places()).hasSize(7));
                }),
                fence("stub", f -> {
                    assertThat(f.line().gates().getFirst().fromM()).isZero();
                    assertThat(f.posts(PostKind.GATE))
                            .as("the other one is the corner post")
                            .hasSize(1);
                }),
                fence("deer2", f -> {
                    List<LineLayout> rows = f.layout().lines();
                    for (LineLayout row : rows) {
                        assertThat(row.posts())
                                .filteredOn(p -> p.kind() == PostKind.LINE)
                                .hasSize(30);
                    }
                    assertThat(f.layout().findings())
                            .noneMatch(x -> x.text(UnitSystem.METRIC).contains("its own energizer"));
                }),
                fence(
                        "deer2area",
                        f -> assertThat(f.layout().feed().orElseThrow().rods()).isEqualTo(1)),
                fence("deer10", f -> {
                    assertThat(f.posts(PostKind.LINE)).allSatisfy(p -> {
                        assertThat(p.stockM()).isCloseTo(Lengths.ft(8), within(1e-9));
                        assertThat(p.depthM()).isBetween(Lengths.in(18), Lengths.in(24));
                    });
                    assertThat(f.line().schedule().topM()).isCloseTo(Lengths.in(72), within(1e-9));
                    assertThat(f.line().posts()).allSatisfy(p -> {
                        assertThat(p.stockM()).isGreaterThanOrEqualTo(p.lengthM() - 1e-6);
                        assertThat(p.stockM() / Lengths.ft(0.5))
                                .isCloseTo(Math.rint(p.stockM() / Lengths.ft(0.5)), within(1e-6));
                    });
                }),
                fence("lead", f -> {
                    assertThat(f.quantity("cable.lead-out")).isCloseTo(205, within(0.5));
                    assertThat(f.derivation("cable.lead-out")).startsWith("1 cable");
                    assertThat(f.quantity("ground.lead")).isBetween(3.0, 12.0);
                }),
                fence("qmile", f -> assertThat(f.posts(PostKind.INLINE)).isEmpty()),
                fence("stone2", f -> {
                    assertThat(f.findings(Rule.G7, Severity.WARN))
                            .singleElement()
                            .satisfies(x -> assertThat(x.text(UnitSystem.METRIC))
                                    .contains("stubs", "taken instead", "earth wires"));
                    assertThat(f.layout().feed().orElseThrow().earth())
                            .hasSize(3)
                            .allMatch(r -> r.lengthM() == Values.G7_STUB_M);
                    assertThat(f.derivation("ground.rod")).isEqualTo("3 stubs where stone stops longer rods");
                }),
                fence("w2", f -> {
                    assertThat(f.line().posts())
                            .noneMatch(p -> p.stock().family() == PostStock.Family.TIMBER)
                            .filteredOn(p -> p.ends())
                            .hasSize(2)
                            .allMatch(p -> p.stock() == PostStock.FIBREGLASS_22
                                    && Math.abs(p.depthM() - Lengths.ft(1)) < 1e-9);
                    assertThat(f.design().takeoff())
                            .isNotEmpty()
                            .noneMatch(t -> t.item().startsWith("insulator"));
                }));
    }

    /** What others are given to count: loads and lengths of each post and brace, signs, joints with their pieces, rods and cables. */
    @org.junit.jupiter.api.Test
    void theLayoutIsWrittenSoThatOthersCanCount() {
        Came f = Came.of("many");
        Map<String, JsonNode> all = f.written();
        JsonNode post = all.get("O/post/1");
        for (String field : List.of(
                "upliftN",
                "sideN",
                "upliftWorstN",
                "sideWorstN",
                "holdUpN",
                "holdSideN",
                "depthM",
                "lengthM",
                "stockM")) {
            assertThat(post.path(field).isNumber()).as(field).isTrue();
        }
        assertThat(post.path("stock").asString()).isEqualTo("TIMBER_140");
        assertThat(all.get("O/brace/1").path("compressionN").asDouble()).isPositive();
        assertThat(all.get("O/brace/1").path("diagonalN").asDouble()).isPositive();
        assertThat(all.keySet().stream().filter(k -> k.startsWith("sign/"))).hasSize((int) f.quantity("sign"));
        double pieces = 0;
        double clamps = 0;
        int cables = 0;
        for (var e : all.entrySet()) {
            if (e.getKey().startsWith("joint/")) {
                pieces += e.getValue().path("pieces").asInt();
                clamps += e.getValue().path("clamps").asInt();
            }
            cables += e.getKey().startsWith("cable/")
                    ? e.getValue().path("cables").asInt()
                    : 0;
        }
        assertThat(pieces).isEqualTo(f.quantity("jumper.piece"));
        assertThat(clamps).isEqualTo(f.quantity("clamp"));
        assertThat(cables).isEqualTo(8);
        assertThat(all.keySet().stream().filter(k -> k.startsWith("rod/"))).hasSize(3);
        assertThat(f.layout().signs()).extracting(Sign::lineId).contains("O", "X7");
    }
}
