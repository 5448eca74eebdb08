package buckle.stock;

/**
 * What lies at one place of the yard, of one product and one length.
 *
 * @param lengthM of each coil, roll or piece of what is sold by length; 0 of what is counted in pieces
 * @param amount in metres, or in pieces
 */
public record StockLot(String product, double lengthM, String place, double amount) {
    /** Coils, rolls or pieces. */
    public long pieces() {
        return Math.round(lengthM > 0 ? amount / lengthM : amount);
    }
}
