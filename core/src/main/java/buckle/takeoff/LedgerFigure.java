package buckle.takeoff;

import java.util.List;

/** A figure of the ledger beside the plan: what it is, its value as text, and how it came about. */
public record LedgerFigure(String key, String label, String value, String note, String derivation, List<String> rules) {
    public LedgerFigure {
        rules = List.copyOf(rules);
    }
}
