package buckle.layout;

/** What is so on every job of this kind, said once. */
public record Standing(String rule, String says) {}
