package buckle.layout;

import buckle.spec.GroundSchool;

/**
 * The energizer, its way to the fence, and its ground.
 *
 * @param assumed true when no energizer stands on the plan and the start of the first line was taken
 * @param leadOutM straight way from energizer to fence, without spare
 * @param rods ground rods by the chosen school, and each one's length
 */
public record FeedPlace(
        boolean assumed,
        String name,
        double lonDeg,
        double latDeg,
        String lineId,
        double stationM,
        double leadOutM,
        GroundSchool school,
        int rods,
        double rodM) {}
