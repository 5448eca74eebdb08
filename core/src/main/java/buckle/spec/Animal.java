package buckle.spec;

import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import java.util.OptionalDouble;

/** Who must stay in or out, the voltage that takes, and where that number comes from. */
public enum Animal {
    BEEF_CATTLE("beef cattle", 3000, 0.25, Rule.V1),
    SHEEP_GOATS("sheep and goats", 4500, 0.5, Rule.V2),
    DEER_PLOT("deer, food plot", 3000, 0.5, Rule.V3),
    DEER("deer", 4500, 0.5, Rule.V9),
    PIGS("pigs", 4500, 0.1, Rule.V9),
    HORSES("horses", 3000, 0.25, Rule.V9),
    DONKEYS_PONIES("donkeys and ponies", 3000, 0.25, Rule.V9),
    ALPACAS("alpacas", 4500, 0.5, Rule.V9),
    WILD_BOAR("wild boar", 4500, 0.25, Rule.V9),
    BADGER("badger", 4500, 0.1, Rule.V9),
    BEAR("bear", 6000, 0.7, Rule.V9),
    FOX_POULTRY("fox from poultry", 4000, 0.1, Rule.V9),
    SMALL_GARDEN("small garden animals", 4500, 0.1, Rule.V9),
    /** No voltage is known for people: they are kept out by an alarm, not by the shock. */
    PEOPLE("people", Double.NaN, Double.NaN, Rule.W13);

    private final String text;
    private final double needV;
    private final double needJ;
    private final Rule rule;

    Animal(String text, double needV, double needJ, Rule rule) {
        this.text = text;
        this.needV = needV;
        this.needJ = needJ;
        this.rule = rule;
    }

    /** As it is called on screen. */
    public String text() {
        return text;
    }

    /** Least peak voltage on the wire, in volts; empty when none is known. */
    public OptionalDouble needV() {
        return Double.isNaN(needV) ? OptionalDouble.empty() : OptionalDouble.of(needV);
    }

    /** V14: least energy of a pulse in the animal, in joules; empty when none is known. */
    public OptionalDouble needJ() {
        return Double.isNaN(needJ) ? OptionalDouble.empty() : OptionalDouble.of(needJ);
    }

    /** V5: least output into 500 ohm that practice asks for besides; 0 when it asks for none. */
    public double leastOutputJ() {
        return this == PIGS ? Values.V5_LEAST_OUTPUT_J : 0;
    }

    /** Rule that says what holds it. */
    public Rule rule() {
        return rule;
    }

    /** V3: on a deer plot each wire is read and must hold by itself. */
    public boolean everyWire() {
        return this == DEER_PLOT;
    }
}
