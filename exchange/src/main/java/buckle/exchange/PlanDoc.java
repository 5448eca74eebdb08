package buckle.exchange;

import buckle.site.Tees;
import buckle.spec.Plan;
import tools.jackson.databind.JsonNode;

/** The plan as it is stored: JSON of {@link Plan}. One stored before branches were named gets them named. */
public final class PlanDoc {
    private PlanDoc() {}

    public static String write(Plan plan) {
        return Json.MAPPER.writeValueAsString(plan);
    }

    public static Plan read(String doc) {
        JsonNode root = Json.MAPPER.readTree(doc);
        JsonNode lines = root.path("site").path("lines");
        boolean branchesNamed = lines.isEmpty() || lines.get(0).has("startsOn");
        Plan plan = Json.MAPPER.treeToValue(root, Plan.class);
        return branchesNamed ? plan : new Plan(Tees.fromCoincidence(plan.site()), plan.spec(), plan.decisions());
    }
}
