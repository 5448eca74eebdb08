package buckle.site;

import buckle.material.PostStock;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * What people decided or found on the ground along a line, kept by place, so that it outlives every new layout.
 *
 * @param overrides stretches with posts of their own choice
 * @param issued numbers that stand on posts already
 * @param standing posts that were set otherwise than planned
 * @param turned whether the line was reversed since its ends were named; test points keep their names
 * @param closingCorner corner of a closed line where the hot wires stay open, the first when not said
 * @param onExisting whether the wires hang on offset brackets of an existing fence already
 * @param wireEnds corners at which the wire ends though it would run on
 * @param leads insulated leads from this line to others, that power goes over
 * @param feeder whether it carries power only: it keeps nothing in and needs nothing
 * @param season days on which it goes up and comes down; empty where it stands all the year
 * @param wiresOn the side of the posts the wires hang on; always on the outside of a turn when not said
 * @param beside id of the line this one is the outer row of, in a double fence
 */
@RecordBuilder
public record LineBook(
        List<PostOverride> overrides,
        List<IssuedPost> issued,
        List<StandingPost> standing,
        boolean turned,
        Optional<String> closingCorner,
        boolean onExisting,
        Optional<String> beside,
        Optional<Side> wiresOn,
        List<String> wireEnds,
        List<LeadTo> leads,
        boolean feeder,
        Optional<Season> season)
        implements LineBookBuilder.With {
    public static final LineBook EMPTY = new LineBook(
            List.of(),
            List.of(),
            List.of(),
            false,
            Optional.empty(),
            false,
            Optional.empty(),
            Optional.empty(),
            List.of(),
            List.of(),
            false,
            Optional.empty());

    public LineBook {
        overrides = List.copyOf(overrides);
        issued = List.copyOf(issued);
        standing = List.copyOf(standing);
        wireEnds = List.copyOf(wireEnds);
        leads = List.copyOf(leads);
    }

    /**
     * A lead to another line.
     *
     * @param at where on this line it is hooked on; empty where the two come nearest
     * @param reelM how much of it there is, when that is known
     */
    public record LeadTo(String id, String toLineId, Optional<GeoPoint> at, OptionalDouble reelM) {
        public LeadTo {
            if (reelM.isPresent() && !(reelM.getAsDouble() > 0 && reelM.getAsDouble() <= 2000)) {
                throw new IllegalArgumentException(
                        "a lead of " + reelM.getAsDouble() + " m is not between 0 m and 2,000 m");
            }
        }
    }

    /**
     * Another choice of posts between two places of the line.
     *
     * @param spacingM none wider than this
     * @param lightPerGap light posts between two line posts
     * @param found where the posts are found or used again: they are set as others, but not bought
     * @param use what the posts there do; where both ends are one place, the single post there
     */
    public record PostOverride(
            String id,
            GeoPoint from,
            GeoPoint to,
            OptionalDouble spacingM,
            Optional<PostStock> stock,
            OptionalInt lightPerGap,
            Optional<Use> use,
            String reason,
            Optional<Found> found) {
        /** Posts that are bought. */
        public PostOverride(
                String id,
                GeoPoint from,
                GeoPoint to,
                OptionalDouble spacingM,
                Optional<PostStock> stock,
                OptionalInt lightPerGap,
                Optional<Use> use,
                String reason) {
            this(id, from, to, spacingM, stock, lightPerGap, use, reason, Optional.empty());
        }

        public PostOverride {

            if (spacingM.isPresent() && !(spacingM.getAsDouble() >= 0.5 && spacingM.getAsDouble() <= 60)) {
                throw new IllegalArgumentException(
                        "spacing " + spacingM.getAsDouble() + " m of an override is not between 0.5 m and 60 m");
            }
            if (lightPerGap.isPresent() && (lightPerGap.getAsInt() < 0 || lightPerGap.getAsInt() > 9)) {
                throw new IllegalArgumentException(
                        "an override has 0 to 9 light posts a gap, not " + lightPerGap.getAsInt());
            }
        }
    }

    /**
     * Posts that were found or are used again.
     *
     * @param lengthM how long they are, when that is known
     */
    public record Found(OptionalDouble lengthM) {
        public Found {
            if (lengthM.isPresent() && !(lengthM.getAsDouble() >= 0.2 && lengthM.getAsDouble() <= 10)) {
                throw new IllegalArgumentException(
                        "length " + lengthM.getAsDouble() + " m of a post is not between 0.2 m and 10 m");
            }
        }
    }

    /** What somebody wants posts between the strong ones to do. */
    public enum Use {
        LINE,
        TIE_DOWN,
        LIGHT
    }

    /** Of a line, as its stations run. */
    public enum Side {
        LEFT,
        RIGHT;

        /** The opposite side. */
        public Side other() {
            return this == LEFT ? RIGHT : LEFT;
        }
    }

    /** A number that was given to the post at a place. */
    public record IssuedPost(int number, GeoPoint at) {
        public IssuedPost {
            if (number < 1 || number > 1_000_000) {
                throw new IllegalArgumentException("post number " + number + " is not between 1 and 1,000,000");
            }
        }
    }

    /**
     * A post as it really stands, refused by a stone or set deeper.
     *
     * @param depthM in the ground
     */
    public record StandingPost(GeoPoint at, double depthM, String note) {
        public StandingPost {
            if (!(depthM >= 0 && depthM <= 5)) {
                throw new IllegalArgumentException("depth " + depthM + " m of a post is not between 0 m and 5 m");
            }
        }
    }
}
