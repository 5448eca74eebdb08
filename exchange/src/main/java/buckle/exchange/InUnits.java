package buckle.exchange;

import buckle.units.UnitSystem;

/** Content whose messages are told in a job's units; as JSON the content alone. */
public record InUnits<T>(UnitSystem units, T content) {}
