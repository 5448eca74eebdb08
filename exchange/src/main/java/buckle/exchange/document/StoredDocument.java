package buckle.exchange.document;

import buckle.exchange.Json;
import buckle.exchange.handover.Certificate;
import buckle.land.Land;
import buckle.price.Firm;
import buckle.price.JobTerms;
import buckle.price.PriceBook;
import buckle.price.Quote;
import buckle.reach.Kits;
import buckle.spec.Plan;
import buckle.spec.School;
import buckle.stock.LoadSheet;
import buckle.upkeep.FaultNote;
import java.util.List;
import java.util.function.Consumer;
import tools.jackson.databind.node.ObjectNode;

/**
 * A kind of document: what it is read as, and how one of an older schema is upgraded, one step a version, JSON to JSON. A step is
 * never changed once it was released; what it fills in is frozen beside it.
 *
 * @param upgrades from schema 1 to 2, from 2 to 3, and so on
 */
public record StoredDocument<T>(String kind, Class<T> type, List<Consumer<ObjectNode>> upgrades) {
    private static final String SCHEMA = "schema";

    /** A job's plan. */
    public static final StoredDocument<Plan> PLAN = new StoredDocument<>(
            "plan",
            Plan.class,
            List.of(PlanUpgrades::nameWhatCameLater, PlanUpgrades::sortByOwner, PlanUpgrades::nameStringing));

    /** What lies on a property. */
    public static final StoredDocument<Land> LAND = new StoredDocument<>("land", Land.class, List.of());

    /** The house's way. */
    public static final StoredDocument<School.House> HOUSE =
            new StoredDocument<>("house", School.House.class, List.of());

    /** The house as a firm, with its rates. */
    public static final StoredDocument<Firm> FIRM = new StoredDocument<>("firm", Firm.class, List.of());

    /** What the price of a job has of its own. */
    public static final StoredDocument<JobTerms> TERMS = new StoredDocument<>("terms", JobTerms.class, List.of());

    /** An item of the price book. */
    public static final StoredDocument<PriceBook.Item> PRICE_ITEM =
            new StoredDocument<>("price item", PriceBook.Item.class, List.of());

    /** A quote as it was sent. */
    public static final StoredDocument<Quote> QUOTE = new StoredDocument<>("quote", Quote.class, List.of());

    /** What was to go on a truck. */
    public static final StoredDocument<LoadSheet> LOAD_SHEET =
            new StoredDocument<>("load sheet", LoadSheet.class, List.of());

    /** Named heaps of material. */
    public static final StoredDocument<Kits> KITS = new StoredDocument<>("kits", Kits.class, List.of());

    /** A fence as it was handed over. */
    public static final StoredDocument<Certificate> CERTIFICATE =
            new StoredDocument<>("certificate", Certificate.class, List.of());

    /** A fault as it was written down. */
    public static final StoredDocument<FaultNote> FAULT_NOTE =
            new StoredDocument<>("fault note", FaultNote.class, List.of());

    public StoredDocument {
        upgrades = List.copyOf(upgrades);
    }

    /** The schema that is written. */
    public int schema() {
        return upgrades.size() + 1;
    }

    /** As JSON, with the number of its schema first. */
    public String write(T content) {
        ObjectNode root = Json.MAPPER.createObjectNode().put(SCHEMA, schema());
        root.setAll((ObjectNode) Json.MAPPER.valueToTree(content));
        return Json.MAPPER.writeValueAsString(root);
    }

    /**
     * Brought up to date and read.
     *
     * @throws IllegalStateException when a newer program wrote it
     */
    public T read(String doc) {
        return read((ObjectNode) Json.MAPPER.readTree(doc));
    }

    /** As JSON that was read already; it is upgraded in place. */
    public T read(ObjectNode root) {
        int from = root.path(SCHEMA).asInt(1);
        if (from < 1) {
            throw new IllegalStateException("There is no schema " + from + " of a " + kind + ".");
        }
        if (from > schema()) {
            throw new IllegalStateException("This " + kind + " follows schema " + from + "; this Buckle reads up to "
                    + schema() + ". Use the Buckle that wrote it, or a newer one.");
        }
        upgrades.subList(from - 1, upgrades.size()).forEach(step -> step.accept(root));
        root.remove(SCHEMA);
        return Json.MAPPER.treeToValue(root, type);
    }
}
