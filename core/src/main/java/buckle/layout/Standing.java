package buckle.layout;

import buckle.message.Message;
import buckle.rulebook.Rule;

/** What is so on every job of this kind, said once. */
public record Standing(Rule rule, Message says) {}
