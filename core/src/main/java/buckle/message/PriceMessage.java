package buckle.message;

import java.math.BigDecimal;
import java.util.List;

/** What a price says before anybody signs it. */
public sealed interface PriceMessage extends Message {
    /**
     * Things are in the takeoff and in nobody's price book: the price leaves them out.
     *
     * @param names of the first of them
     */
    record Unpriced(long products, List<Message> names) implements PriceMessage {
        public Unpriced {
            names = List.copyOf(names);
        }
    }

    /** Less is kept than the house wants to keep. */
    record MarginUnderFloor(BigDecimal percent, BigDecimal floorPercent) implements PriceMessage {}

    /** Offers in another currency were passed over. */
    record OtherCurrency(long offers, String currency) implements PriceMessage {}

    /** Something else is bought in the place of what the fence takes. */
    record Substituted(Message name, String code) implements PriceMessage {}

    /** A class of tax has no rate, so no tax is asked for it. */
    record TaxUnknown(String taxClass) implements PriceMessage {}

    /** The oldest price that is used. */
    record OldPrice(String code, String supplier, String date, long days) implements PriceMessage {}
}
