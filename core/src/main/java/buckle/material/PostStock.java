package buckle.material;

import java.util.List;

/**
 * Generic posts as they are sold, each size with both its names. Strength and stiffness are typical values from memory
 * (P16); the supplier's sheet decides.
 */
public enum PostStock {
    TIMBER_65(Family.TIMBER, "2.5 in", "65 mm", 0.065, lengths(1.5, 1.65, 1.8)),
    TIMBER_90(Family.TIMBER, "3.5 in", "90 mm", 0.090, lengths(1.65, 1.8, 2.1, 2.4)),
    TIMBER_115(Family.TIMBER, "4.5 in", "115 mm", 0.115, lengths(1.8, 2.1, 2.4, 2.7)),
    TIMBER_140(Family.TIMBER, "5.5 in", "140 mm", 0.140, lengths(2.1, 2.4, 2.7, 3.0, 3.6)),
    TIMBER_190(Family.TIMBER, "7.5 in", "190 mm", 0.190, lengths(2.4, 2.7, 3.0, 3.6)),
    STEEL_TEE(Family.STEEL_TEE, "1.75 in", "45 mm", 0.045, lengths(1.5, 1.65, 1.8, 2.1, 2.4)),
    ANGLE_STEEL(Family.ANGLE_STEEL, "1.5 in", "40 mm", 0.040, lengths(1.8, 2.1, 2.4, 2.7, 3.0)),
    FIBREGLASS_10(Family.FIBREGLASS, "3/8 in", "10 mm", 0.010, lengths(1.2, 1.5)),
    FIBREGLASS_20(Family.FIBREGLASS, "3/4 in", "20 mm", 0.020, lengths(1.5, 1.8, 2.1)),
    STEP_IN(Family.STEP_IN, "tread-in", "tread-in", 0.012, lengths(1.05, 1.25, 1.45)),
    STEEL_PIPE(Family.PIPE, "2.4 in", "60 mm", 0.060, lengths(2.1, 2.4, 3.0, 3.6));

    /** What a post is made of and how wires are held on it. */
    public enum Family {
        TIMBER("timber post", true, false, 0.05),
        STEEL_TEE("steel tee post", false, true, 0.05),
        ANGLE_STEEL("angle-steel post", false, true, 0.05),
        FIBREGLASS("fibreglass rod", false, false, 0.05),
        STEP_IN("step-in post", false, false, 0),
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

        public String text() {
            return text;
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
    private final List<Double> lengthsM;

    PostStock(Family family, String imperial, String metric, double widthM, List<Double> lengthsM) {
        this.family = family;
        this.imperial = imperial;
        this.metric = metric;
        this.widthM = widthM;
        this.lengthsM = lengthsM;
    }

    private static List<Double> lengths(Double... lengthsM) {
        return List.of(lengthsM);
    }

    public Family family() {
        return family;
    }

    /** Diameter, or width across the push of the soil. */
    public double widthM() {
        return widthM;
    }

    /** Lengths it is sold in, shortest first. */
    public List<Double> lengthsM() {
        return lengthsM;
    }

    /** Both names: {@code timber post, 4.5 in (115 mm)}. */
    public String text() {
        return family == Family.STEP_IN ? family.text() : family.text() + ", " + imperial + " (" + metric + ")";
    }

    /** The shortest length sold that reaches; the longest there is when none does. */
    public double stockFor(double lengthM) {
        for (double stock : lengthsM) {
            if (stock >= lengthM - 1e-6) {
                return stock;
            }
        }
        return lengthsM.getLast();
    }
}
