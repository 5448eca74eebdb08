package buckle.server.meter;

import buckle.exchange.in.MeterLine;
import buckle.layout.Layout;
import buckle.readings.Observation;
import buckle.server.design.Designs;
import buckle.server.jobs.JobService;
import buckle.server.jobs.PlanState;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.readings.ReadingService.Kept;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import java.io.BufferedInputStream;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStreamWriter;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/**
 * Takes readings from meters over TCP on this machine (docs/meter-protocol.md). A line is answered once its readings are stored; what
 * waits is bounded, so that a meter that sends faster than the database stores is made to wait.
 */
@Component
class MeterIntake implements ApplicationListener<ApplicationReadyEvent>, DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(MeterIntake.class);
    private static final int MOST_WAITING = 10_000;
    private static final int MOST_AT_ONCE = 1000;
    private static final int MOST_METERS = 200;
    private static final int MOST_ANSWERS = 20_000;
    /** Who says nothing for so long has gone. */
    private static final int SILENT_MS = 10 * 60 * 1000;

    private static final long LAYOUT_KEPT_MS = 2000;
    private static final int LAYOUTS_KEPT = 20;
    private static final int MOST_TRIES = 3000;
    private static final long TRY_MS = 10;
    /** Sent again it is stored once, whether it was or not. */
    private static final String AWAY = "store.away It is not known to be stored: send it again.";

    private final ReadingService readings;
    private final JobService jobs;
    private final LandService land;
    private final Designs designs;
    private final int wanted;
    private final BlockingQueue<Waiting> waiting = new ArrayBlockingQueue<>(MOST_WAITING);
    private final Map<UUID, Known> layouts = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<UUID, Known> eldest) {
            return size() > LAYOUTS_KEPT;
        }
    });
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private volatile @Nullable ServerSocket listening;

    MeterIntake(
            ReadingService readings,
            JobService jobs,
            LandService land,
            Designs designs,
            @Value("${buckle.meter-port:0}") int wanted) {
        this.readings = readings;
        this.jobs = jobs;
        this.land = land;
        this.designs = designs;
        this.wanted = wanted;
    }

    /** A line whose readings wait to be stored. */
    private record Waiting(UUID jobId, long number, List<Observation> readings, Meter from) {}

    /** Where it listens; 0 while it does not. */
    int port() {
        ServerSocket socket = listening;
        return socket == null ? 0 : socket.getLocalPort();
    }

    @Override
    public void onApplicationEvent(ApplicationReadyEvent event) {
        try {
            ServerSocket socket = new ServerSocket();
            socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), wanted));
            listening = socket;
            Thread.ofPlatform().daemon().name("meter-accept").start(() -> accept(socket));
            Thread.ofPlatform().daemon().name("meter-store").start(this::store);
        } catch (IOException e) {
            LOG.warn("Port {} for meters is taken: none can send by itself", wanted);
        }
    }

    private void accept(ServerSocket socket) {
        while (!socket.isClosed()) {
            try {
                Socket meter = socket.accept();
                if (open.size() >= MOST_METERS) {
                    meter.close();
                    continue;
                }
                open.add(meter);
                meter.setSoTimeout(SILENT_MS);
                Thread.ofVirtual().name("meter").start(() -> new Meter(meter).listen());
            } catch (IOException e) {
                // Closed, or the meter went before it came.
            }
        }
    }

    /** Stores what waits, many lines in one transaction, and answers them. */
    private void store() {
        while (true) {
            List<Waiting> some = new ArrayList<>();
            try {
                Waiting first = waiting.poll(1, TimeUnit.SECONDS);
                if (first == null) {
                    continue;
                }
                some.add(first);
                waiting.drainTo(some, MOST_AT_ONCE - 1);
                Map<UUID, List<Waiting>> byJob = new LinkedHashMap<>();
                some.forEach(w -> byJob.computeIfAbsent(w.jobId(), id -> new ArrayList<>())
                        .add(w));
                byJob.forEach(this::store);
            } catch (InterruptedException e) {
                return;
            }
        }
    }

    private void store(UUID jobId, List<Waiting> lines) {
        try {
            List<Observation> all =
                    lines.stream().flatMap(w -> w.readings().stream()).toList();
            Kept kept = readings.keep(jobId, all);
            for (Waiting w : lines) {
                String why = w.readings().stream()
                        .map(o -> kept.refused().get(o.id()))
                        .filter(r -> r != null)
                        .findFirst()
                        .orElse("");
                w.from().stored(why.isEmpty() ? "ok " + w.number() : "no " + w.number() + " " + why);
            }
        } catch (RuntimeException e) {
            String why = e instanceof RequestRefused r ? r.code() + " " + r.getMessage() : AWAY;
            if (!(e instanceof RequestRefused)) {
                LOG.warn("Readings of a meter could not be stored", e);
            }
            lines.forEach(w -> w.from().stored("no " + w.number() + " " + why));
        }
    }

    @Override
    public void destroy() throws IOException {
        ServerSocket socket = listening;
        listening = null;
        if (socket != null) {
            socket.close();
        }
        for (Socket s : open) {
            s.close();
        }
    }

    /** As the plan is now, or was two seconds ago: one for all meters of a job. */
    private Layout layout(UUID jobId) {
        Known known = layouts.computeIfAbsent(jobId, id -> new Known());
        synchronized (known) {
            long now = System.currentTimeMillis();
            Layout layout = known.layout;
            if (layout == null || now - known.atMs > LAYOUT_KEPT_MS) {
                PlanState plan = jobs.plan(jobId);
                layout = designs.of(plan.plan(), land.land(jobs.find(jobId).propertyId()))
                        .design()
                        .layout();
                known.layout = layout;
                known.atMs = now;
            }
            return layout;
        }
    }

    /** A job's layout, and when it was asked for. */
    private static final class Known {
        private @Nullable Layout layout;
        private long atMs;
    }

    /** One that speaks. */
    private final class Meter {
        private final Socket socket;
        private MeterLine.@Nullable Greeting greeting;
        private final BlockingQueue<String> answers = new ArrayBlockingQueue<>(MOST_ANSWERS);
        private final AtomicLong unanswered = new AtomicLong();
        private final AtomicLong said = new AtomicLong();
        private final AtomicLong spoken = new AtomicLong();

        Meter(Socket socket) {
            this.socket = socket;
        }

        void listen() {
            try (socket;
                    InputStream in = new BufferedInputStream(socket.getInputStream(), 1 << 16);
                    BufferedWriter writer = new BufferedWriter(
                            new OutputStreamWriter(socket.getOutputStream(), StandardCharsets.UTF_8))) {
                Thread.ofVirtual().name("meter-answers").start(() -> speak(writer));
                LineReader lines = new LineReader(in, MeterLine.MOST_CHARACTERS * 4);
                long number = 0;
                for (LineReader.Line line = lines.next(); line != null; line = lines.next()) {
                    if (line.text().isBlank() && !line.tooLong()) {
                        continue;
                    }
                    if (greeting == null) {
                        if (!greet(line)) {
                            answered();
                            return;
                        }
                        continue;
                    }
                    number++;
                    take(line, number);
                }
                answered();
            } catch (IOException e) {
                // It has gone; what it was answered for is stored, the rest it sends again.
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            } finally {
                open.remove(socket);
            }
        }

        /** Who has said all may still listen: the socket is closed once every line is answered. */
        private void answered() throws InterruptedException {
            for (int tries = 0;
                    tries < MOST_TRIES && !socket.isClosed() && (unanswered.get() > 0 || speaking());
                    tries++) {
                Thread.sleep(TRY_MS);
            }
        }

        private boolean speaking() {
            return said.get() > spoken.get();
        }

        private boolean greet(LineReader.Line line) {
            try {
                MeterLine.Greeting said = MeterLine.Greeting.read(line.tooLong() ? "" : line.text());
                jobs.find(said.jobId());
                greeting = said;
                answer("ok buckle 1");
                return true;
            } catch (BadInput e) {
                answer("no " + e.problems().getFirst().code() + " "
                        + e.problems().getFirst().message());
            } catch (RequestRefused e) {
                answer("no " + e.code() + " " + e.getMessage());
            }
            return false;
        }

        private void take(LineReader.Line line, long number) throws InterruptedException {
            try {
                if (line.tooLong()) {
                    throw new BadInput("meter.long", "", "A line has at most 1,000 characters.");
                }
                MeterLine.Greeting by = Objects.requireNonNull(greeting);
                List<Observation> read = MeterLine.read(line.text(), by, layout(by.jobId()));
                unanswered.incrementAndGet();
                waiting.put(new Waiting(by.jobId(), number, read, this));
            } catch (BadInput e) {
                answer("no " + number + " " + e.problems().getFirst().code() + " "
                        + e.problems().getFirst().message());
            } catch (RequestRefused e) {
                answer("no " + number + " " + e.code() + " " + e.getMessage());
            } catch (DataAccessException e) {
                answer("no " + number + " " + AWAY);
            }
        }

        /** A line that waited is stored, or refused. */
        void stored(String text) {
            answer(text);
            unanswered.decrementAndGet();
        }

        /** Never waits: who does not read what it is answered is let go, and nobody else waits for it. */
        private void answer(String text) {
            said.incrementAndGet();
            if (!answers.offer(text.replace('\n', ' '))) {
                try {
                    socket.close();
                } catch (IOException e) {
                    // It has gone.
                }
            }
        }

        private void speak(BufferedWriter out) {
            try {
                while (!socket.isClosed()) {
                    String text = answers.poll(1, TimeUnit.SECONDS);
                    long written = 0;
                    while (text != null) {
                        out.write(text);
                        out.write('\n');
                        written++;
                        text = answers.poll();
                    }
                    out.flush();
                    spoken.addAndGet(written);
                }
            } catch (IOException | InterruptedException e) {
                // It has gone.
            }
        }
    }
}
