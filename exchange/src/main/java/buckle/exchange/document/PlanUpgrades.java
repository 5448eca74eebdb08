package buckle.exchange.document;

import buckle.exchange.Json;
import buckle.site.Site;
import buckle.site.Tees;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Steps that bring an older plan up to date. */
public final class PlanUpgrades {
    /** Where a field of the spec went, in the order of the step: what is within a part goes before the part itself. */
    private static final Map<String, String> BEFORE_OWNERS = beforeOwners();

    private PlanUpgrades() {}

    /**
     * From 1 to 2. Plans were written without a number until 0.2.0: what came later is filled in with what they were laid out by
     * then, and lines that ended on one another are joined by name.
     */
    static void nameWhatCameLater(ObjectNode plan) {
        JsonNode then = frozen("plan-1.json");
        ObjectNode site = (ObjectNode) plan.path("site");
        JsonNode lines = site.path("lines");
        boolean branchesNamed = lines.isEmpty() || lines.get(0).has("startsOn");
        lines.forEach(line -> fill((ObjectNode) line, then.path("line")));
        fill((ObjectNode) plan.path("spec"), then.path("spec"));
        fill(plan, then.path("plan"));
        JsonNode energizer = plan.path("spec").path("power").path("energizer");
        if (energizer instanceof ObjectNode plate) {
            fill(plate, then.path("plate"));
        }
        plan.path("decisions").path("accepted").forEach(a -> fill((ObjectNode) a, then.path("accepted")));
        if (!branchesNamed) {
            lines.forEach(line -> fill((ObjectNode) line, frozen("plan-3.json").path("line")));
            Site read = Json.MAPPER.treeToValue(site, Site.class);
            plan.set("site", Json.MAPPER.valueToTree(Tees.fromCoincidence(read)));
        }
    }

    /**
     * From 2 to 3, and job files to 5: the spec sorted by who decides it, and the circumstances beside it. What is left out stays
     * left out; a field that is not known stays where it is, for the reader to tell.
     *
     * @param holder a plan or what a job file has in {@code buckle}, with its {@code spec}
     */
    public static void sortByOwner(ObjectNode holder) {
        if (!(holder.path("spec") instanceof ObjectNode)) {
            return;
        }
        BEFORE_OWNERS.forEach((from, to) -> {
            Optional<JsonNode> value = take(holder, List.of(("spec." + from).split("\\.")));
            value.ifPresent(v -> put(holder, List.of(to.split("\\.")), from.equals("power.model") ? said(v) : v));
        });
    }

    /** From 3 to 4: wires ended at each strong post, whatever was drawn. */
    static void nameStringing(ObjectNode plan) {
        JsonNode then = frozen("plan-3.json");
        plan.path("site").path("lines").forEach(line -> fill((ObjectNode) line, then.path("line")));
        fill((ObjectNode) plan.path("spec"), then.path("spec"));
        plan.path("spec").path("lines").forEach(line -> fill((ObjectNode) line, then.path("lineSpec")));
        nameWires(plan.path("spec"));
    }

    /** Wires had nothing of their own but height and role. */
    public static void nameWires(JsonNode spec) {
        JsonNode wire = frozen("plan-3.json").path("wire");
        Stream.concat(
                        Stream.of(spec.path("fence").path("schedule")),
                        StreamSupport.stream(spec.path("lines").spliterator(), false)
                                .map(line -> line.path("schedule")))
                .flatMap(schedule -> StreamSupport.stream(schedule.path("wires").spliterator(), false))
                .filter(ObjectNode.class::isInstance)
                .forEach(w -> fill((ObjectNode) w, wire));
    }

    private static Map<String, String> beforeOwners() {
        Map<String, String> to = new LinkedHashMap<>();
        to.put("animals", "spec.fence.animals");
        to.put("schedule", "spec.fence.schedule");
        to.put("posts", "spec.fence.posts");
        to.put("build.posts", "spec.fence.posts");
        to.put("braces", "spec.fence.braces");
        to.put("build.braces", "spec.fence.braces");
        to.put("build.wires", "spec.fence.wires");
        to.put("ringClosed", "spec.fence.wires.ringClosed");
        to.put("underGate", "spec.fence.underGate");
        to.put("build.fittings.hazard", "spec.fence.hazard");
        to.put("build.season", "spec.fence.climate");
        to.put("build.lines", "spec.lines");
        to.put("takeoff.signEveryM", "spec.fence.signEveryM");
        to.put("takeoff", "spec.purchasing");
        to.put("units", "spec.preferences.units");
        to.put("feed.outputJ", "spec.supply.countedJ");
        to.put("feed.leadOutSpareM", "spec.supply.leadOutSpareM");
        to.put("feed.groundSchool", "spec.supply.earth.school");
        to.put("power.rodApartM", "spec.supply.earth.rodApartM");
        to.put("power.rodDiameterM", "spec.supply.earth.rodDiameterM");
        to.put("power.energizer", "spec.supply.energizer");
        to.put("power.mode", "spec.supply.mode");
        to.put("power.supply", "spec.supply.source");
        for (String field : List.of("batteryAh", "panelW", "tiltDeg", "sunshineShare", "darkDays")) {
            to.put("power." + field, "spec.supply.battery." + field);
        }
        to.put("power.fitting", "spec.supply.battery");
        for (String field : List.of("growth", "insulators", "ground", "model")) {
            to.put("power." + field, "circumstances." + field);
        }
        return to;
    }

    /** The value at a path, which is not there any more afterwards; parts that are left empty go as well. */
    private static Optional<JsonNode> take(ObjectNode from, List<String> path) {
        String first = path.getFirst();
        if (path.size() == 1) {
            return Optional.ofNullable(from.remove(first));
        }
        if (!(from.path(first) instanceof ObjectNode inner)) {
            return Optional.empty();
        }
        Optional<JsonNode> value = take(inner, path.subList(1, path.size()));
        if (inner.isEmpty() && !first.equals("spec")) {
            from.remove(first);
        }
        return value;
    }

    private static void put(ObjectNode into, List<String> path, JsonNode value) {
        String first = path.getFirst();
        JsonNode there = into.path(first);
        if (path.size() > 1) {
            put(there instanceof ObjectNode inner ? inner : into.putObject(first), path.subList(1, path.size()), value);
        } else if (there instanceof ObjectNode inner && value instanceof ObjectNode fields) {
            inner.setAll(fields);
        } else {
            into.set(first, value);
        }
    }

    /** Every plan held this damping before energizers were fitted to their plates; nobody had said it. */
    private static JsonNode said(JsonNode model) {
        boolean nobody = spread(model.path("bleedOhm"), 2000, 6000, 1e7) && spread(model.path("terminalNf"), 0, 0.5, 2);
        if (nobody && model instanceof ObjectNode fields) {
            fields.putNull("bleedOhm").putNull("terminalNf");
        }
        return model;
    }

    private static boolean spread(JsonNode node, double low, double likely, double high) {
        return node.path("low").asDouble(-1) == low
                && node.path("likely").asDouble(-1) == likely
                && node.path("high").asDouble(-1) == high;
    }

    /** Adds what is missing, also within what is there. */
    private static void fill(ObjectNode into, JsonNode then) {
        then.properties().forEach(field -> {
            JsonNode there = into.path(field.getKey());
            if (there.isMissingNode() || there.isNull() && !field.getValue().isNull()) {
                into.set(field.getKey(), field.getValue().deepCopy());
            } else if (there instanceof ObjectNode inner && field.getValue().isObject()) {
                fill(inner, field.getValue());
            }
        });
    }

    private static JsonNode frozen(String name) {
        try (InputStream in = Objects.requireNonNull(PlanUpgrades.class.getResourceAsStream(name))) {
            return Json.MAPPER.readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
