package buckle.land;

/**
 * A terrain grid that lies beside the document.
 *
 * @param hash content hash of the file
 * @param gaps cells without a height
 */
public record GridRef(
        String hash,
        String name,
        int columns,
        int rows,
        double westDeg,
        double southDeg,
        double eastDeg,
        double northDeg,
        double cellDeg,
        double lowestM,
        double highestM,
        int gaps) {}
