package buckle.server.commissioning;

import buckle.commissioning.PrePower;
import buckle.commissioning.Round;
import buckle.commissioning.YardstickFit;
import buckle.exchange.InUnits;
import buckle.exchange.handover.Certificate;
import buckle.exchange.paper.Paper;
import buckle.land.Land;
import buckle.readings.Observation;
import buckle.server.commissioning.CertificateService.Sheet;
import buckle.server.commissioning.CertificateService.Signing;
import buckle.server.design.Designs;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.spec.Plan;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** From a built fence to one that is handed over. */
@RestController
@RequestMapping("/api")
@Tag(name = "commissioning")
class CommissioningController {
    private static final int MOST_READINGS = 20_000;

    private final Designs designs;
    private final CertificateService certificates;
    private final WorkQueue queue;

    CommissioningController(Designs designs, CertificateService certificates, WorkQueue queue) {
        this.designs = designs;
        this.certificates = certificates;
        this.queue = queue;
    }

    /**
     * A plan with readings.
     *
     * @param since readings from then on are of this round, and those before {@code until} when there is one
     * @param open ids of the switches that are open while the rest is read
     */
    record RoundOrder(
            Plan plan,
            Land land,
            List<Observation> readings,
            Instant since,
            Optional<Instant> until,
            Set<String> open) {
        List<Observation> upTo() {
            return CertificateService.before(readings, until);
        }
    }

    /**
     * The list before power and the measuring round.
     *
     * @param open numbers of the round still to be read
     */
    record Commissioning(PrePower list, boolean complete, Round round, long open) {}

    /** A plan with readings of it in order. */
    record YardstickOrder(Plan plan, Land land, List<Observation> readings) {}

    @PostMapping("/electrics/round")
    @Operation(
            operationId = "commissioning",
            summary = "What is looked at before power, and every reading of the round with what is expected")
    InUnits<Commissioning> round(@RequestBody RoundOrder order) {
        check(order.readings());
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            PrePower list = PrePower.of(worked.design().layout(), order.plan().spec(), order.upTo(), order.since());
            Round round = Round.of(
                    order.plan(), worked.design().laid(), worked.around(), order.upTo(), order.since(), order.open());
            return new InUnits<>(
                    order.plan().spec().units(), new Commissioning(list, list.complete(), round, round.open()));
        });
    }

    @PostMapping("/electrics/yardstick")
    @Operation(
            operationId = "yardstick",
            summary = "What readings of a fence in order say of what a plan cannot know; nothing is stored")
    InUnits<YardstickFit> yardstick(@RequestBody YardstickOrder order) {
        check(order.readings());
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            return new InUnits<>(
                    order.plan().spec().units(),
                    YardstickFit.of(order.plan(), worked.design().laid(), worked.around(), order.readings()));
        });
    }

    private static void check(List<Observation> readings) {
        if (readings.size() > MOST_READINGS) {
            throw new BadInput("commissioning.readings", "readings", "At most 20,000 readings are taken.");
        }
    }

    @GetMapping("/jobs/{id}/certificates")
    @Operation(operationId = "certificates", summary = "Certificates of a job, newest first")
    List<Certificate> certificates(@PathVariable UUID id) {
        return certificates.ofJob(id);
    }

    @PostMapping("/jobs/{id}/certificates")
    @Operation(
            operationId = "signCertificate",
            summary = "Sign a certificate of the job as it stands; it is kept as it is signed")
    Certificate sign(@PathVariable UUID id, @RequestBody Signing signing) {
        return queue.run(Kind.PAPER, () -> certificates.sign(id, signing));
    }

    @GetMapping("/certificates/{number}")
    @Operation(operationId = "certificate", summary = "A certificate as it was signed")
    Certificate certificate(@PathVariable int number) {
        return certificates.find(number);
    }

    @GetMapping(value = "/certificates/{number}/certificate.pdf", produces = "application/pdf")
    @Operation(operationId = "certificatePaper", summary = "A certificate as it was printed when it was signed")
    ResponseEntity<byte[]> paper(@PathVariable int number, @RequestParam(defaultValue = "A4") Paper paper) {
        return pdf("certificate-" + number, certificates.paper(number, Sheet.CERTIFICATE, paper));
    }

    @GetMapping(value = "/certificates/{number}/owner-card.pdf", produces = "application/pdf")
    @Operation(operationId = "ownerCard", summary = "The card that the owner keeps")
    ResponseEntity<byte[]> card(@PathVariable int number, @RequestParam(defaultValue = "A4") Paper paper) {
        return pdf("owner-card-" + number, certificates.paper(number, Sheet.OWNER_CARD, paper));
    }

    private static ResponseEntity<byte[]> pdf(String name, byte[] body) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "application/pdf")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + ".pdf\"")
                .body(body);
    }
}
