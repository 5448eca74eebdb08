package buckle.server.meter;

import buckle.practice.HiddenFault;
import buckle.server.meter.SimulatedMeter.SimulatedAnswer;
import buckle.server.meter.SimulatedMeter.SimulatedReading;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Meters that send by themselves, over HTTP, the simulated one among them. */
@RestController
@RequestMapping("/api")
@Tag(name = "meter")
class MeterController {
    private final MeterIntake intake;
    private final SimulatedMeter simulated;
    private final WorkQueue queue;

    MeterController(MeterIntake intake, SimulatedMeter simulated, WorkQueue queue) {
        this.intake = intake;
        this.simulated = simulated;
        this.queue = queue;
    }

    /** Where meters connect; 0 when the port was taken. */
    record MeterPort(int port) {}

    @GetMapping("/meter")
    @Operation(operationId = "meterPort", summary = "The TCP port on this machine that meters send to")
    MeterPort port() {
        return new MeterPort(intake.port());
    }

    @PostMapping("/jobs/{id}/simulated-meter")
    @Operation(
            operationId = "readSimulated",
            summary = "Read a simulated fence of this job's plan with a simulated meter, which sends it to the intake")
    SimulatedAnswer read(@PathVariable UUID id, @RequestBody SimulatedReading order) {
        return queue.run(Kind.COMPUTATION, () -> simulated.read(id, order));
    }

    @PostMapping("/jobs/{id}/simulated-meter/hidden")
    @Operation(operationId = "revealSimulated", summary = "What is hidden on a simulated fence")
    List<HiddenFault> hidden(@PathVariable UUID id, @RequestBody SimulatedReading order) {
        return queue.run(Kind.COMPUTATION, () -> simulated.hidden(id, order));
    }
}
