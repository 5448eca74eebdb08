package buckle.price;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * What one job's price has of its own beside the house's rates.
 *
 * @param km the way to it, one way
 * @param agreed a price before tax that was agreed, whatever the sums say
 * @param extras what is sold beside the fence
 * @param options what the client may add
 * @param scope what is built, in the words of the house; the figures stand below it anyway
 * @param cutting how posts and rails are bought
 */
@RecordBuilder
public record JobTerms(
        Optional<BigDecimal> km,
        Optional<BigDecimal> marginPercent,
        Optional<BigDecimal> agreed,
        List<Extra> extras,
        List<Option> options,
        String scope,
        Cutting cutting)
        implements JobTermsBuilder.With {
    /** As the house does it. */
    public static final JobTerms USUAL =
            new JobTerms(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of(), "", Cutting.EACH);

    public JobTerms {
        extras = List.copyOf(extras);
        options = List.copyOf(options);
    }

    /** In what lengths posts and rails are bought. */
    public enum Cutting {
        /** Every piece in a length of its own. */
        EACH,
        /** Whole lengths from which they are cut, for the least money. */
        LEAST_COST,
        /** Whole lengths from which they are cut, so that little is left over. */
        LEAST_LENGTH
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

    /**
     * Something the client may tick.
     *
     * @param amount asked for it before tax; under zero where it makes the fence cheaper
     * @param oneOf options of the same name exclude each other; empty for one that stands by itself
     */
    public record Option(String id, String text, BigDecimal amount, String taxClass, String oneOf) {}
}
