package buckle.exchange.cli;

import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Hunt;
import buckle.pulse.Circuit;
import buckle.simulation.KnownHunt;
import buckle.simulation.Truth;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Hunts with their answers: fences once, then cases whose {@code fence} names one of them. */
public final class KnownHunts {
    private KnownHunts() {}

    /** The fences alone, each by its name. */
    public static List<Circuit> fences(JsonNode root) {
        return root.path("fences")
                .propertyStream()
                .map(fence -> {
                    Circuit c = CircuitFile.circuit(fence.getValue());
                    return new Circuit(
                            fence.getKey(), c.model(), c.source(), c.earthOhm(), c.earthTied(), c.runs(), c.faults());
                })
                .toList();
    }

    public static List<KnownHunt> read(JsonNode root) {
        List<KnownHunt> all = new ArrayList<>();
        for (JsonNode one : root.path("cases")) {
            ObjectNode file = ((ObjectNode) one).deepCopy();
            file.set("circuit", root.path("fences").path(one.path("fence").asString()));
            List<Truth> truth = new ArrayList<>();
            for (JsonNode t : one.path("truth")) {
                truth.add(new Truth(
                        FaultKind.valueOf(t.path("kind").asString().toUpperCase(Locale.ROOT)),
                        t.path("run").asString(""),
                        t.path("from_m").asDouble(0),
                        t.path("to_m").asDouble(0),
                        t.path("value").asDouble(Double.POSITIVE_INFINITY),
                        t.path("reading").asInt(-1)));
            }
            Hunt hunt = HuntFile.read(file).hunt();
            all.add(new KnownHunt(one.path("name").asString(), hunt, truth));
        }
        return all;
    }
}
