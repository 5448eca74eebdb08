package buckle.material;

import buckle.rulebook.Values;
import java.util.List;

/**
 * Generic conductors. Of solid wire, all follows from its diameter (S10) and its metal. Of woven and coated goods weight,
 * strength, stretch and resistance are typical values from memory (S12); the maker's sheet decides.
 */
public enum Conductor {
    HT_12_5(
            "high-tensile steel, 12.5 gauge (2.5 mm)",
            Family.SPRING_WIRE,
            2.51e-3,
            Metal.HIGH_TENSILE_STEEL,
            coils(250.0, 500.0, 1000.0)),
    HT_14(
            "high-tensile steel, 14 gauge (2.0 mm)",
            Family.SPRING_WIRE,
            2.03e-3,
            Metal.HIGH_TENSILE_STEEL,
            coils(400.0, 800.0)),
    HT_14_5(
            "high-tensile steel, 14.5 gauge (1.9 mm)",
            Family.SPRING_WIRE,
            1.93e-3,
            Metal.HIGH_TENSILE_STEEL,
            coils(400.0, 800.0)),
    SOFT_14("soft steel, 14 gauge (2.0 mm)", Family.SOFT_WIRE, 2.03e-3, Metal.SOFT_STEEL, coils(400.0)),
    SOFT_16("soft steel, 16 gauge (1.6 mm)", Family.SOFT_WIRE, 1.59e-3, Metal.SOFT_STEEL, coils(400.0, 800.0)),
    SOFT_17("soft steel, 17 gauge (1.4 mm)", Family.SOFT_WIRE, 1.37e-3, Metal.SOFT_STEEL, coils(400.0, 800.0)),
    ALU_12_5("aluminium, 12.5 gauge (2.5 mm)", Family.SOFT_WIRE, 2.51e-3, Metal.ALUMINIUM, coils(400.0)),
    ALU_14("aluminium, 14 gauge (2.0 mm)", Family.SOFT_WIRE, 2.03e-3, Metal.ALUMINIUM, coils(400.0)),
    COATED_12_5(
            "coated high-visibility wire on a 12.5 gauge (2.5 mm) core",
            Family.COATED_WIRE,
            2.51e-3,
            Metal.HIGH_TENSILE_STEEL,
            0.055,
            coils(400.0)),
    POLYWIRE(
            "polywire, 0.1 in (2.5 mm)",
            Family.WOVEN,
            2.5e-3,
            0.0025,
            800,
            20e3,
            1e-4,
            3.0,
            1,
            coils(200.0, 400.0, 500.0)),
    POLYTAPE("tape, 1.5 in (40 mm)", Family.WOVEN, 40e-3, 0.018, 2000, 60e3, 1e-4, 0.15, 1, coils(200.0, 400.0)),
    POLYROPE("rope, 1/4 in (6 mm)", Family.WOVEN, 6e-3, 0.025, 3500, 50e3, 1e-4, 0.12, 1, coils(200.0, 400.0)),
    /** Never hot (C2); typical values of a light two-strand wire, from memory. */
    BARBED("barbed wire, two strands", Family.SOFT_WIRE, 2.51e-3, 0.13, 4200, 1.9e6, 12e-6, 0.014, 60, coils(400.0)),
    NET("net of woven strands, on its own posts", Family.NET, 2.5e-3, 0.09, 800, 20e3, 1e-4, 3.0, 1, coils(25.0, 50.0)),
    LEAD_OUT_CABLE(
            "double-insulated lead-out cable, 12.5 gauge (2.5 mm) steel core",
            Family.CABLE,
            2.51e-3,
            Metal.SOFT_STEEL,
            0.06,
            coils(50.0, 100.0));

    /** How a conductor is handled, joined and seen. */
    public enum Family {
        SPRING_WIRE("crimps or a proper figure-eight joint", "hard to see until the animal knows it"),
        SOFT_WIRE("twisted joint or crimps", "hard to see until the animal knows it"),
        COATED_WIRE("crimps on the bared core", "seen from afar in summer; white is lost in snow"),
        WOVEN(
                "knotted, ends bared 3 to 6 in (75 to 150 mm) and twisted together",
                "seen from afar; choose a colour against the snow"),
        NET("clipped net to net", "seen as a wall; animals with horns can tangle"),
        CABLE("clamps at both ends, no joints on the way", "not seen: in the ground or on the wall");

        private final String joining;
        private final String seen;

        Family(String joining, String seen) {
            this.joining = joining;
            this.seen = seen;
        }

        /** How two ends of it are joined. */
        public String joining() {
            return joining;
        }

        /** How well animals see it. */
        public String seen() {
            return seen;
        }
    }

    private final String text;
    private final Family family;
    private final double diameterM;
    private final double kgPerM;
    private final double breakingN;
    private final double stiffnessN;
    private final double expansionPerK;
    private final double ohmPerM;
    private final List<Double> coilsM;
    private final double muR;

    /** Bare wire: everything follows from diameter and metal. */
    Conductor(String text, Family family, double diameterM, Metal metal, Coils coils) {
        this(text, family, diameterM, metal, area(diameterM) * metal.densityKgPerM3(), coils);
    }

    /** A metal core in something that adds weight and no strength. */
    Conductor(String text, Family family, double diameterM, Metal metal, double kgPerM, Coils coils) {
        this(
                text,
                family,
                diameterM,
                kgPerM,
                area(diameterM) * metal.strengthPa(),
                area(diameterM) * metal.elasticPa(),
                metal.expansionPerK(),
                metal.resistivityOhmM() / area(diameterM),
                metal.muR(),
                coils);
    }

    Conductor(
            String text,
            Family family,
            double diameterM,
            double kgPerM,
            double breakingN,
            double stiffnessN,
            double expansionPerK,
            double ohmPerM,
            double muR,
            Coils coils) {
        this.text = text;
        this.family = family;
        this.diameterM = diameterM;
        this.kgPerM = kgPerM;
        this.breakingN = breakingN;
        this.stiffnessN = stiffnessN;
        this.expansionPerK = expansionPerK;
        this.ohmPerM = ohmPerM;
        this.muR = muR;
        this.coilsM = coils.lengthsM();
    }

    private record Coils(List<Double> lengthsM) {}

    private static Coils coils(Double... lengthsM) {
        return new Coils(List.of(lengthsM));
    }

    private static double area(double diameterM) {
        return Math.PI * diameterM * diameterM / 4;
    }

    /** Refused as a hot wire: an animal or a person caught in the barbs could not get off it. */
    public void requireElectrifiable() {
        if (this == BARBED) {
            throw new IllegalArgumentException("barbed wire is never electrified (C2)");
        }
    }

    /** As it is asked for at a counter. */
    public String text() {
        return text;
    }

    /** Wire, rope, tape, net or woven. */
    public Family family() {
        return family;
    }

    /** Of the metal core, for coated goods; width, for tape. */
    public double diameterM() {
        return diameterM;
    }

    /** Mass of a metre. */
    public double kgPerM() {
        return kgPerM;
    }

    /** Pull at which it breaks. */
    public double breakingN() {
        return breakingN;
    }

    /** Pull that would stretch it by its own length, E A. */
    public double stiffnessN() {
        return stiffnessN;
    }

    /** Thermal expansion, a share of the length for each kelvin. */
    public double expansionPerK() {
        return expansionPerK;
    }

    /** For direct current; a pulse meets more in steel. */
    public double ohmPerM() {
        return ohmPerM;
    }

    /** How many times its resistance may be off, either way: a tenth for wire and its joints, twice for woven goods (V13). */
    public double tolerance() {
        return switch (family) {
            case WOVEN, NET -> Values.V13_WOVEN_FACTOR;
            case SPRING_WIRE, SOFT_WIRE, COATED_WIRE, CABLE -> Values.V13_WIRE_FACTOR;
        };
    }

    /** Permeability relative to air; of woven goods with stainless strands about 1. */
    public double muR() {
        return muR;
    }

    /** Diameter of the round wire that lies in the air like it: of a tape half its width. */
    public double roundM() {
        return this == POLYTAPE ? diameterM / 2 : diameterM;
    }

    /** Lengths it is sold in, shortest first. */
    public List<Double> coilsM() {
        return coilsM;
    }

    /** Joined by crimping, otherwise knotted or clipped. */
    public boolean crimped() {
        return family == Family.SPRING_WIRE || family == Family.SOFT_WIRE || family == Family.COATED_WIRE;
    }

    /** Strained by strainers; woven goods are pulled by hand. */
    public boolean strained() {
        return family == Family.SPRING_WIRE || family == Family.COATED_WIRE;
    }
}
