package buckle.exchange.job;

import buckle.exchange.Json;
import buckle.site.BadInput;
import buckle.spec.Preset;
import buckle.spec.Spec;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads a spec; what is left out is taken from {@link Spec#usual()}, wires and the depth of line posts from the named preset. */
public final class SpecReader {
    private SpecReader() {}

    public static Spec read(JsonNode node, String path) {
        if (node.isMissingNode() || node.isNull()) {
            return Spec.usual();
        }
        if (!node.isObject()) {
            throw new BadInput("spec", path, "The spec is an object of named values.");
        }
        ObjectNode whole = (ObjectNode) Json.MAPPER.valueToTree(Spec.usual());
        JsonNode schedule = node.path("schedule");
        if (schedule.isObject() && !schedule.has("wires")) {
            whole.set("schedule", preset(schedule.path("preset").asString(""), path));
        } else if (schedule.isObject() && !schedule.has("preset")) {
            ((ObjectNode) whole.path("schedule")).put("preset", "own");
        }
        if (schedule.path("preset").isString()) {
            Preset.all().stream()
                    .filter(p -> p.id().equals(schedule.path("preset").asString()))
                    .filter(p -> p.lineDepthM().isPresent())
                    .forEach(p -> ((ObjectNode) whole.path("build").path("posts"))
                            .put("lineDepthM", p.lineDepthM().getAsDouble()));
        }
        merge(whole, (ObjectNode) node);
        return Json.read(whole, Spec.class, path);
    }

    private static JsonNode preset(String id, String path) {
        try {
            return Json.MAPPER.valueToTree(Preset.of(id).schedule());
        } catch (IllegalArgumentException e) {
            throw new BadInput("spec.preset", path + ".schedule.preset", "No wire schedule is called “" + id + "”.");
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
