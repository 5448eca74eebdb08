package buckle.reach;

import buckle.reach.Reach.HeapItem;
import buckle.site.BadInput;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** Heaps of material with a name: what a house packs for half an acre, what lies in the other barn. */
public record Kits(List<Kit> kits) {
    /** None yet. */
    public static final Kits NONE = new Kits(List.of());

    private static final int MOST_KITS = 100;
    private static final int MOST_NAME = 80;

    public Kits {
        kits = List.copyOf(kits);
    }

    /** One of them. */
    public record Kit(String name, List<HeapItem> items) {
        public Kit {
            items = List.copyOf(items);
        }
    }

    /** @throws BadInput when a kit has no name of its own, or something cannot lie in a heap */
    public void check() {
        if (kits.size() > MOST_KITS) {
            throw new BadInput("kit.many", "kits", "At most 100 kits are kept.");
        }
        Set<String> names = new HashSet<>();
        for (Kit kit : kits) {
            if (kit.name().isBlank() || kit.name().length() > MOST_NAME) {
                throw new BadInput("kit.name", "name", "A kit has a name of at most 80 letters.");
            }
            if (!names.add(kit.name().strip().toLowerCase(Locale.ROOT))) {
                throw new BadInput("kit.name", "name", "Two kits are called “" + kit.name() + "”.");
            }
            checkHeap(kit.items());
        }
    }

    /** @throws BadInput when something cannot lie in a heap */
    public static void checkHeap(List<HeapItem> heap) {
        if (heap.size() > Reach.MOST_ITEMS) {
            throw new BadInput("reach.items", "heap", "A heap has at most 500 kinds of things.");
        }
        for (HeapItem item : heap) {
            if (!(item.quantity() >= 0 && item.quantity() <= Reach.MOST_QUANTITY)) {
                throw new BadInput(
                        "reach.quantity",
                        "heap",
                        "“" + item.product() + "”: between 0 and 10,000,000 can lie in a heap.");
            }
        }
    }
}
