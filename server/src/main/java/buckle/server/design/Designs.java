package buckle.server.design;

import buckle.design.Design;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.server.land.LandService;
import buckle.spec.Plan;
import buckle.task.Cancellation;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import org.springframework.stereotype.Component;

/** What follows from a plan on its land: the views of an open job ask for the same one at once, and it is worked out once. */
@Component
public class Designs {
    private static final int KEPT = 4;

    private final LandService lands;
    private final Map<Asked, FutureTask<Worked>> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, FutureTask<Worked>> eldest) {
            return size() > KEPT;
        }
    };

    Designs(LandService lands) {
        this.lands = lands;
    }

    private record Asked(Plan plan, Land land) {}

    /** A design with the surroundings it was worked out in. */
    public record Worked(Surroundings around, Design design) {}

    public Worked of(Plan plan, Land land) {
        while (true) {
            try {
                return asked(plan, land);
            } catch (Cancellation.Cancelled e) {
                // Perhaps only the one who asked first has gone.
                Cancellation.check();
            }
        }
    }

    private Worked asked(Plan plan, Land land) {
        Asked asked = new Asked(plan, land);
        FutureTask<Worked> task;
        synchronized (known) {
            task = known.computeIfAbsent(asked, a -> new FutureTask<>(() -> work(plan, land)));
        }
        task.run();
        try {
            return task.get();
        } catch (ExecutionException e) {
            synchronized (known) {
                known.remove(asked, task);
            }
            throw e.getCause() instanceof RuntimeException refused ? refused : new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw Cancellation.cancelled();
        }
    }

    private Worked work(Plan plan, Land land) {
        Surroundings around = lands.around(land);
        return new Worked(around, Design.of(plan, around));
    }
}
