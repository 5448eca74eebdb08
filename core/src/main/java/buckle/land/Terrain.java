package buckle.land;

import buckle.site.GeoPoint;
import java.util.OptionalDouble;

/** Height of the ground at a place, where it is known. */
public interface Terrain {
    Terrain NONE = new Terrain() {
        @Override
        public OptionalDouble heightM(GeoPoint at) {
            return OptionalDouble.empty();
        }

        @Override
        public double stepM() {
            return 10;
        }
    };

    /** Height of the ground at a place; empty where none is known. */
    OptionalDouble heightM(GeoPoint at);

    /** Distance at which following the ground makes sense: about half a cell. */
    double stepM();
}
