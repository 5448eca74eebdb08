package buckle.message;

import static buckle.message.English.counted;
import static buckle.message.English.oneDecimal;
import static buckle.message.English.percent;

import buckle.message.PostMessage.*;
import buckle.spec.BraceKind;

/** What posts, braces and wires have to say, in words. */
final class EnglishPosts {
    private final English en;

    EnglishPosts(English en) {
        this.en = en;
    }

    String text(PostMessage message) {
        return switch (message) {
            case PostsLifted m ->
                m.count() == 1
                        ? "Post " + post(m.worst()) + " stands in a hollow and the wires lift it with "
                                + en.force(m.upliftN()) + ": it takes a tie-down."
                        : m.count()
                                + " posts stand in hollows and the wires lift them: each takes a tie-down. Worst is post "
                                + post(m.worst()) + " with " + en.force(m.upliftN()) + ".";
            case BranchLifts m ->
                "A branch ends on a post that the braces of another line lift already, and together they lift it by more than the ground holds: the branch adds "
                        + en.force(m.upliftN())
                        + " at the worst load. Give the branch an end post of its own beside it, or set that post deeper.";
            case StrongPostsMove m ->
                counted(m.count(), "strong post", "strong posts") + " will move on the day of building: worst at "
                        + en.length(m.stationM()) + ", where " + m.weakest().text() + " at " + percent(m.safety())
                        + " of " + asked(m.asked()) + ". " + remedy(m.brace());
            case StrongPostsMoveLater m ->
                counted(m.count(), "strong post holds", "strong posts hold")
                        + " on the day of building and will move " + when(m.when()) + ": worst at "
                        + en.length(m.stationM()) + ", where " + m.weakest().text() + " at " + percent(m.safety())
                        + " of " + asked(m.asked()) + ". " + remedy(m.brace())
                        + (m.sprung() ? "" : " A spring in each wire takes its share (H4).");
            case StrongPostsAtLimit m ->
                counted(m.count(), "strong post is", "strong posts are") + " at the limit of what the ground holds"
                        + (m.onDay() ? "" : " " + when(m.when())) + ": worst at " + en.length(m.stationM()) + ", with "
                        + oneDecimal(m.safety()) + " times what is asked.";
            case PostsPushed m ->
                counted(m.count(), "post", "posts") + " will move sideways where the wires turn"
                        + (m.onDay() ? "" : " at the worst load") + ": worst is post " + post(m.worst())
                        + ", pushed with " + en.force(m.sideN()) + " where " + en.force(m.holdN())
                        + " are held. A thicker or deeper post, or a brace.";
            case PostsPushedAtLimit m ->
                counted(m.count(), "post is", "posts are") + " at the limit where the wires turn: worst is post "
                        + post(m.worst()) + ", pushed with " + en.force(m.sideN()) + " where " + en.force(m.holdN())
                        + " are held.";
            case StockTooShort m ->
                "No " + m.stock().text() + " is sold " + en.length(m.lengthM()) + " long, which "
                        + counted(m.count(), "post needs", "posts need") + "; the longest is "
                        + en.length(m.longestM()) + ". Choose another kind or a lower top wire.";
            case FoundTooShort m ->
                "A found " + m.stock().text() + " is " + en.length(m.foundM()) + " long, and "
                        + counted(m.count(), "such post needs", "such posts need") + " up to "
                        + en.length(m.lengthM())
                        + ". Set it less deep where the ground allows, lower the top wire, or take another.";
            case StockTooWeak m ->
                "A " + m.stock().text()
                        + " does not take the end of a pull. Choose timber, pipe or angle steel for strong posts.";
            case SteelPosts m -> "On steel posts a failed insulator is a dead short. Choose good ones.";
            case PostShallow m ->
                "Post " + post(m.post()) + " stands only " + en.length(m.depthM())
                        + " deep. Drill and set it again, or brace it.";
            case WireColdTight m ->
                "At " + en.temperature(m.coldC()) + " a wire of "
                        + m.conductor().text() + " pulls "
                        + en.force(m.pullN()) + ", over half of the " + en.force(m.breakingN())
                        + " that break it. Strain it less, or choose a heavier one.";
            case WireIced m ->
                "Under " + en.length(m.iceM()) + " of ice a wire of "
                        + m.conductor().text() + " pulls "
                        + en.force(m.pullN()) + " and sags " + en.length(m.sagM()) + " in the widest span"
                        + (m.over() ? ", over half of what breaks it" : "") + ". Let wires out "
                        + (en.metric() ? "50 to 75 mm in 300 m" : "2 to 3 in in 1000 ft")
                        + " before a big load: that takes about " + en.force(m.reliefN())
                        + " off while the wire is taut (S9).";
            case OnOldFence m ->
                "The wires hang on offset brackets of the fence that stands; its line posts are not counted. Never electrify its own wires.";
        };
    }

    private static String post(PostName post) {
        return post.number() + (post.line().isEmpty() ? "" : " of " + post.line());
    }

    private String asked(Asked asked) {
        return asked.framed()
                ? "the pull of " + en.force(asked.pullN())
                : "the " + en.force(asked.pullN()) + " that all pulls there come to";
    }

    private String when(When when) {
        return switch (when) {
            case When.Cold c -> "at " + en.temperature(c.celsius());
            case When.Iced i -> "under ice";
            case When.AsBuilt b -> "at the worst load";
        };
    }

    private static String remedy(BraceKind brace) {
        return switch (brace) {
            case SINGLE_H, DOUBLE_H -> "A longer rail, a deeper post, less pull or concrete.";
            case DIAGONAL -> "Its foot further out, a deeper post, less pull or concrete.";
            case PIPE -> "A deeper pipe, concrete or a brace.";
            case PIPE_CONCRETE -> "A deeper footing or a brace.";
            case BACK_STAKE -> "A deeper or thicker post, or a brace.";
            case NONE -> "Brace it, or set a heavier post.";
        };
    }
}
