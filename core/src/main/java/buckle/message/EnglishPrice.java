package buckle.message;

import buckle.message.PriceMessage.MarginUnderFloor;
import buckle.message.PriceMessage.OldPrice;
import buckle.message.PriceMessage.OtherCurrency;
import buckle.message.PriceMessage.Substituted;
import buckle.message.PriceMessage.TaxUnknown;
import buckle.message.PriceMessage.Unpriced;
import java.util.stream.Collectors;

/** What a price says, in words. */
final class EnglishPrice {
    private final English english;

    EnglishPrice(English english) {
        this.english = english;
    }

    String text(PriceMessage message) {
        return switch (message) {
            case Unpriced m ->
                (m.products() == 1 ? "1 product has" : m.products() + " products have")
                        + " no price, and the sum leaves them out: "
                        + m.names().stream().map(english::text).collect(Collectors.joining(", "))
                        + (m.products() > m.names().size() ? " and more." : ".");
            case MarginUnderFloor m ->
                "A margin of " + m.percent().toPlainString() + " % is under the house’s floor of "
                        + m.floorPercent().toPlainString() + " %.";
            case OtherCurrency m ->
                (m.offers() == 1 ? "1 offer in " : m.offers() + " offers in ") + m.currency()
                        + " passed over: the book is in another currency.";
            case Substituted m -> english.text(m.name()) + ": " + m.code() + " is bought in its place.";
            case TaxUnknown m -> "No tax rate is known for “" + m.taxClass() + "”: none is added.";
            case OldPrice m ->
                "The oldest price used, " + m.code() + " at " + m.supplier() + ", is of " + m.date() + ", " + m.days()
                        + " days old.";
        };
    }
}
