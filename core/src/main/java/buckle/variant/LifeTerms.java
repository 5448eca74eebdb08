package buckle.variant;

import buckle.site.BadInput;

/**
 * Over how long costs are looked at, and what upkeep takes.
 *
 * @param upkeepHoursPerKm a year: walking, mending, mowing
 */
public record LifeTerms(int years, double upkeepHoursPerKm) {
    private static final int MOST_YEARS = 60;
    private static final double MOST_HOURS = 1000;

    public LifeTerms {
        if (years < 1 || years > MOST_YEARS) {
            throw new BadInput("variant.years", "years", "Costs are looked at over 1 to 60 years.");
        }
        if (!(upkeepHoursPerKm >= 0 && upkeepHoursPerKm <= MOST_HOURS)) {
            throw new BadInput(
                    "variant.upkeep", "upkeepHoursPerKm", "Upkeep takes 0 to 1,000 hours a kilometre and year.");
        }
    }
}
