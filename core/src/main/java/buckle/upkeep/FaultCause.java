package buckle.upkeep;

/** Why a part failed. */
public enum FaultCause {
    GROWTH,
    SUN_AND_AGE,
    ANIMAL,
    FALLEN_LIMB,
    CORROSION,
    WORKMANSHIP,
    VEHICLE,
    FROST_OR_FLOOD,
    LIGHTNING,
    DRY_GROUND,
    UNKNOWN
}
