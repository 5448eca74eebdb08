package buckle.server.web;

import buckle.task.Cancellation;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.PriorityBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/**
 * Heavy work waits in queues of its own, so that what is small, a save or a reading, never waits behind it: one for what a hand waits
 * for, one for all that takes longer, so that a layout never waits for a worker that is busy with papers. A piece of work has a time limit;
 * it is stopped when that is over or when whoever asked has gone.
 */
@Component
public class WorkQueue implements DisposableBean {
    private static final Logger LOG = LoggerFactory.getLogger(WorkQueue.class);
    private static final int MOST_WAITING = 200;
    private static final long LOOK_MS = 200;
    private static final Duration MOST_WAIT = Duration.ofMinutes(2);

    /** What kind of work it is: how soon it is taken up, and how long it may take. */
    public enum Kind {
        /** A picture that changes under a pointer. */
        MOVING(Duration.ofSeconds(15)),
        /** The layout that an open job shows. */
        LAYOUT(Duration.ofSeconds(60)),
        /** What else it shows. */
        COMPUTATION(Duration.ofSeconds(60)),
        /** A file that was dropped. */
        IMPORT(Duration.ofSeconds(30)),
        /** A file to take away. */
        PAPER(Duration.ofSeconds(90)),
        /** What nobody waits for. */
        BACKGROUND(Duration.ofSeconds(60));

        private final Duration most;

        Kind(Duration most) {
            this.most = most;
        }

        private boolean atOnce() {
            return this == MOVING || this == LAYOUT;
        }
    }

    /**
     * Where a piece of work stands.
     *
     * @param running whether it is being worked on
     * @param ahead how many wait before it
     * @param runningMs how long it has been worked on, {@code waitedMs} how long it waited before
     * @param share of it that is done, where the work tells
     */
    public record Progress(boolean running, int ahead, long waitedMs, long runningMs, OptionalDouble share) {}

    private static final ThreadLocal<Piece<?>> UNDER_WAY = new ThreadLocal<>();

    private final ThreadPoolExecutor atOnce;
    private final ThreadPoolExecutor longer;
    private final AtomicLong numbers = new AtomicLong();
    private final Map<UUID, Piece<?>> tickets = new ConcurrentHashMap<>();
    private final AtomicReference<@Nullable Thread> putOff = new AtomicReference<>();

    public WorkQueue() {
        int threads = Integer.max(2, Runtime.getRuntime().availableProcessors());
        atOnce = workers(threads, "layout-");
        longer = workers(threads, "work-");
    }

    private static ThreadPoolExecutor workers(int threads, String name) {
        return new ThreadPoolExecutor(
                threads,
                threads,
                0,
                TimeUnit.SECONDS,
                new PriorityBlockingQueue<>(),
                Thread.ofPlatform().daemon().name(name, 1).factory());
    }

    private ThreadPoolExecutor workers(Kind kind) {
        return kind.atOnce() ? atOnce : longer;
    }

    private static final class Piece<T> extends FutureTask<T> implements Comparable<Piece<?>> {
        private final Kind kind;
        private final long number;
        private final long askedNs = System.nanoTime();
        private volatile long startedNs;
        private volatile OptionalDouble share = OptionalDouble.empty();

        Piece(Kind kind, long number, Supplier<T> work) {
            super(work::get);
            this.kind = kind;
            this.number = number;
        }

        @Override
        public void run() {
            startedNs = System.nanoTime();
            UNDER_WAY.set(this);
            try {
                super.run();
            } finally {
                UNDER_WAY.remove();
            }
        }

        boolean started() {
            return startedNs != 0;
        }

        long runningMs() {
            return started() ? (System.nanoTime() - startedNs) / 1_000_000 : 0;
        }

        long waitedMs() {
            return ((started() ? startedNs : System.nanoTime()) - askedNs) / 1_000_000;
        }

        @Override
        public int compareTo(Piece<?> other) {
            return kind == other.kind ? Long.compare(number, other.number) : kind.compareTo(other.kind);
        }
    }

    /** Told by work of this queue: how much of it is done, from 0 to 1. */
    public static void done(double share) {
        Piece<?> piece = UNDER_WAY.get();
        if (piece != null) {
            piece.share = OptionalDouble.of(share);
        }
    }

    /** Does it when its turn comes, and waits for it. */
    public <T> T run(Kind kind, Supplier<T> work) {
        ThreadPoolExecutor workers = workers(kind);
        if (workers.getQueue().size() >= MOST_WAITING) {
            throw new RequestRefused(
                    429,
                    "work.queue-full",
                    "Too much is being calculated at once. Nothing was stored; try again in a moment.",
                    Map.of());
        }
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        Asker asker = attribute(request) instanceof Asker sent ? sent : Asker.NOBODY;
        UUID ticket = ticket(request);
        Piece<T> piece = new Piece<>(kind, numbers.incrementAndGet(), work);
        if (ticket != null) {
            tickets.put(ticket, piece);
        }
        try {
            workers.execute(piece);
            return result(piece, asker);
        } finally {
            piece.cancel(true);
            workers.getQueue().remove(piece);
            if (ticket != null) {
                tickets.remove(ticket, piece);
            }
        }
    }

    /**
     * Does it when nothing else waits, within the time of its kind; nobody waits for it, and what is gained by it is time. What was put
     * off before and is not done yet is given up.
     */
    public void later(Runnable work) {
        Thread waiter = Thread.ofVirtual().unstarted(() -> {
            try {
                run(Kind.BACKGROUND, () -> {
                    work.run();
                    return true;
                });
            } catch (Cancellation.Cancelled e) {
                LOG.debug("given up for something newer");
            } catch (RuntimeException e) {
                LOG.warn("What was to be made ready was not", e);
            }
        });
        Thread before = putOff.getAndSet(waiter);
        waiter.start();
        if (before != null) {
            before.interrupt();
        }
    }

    private static @Nullable Object attribute(@Nullable RequestAttributes request) {
        return request == null ? null : request.getAttribute(Asker.ATTRIBUTE, RequestAttributes.SCOPE_REQUEST);
    }

    private static @Nullable UUID ticket(@Nullable RequestAttributes request) {
        return request instanceof org.springframework.web.context.request.ServletRequestAttributes servlet
                ? Asker.ticket(servlet.getRequest().getHeader(Asker.TICKET))
                : null;
    }

    private <T> T result(Piece<T> piece, Asker asker) {
        while (true) {
            try {
                return piece.get(LOOK_MS, TimeUnit.MILLISECONDS);
            } catch (TimeoutException e) {
                checkTime(piece);
                if (asker.gone()) {
                    LOG.info("{} was called off: whoever asked has gone", piece.kind);
                    throw new RequestRefused(499, "asker.gone", "Whoever asked has gone.", Map.of());
                }
            } catch (ExecutionException e) {
                throw rethrown(e.getCause());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw Cancellation.cancelled();
            }
        }
    }

    private static void checkTime(Piece<?> piece) {
        if (piece.runningMs() > piece.kind.most.toMillis()) {
            LOG.warn("{} was stopped after {} s", piece.kind, piece.kind.most.toSeconds());
            throw new RequestRefused(
                    422,
                    "work.too-long",
                    "This takes longer than " + piece.kind.most.toSeconds()
                            + " s and was stopped. Nothing was stored. Split the job, or leave out what is not needed.",
                    Map.of());
        }
        if (!piece.started() && piece.waitedMs() > MOST_WAIT.toMillis()) {
            throw new RequestRefused(
                    429,
                    "work.queue-full",
                    "Too much is being calculated at once. Nothing was stored; try again in a moment.",
                    Map.of());
        }
    }

    private static RuntimeException rethrown(@Nullable Throwable cause) {
        if (cause instanceof RuntimeException refused) {
            return refused;
        }
        if (cause instanceof OutOfMemoryError) {
            return new RequestRefused(
                    413, "memory", "This is too large to be calculated on this machine. Nothing was stored.", Map.of());
        }
        if (cause instanceof StackOverflowError) {
            return new RequestRefused(422, "work.too-deep", "This cannot be calculated. Nothing was stored.", Map.of());
        }
        return new IllegalStateException(cause);
    }

    /** Where the work of a ticket stands; empty when it is done, or never was. */
    public Optional<Progress> progress(UUID ticket) {
        return Optional.ofNullable(tickets.get(ticket))
                .map(piece ->
                        new Progress(piece.started(), ahead(piece), piece.waitedMs(), piece.runningMs(), piece.share));
    }

    private int ahead(Piece<?> piece) {
        return piece.started()
                ? 0
                : (int) List.copyOf(workers(piece.kind).getQueue()).stream()
                        .filter(other -> other instanceof Piece<?> p && p.compareTo(piece) < 0)
                        .count();
    }

    @Override
    public void destroy() {
        for (ThreadPoolExecutor workers : List.of(atOnce, longer)) {
            workers.shutdownNow().forEach(waiting -> {
                if (waiting instanceof Piece<?> piece) {
                    piece.cancel(true);
                }
            });
        }
    }
}
