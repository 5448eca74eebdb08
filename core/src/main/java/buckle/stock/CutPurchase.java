package buckle.stock;

import buckle.cut.CutPlan.Bar;
import buckle.material.Product;
import buckle.message.TakeoffMessage;
import buckle.price.JobTerms.Cutting;
import buckle.stock.CutList.Aim;
import buckle.takeoff.TakeoffLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What is bought for a fence whose posts and rails are cut by a list: whole lengths in place of what is cut from them. Cable, conduit and
 * wire keep what is added to them and are bought by the metre.
 */
public final class CutPurchase {
    private CutPurchase() {}

    /** What is kept small when a job is bought so; empty where every piece is bought in a length of its own. */
    public static Optional<Aim> aim(Cutting cutting) {
        return switch (cutting) {
            case EACH -> Optional.empty();
            case LEAST_COST -> Optional.of(Aim.LEAST_COST);
            case LEAST_LENGTH -> Optional.of(Aim.LEAST_LENGTH);
        };
    }

    /** A material of which one piece cannot be cut from anything is left as it is counted. */
    public static List<TakeoffLine> of(List<TakeoffLine> takeoff, CutList.Plans plans) {
        Map<String, CutList.Sheet> sheets = new LinkedHashMap<>();
        Set<String> missing =
                plans.missing().stream().map(CutList.Missing::name).collect(Collectors.toSet());
        plans.sheets().stream().filter(s -> !missing.contains(s.name())).forEach(s -> sheets.put(s.material(), s));
        List<TakeoffLine> all = new ArrayList<>();
        Set<String> bought = new HashSet<>();
        for (TakeoffLine line : takeoff) {
            Optional<CutList.Sheet> sheet = material(line.product()).map(sheets::get);
            if (sheet.isEmpty()) {
                all.add(line);
            } else if (bought.add(sheet.get().material())) {
                all.addAll(bars(line, sheet.get()));
            }
        }
        return all;
    }

    /** Posts of a stock, whatever their length; rails. */
    private static Optional<String> material(Product product) {
        return switch (product) {
            case Product.PostOf p -> Optional.of(p.id().substring(0, p.id().lastIndexOf('.')));
            case Product.Rail r -> Optional.of("rail");
            default -> Optional.empty();
        };
    }

    private static List<TakeoffLine> bars(TakeoffLine like, CutList.Sheet sheet) {
        Map<Integer, Integer> times = new TreeMap<>();
        for (Bar b : sheet.plan().bars()) {
            times.merge(b.lengthMm(), b.times(), Integer::sum);
        }
        List<TakeoffLine> lines = new ArrayList<>();
        times.forEach((mm, n) -> {
            double lengthM = mm / 1000.0;
            Product product = like.product() instanceof Product.PostOf p
                    ? new Product.PostOf(p.stock(), lengthM)
                    : new Product.Rail(lengthM);
            TakeoffMessage name = new TakeoffMessage.Bought(product);
            lines.add(new TakeoffLine(
                    like.use(), product, like.item(), name, n, 0, Optional.empty(), name, like.rules()));
        });
        return lines;
    }
}
