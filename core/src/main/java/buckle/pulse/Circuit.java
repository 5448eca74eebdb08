package buckle.pulse;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * A network fed by one energizer.
 *
 * @param earthOhm of the ground rods, in series with the fence
 * @param earthTied whether the earth wires lead back to the energizer's earth terminal: what returns in them passes no rod
 */
@RecordBuilder
public record Circuit(
        String name,
        LineModel model,
        Source source,
        double earthOhm,
        boolean earthTied,
        List<Run> runs,
        List<Fault> faults)
        implements CircuitBuilder.With {
    /** More runs than this are not solved. */
    public static final int MOST_RUNS = 20_000;

    public Circuit {
        runs = List.copyOf(runs);
        faults = List.copyOf(faults);
        LineWire.require(earthOhm >= 0 && earthOhm <= 1e6, "earth of " + earthOhm + " Ω is not between 0 and 1 MΩ");
        LineWire.require(runs.size() <= MOST_RUNS, "more than " + MOST_RUNS + " runs");
        check(runs, faults);
    }

    /** Along the wire from the energizer to where each run begins. */
    public Map<String, Double> beginsM() {
        Map<String, Double> all = new HashMap<>();
        Map<String, Double> endM = new HashMap<>();
        for (Run run : Tree.parentsFirst(runs)) {
            double beginsM =
                    run.parent().map(p -> Objects.requireNonNull(endM.get(p))).orElse(0.0);
            all.put(run.id(), beginsM);
            endM.put(run.id(), beginsM + run.lengthM());
        }
        return all;
    }

    private static void check(List<Run> runs, List<Fault> faults) {
        Map<String, Run> byId = new HashMap<>();
        for (Run run : runs) {
            LineWire.require(byId.put(run.id(), run) == null, "two runs are called " + run.id());
        }
        for (Run run : runs) {
            run.parent().ifPresent(p -> known(byId, p, "run " + run.id() + " begins at run " + p));
            run.joins().ifPresent(j -> known(byId, j, "run " + run.id() + " joins run " + j));
        }
        Set<String> fed = new HashSet<>();
        for (Run run : runs) {
            List<String> way = new ArrayList<>();
            Run at = run;
            while (!fed.contains(at.id())) {
                LineWire.require(
                        !way.contains(at.id()), "run " + run.id() + " begins at itself; close loops with “joins”");
                way.add(at.id());
                if (at.parent().isEmpty()) {
                    break;
                }
                at = Objects.requireNonNull(byId.get(at.parent().get()));
            }
            fed.addAll(way);
        }
        for (Fault fault : faults) {
            Run run = known(
                    byId, fault.at().runId(), "a fault is on run " + fault.at().runId());
            LineWire.require(
                    fault.at().distanceM() >= 0 && fault.at().distanceM() <= run.lengthM(),
                    "a fault lies " + fault.at().distanceM() + " m along run " + run.id() + ", which is "
                            + run.lengthM() + " m long");
        }
    }

    private static Run known(Map<String, Run> byId, String id, String what) {
        Run run = byId.get(id);
        if (run == null) {
            throw new IllegalArgumentException(what + ", which is not there");
        }
        return run;
    }
}
