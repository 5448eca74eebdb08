package buckle.exchange;

import buckle.land.Surroundings;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.PostKind;
import buckle.site.BadInput;
import buckle.site.CleanLine;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.site.Site;
import buckle.site.Survey;
import buckle.spec.Animal;
import buckle.spec.Spec;
import buckle.takeoff.Design;
import buckle.takeoff.TakeoffLine;
import buckle.units.Lengths;
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
        Spec given = found.job().map(JobFile::spec).orElse(Spec.usual());
        boolean usual = found.job().isEmpty() && arguments.spec() == null;
        Spec spec =
                arguments.spec() == null ? given : SpecReader.read(Json.parse(Command.bytes(arguments.spec())), "spec");
        if (found.job().isEmpty() && found.survey().isEmpty()) {
            throw new BadInput(
                    "file.no-line", "file", "This file holds no line to lay out: give a job file or a track.");
        }
        Site site = found.job()
                .map(JobFile::site)
                .orElseGet(() -> found.survey().orElseThrow().site());
        Design design = Design.of(site, found.job().map(JobFile::around).orElse(Surroundings.NONE), spec);
        if (arguments.out() != null) {
            Files.createDirectories(arguments.out());
            Files.write(arguments.out().resolve("layout.geojson"), LayoutGeoJson.write(site, design.layout()));
            Files.write(arguments.out().resolve("takeoff.csv"), TakeoffCsv.write(design.takeoff()));
        }
        return summary(site, spec, usual, design, found.survey());
    }

    static ObjectNode summary(Site site, Spec spec, boolean usual, Design design, Optional<Survey> survey) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.put("laidOutBy", specSentence(spec, usual));
        root.set("spec", Json.MAPPER.valueToTree(spec));
        lines(root.putArray("lines"), site, design.layout(), survey);
        ObjectNode posts = root.putObject("posts");
        for (PostKind kind : PostKind.values()) {
            posts.put(kind.name().toLowerCase(Locale.ROOT), design.layout().count(kind));
        }
        root.set("sections", Json.MAPPER.valueToTree(design.layout().sections()));
        takeoff(root.putArray("takeoff"), design.takeoff());
        findings(root.putArray("findings"), design.layout().findings());
        survey.ifPresent(s -> {
            root.set("taken", Json.MAPPER.valueToTree(s.taken()));
            root.set("leftOut", Json.MAPPER.valueToTree(s.leftOut()));
        });
        return root;
    }

    private static String specSentence(Spec spec, boolean usual) {
        String animals = spec.animals().stream().map(Animal::text).collect(Collectors.joining(", "));
        return (usual ? "the default: " : "the given spec: ") + animals + ", wires "
                + spec.schedule().preset() + ", posts at "
                + Lengths.text(spec.posts().spacingM(), spec.units());
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

    private static void takeoff(ArrayNode takeoff, List<TakeoffLine> lines) {
        for (TakeoffLine line : lines) {
            ObjectNode node = takeoff.addObject();
            node.put("item", line.item());
            node.put("name", line.name());
            node.put("quantity", line.quantity());
            node.put("unit", line.unit());
            line.pack().ifPresent(p -> node.set("pack", Json.MAPPER.valueToTree(p)));
            node.put("derivation", line.derivation());
            node.set("rules", Json.MAPPER.valueToTree(line.rules()));
        }
    }

    private static void findings(ArrayNode findings, List<Finding> all) {
        for (Finding finding : all) {
            ObjectNode node = findings.addObject();
            node.put("rule", finding.rule());
            node.put("severity", finding.severity().name().toLowerCase(Locale.ROOT));
            node.put("lineId", finding.lineId().orElse(null));
            if (finding.stationM().isPresent()) {
                node.put("stationM", finding.stationM().getAsDouble());
            } else {
                node.putNull("stationM");
            }
            node.put("message", finding.message());
        }
    }
}
