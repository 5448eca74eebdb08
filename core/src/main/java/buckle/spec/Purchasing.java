package buckle.spec;

import static buckle.spec.Ranges.between;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How material is bought. Pack sizes are common ones; ask your supplier.
 *
 * @param wireSlackPercent added to the wire for tails, knots and sag
 */
@RecordBuilder
public record Purchasing(
        double wireSlackPercent, double coilM, int insulatorPack, int fastenerPack, int crimpPack, double cableRollM)
        implements PurchasingBuilder.With {
    public static final Purchasing USUAL = new Purchasing(3, 1000, 25, 100, 50, 50);

    public Purchasing {
        between("purchasing.wireSlackPercent", wireSlackPercent, 0, 50);
        between("purchasing.coilM", coilM, 10, 10000);
        between("purchasing.insulatorPack", insulatorPack, 1, 10000);
        between("purchasing.fastenerPack", fastenerPack, 1, 10000);
        between("purchasing.crimpPack", crimpPack, 1, 10000);
        between("purchasing.cableRollM", cableRollM, 1, 1000);
    }
}
