package buckle.server.prices;

import buckle.cut.CutOrder;
import buckle.cut.CutPlan;
import buckle.cut.CutPlanner;
import buckle.layout.Layout;
import buckle.price.PriceBook;
import buckle.spec.Spec;
import buckle.stock.CutList;
import buckle.stock.StockLot;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleConsumer;
import org.springframework.stereotype.Component;

/** Plans cuts, and remembers the last ones: price, load sheet and cut list ask for the same. */
@Component
public class CutPlans {
    private static final int MOST_KEPT = 100;

    private final Map<CutOrder, CutPlan> kept = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<CutOrder, CutPlan> eldest) {
            return size() > MOST_KEPT;
        }
    };

    /** Of a fence, from what lies in the yard and from what the book sells. */
    public CutList.Plans of(
            Layout layout, Spec spec, PriceBook book, List<StockLot> yard, CutList.Aim aim, DoubleConsumer progress) {
        return CutList.of(layout, spec, book, yard, aim, this::plan, progress);
    }

    private CutPlan plan(CutOrder order, DoubleConsumer progress) {
        synchronized (kept) {
            CutPlan known = kept.get(order);
            if (known != null) {
                return known;
            }
        }
        CutPlan plan = CutPlanner.plan(order, progress);
        synchronized (kept) {
            kept.put(order, plan);
        }
        return plan;
    }
}
