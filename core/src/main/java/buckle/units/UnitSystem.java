package buckle.units;

/** How lengths are shown and how a bare number is read: feet and inches, or metres. */
public enum UnitSystem {
    FT_IN,
    METRIC
}
