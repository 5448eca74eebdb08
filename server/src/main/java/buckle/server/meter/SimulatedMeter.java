package buckle.server.meter;

import buckle.commissioning.Round;
import buckle.design.Design;
import buckle.diagnosis.FaultKind;
import buckle.practice.HiddenFault;
import buckle.practice.SimulatedFence;
import buckle.practice.SimulatedFence.Shown;
import buckle.practice.SimulatedFence.State;
import buckle.readings.Observation;
import buckle.readings.Observed.Direction;
import buckle.readings.Weather;
import buckle.server.design.Designs;
import buckle.server.jobs.JobRow;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.site.Texts;
import buckle.spec.Growth;
import buckle.spec.Plan;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;

/**
 * A simulated fence with a simulated meter that speaks the protocol over TCP, as a bridge for a real one would: nothing it reads comes
 * into Buckle by another way. What it reads is invented, and says so in the name of its meter.
 */
@Service
class SimulatedMeter {
    private static final int MOST_HIDDEN = 3;
    private static final int MOST_PLACES = 200;
    private static final int TIMEOUT_MS = 20_000;
    /** What a wire without power picks up beside live ones, at most; ours. */
    private static final double PICKED_UP_KV = 0.1;

    private static final double FULL_BATTERY_V = 12.7;
    private static final double SHORT_OHM = 60;

    private final MeterIntake intake;
    private final ReadingService readings;
    private final JobService jobs;
    private final LandService land;
    private final Designs designs;
    private final Clock clock;

    SimulatedMeter(
            MeterIntake intake,
            ReadingService readings,
            JobService jobs,
            LandService land,
            Designs designs,
            Clock clock) {
        this.intake = intake;
        this.readings = readings;
        this.jobs = jobs;
        this.land = land;
        this.designs = designs;
        this.clock = clock;
    }

    /** A place of a line. */
    record MeterPlace(String lineId, double stationM) {}

    /**
     * How the fence really stands, and where it is read.
     *
     * @param seed the same draws the same fence and the same faults
     * @param handedOver as on the day it was built; otherwise a season has gone by
     * @param hidden how many faults are hidden, 0 to 3
     * @param onlyWet whether the last of them lets something off in the wet alone
     * @param round whether everything of the measuring round that is not read since {@code since} is read
     * @param places read beside, kV and A
     */
    record SimulatedReading(
            long seed,
            boolean handedOver,
            Growth growth,
            Weather weather,
            int hidden,
            boolean onlyWet,
            Set<String> open,
            boolean round,
            Instant since,
            List<MeterPlace> places,
            String by) {}

    /**
     * What the meter was answered.
     *
     * @param refused lines that were not stored, and why
     */
    record SimulatedAnswer(int sent, int stored, List<String> refused) {}

    /** Reads what is asked for, and sends it line by line. */
    SimulatedAnswer read(UUID jobId, SimulatedReading order) {
        check(order);
        Fence fence = fence(jobId, order);
        List<Observation> before = readings.of(jobId);
        List<String> said = new ArrayList<>();
        long nth = before.size();
        String conditions = " weather=" + word(order.weather()) + " growth=" + word(order.growth())
                + (order.open().isEmpty() ? "" : " open=" + String.join(",", order.open()));
        if (order.round()) {
            Round round = Round.of(
                    fence.plan(), fence.design().laid(), fence.worked().around(), before, order.since(), order.open());
            for (Round.Stop stop : round.stops()) {
                for (Round.Ask ask : stop.asks()) {
                    if (ask.reading().isEmpty()) {
                        asked(fence, stop, ask, nth++).ifPresent(v -> said.add(" point=" + stop.testPointId() + v));
                    }
                }
            }
        }
        for (MeterPlace p : order.places()) {
            Shown shown = fence.real()
                    .read(fence.state(), p.lineId(), p.stationM(), nth++)
                    .orElseThrow(() -> new BadInput(
                            "meter.place",
                            "places",
                            "No hot wire runs at " + p.stationM() + " m of that line: nothing was read."));
            said.add(" line=\"" + p.lineId() + "\" at=" + metres(p.stationM()) + " kv=" + kilo(shown.peakV())
                    + current(shown));
        }
        List<String> lines = new ArrayList<>();
        Instant end = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        for (int i = 0; i < said.size(); i++) {
            lines.add(end.minusSeconds((long) said.size() - 1 - i) + said.get(i) + conditions);
        }
        return send(jobId, order, lines);
    }

    /** What is hidden, for whoever gives up or wants to know whether it was right. */
    List<HiddenFault> hidden(UUID jobId, SimulatedReading order) {
        check(order);
        return fence(jobId, order).state().faults();
    }

    private record Fence(Plan plan, Designs.Worked worked, SimulatedFence real, State state) {
        Design design() {
            return worked.design();
        }
    }

    private Fence fence(UUID jobId, SimulatedReading order) {
        JobRow job = jobs.find(jobId);
        Plan plan = jobs.plan(jobId).plan();
        Designs.Worked worked = designs.of(plan, land.land(job.propertyId()));
        SimulatedFence real = SimulatedFence.of(
                        plan, worked.design().laid(), worked.around(), order.seed(), order.growth())
                .orElseThrow(() -> new BadInput(
                        "meter.dead", "", "Nothing of this fence is fed: place an energizer, then it can be read."));
        List<HiddenFault> faults = new ArrayList<>();
        for (int i = 0; i < order.hidden(); i++) {
            HiddenFault f = real.draw(i);
            faults.add(order.onlyWet() && i == order.hidden() - 1 ? f.whenWet() : f);
        }
        return new Fence(plan, worked, real, new State(order.handedOver(), order.weather(), order.open(), faults));
    }

    private static void check(SimulatedReading order) {
        if (order.hidden() < 0 || order.hidden() > MOST_HIDDEN) {
            throw new BadInput("meter.hidden", "hidden", "Between 0 and 3 faults are hidden.");
        }
        if (order.places().size() > MOST_PLACES) {
            throw new BadInput("meter.places", "places", "At most 200 places are read at once.");
        }
        if (order.by().isBlank()
                || Texts.flaw(order.by(), Texts.LONGEST_NAME, false).isPresent()) {
            throw new BadInput("meter.by", "by", "Enter who reads.");
        }
    }

    private static Optional<String> asked(Fence fence, Round.Stop stop, Round.Ask ask, long nth) {
        Optional<Shown> shown = fence.real().read(fence.state(), stop.lineId(), stop.stationM(), nth);
        return switch (ask.kind()) {
            case PEAK -> shown.map(s -> " wire=" + ask.wire() + " kv=" + kilo(s.peakV()));
            case CURRENT -> shown.map(SimulatedMeter::current);
            case UNPOWERED -> Optional.of(" wire=" + ask.wire() + " unpowered_kv=" + (nth % 2 == 0 ? 0 : PICKED_UP_KV));
            case BATTERY -> Optional.of(" battery_v=" + FULL_BATTERY_V);
            case EARTH_TEST -> earthTest(fence, stop, nth);
        };
    }

    /** G9: with the fence shorted to the ground at its far end. */
    private static Optional<String> earthTest(Fence fence, Round.Stop stop, long nth) {
        MeterPlace far = fence.design().layout().lines().stream()
                .map(l -> new MeterPlace(l.lineId(), l.lengthM()))
                .filter(p -> fence.real().reaches(p.lineId(), p.stationM()))
                .reduce((a, b) -> b)
                .orElse(new MeterPlace(stop.lineId(), stop.stationM()));
        List<HiddenFault> shorted = new ArrayList<>(fence.state().faults());
        shorted.add(HiddenFault.at(FaultKind.LEAK, far.lineId(), far.stationM(), SHORT_OHM));
        State state = new State(false, fence.state().weather(), fence.state().open(), shorted);
        return fence.real()
                .read(state, stop.lineId(), stop.stationM(), nth)
                .map(s -> " last_rod_kv=" + kilo(fence.real().earthTerminalV(state, nth)) + " fence_kv="
                        + kilo(s.peakV()));
    }

    private static String current(Shown shown) {
        String to = shown.direction() == Direction.TOWARDS_FINISH
                ? " to=finish"
                : shown.direction() == Direction.TOWARDS_START ? " to=start" : "";
        return " a=" + String.format(Locale.ROOT, "%.1f", shown.peakA()) + to;
    }

    private static String kilo(double volts) {
        return String.format(Locale.ROOT, "%.2f", volts / 1000);
    }

    private static String metres(double m) {
        return String.format(Locale.ROOT, "%.3f", m);
    }

    private static String word(Enum<?> of) {
        return of.name().toLowerCase(Locale.ROOT);
    }

    private SimulatedAnswer send(UUID jobId, SimulatedReading order, List<String> lines) {
        if (lines.isEmpty()) {
            return new SimulatedAnswer(0, 0, List.of());
        }
        if (intake.port() == 0) {
            throw new RequestRefused(
                    503,
                    "meter.no-intake",
                    "The port for meters is taken by another program: nothing was sent.",
                    Map.of());
        }
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), intake.port());
                OutputStream out = socket.getOutputStream();
                BufferedReader in =
                        new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))) {
            socket.setSoTimeout(TIMEOUT_MS);
            String greeting = "buckle 1 job=" + jobId + " meter=\"simulated, seed " + order.seed() + "\" by=\""
                    + order.by().strip().replace('"', '\'') + "\"";
            out.write((greeting + "\n" + String.join("\n", lines) + "\n").getBytes(StandardCharsets.UTF_8));
            out.flush();
            expect(in.readLine());
            int stored = 0;
            List<String> refused = new ArrayList<>();
            for (int i = 0; i < lines.size(); i++) {
                String answer = String.valueOf(in.readLine());
                if (answer.startsWith("ok ")) {
                    stored++;
                } else {
                    refused.add(answer);
                }
            }
            return new SimulatedAnswer(lines.size(), stored, refused);
        } catch (IOException e) {
            throw new RequestRefused(
                    503,
                    "meter.away",
                    "The simulated meter was not answered in time; what it was answered for is stored.",
                    Map.of());
        }
    }

    private static void expect(String answer) {
        if (!String.valueOf(answer).startsWith("ok")) {
            throw new BadInput("meter.refused", "", "The meter was refused: " + answer);
        }
    }
}
