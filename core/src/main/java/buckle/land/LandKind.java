package buckle.land;

import java.util.EnumSet;
import java.util.Set;

/** What can be there already. */
public enum LandKind {
    EXISTING_FENCE("existing fence", Shape.LINE),
    BUILDING("building", Shape.AREA, Shape.POINT),
    POWER_OUTLET("power outlet", Shape.POINT),
    OVERHEAD_LINE("overhead line", Shape.LINE),
    BURIED_SERVICE("buried service", Shape.LINE),
    PUBLIC_WAY("public path or road", Shape.LINE),
    BOUNDARY("boundary", Shape.LINE, Shape.AREA),
    TRACK("track", Shape.LINE),
    OPENING("gate opening", Shape.POINT),
    CREEK("creek", Shape.LINE),
    TREES("trees and brush", Shape.AREA, Shape.LINE, Shape.POINT),
    SOIL("soil zone", Shape.AREA),
    STANDING_WATER("standing water", Shape.AREA),
    NO_GO("no-go", Shape.AREA);

    /** How a feature is drawn. */
    public enum Shape {
        POINT(1, "a point"),
        LINE(2, "a line"),
        AREA(3, "an outline");

        private final int leastPoints;
        private final String text;

        Shape(int leastPoints, String text) {
            this.leastPoints = leastPoints;
            this.text = text;
        }

        /** Fewest points that make such a shape. */
        public int leastPoints() {
            return leastPoints;
        }

        /** In a sentence: an outline. */
        public String text() {
            return text;
        }
    }

    private final String text;
    private final Set<Shape> shapes;

    LandKind(String text, Shape first, Shape... more) {
        this.text = text;
        this.shapes = EnumSet.of(first, more);
    }

    /** As it is called on screen. */
    public String text() {
        return text;
    }

    /** Shapes it may be drawn as. */
    public Set<Shape> shapes() {
        return shapes;
    }
}
