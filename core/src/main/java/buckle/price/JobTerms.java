package buckle.price;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * What one job's price has of its own beside the house's rates.
 *
 * @param km the way to it, one way
 * @param agreed a price before tax that was agreed, whatever the sums say
 * @param extras what is sold beside the fence
 */
public record JobTerms(
        Optional<BigDecimal> km, Optional<BigDecimal> marginPercent, Optional<BigDecimal> agreed, List<Extra> extras) {
    /** As the house does it. */
    public static final JobTerms USUAL = new JobTerms(Optional.empty(), Optional.empty(), Optional.empty(), List.of());

    public JobTerms {
        extras = List.copyOf(extras);
    }

    /**
     * Something sold beside the fence.
     *
     * @param cost of one of it to the house
     */
    public record Extra(String text, BigDecimal quantity, BigDecimal cost, String taxClass) {
        BigDecimal all() {
            return quantity.multiply(cost);
        }
    }
}
