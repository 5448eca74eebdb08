package buckle.server.design;

import buckle.exchange.DesignView;
import buckle.land.Land;
import buckle.layout.Layout;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.takeoff.Parts;
import buckle.takeoff.Place;
import buckle.takeoff.Takeoff;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Where on the fence the takeoff is; nothing here is stored. */
@RestController
@RequestMapping("/api/takeoff")
@Tag(name = "takeoff")
class TakeoffController {
    private final Designs designs;
    private final WorkQueue queue;

    TakeoffController(Designs designs, WorkQueue queue) {
        this.designs = designs;
        this.queue = queue;
    }

    /** A plan on its land. */
    record PlacesOrder(Plan plan, Land land) {}

    /** A stretch of a line of a plan. */
    record StretchOrder(Plan plan, Land land, String lineId, double fromM, double toM) {}

    /** All along a stretch. */
    record PartStretch(double fromM, double toM) {}

    /**
     * Where a part of a product is.
     *
     * @param use what it is for, {@code product} what it is; a line of the takeoff has both
     * @param stationsM of single ones; empty where it runs along a stretch
     */
    record PartPlace(String use, String product, String lineId, List<Double> stationsM, Optional<PartStretch> along) {}

    @PostMapping("/places")
    @Operation(operationId = "takeoffPlaces", summary = "Where on the lines each part of the takeoff is")
    List<PartPlace> places(@RequestBody PlacesOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Layout layout = designs.of(order.plan(), order.land()).design().layout();
            return Parts.of(layout, order.plan().spec()).stream()
                    .map(p -> {
                        String use = p.use().id();
                        String product = p.product().id();
                        return switch (p.place()) {
                            case Place.Stations s ->
                                new PartPlace(use, product, s.lineId(), s.stationsM(), Optional.empty());
                            case Place.Stretch s ->
                                new PartPlace(
                                        use,
                                        product,
                                        s.lineId(),
                                        List.of(),
                                        Optional.of(new PartStretch(s.fromM(), s.toM())));
                        };
                    })
                    .toList();
        });
    }

    @PostMapping("/stretch")
    @Operation(operationId = "takeoffStretch", summary = "What of the takeoff lies on a stretch of a line")
    List<DesignView.TakeoffItem> stretch(@RequestBody StretchOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Layout layout = designs.of(order.plan(), order.land()).design().layout();
            boolean known = layout.lines().stream().anyMatch(l -> l.lineId().equals(order.lineId()));
            if (!known || !(order.fromM() <= order.toM())) {
                throw new BadInput(
                        "takeoff.stretch", "fromM", "There is no such stretch on a line “" + order.lineId() + "”.");
            }
            Spec spec = order.plan().spec();
            return Takeoff.along(layout, spec, order.lineId(), order.fromM(), order.toM()).stream()
                    .map(l -> DesignView.TakeoffItem.of(l, spec.units()))
                    .toList();
        });
    }
}
