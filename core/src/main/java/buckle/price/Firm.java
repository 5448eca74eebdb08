package buckle.price;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;

/**
 * The house as a firm: who it is on paper, where it buys, what it works for, and what its quotes say.
 *
 * @param address lines under the name
 * @param mark hash of a stored picture that stands at the head of quotes
 * @param currency of the price book and of quotes
 */
@RecordBuilder
public record Firm(
        String name,
        List<String> address,
        String contact,
        Optional<String> mark,
        String currency,
        List<PriceBook.Supplier> suppliers,
        Rates rates,
        QuoteTexts texts)
        implements FirmBuilder.With {
    /** Before a house said anything of itself. */
    public static final Firm USUAL =
            new Firm("", List.of(), "", Optional.empty(), "USD", List.of(), Rates.USUAL, QuoteTexts.USUAL);

    public Firm {
        address = List.copyOf(address);
        suppliers = List.copyOf(suppliers);
    }

    /**
     * What stands on every quote.
     *
     * @param validDays a quote that was sent can be accepted for so many days
     * @param clientDoes what the client has to see to
     * @param exclusions what is not part of it
     * @param cautions for people near a live fence
     * @param stages of payment; their shares make 100
     */
    public record QuoteTexts(
            int validDays,
            List<String> clientDoes,
            List<String> exclusions,
            List<String> cautions,
            List<Stage> stages,
            String terms) {
        /** As a careful firm would begin. Common practice. */
        public static final QuoteTexts USUAL = new QuoteTexts(
                30,
                List.of(
                        "Clear the line before we come: a strip we can walk and drive along, without branches and old wire.",
                        "Show us where cables, pipes and drains lie; have those located that nobody can show.",
                        "Keep soil and growth off the lowest wire afterwards: most fences lose their voltage to grass.",
                        "Keep animals away from the line while we build, and train them to the fence when it is live."),
                List.of(
                        "Rock that no post driver goes into, and old footings in the ground.",
                        "Permits, and agreements with those next door.",
                        "Taking down old fences, unless it stands above."),
                List.of(
                        "An electric fence gives a short shock. Signs stay where we put them; explain the fence to children and visitors.",
                        "Only a certified energizer feeds it, one at a time; never mains or a vehicle charger.",
                        "Local code and licensed people have the last word, above all on mains work and near public ways."),
                List.of(
                        new Stage("when the order is placed", new BigDecimal("30")),
                        new Stage("when the posts stand", new BigDecimal("40")),
                        new Stage("when the fence is handed over with its readings", new BigDecimal("30"))),
                "Prices hold for the fence as drawn. What the ground turns out to be, and what is changed on the way, is agreed in a change order before it is built.");

        public QuoteTexts {
            clientDoes = List.copyOf(clientDoes);
            exclusions = List.copyOf(exclusions);
            cautions = List.copyOf(cautions);
            stages = List.copyOf(stages);
        }
    }

    /** A part of the price and when it is due. */
    public record Stage(String when, BigDecimal percent) {}
}
