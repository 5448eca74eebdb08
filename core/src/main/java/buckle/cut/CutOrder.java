package buckle.cut;

import buckle.site.BadInput;
import java.util.List;
import java.util.OptionalInt;

/**
 * What is to be cut from what. Lengths in whole millimetres, so that sums are exact.
 *
 * @param kerfMm lost at each cut, the saw's width
 */
public record CutOrder(List<Piece> pieces, List<Stock> stock, int kerfMm) {
    private static final int MOST_KINDS = 400;
    private static final int MOST_PIECES = 20_000;
    /** Of a piece or a stock. */
    public static final int LONGEST_MM = 20_000_000;

    private static final int MOST_KERF_MM = 50;

    public CutOrder {
        pieces = List.copyOf(pieces);
        stock = List.copyOf(stock);
        if (pieces.size() > MOST_KINDS || stock.size() > MOST_KINDS) {
            throw new BadInput("cut.kinds", "pieces", "At most 400 kinds of pieces are cut from at most 400 lengths.");
        }
        if (kerfMm < 0 || kerfMm > MOST_KERF_MM) {
            throw new BadInput("cut.kerf", "kerfMm", "A saw takes 0 to 50 mm.");
        }
        if (stock.stream().map(Stock::id).distinct().count() != stock.size()) {
            throw new BadInput("cut.twice", "stock", "Two lengths go by one name.");
        }
        long all = 0;
        for (Piece p : pieces) {
            length(p.lengthMm(), p.label());
            if (p.count() < 1) {
                throw new BadInput("cut.count", "pieces", "“" + p.label() + "”: say how many are cut.");
            }
            all += p.count();
            int need = p.lengthMm();
            if (stock.stream()
                    .noneMatch(s -> s.lengthMm() >= need && s.available().orElse(1) > 0)) {
                throw new BadInput(
                        "cut.too-long",
                        "pieces",
                        "“" + p.label() + "” is " + need + " mm long; nothing as long is sold or lies in the yard.");
            }
        }
        if (all > MOST_PIECES) {
            throw new BadInput("cut.pieces", "pieces", "At most 20,000 pieces are cut at once.");
        }
        for (Stock s : stock) {
            length(s.lengthMm(), s.id());
            if (s.cost() < 0) {
                throw new BadInput("cut.cost", "stock", "“" + s.id() + "” costs less than nothing.");
            }
        }
    }

    private static void length(int mm, String what) {
        if (mm < 1 || mm > LONGEST_MM) {
            throw new BadInput("cut.length", "lengthMm", "“" + what + "”: a length lies between 1 mm and 20 km.");
        }
    }

    /** So many pieces of a length. */
    public record Piece(String label, int lengthMm, int count) {}

    /**
     * A length that is sold, or lies in the yard.
     *
     * @param cost of one, in whole cents or whatever else is to be kept small; 0 of what is there anyway
     * @param available how many there are; empty of what can be bought
     */
    public record Stock(String id, int lengthMm, long cost, OptionalInt available) {}
}
