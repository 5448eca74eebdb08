package buckle.land;

import java.util.Optional;

/** A property as the layout sees it: its features, and the surface of its ground from a grid or from spot heights. */
public record Surroundings(Land land, Terrain terrain) {
    public static final Surroundings NONE = new Surroundings(Land.NONE, Terrain.NONE);

    /** What is known of the property, with its terrain when there is one. */
    public static Surroundings of(Land land, Optional<GridTerrain> grid) {
        return new Surroundings(land, grid.isPresent() ? grid.get() : ScatterTerrain.over(land.spotHeights()));
    }
}
