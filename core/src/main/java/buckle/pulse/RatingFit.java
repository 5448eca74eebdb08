package buckle.pulse;

import buckle.rulebook.Values;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What may stand behind a plate (E9): the likely source, and others with more and less damping that give the same plate. The last few
 * are remembered.
 *
 * @param likely with the pair across the terminals nearest to the usual one of those that solve the plate; empty when none does
 * @param with100 whether the voltage at 100 ohm comes out as well
 */
record RatingFit(Optional<Source> likely, List<Source> around, boolean with100) {
    private static final int REMEMBERED = 512;
    private static final Map<EnergizerRating, RatingFit> KNOWN = remembered();
    private static final Map<Asked, Optional<Source>> KNOWN_WITH = remembered();

    RatingFit {
        around = List.copyOf(around);
    }

    private record Asked(EnergizerRating plate, Damping damping) {}

    private static <K, V> Map<K, V> remembered() {
        return Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > REMEMBERED;
            }
        });
    }

    static RatingFit of(EnergizerRating plate) {
        RatingFit known = KNOWN.get(plate);
        if (known == null) {
            known = solve(plate);
            KNOWN.put(plate, known);
        }
        return known;
    }

    static Optional<Source> with(EnergizerRating plate, Damping damping) {
        Asked asked = new Asked(plate, damping);
        Optional<Source> known = KNOWN_WITH.get(asked);
        if (known == null) {
            known = fit(plate, damping, false);
            KNOWN_WITH.put(asked, known);
        }
        return known;
    }

    private static Optional<Source> fit(EnergizerRating plate, Damping damping, boolean with100) {
        return SourceFit.of(plate, Values.E8_OUT_SHARE, damping, with100);
    }

    private static RatingFit solve(EnergizerRating plate) {
        if (plate.v100().isPresent()) {
            Optional<Source> all = first(plate, true);
            if (all.isPresent()) {
                return new RatingFit(all, around(plate, true), true);
            }
        }
        return new RatingFit(first(plate, false), around(plate, false), false);
    }

    private static Optional<Source> first(EnergizerRating plate, boolean with100) {
        for (Damping damping : Damping.TRIED) {
            Optional<Source> found = fit(plate, damping, with100);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    private static List<Source> around(EnergizerRating plate, boolean with100) {
        return Damping.AROUND.stream()
                .map(d -> fit(plate, d, with100))
                .flatMap(Optional::stream)
                .toList();
    }
}
