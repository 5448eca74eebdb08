package buckle.takeoff;

import buckle.material.Fitting;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.TakeoffMessage.Noun;
import buckle.takeoff.Part.Terms;
import java.util.ArrayList;
import java.util.List;

/** Parts as they are counted; what there is none of is left out. */
final class PartList {
    private final List<Part> parts = new ArrayList<>();

    List<Part> all() {
        return List.copyOf(parts);
    }

    void add(Use use, Product product, Place place, double quantity, Terms terms) {
        if (quantity > 0) {
            parts.add(new Part(use, product, place, quantity, terms));
        }
    }

    /** So many pieces for each of the things that stand at some stations; that is all there is to say of how they were counted. */
    void forEach(Use use, Fitting fitting, String lineId, Noun thing, List<Double> stationsM, long each) {
        add(
                use,
                Product.of(fitting),
                new Place.Stations(lineId, stationsM),
                each * stationsM.size(),
                new Terms.Each(thing, stationsM.size(), each));
    }
}
