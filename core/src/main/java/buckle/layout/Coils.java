package buckle.layout;

import buckle.material.Conductor;
import java.util.EnumMap;
import java.util.Map;

/** S14: what is left of the coil that is being used up, of each conductor, as the job is wired pull by pull and line by line. */
final class Coils {
    private final Map<Conductor, double[]> restM = new EnumMap<>(Conductor.class);

    /** One length, to be drawn from. */
    double[] rest(Conductor conductor) {
        return restM.computeIfAbsent(conductor, c -> new double[1]);
    }
}
