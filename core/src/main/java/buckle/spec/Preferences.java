package buckle.spec;

import buckle.units.UnitSystem;

/** How the job is told. */
public record Preferences(UnitSystem units) {
    public static final Preferences USUAL = new Preferences(UnitSystem.FT_IN);
}
