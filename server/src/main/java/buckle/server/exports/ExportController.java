package buckle.server.exports;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.Design;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileWriter;
import buckle.exchange.out.DxfWriter;
import buckle.exchange.out.ElectricsCsv;
import buckle.exchange.out.GpxWriter;
import buckle.exchange.out.KmlWriter;
import buckle.exchange.out.LayoutGeoJson;
import buckle.exchange.out.PostsCsv;
import buckle.exchange.out.ReadingsCsv;
import buckle.exchange.out.TakeoffCsv;
import buckle.exchange.paper.DecisionTreePdf;
import buckle.exchange.paper.EnergizerPdf;
import buckle.exchange.paper.Paper;
import buckle.exchange.paper.SetOutPdf;
import buckle.exchange.paper.StoryPolePdf;
import buckle.exchange.paper.StripPdf;
import buckle.exchange.prices.PriceView;
import buckle.exchange.prices.PricedTakeoffXlsx;
import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.message.English;
import buckle.price.Price;
import buckle.readings.FaultSearch.Branch;
import buckle.readings.FaultSearch.OnFoot;
import buckle.readings.Observation;
import buckle.server.design.Searches;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.prices.PriceService;
import buckle.server.readings.ReadingService;
import buckle.server.upkeep.FaultNotes;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.setout.SetOutPlanner;
import buckle.site.BadInput;
import buckle.spec.Plan;
import buckle.units.UnitSystem;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A job as files: the job file, tables, maps and sheets on paper. */
@RestController
@RequestMapping("/api/jobs")
@Tag(name = "exports")
class ExportController {
    private static final int TREE_STEPS = 4;
    private final JobService service;
    private final ReadingService readings;
    private final FaultNotes notes;
    private final LandService land;
    private final Searches searches;
    private final PriceService prices;
    private final WorkQueue queue;

    ExportController(
            JobService service,
            ReadingService readings,
            FaultNotes notes,
            LandService land,
            Searches searches,
            PriceService prices,
            WorkQueue queue) {
        this.searches = searches;
        this.notes = notes;
        this.prices = prices;
        this.service = service;
        this.readings = readings;
        this.land = land;
        this.queue = queue;
    }

    @GetMapping(value = "/{id}/job.geojson", produces = "application/geo+json")
    @Operation(operationId = "exportJob", summary = "The whole job as a job file")
    ResponseEntity<byte[]> export(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            JobRow job = service.find(id);
            Plan plan = service.plan(id).plan();
            Land all = land.land(job.propertyId()).withUnderlays(List.of());
            Optional<GridTerrain> grid =
                    JobFile.around(plan.site(), land.around(all).terrain());
            JobFile file = new JobFile(
                    job.name(),
                    job.client(),
                    job.property(),
                    plan,
                    all.withGrid(Optional.empty()),
                    grid,
                    readings.of(id),
                    notes.of(id),
                    notes.roundDays(id),
                    List.of());
            return file(job, "job.geojson", "application/geo+json", JobFileWriter.write(file));
        });
    }

    @GetMapping(value = "/{id}/takeoff.csv", produces = "text/csv")
    @Operation(operationId = "exportTakeoff", summary = "The takeoff as CSV")
    ResponseEntity<byte[]> takeoff(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            return file(
                    job.row(),
                    "takeoff.csv",
                    "text/csv;charset=UTF-8",
                    TakeoffCsv.write(job.design().takeoff(), job.units()));
        });
    }

    @GetMapping(
            value = "/{id}/priced-takeoff.xlsx",
            produces = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")
    @Operation(operationId = "exportPricedTakeoff", summary = "The takeoff with packs and prices, as a workbook")
    ResponseEntity<byte[]> priced(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            Price price = prices.price(
                            job.design(), job.plan().spec(), prices.terms(id).terms())
                    .price();
            return file(
                    job.row(),
                    "takeoff.xlsx",
                    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                    PricedTakeoffXlsx.write(PriceView.of(price, job.units())));
        });
    }

    @GetMapping(value = "/{id}/readings.csv", produces = "text/csv")
    @Operation(operationId = "exportReadings", summary = "All readings of a job as CSV")
    ResponseEntity<byte[]> readings(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            return file(
                    job.row(),
                    "readings.csv",
                    "text/csv;charset=UTF-8",
                    ReadingsCsv.write(readings.of(id), job.design().layout()));
        });
    }

    @GetMapping(value = "/{id}/posts.csv", produces = "text/csv")
    @Operation(operationId = "exportPosts", summary = "Every post with station and place as CSV")
    ResponseEntity<byte[]> posts(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            return file(
                    job.row(),
                    "posts.csv",
                    "text/csv;charset=UTF-8",
                    PostsCsv.write(job.design().layout()));
        });
    }

    @GetMapping(value = "/{id}/layout.geojson", produces = "application/geo+json")
    @Operation(operationId = "exportLayout", summary = "Lines and posts as GeoJSON")
    ResponseEntity<byte[]> layout(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            byte[] json = LayoutGeoJson.write(job.plan().site(), job.design().layout());
            return file(job.row(), "layout.geojson", "application/geo+json", json);
        });
    }

    @GetMapping(value = "/{id}/strong-posts.gpx", produces = "application/gpx+xml")
    @Operation(operationId = "exportGpx", summary = "Strong posts as waypoints, lines as tracks")
    ResponseEntity<byte[]> gpx(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            byte[] xml = GpxWriter.write(job.plan().site(), job.design().layout());
            return file(job.row(), "strong-posts.gpx", "application/gpx+xml", xml);
        });
    }

    @GetMapping(value = "/{id}/map.kml", produces = "application/vnd.google-earth.kml+xml")
    @Operation(operationId = "exportKml", summary = "Lines, strong posts and features as KML")
    ResponseEntity<byte[]> kml(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            byte[] xml = KmlWriter.write(
                    job.row().name(), job.design().layout(), job.around().land());
            return file(job.row(), "map.kml", "application/vnd.google-earth.kml+xml", xml);
        });
    }

    @GetMapping(value = "/{id}/plan.dxf", produces = "application/dxf")
    @Operation(operationId = "exportDxf", summary = "The plan in metres as DXF, by layer")
    ResponseEntity<byte[]> dxf(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = whole(id);
            byte[] dxf = DxfWriter.write(job.design().layout(), job.around().land());
            return file(job.row(), "plan.dxf", "application/dxf", dxf);
        });
    }

    @GetMapping(value = "/{id}/set-out.pdf", produces = "application/pdf")
    @Operation(operationId = "exportSetOut", summary = "The set-out sheet on paper")
    ResponseEntity<byte[]> setOut(@PathVariable UUID id, @RequestParam(defaultValue = "A4") Paper paper) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            Layout layout = job.design().layout();
            UnitSystem units = job.plan().spec().units();
            byte[] pdf = SetOutPdf.write(
                    new SetOutPdf.Heading(
                            job.row().name(),
                            job.row().client(),
                            job.row().property(),
                            job.row().headRevision(),
                            job.row().changedAt().toString().substring(0, 10)),
                    SetOutPlanner.plan(layout, job.around().land(), job.plan().spec()),
                    layout,
                    job.around().land(),
                    units,
                    paper);
            return file(job.row(), "set-out.pdf", "application/pdf", pdf);
        });
    }

    @GetMapping(value = "/{id}/story-pole.pdf", produces = "application/pdf")
    @Operation(operationId = "exportStoryPole", summary = "The heights of the wires, also at full size in strips")
    ResponseEntity<byte[]> storyPole(@PathVariable UUID id, @RequestParam(defaultValue = "A4") Paper paper) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            byte[] pdf = StoryPolePdf.write(
                    job.row().name(), job.design().layout(), job.plan().spec().units(), paper);
            return file(job.row(), "story-pole.pdf", "application/pdf", pdf);
        });
    }

    @GetMapping(value = "/{id}/strip.pdf", produces = "application/pdf")
    @Operation(operationId = "exportStrip", summary = "Every line pulled straight, as a long strip over pages")
    ResponseEntity<byte[]> strip(@PathVariable UUID id, @RequestParam(defaultValue = "A4") Paper paper) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            byte[] pdf = StripPdf.write(
                    job.row().name(), job.design().layout(), job.plan().spec().units(), paper);
            return file(job.row(), "strip.pdf", "application/pdf", pdf);
        });
    }

    @GetMapping(value = "/{id}/decision-tree.pdf", produces = "application/pdf")
    @Operation(
            operationId = "exportDecisionTree",
            summary = "The first four steps of a search for a fault, with what to do after each outcome")
    ResponseEntity<byte[]> decisionTree(
            @PathVariable UUID id,
            @RequestParam Instant since,
            @RequestParam(defaultValue = "55") double metresPerMinute,
            @RequestParam(defaultValue = "false") boolean acrossPaddocks,
            @RequestParam(defaultValue = "A4") Paper paper) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            List<Observation> taken = readings.of(id);
            OnFoot crew = new OnFoot(metresPerMinute, false, acrossPaddocks).checked("metresPerMinute");
            Branch tree = searches.of(job.plan(), land.land(job.row().propertyId()), taken, since, crew)
                    .flatMap(s -> s.tree(job.plan(), taken, since, TREE_STEPS, crew))
                    .orElseThrow(() -> new BadInput(
                            "faults.dead", "plan", "Nothing of this fence is fed: there is nothing to search."));
            byte[] pdf = DecisionTreePdf.write(
                    job.row().name(),
                    LocalDate.ofInstant(since, ZoneOffset.UTC),
                    job.design().layout(),
                    tree,
                    job.plan().spec().units(),
                    paper);
            return file(job.row(), "decision-tree.pdf", "application/pdf", pdf);
        });
    }

    @GetMapping(value = "/{id}/electrics.csv", produces = "text/csv")
    @Operation(operationId = "exportElectrics", summary = "All numbers of the pulse, the earth and the battery as CSV")
    ResponseEntity<byte[]> electricsCsv(@PathVariable UUID id) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            return file(
                    job.row(),
                    "electrics.csv",
                    "text/csv;charset=UTF-8",
                    ElectricsCsv.write(electrics(job), job.units()));
        });
    }

    @GetMapping(value = "/{id}/energizer.pdf", produces = "application/pdf")
    @Operation(operationId = "exportEnergizer", summary = "Why this energizer, on paper")
    ResponseEntity<byte[]> energizer(@PathVariable UUID id, @RequestParam(defaultValue = "A4") Paper paper) {
        return queue.run(Kind.PAPER, () -> {
            Whole job = laidOut(id);
            return file(
                    job.row(),
                    "energizer.pdf",
                    "application/pdf",
                    EnergizerPdf.write(
                            job.row().name(),
                            job.plan().spec().units(),
                            job.design().layout(),
                            electrics(job),
                            paper));
        });
    }

    private static Electrics electrics(Whole job) {
        Electrics all = ElectricsPlanner.of(
                        job.plan(), job.design().laid(), job.around(), Trial.NONE, Electrics.Part.ALL)
                .orElseThrow(() -> new BadInput(
                        "electrics.empty",
                        "layout",
                        "There is no fence yet: draw a line, then its pulse can be calculated."));
        if (all.work().isEmpty()) {
            throw new BadInput("electrics.unsolved", "plan", English.text(all.says(), job.units()));
        }
        return all;
    }

    private Whole laidOut(UUID id) {
        Whole job = whole(id);
        if (job.plan().site().lines().isEmpty()) {
            throw new BadInput("layout.empty", "plan", "Nothing is laid out yet.");
        }
        return job;
    }

    /** A job with all that follows from it. */
    private record Whole(JobRow row, Plan plan, Surroundings around, Design design) {
        UnitSystem units() {
            return plan.spec().units();
        }
    }

    private Whole whole(UUID id) {
        JobRow row = service.find(id);
        Plan plan = service.plan(id).plan();
        Surroundings around = land.around(row.propertyId());
        return new Whole(row, plan, around, Design.of(plan, around));
    }

    private static ResponseEntity<byte[]> file(JobRow job, String name, String type, byte[] body) {
        ContentDisposition disposition = ContentDisposition.attachment()
                .filename(job.name() + " " + name, StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition.toString())
                .body(body);
    }
}
