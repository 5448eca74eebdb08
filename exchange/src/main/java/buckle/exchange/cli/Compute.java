package buckle.exchange.cli;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.Design;
import buckle.exchange.DesignView;
import buckle.exchange.InUnits;
import buckle.exchange.Json;
import buckle.exchange.in.Importer;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.SpecReader;
import buckle.exchange.out.LayoutGeoJson;
import buckle.exchange.out.TakeoffCsv;
import buckle.land.Surroundings;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.message.English;
import buckle.message.Message;
import buckle.site.BadInput;
import buckle.site.CleanLine;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.Site;
import buckle.site.Survey;
import buckle.spec.Animal;
import buckle.spec.Circumstances;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The command {@code compute FILE [--out DIR] [--spec SPEC.json]}: lays out a job file, GPX or GeoJSON without a
 * database and prints a JSON summary. Exit 0, or 2 with a list of problems.
 */
public final class Compute {
    private Compute() {}

    public static void main(String[] args) {
        System.exit(run(args, Command.utf8(System.out), Command.utf8(System.err)));
    }

    /** As the command, with its streams; answers the exit code. */
    public static int run(String[] args, PrintStream out, PrintStream err) {
        return Command.run(() -> compute(Arguments.of(args)), out, err);
    }

    private record Arguments(
            Path file, @Nullable Path out, @Nullable Path spec) {
        static Arguments of(String[] args) {
            Path file = null;
            Path out = null;
            Path spec = null;
            for (int i = 0; i < args.length; i++) {
                boolean hasValue = i + 1 < args.length;
                if (args[i].equals("--out") && hasValue) {
                    out = Path.of(args[++i]);
                } else if (args[i].equals("--spec") && hasValue) {
                    spec = Path.of(args[++i]);
                } else if (args[i].startsWith("--") || file != null) {
                    throw new BadInput("arguments", args[i], "Usage: compute FILE [--out DIR] [--spec SPEC.json].");
                } else {
                    file = Path.of(args[i]);
                }
            }
            if (file == null) {
                throw new BadInput("arguments", "FILE", "Usage: compute FILE [--out DIR] [--spec SPEC.json].");
            }
            return new Arguments(file, out, spec);
        }
    }

    private static ObjectNode compute(Arguments arguments) throws IOException {
        Importer.Found found = Importer.read(Command.bytes(arguments.file()), Importer.Options.USUAL);
        SpecReader.Ordered given = found.job()
                .map(job -> new SpecReader.Ordered(job.spec(), job.plan().circumstances()))
                .orElse(new SpecReader.Ordered(Spec.USUAL, Circumstances.USUAL));
        boolean usual = found.job().isEmpty() && arguments.spec() == null;
        SpecReader.Ordered ordered =
                arguments.spec() == null ? given : SpecReader.file(Json.parse(Command.bytes(arguments.spec())));
        Spec spec = ordered.spec();
        if (found.job().isEmpty() && found.survey().isEmpty()) {
            throw new BadInput(
                    "file.no-line", "file", "This file holds no line to lay out: give a job file or a track.");
        }
        Site site = found.job()
                .map(JobFile::site)
                .orElseGet(() -> found.survey().orElseThrow().site());
        Surroundings around = found.job().map(JobFile::around).orElse(Surroundings.NONE);
        Plan plan = new Plan(
                site,
                spec,
                ordered.circumstances(),
                found.job().map(job -> job.plan().decisions()).orElse(Decisions.NONE));
        Design design = Design.of(plan, around);
        if (arguments.out() != null) {
            Files.createDirectories(arguments.out());
            Files.write(arguments.out().resolve("layout.geojson"), LayoutGeoJson.write(site, design.layout()));
            Files.write(arguments.out().resolve("takeoff.csv"), TakeoffCsv.write(design.takeoff(), spec.units()));
        }
        ObjectNode summary = summary(plan, usual, design, found.survey());
        found.job()
                .map(JobFile::leftOut)
                .filter(left -> !left.isEmpty())
                .ifPresent(left -> summary.set("leftOut", Json.MAPPER.valueToTree(left)));
        ElectricsPlanner.of(plan, design.laid(), around, Trial.NONE, Electrics.Part.ALL)
                .ifPresent(e -> electrics(summary.putObject("electrics"), e, spec.units()));
        return summary;
    }

    /** What the pulse does: each section against the need, the energizer with its reason, the earth and the supply. */
    private static void electrics(ObjectNode node, Electrics e, UnitSystem units) {
        e.needV().ifPresentOrElse(v -> node.put("needV", v), () -> node.putNull("needV"));
        ArrayNode sections = node.putArray("sections");
        for (Electrics.SectionPulse s : e.sections()) {
            ObjectNode section = sections.addObject().put("id", s.id()).put("name", s.name());
            section.put("on", s.on()).put("met", s.met().name().toLowerCase(Locale.ROOT));
            s.weakest()
                    .ifPresent(w -> section.put("lineId", w.lineId())
                            .put("stationM", w.stationM())
                            .put("lowV", w.lowV())
                            .put("likelyV", w.likelyV())
                            .put("highV", w.highV()));
        }
        if (e.work().isEmpty()) {
            node.put("says", English.text(e.says(), units));
            findings(node.putArray("findings"), e.allFindings(), units);
            return;
        }
        ObjectNode energizer = node.putObject("energizer");
        energizer.put("name", e.energizer().name()).put("chosen", e.chosen());
        Electrics.Energizers compared = e.energizers().orElseThrow();
        compared.candidates().stream()
                .filter(Electrics.Candidate::recommended)
                .findFirst()
                .ifPresent(c -> {
                    energizer.put("recommended", c.plate().name()).put("outJ", c.outJ());
                    c.bodyJ().ifPresent(j -> energizer.put("inAnimalJ", j));
                    c.needJ().ifPresent(j -> energizer.put("needJ", j));
                });
        energizer.put("reason", English.text(compared.why(), units));
        Electrics.EarthAnswer earth = e.earth().orElseThrow();
        node.putObject("earth")
                .put("soil", earth.ground().text())
                .put("soilOhmM", earth.soilOhmM())
                .put("rodsOhm", earth.rodsOhm())
                .put("testV", earth.testV())
                .put("mostV", earth.mostV())
                .put("good", earth.good());
        Electrics.SupplyAnswer supply = e.supply().orElseThrow();
        ObjectNode power = node.putObject("supply").put("drawW", supply.drawW());
        supply.battery()
                .ifPresent(battery -> power.put("usedAhPerDay", battery.usedAhPerDay())
                        .put("daysToHalf", battery.daysToHalf())
                        .put("daysToEmpty", battery.daysToEmpty()));
        power.put("says", English.text(supply.says(), units));
        findings(node.putArray("findings"), e.allFindings(), units);
    }

    static ObjectNode summary(Plan plan, boolean usual, Design design, Optional<Survey> survey) {
        Site site = plan.site();
        Spec spec = plan.spec();
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.put("laidOutBy", specSentence(spec, usual));
        root.set("spec", Json.MAPPER.valueToTree(spec));
        root.set("circumstances", Json.MAPPER.valueToTree(plan.circumstances()));
        lines(root.putArray("lines"), site, design.layout(), survey);
        ObjectNode posts = root.putObject("posts");
        design.layout().counts().forEach((kind, count) -> posts.put(kind.name().toLowerCase(Locale.ROOT), count));
        root.set("sections", Json.MAPPER.valueToTree(design.layout().sections()));
        takeoff(root.putArray("takeoff"), design.takeoff(), spec.units());
        findings(root.putArray("findings"), design.layout().findings(), spec.units());
        root.put("caution", English.DECIDES);
        root.set(
                "onEveryJob",
                Json.MAPPER.valueToTree(
                        new InUnits<>(spec.units(), design.layout().everyJob())));
        survey.ifPresent(s -> {
            root.set("taken", Json.MAPPER.valueToTree(s.taken()));
            root.set("leftOut", Json.MAPPER.valueToTree(s.leftOut()));
        });
        return root;
    }

    private static String specSentence(Spec spec, boolean usual) {
        String animals = spec.fence().animals().stream().map(Animal::text).collect(Collectors.joining(", "));
        return (usual ? "the default: " : "the given spec: ") + animals + ", wires "
                + spec.fence().schedule().preset() + ", posts at "
                + Lengths.text(spec.fence().posts().spacingM(), spec.units());
    }

    private static void lines(ArrayNode lines, Site site, Layout layout, Optional<Survey> survey) {
        for (int i = 0; i < layout.lines().size(); i++) {
            FenceLine line = site.lines().get(i);
            var laid = layout.lines().get(i);
            ObjectNode node = lines.addObject();
            node.put("id", line.id());
            node.put("name", line.name());
            node.put("lengthM", laid.lengthM());
            node.put("slopeLengthM", laid.slopeLengthM());
            node.put("closed", line.closed());
            ArrayNode corners = node.putArray("corners");
            for (Corner corner : line.corners()) {
                corners.addArray().add(corner.at().lonDeg()).add(corner.at().latDeg());
            }
            if (survey.isPresent()) {
                CleanLine clean = survey.get().lines().get(i);
                node.put("rawLengthM", clean.rawLengthM());
                node.set("accuracy", Json.MAPPER.valueToTree(clean.accuracy()));
                node.set("notes", Json.MAPPER.valueToTree(clean.notes()));
            }
        }
    }

    private static void takeoff(ArrayNode takeoff, List<TakeoffLine> lines, UnitSystem units) {
        for (DesignView.TakeoffItem line :
                lines.stream().map(l -> DesignView.TakeoffItem.of(l, units)).toList()) {
            ObjectNode node = takeoff.addObject();
            node.put("group", line.group());
            node.put("item", line.item());
            node.put("product", line.product());
            node.put("name", line.name());
            node.put("quantity", line.quantity());
            node.put("unit", line.unit());
            line.pack().ifPresent(p -> node.set("pack", Json.MAPPER.valueToTree(p)));
            node.put("derivation", line.derivation());
            node.set("rules", Json.MAPPER.valueToTree(line.rules()));
        }
    }

    private static void findings(ArrayNode findings, List<Finding> all, UnitSystem units) {
        for (Finding finding : all) {
            ObjectNode node = findings.addObject();
            node.put("rule", finding.rule().name());
            node.put("key", finding.message().key());
            node.put("severity", finding.severity().name().toLowerCase(Locale.ROOT));
            node.put("lineId", finding.lineId().orElse(null));
            if (finding.stationM().isPresent()) {
                node.put("stationM", finding.stationM().getAsDouble());
            } else {
                node.putNull("stationM");
            }
            node.put("message", finding.text(units));
            if (finding.places().size() > 1 || finding.places().stream().anyMatch(p -> p.what() != Message.NONE)) {
                node.set("places", Json.MAPPER.valueToTree(new InUnits<>(units, finding.places())));
            }
        }
    }
}
