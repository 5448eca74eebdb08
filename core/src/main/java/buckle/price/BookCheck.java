package buckle.price;

import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** What an item of a price book must be. */
public final class BookCheck {
    private static final BigDecimal MOST_PRICE = new BigDecimal("10000000");
    private static final BigDecimal MOST_SIZE = new BigDecimal("1000000");
    private static final int LONGEST_CODE = 60;
    private static final int LONGEST_TEXT = 300;
    private static final int MOST_OFFERS = 200;
    private static final int MOST_FROM = 1_000_000;
    private static final Pattern CURRENCY = Pattern.compile("[A-Z]{3}");

    private BookCheck() {}

    /** Every problem of an item, each with its path. */
    public static List<Problem> problems(Item item, String path) {
        List<Problem> problems = new ArrayList<>();
        text(problems, path, "code", item.code(), LONGEST_CODE);
        if (item.code().isBlank()) {
            problems.add(new Problem("price.code", path, "An item needs a code."));
        }
        text(problems, path, "description", item.description(), LONGEST_TEXT);
        text(problems, path, "product", item.product(), LONGEST_TEXT);
        if (item.unitKg().isPresent()
                && !(item.unitKg().getAsDouble() >= 0 && item.unitKg().getAsDouble() <= 100_000)) {
            problems.add(new Problem("price.mass", path, "The mass of a unit lies between 0 and 100,000 kg."));
        }
        if (item.lifeYears().isPresent()
                && !(item.lifeYears().getAsDouble() > 0 && item.lifeYears().getAsDouble() <= 200)) {
            problems.add(new Problem("price.life", path, "A service life lies between 0 and 200 years."));
        }
        if (item.offers().size() > MOST_OFFERS) {
            problems.add(new Problem("price.offers", path, "An item has at most " + MOST_OFFERS + " prices."));
        }
        Set<List<Object>> known = new HashSet<>();
        for (Offer o : item.offers()) {
            offer(problems, path, o);
            List<Object> key = List.of(
                    o.supplier(), o.pack(), o.packSize().stripTrailingZeros(), o.fromPacks(), o.currency(), o.date());
            if (!known.add(key)) {
                problems.add(new Problem(
                        "price.twice",
                        path,
                        "“" + item.code() + "” has two prices of " + o.supplier() + " for the same pack and day."));
            }
        }
        return problems;
    }

    /** @throws BadInput when there is any */
    public static void check(Item item) {
        List<Problem> problems = problems(item, "item");
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
    }

    private static void offer(List<Problem> problems, String path, Offer o) {
        if (o.supplier().isBlank()) {
            problems.add(new Problem("price.supplier", path, "A price needs a supplier."));
        }
        text(problems, path, "supplier", o.supplier(), LONGEST_TEXT);
        text(problems, path, "pack", o.pack(), LONGEST_CODE);
        text(problems, path, "tax class", o.taxClass(), LONGEST_CODE);
        if (o.price().signum() < 0 || o.price().compareTo(MOST_PRICE) > 0) {
            problems.add(new Problem("price.value", path, "A price lies between 0 and 10,000,000."));
        } else if (o.price().stripTrailingZeros().scale() > Packs.PRICE_SCALE) {
            problems.add(new Problem("price.value", path, "A price has at most four decimals."));
        }
        if (o.packSize().signum() <= 0 || o.packSize().compareTo(MOST_SIZE) > 0) {
            problems.add(new Problem("price.pack-size", path, "A pack holds more than 0 and at most 1,000,000."));
        } else if (o.packSize().stripTrailingZeros().scale() > Packs.SIZE_SCALE) {
            problems.add(new Problem("price.pack-size", path, "A pack size has at most three decimals."));
        }
        if (o.fromPacks() < 1 || o.fromPacks() > MOST_FROM) {
            problems.add(new Problem("price.from", path, "A price holds from 1 pack or more on, up to 1,000,000."));
        }
        if (!o.currency().isEmpty() && !CURRENCY.matcher(o.currency()).matches()) {
            problems.add(new Problem("price.currency", path, "A currency is three capital letters, like USD."));
        }
        if (o.date().getYear() < 1990 || o.date().getYear() > 2100) {
            problems.add(new Problem("price.date", path, "The date of a price lies between 1990 and 2100."));
        }
    }

    private static void text(List<Problem> problems, String path, String what, String text, int longest) {
        if (text.length() > longest) {
            problems.add(
                    new Problem("price.text", path, "The " + what + " is longer than " + longest + " characters."));
        }
    }
}
