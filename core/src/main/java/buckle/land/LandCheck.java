package buckle.land;

import buckle.site.Problem;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Whether a property's features can be used; what stands against it, with its place. */
public final class LandCheck {
    public static final int MOST_FEATURES = 5000;
    public static final int MOST_POINTS = 100_000;
    public static final int MOST_SPOT_HEIGHTS = 20_000;
    public static final int MOST_UNDERLAYS = 20;
    public static final int MOST_TAPES = 50;
    public static final int MOST_TAPE_ROWS = 2000;
    private static final int LONGEST_TEXT = 2000;

    private LandCheck() {}

    /** What of the property cannot be taken as it is, with the path of each. */
    public static List<Problem> problems(Land land) {
        List<Problem> problems = new ArrayList<>();
        most(problems, "features", land.features().size(), MOST_FEATURES, "features");
        most(problems, "spotHeights", land.spotHeights().size(), MOST_SPOT_HEIGHTS, "spot heights");
        most(problems, "underlays", land.underlays().size(), MOST_UNDERLAYS, "pictures under the plan");
        int points = land.features().stream().mapToInt(f -> f.points().size()).sum();
        most(problems, "features", points, MOST_POINTS, "points of features");
        most(problems, "tapes", land.tapes().size(), MOST_TAPES, "tape books");
        for (int i = 0; i < land.tapes().size(); i++) {
            most(
                    problems,
                    "tapes[" + i + "].rows",
                    land.tapes().get(i).rows().size(),
                    MOST_TAPE_ROWS,
                    "rows of a tape book");
        }
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < land.features().size(); i++) {
            feature(problems, "features[" + i + "]", land.features().get(i), ids);
        }
        for (int i = 0; i < land.spotHeights().size(); i++) {
            if (land.spotHeights().get(i).heightM().isEmpty()) {
                problems.add(new Problem("spot.height", "spotHeights[" + i + "]", "A spot height has a height."));
            }
        }
        return problems;
    }

    private static void feature(List<Problem> problems, String path, LandFeature feature, Set<String> ids) {
        if (feature.id().isBlank() || !ids.add(feature.id())) {
            problems.add(new Problem(
                    "id.twice", path + ".id", "The id “" + feature.id() + "” stands twice; each needs its own."));
        }
        if (!feature.kind().shapes().contains(feature.shape())) {
            problems.add(new Problem(
                    "feature.shape",
                    path + ".shape",
                    "“" + feature.title() + "”: " + feature.kind().text() + " is not drawn as "
                            + feature.shape().text() + "."));
        }
        int least = feature.shape().leastPoints();
        if (feature.points().size() < least
                || feature.shape() == LandKind.Shape.POINT && feature.points().size() != 1) {
            problems.add(new Problem(
                    "feature.points",
                    path + ".points",
                    "“" + feature.title() + "” has " + feature.points().size() + " points; "
                            + feature.shape().text() + " takes " + (least == 1 ? "one" : "at least " + least) + "."));
        }
        if (feature.note().length() > LONGEST_TEXT || feature.name().length() > LONGEST_TEXT) {
            problems.add(new Problem("feature.text", path + ".note", "At most 2,000 characters go here."));
        }
    }

    private static void most(List<Problem> problems, String path, int count, int most, String what) {
        if (count > most) {
            problems.add(new Problem(
                    "land.too-many",
                    path,
                    "A property holds at most " + most + " " + what + "; these are " + count + "."));
        }
    }
}
