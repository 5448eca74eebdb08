package buckle.diagnosis;

import java.util.List;

/** For tests of what is made ready ahead. */
public final class TablesAtHand {
    private TablesAtHand() {}

    /** Whether readings of now are only to be held against what is worked out already. */
    public static boolean forReadings(Hunt hunt) {
        List<Value> values = Value.of(hunt.now(), hunt.meter());
        return Remembered.known(hunt.withNow(List.of()), values)
                .filter(t -> t.with(values) == t)
                .isPresent();
    }
}
