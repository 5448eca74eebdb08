package buckle.server.land;

import buckle.exchange.Limits;
import buckle.exchange.in.GridReader;
import buckle.exchange.in.Picture;
import buckle.land.GridRef;
import buckle.land.GridTerrain;
import buckle.server.land.AttachmentMapper.AttachmentRow;
import buckle.server.land.LandMapper.PropertyInfo;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.Texts;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Properties, pictures and terrain over HTTP. */
@RestController
@RequestMapping("/api")
@Tag(name = "properties")
class LandController {
    private final LandService service;
    private final Attachments attachments;
    private final WorkQueue queue;

    LandController(LandService service, Attachments attachments, WorkQueue queue) {
        this.service = service;
        this.attachments = attachments;
        this.queue = queue;
    }

    /** A picture that was stored. */
    record PictureRef(String hash, String name, int widthPx, int heightPx) {}

    @GetMapping("/properties")
    @Operation(operationId = "listProperties", summary = "All properties with their clients")
    List<PropertyInfo> list() {
        return service.properties();
    }

    @GetMapping("/properties/{id}/land")
    @Operation(operationId = "getLand", summary = "What lies on a property")
    LandState land(@PathVariable UUID id) {
        return service.state(id);
    }

    @PutMapping("/properties/{id}/land")
    @Operation(operationId = "saveLand", summary = "Save the land; 409 keeps a stale save aside")
    LandState save(@PathVariable UUID id, @RequestBody LandSave save) {
        return service.save(id, save);
    }

    @PostMapping("/properties/{id}/land/revisions/{revision}/restore")
    @Operation(operationId = "restoreLand", summary = "Make an earlier or aside revision of the land current")
    LandState restore(@PathVariable UUID id, @PathVariable int revision) {
        return service.restore(id, revision);
    }

    @PostMapping(value = "/grids", consumes = "application/octet-stream")
    @Operation(operationId = "storeGrid", summary = "Store a terrain grid (ESRI ASCII, degrees, metres)")
    GridRef grid(HttpServletRequest request, @RequestParam(defaultValue = "terrain") String name) throws IOException {
        byte[] bytes = request.getInputStream().readNBytes((int) Limits.MOST_GRID_BYTES + 1);
        GridTerrain grid = queue.run(Kind.IMPORT, () -> GridReader.read(bytes));
        return grid.ref(attachments.store(bytes, Attachments.GRID), Texts.cleaned(name, Texts.LONGEST_NAME, false));
    }

    @PostMapping(value = "/pictures", consumes = "application/octet-stream")
    @Operation(operationId = "storePicture", summary = "Store a PNG or JPEG to lie under a plan")
    PictureRef picture(HttpServletRequest request, @RequestParam(defaultValue = "picture") String name)
            throws IOException {
        byte[] bytes = request.getInputStream().readNBytes((int) Limits.MOST_BYTES + 1);
        Picture picture = Picture.look(bytes);
        String hash = attachments.store(bytes, picture.mediaType());
        return new PictureRef(
                hash, Texts.cleaned(name, Texts.LONGEST_NAME, false), picture.widthPx(), picture.heightPx());
    }

    @GetMapping("/attachments/{hash}")
    @Operation(operationId = "getAttachment", summary = "A stored picture or grid")
    ResponseEntity<byte[]> attachment(@PathVariable String hash) {
        AttachmentRow row = attachments.find(hash);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, row.mediaType())
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .body(row.bytes());
    }
}
