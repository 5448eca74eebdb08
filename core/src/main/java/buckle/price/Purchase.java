package buckle.price;

import buckle.price.Price.Delivery;
import buckle.price.Price.Material;
import buckle.takeoff.TakeoffLine;
import java.util.List;
import java.util.Map;

/**
 * What has to be bought for a fence when what lies in the yard is used first.
 *
 * @param material all products of the fence; what is bought of each covers what the yard does not
 */
public record Purchase(List<Material> material, List<Delivery> deliveries) {
    public Purchase {
        material = List.copyOf(material);
        deliveries = List.copyOf(deliveries);
    }

    /** @param onHand what lies in the yard by product, in metres or pieces */
    public static Purchase of(List<TakeoffLine> takeoff, PriceBook book, Rates rates, Map<String, Double> onHand) {
        Buying.Bill bill = Buying.of(takeoff, book, rates, onHand);
        return new Purchase(bill.material(), bill.deliveries());
    }
}
