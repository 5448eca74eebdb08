package buckle.site;

import java.util.Optional;

/** What a text may hold: letters, signs and white space, in whole characters, and not without end. */
public final class Texts {
    /** Names and ids. */
    public static final int LONGEST_NAME = 200;
    /** Notes and everything else. */
    public static final int LONGEST_TEXT = 2000;

    private Texts() {}

    /**
     * What stands against a text, as a sentence without its full stop; empty when nothing does.
     *
     * @param lines whether it may have line breaks
     */
    public static Optional<String> flaw(String text, int most, boolean lines) {
        if (text.length() > most) {
            return Optional.of(String.format(
                    java.util.Locale.ROOT, "at most %,d characters go here; these are %,d", most, text.length()));
        }
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (halfCharacter(text, i)) {
                return Optional.of("character " + (i + 1) + " is one half of a pair (a lone surrogate)");
            }
            if (Character.isISOControl(c) && !(c == '\t' || lines && (c == '\n' || c == '\r'))) {
                return Optional.of(String.format("character %d is a control character (U+%04X)", i + 1, (int) c));
            }
        }
        return Optional.empty();
    }

    /** The same text as {@link #flaw} lets it pass: control characters become spaces, half characters are replaced, the rest is cut. */
    public static String cleaned(String text, int most, boolean lines) {
        if (flaw(text, most, lines).isEmpty()) {
            return text;
        }
        StringBuilder clean = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (halfCharacter(text, i)) {
                clean.append('\uFFFD');
            } else if (Character.isISOControl(c) && !(c == '\t' || lines && (c == '\n' || c == '\r'))) {
                clean.append(' ');
            } else {
                clean.append(c);
            }
        }
        int end = Math.min(clean.length(), most);
        if (end < clean.length() && Character.isHighSurrogate(clean.charAt(end - 1))) {
            end--;
        }
        return clean.substring(0, end);
    }

    private static boolean halfCharacter(String text, int i) {
        char c = text.charAt(i);
        if (Character.isHighSurrogate(c)) {
            return i + 1 >= text.length() || !Character.isLowSurrogate(text.charAt(i + 1));
        }
        return Character.isLowSurrogate(c) && (i == 0 || !Character.isHighSurrogate(text.charAt(i - 1)));
    }
}
