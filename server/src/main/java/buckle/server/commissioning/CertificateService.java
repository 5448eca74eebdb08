package buckle.server.commissioning;

import buckle.design.Design;
import buckle.exchange.document.StoredDocument;
import buckle.exchange.handover.Certificate;
import buckle.exchange.handover.CertificateMaker;
import buckle.exchange.paper.CertificatePdf;
import buckle.exchange.paper.Paper;
import buckle.land.Surroundings;
import buckle.readings.Observation;
import buckle.server.commissioning.CertificateMapper.CertificateRow;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.jobs.PlanState;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.site.Texts;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Hands fences over: makes certificates and keeps them as they were signed. */
@Service
public class CertificateService {
    private final CertificateMapper mapper;
    private final JobService jobs;
    private final LandService land;
    private final ReadingService readings;
    private final Clock clock;
    private final TransactionTemplate transaction;

    CertificateService(
            CertificateMapper mapper,
            JobService jobs,
            LandService land,
            ReadingService readings,
            Clock clock,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.jobs = jobs;
        this.land = land;
        this.readings = readings;
        this.clock = clock;
        this.transaction = transaction;
    }

    /** The certificate, or the card the owner keeps. */
    public enum Sheet {
        CERTIFICATE,
        OWNER_CARD
    }

    /**
     * What is signed.
     *
     * @param id named by whoever signs, so that sending twice makes one
     * @param since readings and ticks from then on are of this commissioning, and those before {@code until} when there is one
     * @param call whom the owner calls when something is wrong
     * @param zone of the hours on the paper, {@code Europe/Dublin}
     */
    public record Signing(
            UUID id,
            String signedBy,
            LocalDate signedOn,
            Instant since,
            Optional<Instant> until,
            String call,
            String zone) {}

    static List<Observation> before(List<Observation> readings, Optional<Instant> until) {
        return until.isEmpty()
                ? readings
                : readings.stream()
                        .filter(o -> o.takenAt().isBefore(until.get()))
                        .toList();
    }

    /** Makes a certificate of the job as its plan and readings stand, and keeps it with its papers. */
    public Certificate sign(UUID job, Signing signing) {
        Optional<CertificateRow> before = mapper.sent(signing.id());
        if (before.isPresent()) {
            return sentBefore(before.get(), job);
        }
        check(signing);
        JobRow row = jobs.find(job);
        PlanState plan = jobs.plan(job);
        Surroundings around = land.around(row.propertyId());
        Design design = Design.of(plan.plan(), around);
        List<Observation> all = before(readings.of(job), signing.until());
        if (all.stream().allMatch(o -> o.takenAt().isBefore(signing.since()))) {
            throw new BadInput(
                    "certificate.nothing-read",
                    "since",
                    "Nothing was read or looked at in this commissioning: there is nothing to sign.");
        }
        return Objects.requireNonNull(transaction.execute(status -> {
            mapper.lock();
            Optional<CertificateRow> meanwhile = mapper.sent(signing.id());
            if (meanwhile.isPresent()) {
                return sentBefore(meanwhile.get(), job);
            }
            int number = mapper.nextNumber();
            Certificate made = CertificateMaker.of(
                    new CertificateMaker.Heading(
                            number,
                            row.name(),
                            row.client(),
                            row.property(),
                            plan.revision(),
                            signing.signedBy().strip(),
                            signing.signedOn(),
                            signing.call().strip(),
                            zone(signing)),
                    plan.plan(),
                    design.laid(),
                    around,
                    all,
                    signing.since());
            mapper.insert(new CertificateRow(
                    number,
                    signing.id(),
                    job,
                    StoredDocument.CERTIFICATE.write(made),
                    clock.instant().truncatedTo(ChronoUnit.MICROS)));
            for (Paper paper : Paper.values()) {
                mapper.insertPaper(
                        number,
                        Sheet.CERTIFICATE.name(),
                        paper.name(),
                        CertificatePdf.write(made, design.layout(), around.land(), paper));
                mapper.insertPaper(number, Sheet.OWNER_CARD.name(), paper.name(), CertificatePdf.card(made, paper));
            }
            return made;
        }));
    }

    private static Certificate sentBefore(CertificateRow row, UUID job) {
        if (!row.jobId().equals(job)) {
            throw new RequestRefused(
                    409, "certificate.id", "A certificate of another job was signed with this id.", Map.of());
        }
        return certificate(row);
    }

    private void check(Signing signing) {
        text("signedBy", signing.signedBy());
        text("call", signing.call());
        if (signing.signedBy().isBlank()) {
            throw new BadInput("certificate.name", "signedBy", "Enter who signs.");
        }
        LocalDate today = clock.instant().atZone(zone(signing)).toLocalDate();
        if (signing.signedOn().isAfter(today.plusDays(1)) || signing.signedOn().getYear() < 1990) {
            throw new BadInput(
                    "certificate.date",
                    "signedOn",
                    "A certificate is signed between 1990 and tomorrow; check the day.");
        }
    }

    private static void text(String path, String text) {
        Texts.flaw(text, Texts.LONGEST_NAME, false).ifPresent(flaw -> {
            throw new BadInput(
                    "certificate.text", path, Character.toUpperCase(flaw.charAt(0)) + flaw.substring(1) + ".");
        });
    }

    private static ZoneId zone(Signing signing) {
        try {
            return ZoneId.of(signing.zone());
        } catch (DateTimeException e) {
            throw new BadInput("certificate.zone", "zone", "The time zone is not known: write Europe/Dublin or Z.");
        }
    }

    /** All of a job, newest first. */
    @Transactional(readOnly = true)
    public List<Certificate> ofJob(UUID job) {
        jobs.find(job);
        return mapper.ofJob(job).stream().map(CertificateService::certificate).toList();
    }

    /** One as it was signed. */
    @Transactional(readOnly = true)
    public Certificate find(int number) {
        return certificate(mapper.find(number).orElseThrow(() -> RequestRefused.missing("Certificate " + number)));
    }

    /** As it was printed when it was signed. */
    @Transactional(readOnly = true)
    public byte[] paper(int number, Sheet sheet, Paper paper) {
        return mapper.paper(number, sheet.name(), paper.name())
                .orElseThrow(() -> RequestRefused.missing("Certificate " + number))
                .pdf();
    }

    private static Certificate certificate(CertificateRow row) {
        return StoredDocument.CERTIFICATE.read(row.doc());
    }
}
