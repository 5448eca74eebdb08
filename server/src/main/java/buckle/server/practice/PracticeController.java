package buckle.server.practice;

import buckle.layout.GatePlace;
import buckle.layout.LineLayout;
import buckle.practice.Drill;
import buckle.practice.PracticeCase;
import buckle.practice.PracticeHunt;
import buckle.practice.PracticeHunt.Act;
import buckle.practice.PracticeHunt.Grade;
import buckle.practice.PracticeHunt.KnownPlace;
import buckle.practice.PracticeHunt.Outcome;
import buckle.practice.PracticeHunt.Played;
import buckle.server.practice.PracticeMapper.ResultRow;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Texts;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Cases and drills over HTTP. A case is its name and its seed; what was done in it is sent along, and nothing is kept but what came of it. */
@RestController
@RequestMapping("/api/practice")
@Tag(name = "practice")
class PracticeController {
    private static final int KEPT = 8;
    private static final long LARGEST_SEED = 1_000_000_000;

    private final PracticeMapper mapper;
    private final WorkQueue queue;
    private final Clock clock;
    private final Map<Asked, PracticeHunt> known = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, PracticeHunt> eldest) {
            return size() > KEPT;
        }
    };

    PracticeController(PracticeMapper mapper, WorkQueue queue, Clock clock) {
        this.mapper = mapper;
        this.queue = queue;
        this.clock = clock;
    }

    private record Asked(PracticeCase of, long seed) {}

    /** A point of the ground, in metres east and north of the first corner. */
    record PlaneXy(double eastM, double northM) {}

    /** A line with what stands on it. */
    record PracticeLine(
            String lineId,
            double lengthM,
            List<PlaneXy> path,
            List<Double> cornerStationsM,
            List<SwitchAt> cutOuts,
            List<GatePlace> gates) {}

    /** A cut-out of it. */
    record SwitchAt(String id, String name, double stationM) {}

    /**
     * A fence to practise on, and what it read when it was new.
     *
     * @param energizer where it stands
     */
    record PracticeGround(List<PracticeLine> lines, List<KnownPlace> known, PlaneXy energizer) {}

    /** What was done in a case so far. */
    record PracticeOrder(PracticeCase practiceCase, long seed, List<Act> acts) {}

    /** A case that is over, and whose it is. */
    record PracticeDone(UUID id, String person, PracticeCase practiceCase, long seed, List<Act> acts) {}

    /** What came of a case, kept under a name. */
    record PracticeResult(PracticeCase practiceCase, long seed, Grade grade, double minutes, Instant doneAt) {
        static PracticeResult of(ResultRow r) {
            return new PracticeResult(
                    PracticeCase.valueOf(r.practiceCase()),
                    r.seed(),
                    Grade.of(r.found(), r.minutes(), r.bestMinutes()),
                    r.minutes(),
                    r.doneAt());
        }
    }

    private PracticeHunt hunt(PracticeCase of, long seed) {
        if (seed < 0 || seed > LARGEST_SEED) {
            throw new BadInput("practice.seed", "seed", "A seed is a whole number from 0 to a thousand million.");
        }
        Asked asked = new Asked(of, seed);
        synchronized (known) {
            PracticeHunt found = known.get(asked);
            if (found != null) {
                return found;
            }
        }
        PracticeHunt made = PracticeHunt.of(of, seed);
        synchronized (known) {
            known.put(asked, made);
        }
        return made;
    }

    @GetMapping("/cases/{practiceCase}")
    @Operation(operationId = "practiceGround", summary = "The fence of a case, and what its test points read when new")
    PracticeGround ground(@PathVariable PracticeCase practiceCase, @RequestParam long seed) {
        return queue.run(Kind.COMPUTATION, () -> {
            PracticeHunt hunt = hunt(practiceCase, seed);
            LocalPlane plane =
                    new LocalPlane(hunt.layout().lines().getFirst().corners().getFirst());
            return new PracticeGround(
                    hunt.layout().lines().stream().map(l -> line(l, plane)).toList(),
                    hunt.known(),
                    xy(plane, hunt.energizerAt()));
        });
    }

    private static PracticeLine line(LineLayout line, LocalPlane plane) {
        return new PracticeLine(
                line.lineId(),
                line.lengthM(),
                line.corners().stream().map(c -> xy(plane, c)).toList(),
                line.cornerStationsM(),
                line.cutOuts().stream()
                        .map(c -> new SwitchAt(c.id(), c.name(), c.stationM()))
                        .toList(),
                line.gates());
    }

    private static PlaneXy xy(LocalPlane plane, GeoPoint at) {
        PlanePoint p = plane.toPlane(at);
        return new PlaneXy(p.eastM(), p.northM());
    }

    @PostMapping("/play")
    @Operation(operationId = "practicePlay", summary = "What came of all that was done in a case, with the clock")
    Played play(@RequestBody PracticeOrder order) {
        return queue.run(
                Kind.COMPUTATION, () -> hunt(order.practiceCase(), order.seed()).play(order.acts()));
    }

    @PostMapping("/results")
    @Operation(
            operationId = "practiceResult",
            summary = "How a case went, beside the best that could have been; kept under the person's name")
    Outcome result(@RequestBody PracticeDone done) {
        String person = person(done.person());
        return queue.run(Kind.COMPUTATION, () -> {
            Outcome outcome = hunt(done.practiceCase(), done.seed()).outcome(done.acts());
            mapper.insert(new ResultRow(
                    done.id(),
                    person,
                    done.practiceCase().name(),
                    done.seed(),
                    outcome.found(),
                    outcome.minutes(),
                    outcome.bestMinutes(),
                    clock.instant().truncatedTo(ChronoUnit.MICROS)));
            return outcome;
        });
    }

    @GetMapping("/results")
    @Operation(operationId = "practiceResults", summary = "What came of a person's cases, the latest first")
    List<PracticeResult> results(@RequestParam String person) {
        return mapper.of(person(person)).stream().map(PracticeResult::of).toList();
    }

    private static String person(String name) {
        Texts.flaw(name, Texts.LONGEST_NAME, false).ifPresent(flaw -> {
            throw new BadInput("practice.person", "person", "This is no name: " + flaw + ".");
        });
        if (name.isBlank()) {
            throw new BadInput("practice.person", "person", "Enter a name: results are kept under it.");
        }
        return name.strip();
    }

    @GetMapping("/drills/{kind}")
    @Operation(operationId = "practiceDrill", summary = "A question with one answer; the same seed asks the same")
    Drill drill(@PathVariable Drill.Kind kind, @RequestParam long seed) {
        return Drill.of(kind, seed);
    }
}
