package buckle.layout;

import buckle.material.Conductor;
import buckle.spec.WireRole;
import java.util.HashMap;
import java.util.Map;

/** S14: what is left of the coil that is being used up, of each role and conductor, as the job is wired pull by pull and line by line. */
final class Coils {
    private record Use(WireRole role, Conductor conductor) {}

    private final Map<Use, double[]> restM = new HashMap<>();

    /** One length, to be drawn from. */
    double[] rest(WireRole role, Conductor conductor) {
        return restM.computeIfAbsent(new Use(role, conductor), u -> new double[1]);
    }
}
