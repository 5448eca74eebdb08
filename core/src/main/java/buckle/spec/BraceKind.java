package buckle.spec;

import buckle.rulebook.Rule;

/** How the end of a pull is held. */
public enum BraceKind {
    SINGLE_H("single H brace", 1, 1, Rule.B3),
    DOUBLE_H("double H brace", 2, 2, Rule.B3),
    DIAGONAL("diagonal brace", 1, 0, Rule.B11),
    PIPE("driven pipe corner", 0, 0, Rule.B6),
    PIPE_CONCRETE("pipe corner set in concrete", 0, 0, Rule.B6),
    BACK_STAKE("back-stake outside the corner", 0, 0, Rule.B5),
    /** Nothing fits: the strong post holds by itself. */
    NONE("no brace", 0, 0, Rule.B8);

    private final String text;
    private final int rails;
    private final int posts;
    private final Rule rule;

    BraceKind(String text, int rails, int posts, Rule rule) {
        this.text = text;
        this.rails = rails;
        this.posts = posts;
        this.rule = rule;
    }

    /** As it is called on screen. */
    public String text() {
        return text;
    }

    /** Rails of one brace. */
    public int rails() {
        return rails;
    }

    /** Brace posts beside the strong post. */
    public int posts() {
        return posts;
    }

    /** H braces in a row; each has a diagonal loop. */
    public boolean framed() {
        return this == SINGLE_H || this == DOUBLE_H;
    }

    /** Rule that describes it. */
    public Rule rule() {
        return rule;
    }
}
