package buckle.server.house;

import buckle.spec.School.House;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The house's way over HTTP. */
@RestController
@RequestMapping("/api/house")
@Tag(name = "house")
class HouseController {
    private final HouseService service;

    HouseController(HouseService service) {
        this.service = service;
    }

    /** A change of the house's way. */
    record HouseSave(int baseRevision, House house) {}

    @GetMapping
    @Operation(operationId = "house", summary = "The house's way in questions on which practitioners disagree")
    HouseState house() {
        return service.state();
    }

    @PutMapping
    @Operation(operationId = "saveHouse", summary = "Change the house's way; refused on top of an older revision")
    HouseState save(@RequestBody HouseSave save) {
        return service.save(save.baseRevision(), save.house());
    }
}
