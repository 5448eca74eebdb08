package buckle.message;

import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.mechanics.Weakness;
import buckle.spec.BraceKind;

/** What posts, braces and wires have to say: how many of a sort, and the worst of them. */
public sealed interface PostMessage extends Message {
    /**
     * A post by its number.
     *
     * @param line its name, where the job has several; otherwise empty
     */
    record PostName(int number, String line) {}

    /** When the worst load comes. */
    sealed interface When {
        /** At a temperature in the cold. */
        record Cold(double celsius) implements When {}

        /** Under ice. */
        record Iced() implements When {}

        /** The day of building is the worst. */
        record AsBuilt() implements When {}
    }

    /** Posts in hollows that the wires lift. */
    record PostsLifted(int count, PostName worst, double upliftN) implements PostMessage {}

    /** A branch on a post that another line's braces lift already. */
    record BranchLifts(double upliftN) implements PostMessage {}

    /** What is asked of a strong post: the pull of a braced end, or of all that ends on it. */
    record Asked(boolean framed, double pullN) {}

    /** Strong posts that move on the day of building. */
    record StrongPostsMove(int count, double stationM, Weakness weakest, double safety, Asked asked, BraceKind brace)
            implements PostMessage {}

    /** Strong posts that move at the worst load. */
    record StrongPostsMoveLater(
            int count,
            double stationM,
            When when,
            Weakness weakest,
            double safety,
            Asked asked,
            BraceKind brace,
            boolean sprung)
            implements PostMessage {}

    /** @param onDay on the day of building already */
    record StrongPostsAtLimit(int count, double stationM, boolean onDay, When when, double safety)
            implements PostMessage {}

    /** Posts pushed over where the wires turn. */
    record PostsPushed(int count, boolean onDay, PostName worst, double sideN, double holdN) implements PostMessage {}

    /** Posts near that. */
    record PostsPushedAtLimit(int count, PostName worst, double sideN, double holdN) implements PostMessage {}

    /** No post so long is sold. */
    record StockTooShort(PostStock stock, double lengthM, int count, double longestM) implements PostMessage {}

    /** Posts that were found are too short for where they go. */
    record FoundTooShort(PostStock stock, double lengthM, int count, double foundM) implements PostMessage {}

    /** A stock that takes no pull. */
    record StockTooWeak(PostStock stock) implements PostMessage {}

    /** Posts that conduct. */
    record SteelPosts() implements PostMessage {}

    /** A post that is not deep enough. */
    record PostShallow(PostName post, double depthM) implements PostMessage {}

    /** A wire over its working load in the cold. */
    record WireColdTight(double coldC, Conductor conductor, double pullN, double breakingN) implements PostMessage {}

    /** @param over over half of what breaks it */
    record WireIced(double iceM, Conductor conductor, double pullN, double sagM, boolean over, double reliefN)
            implements PostMessage {}

    /** Wires that hang on an old fence. */
    record OnOldFence() implements PostMessage {}
}
