package buckle.takeoff;

import buckle.message.TakeoffMessage;
import buckle.rulebook.Rule;
import java.util.List;

/** A figure of the ledger beside the plan: its values, from which its words are made, and the rules behind it. */
public record LedgerFigure(String key, TakeoffMessage.Figure figure, List<Rule> rules) {
    public LedgerFigure {
        rules = List.copyOf(rules);
    }
}
