package buckle;

import buckle.message.English;
import buckle.message.Message;
import buckle.units.UnitSystem;

/** Messages in words, for tests that hold what is said. */
public final class Told {
    private Told() {}

    public static String inFeet(Message message) {
        return English.text(message, UnitSystem.FT_IN);
    }

    public static String inMetres(Message message) {
        return English.text(message, UnitSystem.METRIC);
    }
}
