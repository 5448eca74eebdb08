package buckle.upkeep;

import buckle.rulebook.Values;

/** What may fail, in the order in which it is looked at while nothing else is known: insulators, earth, leakage into other wires, growth (F1). */
public enum FencePart {
    INSULATOR,
    ROD,
    EARTH_LEAD,
    UNPOWERED_WIRE,
    BRACE,
    GATE_CABLE,
    GATE_HANDLE,
    JOINT,
    CUT_OUT,
    WIRE,
    LEAD_OUT,
    POST,
    BATTERY,
    PANEL,
    ENERGIZER,
    VEGETATION,
    OTHER;

    /** How many faults of it the trade's order stands for beside a log: half as many from one to the next. */
    double assumedFaults() {
        return Values.F1_ASSUMED_FAULTS * Math.pow(2, -1.0 - ordinal());
    }
}
