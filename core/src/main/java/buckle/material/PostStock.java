package buckle.material;

import buckle.rulebook.Values;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.stream.DoubleStream;

/**
 * Generic posts as they are sold, each size with both its names. Strength and stiffness are typical values from memory
 * (P16); the supplier's sheet decides.
 */
public enum PostStock {
    TIMBER_65(Family.TIMBER, "2.5 in", "65 mm", 0.065, 0, metres(1.5, 1.65, 1.8), feet(5, 5.5, 6, 6.5)),
    TIMBER_90(Family.TIMBER, "3.5 in", "90 mm", 0.090, 0, metres(1.65, 1.8, 2.1, 2.4), feet(5.5, 6, 6.5, 7, 8)),
    TIMBER_115(Family.TIMBER, "4.5 in", "115 mm", 0.115, 0, metres(1.8, 2.1, 2.4, 2.7), feet(6, 6.5, 7, 8, 10)),
    TIMBER_140(Family.TIMBER, "5.5 in", "140 mm", 0.140, 0, metres(2.1, 2.4, 2.7, 3.0, 3.6), feet(6.5, 7, 8, 10, 12)),
    TIMBER_190(Family.TIMBER, "7.5 in", "190 mm", 0.190, 0, metres(2.4, 2.7, 3.0, 3.6), feet(8, 10, 12)),
    STEEL_TEE(
            Family.STEEL_TEE,
            "1.75 in",
            "45 mm",
            0.045,
            2,
            metres(1.5, 1.65, 1.8, 2.1, 2.4),
            feet(5, 5.5, 6, 6.5, 7, 8)),
    ANGLE_STEEL(
            Family.ANGLE_STEEL, "1.5 in", "40 mm", 0.040, 2.4, metres(1.8, 2.1, 2.4, 2.7, 3.0), feet(6, 6.5, 7, 8, 10)),
    FIBREGLASS_10(Family.FIBREGLASS, "3/8 in", "10 mm", 0.010, 0.16, metres(1.2, 1.5), feet(4, 5, 6)),
    FIBREGLASS_20(Family.FIBREGLASS, "3/4 in", "20 mm", 0.020, 0.63, metres(1.5, 1.8, 2.1), feet(5, 6, 6.5, 7)),
    /** P12: the coated end rod of light fences. */
    FIBREGLASS_22(Family.FIBREGLASS, "7/8 in", "22 mm", 0.022, 0.76, metres(1.5, 1.8, 2.1), feet(5, 6, 6.5, 7)),
    STEP_IN(Family.STEP_IN, "tread-in", "tread-in", 0.012, 0.3, metres(1.05, 1.25, 1.45), feet(3.5, 4, 5)),
    /** A bar found in the barn; nothing holds a wire on it but an insulator. */
    STEEL_BAR(Family.STEEL_BAR, "1/2 in", "13 mm", 0.013, 1.0, metres(0.9, 1.2, 1.5), feet(3, 4, 5)),
    STEEL_PIPE(Family.PIPE, "2.4 in", "60 mm", 0.060, 4.5, metres(2.1, 2.4, 3.0, 3.6), feet(7, 8, 10, 12));

    /** What a post is made of and how wires are held on it. */
    public enum Family {
        TIMBER("timber post", true, false, 0.05),
        STEEL_TEE("steel tee post", false, true, 0.05),
        ANGLE_STEEL("angle-steel post", false, true, 0.05),
        FIBREGLASS("fibreglass rod", false, false, 0.05),
        STEP_IN("step-in post", false, false, 0),
        STEEL_BAR("steel bar", false, true, 0),
        PIPE("steel pipe post", false, true, 0.05);

        private final String text;
        private final boolean stapled;
        private final boolean conducts;
        private final double driverAllowanceM;

        Family(String text, boolean stapled, boolean conducts, double driverAllowanceM) {
            this.text = text;
            this.stapled = stapled;
            this.conducts = conducts;
            this.driverAllowanceM = driverAllowanceM;
        }

        /** As it is asked for at a yard, in inches and millimetres. */
        public String text() {
            return text;
        }

        /** I1: its own clips, slots or holes hold the wires, so that it takes no insulators. */
        public boolean holdsWires() {
            return this == STEP_IN;
        }

        /** Whether it can have holes or slots that hold wires without an insulator. */
        public boolean bored() {
            return this == FIBREGLASS || this == STEP_IN;
        }

        /** Whether a wire may end on it without an insulator. */
        public boolean insulates() {
            return this == STEP_IN || this == FIBREGLASS;
        }

        /** Whether insulators are nailed or screwed on, and earth wires stapled; otherwise they are clipped. */
        public boolean stapled() {
            return stapled;
        }

        /** A failed insulator on it is a dead short. */
        public boolean conducts() {
            return conducts;
        }

        /** Head that the driver needs or bruises. */
        public double driverAllowanceM() {
            return driverAllowanceM;
        }

        /** Whether it can take the end of a pull. */
        public boolean strong() {
            return this == TIMBER || this == PIPE || this == ANGLE_STEEL;
        }
    }

    private final Family family;
    private final String imperial;
    private final String metric;
    private final double widthM;
    private final double kgPerM;
    private final List<Double> metresM;
    private final List<Double> feetM;

    /** @param kgPerM 0 for timber, whose weight follows from its size */
    PostStock(
            Family family,
            String imperial,
            String metric,
            double widthM,
            double kgPerM,
            List<Double> metresM,
            List<Double> feetM) {
        this.family = family;
        this.imperial = imperial;
        this.metric = metric;
        this.widthM = widthM;
        this.kgPerM = kgPerM > 0 ? kgPerM : Math.PI / 4 * widthM * widthM * Values.P16_TIMBER_KG_PER_M3;
        this.metresM = metresM;
        this.feetM = feetM;
    }

    private static List<Double> metres(Double... lengthsM) {
        return List.of(lengthsM);
    }

    private static List<Double> feet(double... lengthsFt) {
        return DoubleStream.of(lengthsFt).mapToObj(Lengths::ft).toList();
    }

    /** What it is made of. */
    public Family family() {
        return family;
    }

    /** Diameter, or width across the push of the soil. */
    public double widthM() {
        return widthM;
    }

    /** Mass of a metre. */
    public double kgPerM() {
        return kgPerM;
    }

    /** Lengths it is sold in, shortest first: whole and half feet where people work in feet. */
    public List<Double> lengthsM(UnitSystem units) {
        return units == UnitSystem.METRIC ? metresM : feetM;
    }

    /** Both names: {@code timber post, 4.5 in (115 mm)}. */
    public String text() {
        return family == Family.STEP_IN ? family.text() : family.text() + ", " + imperial + " (" + metric + ")";
    }

    /** The shortest length sold that reaches; the longest there is when none does. */
    public double stockFor(double lengthM, UnitSystem units) {
        List<Double> lengths = lengthsM(units);
        for (double stock : lengths) {
            if (stock >= lengthM - 1e-6) {
                return stock;
            }
        }
        return lengths.getLast();
    }
}
