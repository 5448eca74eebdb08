package buckle.exchange.prices;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Amounts as people write them: with a sign of money, thousands apart, and a point or a comma before the decimals. */
final class Numbers {
    private static final Pattern AMOUNT = Pattern.compile("-?\\d[\\d.,' \\u00A0\\u202F\\u2019]*");
    private static final Pattern MONEY = Pattern.compile("^(?:[A-Z]{3}|[$€£¥])?\\s*(.+?)\\s*(?:[A-Z]{3}|[$€£¥])?$");
    private static final Pattern ONE_MARK = Pattern.compile("-?\\d{1,3}([.,])\\d{3}");
    private static final int MOST_DIGITS = 30;

    private Numbers() {}

    /** Digits and marks alone; empty when it is no number. */
    private static Optional<String> bare(String text) {
        Matcher money = MONEY.matcher(text.strip());
        String t = money.matches() ? money.group(1) : text.strip();
        return t.length() <= MOST_DIGITS && AMOUNT.matcher(t).matches()
                ? Optional.of(t.replaceAll("[' \\u00A0\\u202F\\u2019]", ""))
                : Optional.empty();
    }

    /** The mark that a number shows to stand before its decimals; AUTO when it might be either or has none. */
    static DecimalMark shown(String text) {
        String t = bare(text).orElse("");
        int point = t.lastIndexOf('.');
        int comma = t.lastIndexOf(',');
        if (point >= 0 && comma >= 0) {
            return point > comma ? DecimalMark.POINT : DecimalMark.COMMA;
        }
        if (point < 0 && comma < 0) {
            return DecimalMark.AUTO;
        }
        char mark = point >= 0 ? '.' : ',';
        if (t.indexOf(mark) != t.lastIndexOf(mark)) {
            // Twice: it parts thousands.
            return mark == '.' ? DecimalMark.COMMA : DecimalMark.POINT;
        }
        return ambiguous(text) ? DecimalMark.AUTO : mark == '.' ? DecimalMark.POINT : DecimalMark.COMMA;
    }

    /** {@code 1,234} is a thousand to one and hardly more than one to another. A leading zero decides: {@code 0.500} is a half. */
    static boolean ambiguous(String text) {
        String t = bare(text).orElse("");
        return ONE_MARK.matcher(t).matches() && !t.replace("-", "").startsWith("0");
    }

    static Optional<BigDecimal> read(String text, DecimalMark decimal) {
        Optional<String> bare = bare(text);
        if (bare.isEmpty()) {
            return Optional.empty();
        }
        String t = bare.get();
        String plain = decimal == DecimalMark.COMMA ? t.replace(".", "").replace(',', '.') : t.replace(",", "");
        return plain.matches("-?\\d+(\\.\\d*)?") ? Optional.of(new BigDecimal(plain)) : Optional.empty();
    }
}
