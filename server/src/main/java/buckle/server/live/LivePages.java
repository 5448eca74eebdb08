package buckle.server.live;

import buckle.exchange.Json;
import buckle.server.readings.ReadingsStored;
import buckle.server.upkeep.NoteStored;
import buckle.server.web.RequestRefused;
import java.io.IOException;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.context.ApplicationListener;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells open pages of what is stored, once it is: server-sent events, one stream a page. */
@Component
class LivePages implements DisposableBean, ApplicationListener<ContextClosedEvent> {
    private static final int MOST_STREAMS = 100;
    private static final long BEAT_S = 15;

    private final Map<UUID, Set<SseEmitter>> open = new ConcurrentHashMap<>();
    /** Whoever stores does not wait for pages that read slowly. */
    private final ScheduledExecutorService sender = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("live-pages").factory());

    LivePages() {
        sender.scheduleWithFixedDelay(this::beat, BEAT_S, BEAT_S, TimeUnit.SECONDS);
    }

    /** A stream of what is stored for a job from now on. */
    SseEmitter stream(UUID jobId) {
        if (open.values().stream().mapToInt(Set::size).sum() >= MOST_STREAMS) {
            throw new RequestRefused(
                    429,
                    "live.too-many",
                    "Too many pages listen at once; readings are shown when it is loaded anew.",
                    Map.of());
        }
        SseEmitter emitter = new SseEmitter(0L);
        open.compute(jobId, (id, known) -> {
            Set<SseEmitter> all = known == null ? ConcurrentHashMap.newKeySet() : known;
            all.add(emitter);
            return all;
        });
        Runnable gone = () -> gone(jobId, emitter);
        emitter.onCompletion(gone);
        emitter.onTimeout(gone);
        emitter.onError(e -> gone.run());
        send(jobId, emitter, SseEmitter.event().comment("listening"));
        return emitter;
    }

    @TransactionalEventListener(fallbackExecution = true)
    void stored(ReadingsStored event) {
        if (open.containsKey(event.jobId())) {
            sender.execute(() -> tell(event.jobId(), "readings", Json.MAPPER.writeValueAsString(event.readings())));
        }
    }

    @TransactionalEventListener(fallbackExecution = true)
    void stored(NoteStored event) {
        sender.execute(() -> tell(event.jobId(), "log", event.noteId().toString()));
    }

    private void tell(UUID jobId, String what, String data) {
        open.getOrDefault(jobId, Set.of())
                .forEach(e -> send(jobId, e, SseEmitter.event().name(what).data(data, MediaType.TEXT_PLAIN)));
    }

    private void beat() {
        open.forEach((jobId, all) ->
                all.forEach(e -> send(jobId, e, SseEmitter.event().comment("beat"))));
    }

    private void gone(UUID jobId, SseEmitter emitter) {
        open.computeIfPresent(jobId, (id, all) -> {
            all.remove(emitter);
            return all.isEmpty() ? null : all;
        });
    }

    /** A page that has gone is forgotten. */
    private void send(UUID jobId, SseEmitter emitter, SseEmitter.SseEventBuilder event) {
        try {
            emitter.send(event);
        } catch (IOException | IllegalStateException e) {
            gone(jobId, emitter);
        }
    }

    /** Before the server waits for what is under way: a stream would keep it waiting. */
    @Override
    public void onApplicationEvent(ContextClosedEvent event) {
        open.values().forEach(all -> all.forEach(SseEmitter::complete));
    }

    @Override
    public void destroy() {
        sender.shutdownNow();
    }
}
