package buckle.land;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What is known of a feature beyond its place; each kind uses the few that concern it.
 *
 * @param make how an existing fence is made
 * @param postsUsable whether posts of an existing fence still hold
 * @param electrified whether an existing fence is fed by an energizer of its own
 * @param voltageKv voltage of an overhead line
 * @param lowestWireM height of an overhead line's lowest conductor above the ground
 * @param service what a buried service carries
 * @param depthM depth of a buried service, or of the stone in a soil zone
 * @param floodRiseM how high the water of a creek comes above its bed in a flood
 * @param soil what the ground of a soil zone is
 * @param widthM width of a track, path, creek or opening
 */
public record Traits(
        Optional<FenceMake> make,
        Optional<Boolean> postsUsable,
        Optional<Boolean> electrified,
        OptionalDouble voltageKv,
        OptionalDouble lowestWireM,
        Optional<Service> service,
        OptionalDouble depthM,
        OptionalDouble floodRiseM,
        Optional<Soil> soil,
        OptionalDouble widthM) {
    public static final Traits NONE = new Traits(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            OptionalDouble.empty());

    /** How an existing fence is made. */
    public enum FenceMake {
        BARBED,
        WOVEN,
        TIMBER,
        OTHER
    }

    /** What a buried service carries. */
    public enum Service {
        WATER,
        GAS,
        POWER,
        TELEPHONE,
        DRAIN,
        OTHER
    }

    /** What the ground is. */
    public enum Soil {
        CLAY,
        LOAM,
        SAND,
        STONE,
        WET,
        FROZEN_IN_SEASON
    }

    public Traits {
        between("voltageKv", voltageKv, 0.05, 1500);
        between("lowestWireM", lowestWireM, 1, 100);
        between("depthM", depthM, 0, 20);
        between("floodRiseM", floodRiseM, 0, 30);
        between("widthM", widthM, 0.1, 200);
    }

    private static void between(String field, OptionalDouble value, double least, double most) {
        if (value.isPresent() && !(value.getAsDouble() >= least && value.getAsDouble() <= most)) {
            throw new IllegalArgumentException(
                    field + " is " + value.getAsDouble() + "; it must lie between " + least + " and " + most);
        }
    }
}
