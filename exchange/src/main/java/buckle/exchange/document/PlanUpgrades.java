package buckle.exchange.document;

import buckle.exchange.Json;
import buckle.site.Site;
import buckle.site.Tees;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Steps that bring an older plan up to date. */
final class PlanUpgrades {
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
            Site read = Json.MAPPER.treeToValue(site, Site.class);
            plan.set("site", Json.MAPPER.valueToTree(Tees.fromCoincidence(read)));
        }
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
