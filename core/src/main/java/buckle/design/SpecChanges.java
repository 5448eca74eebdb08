package buckle.design;

import buckle.circuit.Electrics;
import buckle.circuit.Electrics.Part;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.SpecChange.Effect;
import buckle.land.Surroundings;
import buckle.spec.Plan;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** Which fields of the spec differ between two plans; each is tried alone on the first to tell what it does. */
final class SpecChanges {
    /** More than these are listed without being tried. */
    private static final int MOST_TRIED = 24;

    private final Plan plan;
    private final Surroundings around;
    private final Design now;
    private final Optional<Electrics> pulse;

    private SpecChanges(Plan plan, Surroundings around, Design now) {
        this.plan = plan;
        this.around = around;
        this.now = now;
        this.pulse = pulse(plan, now);
    }

    static List<SpecChange> of(Plan before, Plan after, Surroundings around, Design now) {
        Map<String, Object> one = SpecFields.of(before);
        Map<String, Object> other = SpecFields.of(after);
        List<String> paths = one.keySet().stream()
                .filter(p -> !Objects.equals(one.get(p), other.get(p)))
                .toList();
        if (paths.isEmpty()) {
            return List.of();
        }
        SpecChanges changes = new SpecChanges(before, around, now);
        SpecWords words = new SpecWords(after.spec().units());
        List<SpecChange> all = new ArrayList<>();
        for (String path : paths) {
            Object was = Objects.requireNonNull(one.get(path));
            Object becomes = Objects.requireNonNull(other.get(path));
            Set<Effect> effects =
                    all.size() < MOST_TRIED ? changes.effects(path, becomes) : EnumSet.of(Effect.ONLY_TOGETHER);
            all.add(new SpecChange(path, words.text(path, was), words.text(path, becomes), effects));
        }
        return all;
    }

    private Set<Effect> effects(String path, Object value) {
        Optional<Plan> changed = SpecFields.with(plan, path, value);
        if (changed.isEmpty()) {
            return EnumSet.of(Effect.ONLY_TOGETHER);
        }
        Plan tried = changed.get();
        Design then = Design.of(tried, around);
        Set<Effect> effects = EnumSet.noneOf(Effect.class);
        if (!then.takeoff().equals(now.takeoff())) {
            effects.add(Effect.MATERIAL);
        }
        if (!then.layout().lines().equals(now.layout().lines())
                || !then.layout().feed().equals(now.layout().feed())
                || !then.layout().joints().equals(now.layout().joints())
                || !then.layout().signs().equals(now.layout().signs())
                || !then.layout().sections().equals(now.layout().sections())
                || !then.ledger().equals(now.ledger())) {
            effects.add(Effect.LAYOUT);
        }
        if (!then.layout().findings().equals(now.layout().findings())
                || !then.layout().everyJob().equals(now.layout().everyJob())) {
            effects.add(Effect.FINDINGS);
        }
        Optional<Electrics> pulseThen = pulse(tried, then);
        if (!told(pulseThen).equals(told(pulse))) {
            effects.add(Effect.PULSE);
        }
        return effects;
    }

    private Optional<Electrics> pulse(Plan of, Design design) {
        return ElectricsPlanner.of(of, design.laid(), around, Trial.NONE, EnumSet.of(Part.RANGE, Part.SUPPLY));
    }

    /** What is told of a pulse. */
    private static List<Object> told(Optional<Electrics> electrics) {
        return electrics
                .<List<Object>>map(e -> List.of(
                        e.points(),
                        e.sections(),
                        e.energizer(),
                        e.rodsOhm(),
                        e.supply(),
                        e.assumed(),
                        e.allFindings(),
                        e.needV()))
                .orElse(List.of());
    }
}
