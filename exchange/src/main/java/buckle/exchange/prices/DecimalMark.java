package buckle.exchange.prices;

/** Which mark stands before the decimals of a list. */
public enum DecimalMark {
    AUTO,
    POINT,
    COMMA
}
