package buckle.material;

/**
 * What a conductor carries the pull and the pulse with. Constants at 20 °C, written down from general engineering
 * knowledge; the maker's sheet decides.
 *
 * @see Conductor
 */
public enum Metal {
    HIGH_TENSILE_STEEL(7850, 200e9, 12e-6, 1.7e-7, 1170e6),
    SOFT_STEEL(7850, 200e9, 12e-6, 1.4e-7, 400e6),
    ALUMINIUM(2700, 69e9, 23e-6, 2.82e-8, 300e6),
    COPPER(8960, 117e9, 17e-6, 1.72e-8, 220e6);

    private final double densityKgPerM3;
    private final double elasticPa;
    private final double expansionPerK;
    private final double resistivityOhmM;
    private final double strengthPa;

    Metal(double densityKgPerM3, double elasticPa, double expansionPerK, double resistivityOhmM, double strengthPa) {
        this.densityKgPerM3 = densityKgPerM3;
        this.elasticPa = elasticPa;
        this.expansionPerK = expansionPerK;
        this.resistivityOhmM = resistivityOhmM;
        this.strengthPa = strengthPa;
    }

    /** Density. */
    public double densityKgPerM3() {
        return densityKgPerM3;
    }

    /** Modulus of elasticity. */
    public double elasticPa() {
        return elasticPa;
    }

    /** Thermal expansion, a share of the length for each kelvin. */
    public double expansionPerK() {
        return expansionPerK;
    }

    /** Resistivity at 20 °C. */
    public double resistivityOhmM() {
        return resistivityOhmM;
    }

    /** Permeability relative to air, about; that of steel differs between lots and falls in strong fields. */
    public double muR() {
        return this == HIGH_TENSILE_STEEL || this == SOFT_STEEL ? 100 : 1;
    }

    /** Stress at which it breaks. */
    public double strengthPa() {
        return strengthPa;
    }
}
