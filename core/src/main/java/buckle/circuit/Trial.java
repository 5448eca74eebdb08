package buckle.circuit;

import java.util.List;
import java.util.Set;

/**
 * What is tried out without being planned.
 *
 * @param open ids of cut-outs, of gates that open the circuit, and of the joints of jumper sets left out
 * @param loads to earth, grass or a branch on the wire
 */
public record Trial(Set<String> open, List<TestLoad> loads) {
    public static final Trial NONE = new Trial(Set.of(), List.of());

    public Trial {
        open = Set.copyOf(open);
        loads = List.copyOf(loads);
        if (loads.size() > 50) {
            throw new IllegalArgumentException("at most 50 loads are tried at once");
        }
    }

    /** A resistance from the hot wires to earth. */
    public record TestLoad(String lineId, double stationM, double ohm) {
        public TestLoad {
            if (!(ohm >= 1 && ohm <= 1e7)) {
                throw new IllegalArgumentException("a load of " + ohm + " Ω is not between 1 Ω and 10 MΩ");
            }
        }
    }
}
