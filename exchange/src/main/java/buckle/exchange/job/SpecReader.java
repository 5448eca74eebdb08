package buckle.exchange.job;

import buckle.exchange.Json;
import buckle.exchange.document.PlanUpgrades;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.site.BadInput;
import buckle.spec.Circumstances;
import buckle.spec.Preset;
import buckle.spec.Spec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads a spec and the circumstances beside it; what is left out is taken from {@link Spec#USUAL}, wires and the depth of line
 * posts from the named preset. The shape of job files up to schema 4 is read as well.
 */
public final class SpecReader {
    private SpecReader() {}

    /** A spec and what the fence is looked at in. */
    public record Ordered(Spec spec, Circumstances circumstances) {}

    /** A spec in a file of its own, which may hold {@code circumstances} as well. */
    public static Ordered file(JsonNode node) {
        ObjectNode holder = Json.MAPPER.createObjectNode();
        if (node instanceof ObjectNode own) {
            ObjectNode spec = own.deepCopy();
            JsonNode circumstances = spec.path("circumstances");
            if (!circumstances.isMissingNode()) {
                holder.set("circumstances", spec.remove("circumstances"));
            }
            holder.set("spec", spec);
        } else {
            holder.set("spec", node);
        }
        return read(holder, "");
    }

    /**
     * The members {@code spec} and {@code circumstances} of a document.
     *
     * @param path before their names in what is said about them
     */
    static Ordered read(JsonNode document, String path) {
        ObjectNode holder = Json.MAPPER.createObjectNode();
        for (String member : new String[] {"spec", "circumstances"}) {
            JsonNode there = document.path(member);
            if (there instanceof ObjectNode own) {
                holder.set(member, own.deepCopy());
            } else if (!there.isMissingNode() && !there.isNull()) {
                throw new BadInput("spec", path + member, "“" + member + "” is an object of named values.");
            }
        }
        PlanUpgrades.sortByOwner(holder);
        return new Ordered(spec(holder.path("spec"), path + "spec"), circumstances(holder, path + "circumstances"));
    }

    private static Circumstances circumstances(ObjectNode holder, String path) {
        ObjectNode whole = Json.MAPPER.valueToTree(Circumstances.USUAL);
        if (holder.path("circumstances") instanceof ObjectNode own) {
            merge(whole, own);
        }
        return Json.read(whole, Circumstances.class, path);
    }

    private static Spec spec(JsonNode node, String path) {
        ObjectNode whole = Json.MAPPER.valueToTree(Spec.USUAL);
        ObjectNode fence = (ObjectNode) whole.path("fence");
        JsonNode schedule = node.path("fence").path("schedule");
        if (schedule.isObject() && !schedule.has("wires")) {
            fence.set("schedule", preset(schedule.path("preset").asString(""), path));
        } else if (schedule.isObject() && !schedule.has("preset")) {
            ((ObjectNode) fence.path("schedule")).put("preset", "own");
        }
        if (schedule.path("preset").isString()) {
            Preset.all().stream()
                    .filter(p -> p.id().equals(schedule.path("preset").asString()))
                    .filter(p -> p.lineDepthM().isPresent())
                    .forEach(p -> ((ObjectNode) fence.path("posts"))
                            .put("lineDepthM", p.lineDepthM().getAsDouble()));
        }
        // P12: a fence on step-in posts has coated rods at its ends where nobody says otherwise.
        if (node.path("fence").path("posts").path("line").asString("").equals(PostStock.STEP_IN.name())) {
            ((ObjectNode) fence.path("posts"))
                    .put("strong", PostStock.FIBREGLASS_22.name())
                    .put("strongDepthM", Values.P12_END_ROD_M);
        }
        if (node instanceof ObjectNode own) {
            merge(whole, own);
        }
        PlanUpgrades.nameWires(whole);
        return Json.read(whole, Spec.class, path);
    }

    private static JsonNode preset(String id, String path) {
        try {
            return Json.MAPPER.valueToTree(Preset.of(id).schedule());
        } catch (IllegalArgumentException e) {
            throw new BadInput(
                    "spec.preset", path + ".fence.schedule.preset", "No wire schedule is called “" + id + "”.");
        }
    }

    private static void merge(ObjectNode into, ObjectNode from) {
        from.properties().forEach(field -> {
            JsonNode old = into.get(field.getKey());
            if (old instanceof ObjectNode inner && field.getValue() instanceof ObjectNode outer) {
                merge(inner, outer);
            } else {
                into.set(field.getKey(), field.getValue());
            }
        });
    }
}
