package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import buckle.exchange.Json;
import buckle.server.Server.Answer;
import buckle.server.web.RequestRefused;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.task.Cancellation;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.http.HttpRequest.BodyPublishers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Heavy work: in its turn, called off when nobody waits for it, and never in the way of what is small. */
class WorkTest {
    private final Server server = Server.get();

    private static void until(java.util.function.BooleanSupplier so) {
        for (int i = 0; i < 500 && !so.getAsBoolean(); i++) {
            LockSupport.parkNanos(20_000_000);
        }
        assertThat(so.getAsBoolean()).isTrue();
    }

    /** What somebody waits for with a pencil in hand goes before what only comes on paper. */
    @Test
    @Timeout(30)
    void whatIsMoreUrgentGoesFirst() throws Exception {
        WorkQueue queue = new WorkQueue();
        int threads = Math.max(2, Runtime.getRuntime().availableProcessors());
        List<CountDownLatch> gates = new ArrayList<>();
        CountDownLatch begun = new CountDownLatch(threads);
        List<Kind> order = Collections.synchronizedList(new ArrayList<>());
        List<Thread> askers = new ArrayList<>();
        for (int i = 0; i < threads; i++) {
            CountDownLatch gate = new CountDownLatch(1);
            gates.add(gate);
            askers.add(Thread.ofPlatform()
                    .start(() -> queue.run(Kind.COMPUTATION, () -> {
                        begun.countDown();
                        try {
                            return gate.await(20, TimeUnit.SECONDS);
                        } catch (InterruptedException e) {
                            throw Cancellation.cancelled();
                        }
                    })));
        }
        begun.await();
        assertThat(queue.run(Kind.LAYOUT, () -> "laid out"))
                .as("no worker is free of long work")
                .isEqualTo("laid out");
        List<String> putOff = Collections.synchronizedList(new ArrayList<>());
        queue.later(() -> putOff.add("overtaken"));
        queue.later(() -> {
            putOff.add("put off after " + order.size());
            throw new IllegalStateException("nobody hears of it");
        });
        List<Thread> waiting = List.of(Kind.BACKGROUND, Kind.PAPER, Kind.IMPORT, Kind.COMPUTATION).stream()
                .map(kind -> Thread.ofPlatform().start(() -> queue.run(kind, () -> order.add(kind))))
                .toList();
        for (Thread asker : waiting) {
            until(() -> asker.getState() == Thread.State.TIMED_WAITING);
        }
        gates.getFirst().countDown();
        for (Thread asker : waiting) {
            asker.join();
        }
        assertThat(order)
                .as("the one free worker takes the most urgent of what waits")
                .containsExactly(Kind.COMPUTATION, Kind.IMPORT, Kind.PAPER, Kind.BACKGROUND);
        until(() -> !putOff.isEmpty());
        assertThat(putOff)
                .as("what nobody waits for is done after that, and only the newest of it")
                .singleElement()
                .asString()
                .matches("put off after [34]");
        gates.forEach(CountDownLatch::countDown);
        for (Thread asker : askers) {
            asker.join();
        }
        queue.destroy();
    }

    @Test
    void whatGoesWrongInItComesOutAsItWas() {
        WorkQueue queue = new WorkQueue();
        assertThatThrownBy(() -> queue.run(Kind.IMPORT, () -> {
                    throw new IllegalArgumentException("so");
                }))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("so");
        assertThatThrownBy(() -> queue.run(Kind.IMPORT, () -> {
                    throw new OutOfMemoryError("no room");
                }))
                .isInstanceOf(RequestRefused.class)
                .hasMessageContaining("too large");
        queue.destroy();
        assertThatThrownBy(() -> queue.run(Kind.IMPORT, () -> 1)).isInstanceOf(RuntimeException.class);
    }

    /** A plan that takes a while: the paddocks many times over, side by side. */
    private byte[] heavy() {
        ObjectNode order = server.order(server.openDemo("alpaca-paddocks.geojson"));
        ArrayNode lines = (ArrayNode) order.at("/plan/site/lines");
        ((ObjectNode) order.at("/plan/site")).putNull("energizer");
        JsonNode first = lines.get(0);
        lines.removeAll();
        for (int i = 0; i < 150; i++) {
            ObjectNode line = (ObjectNode) first.deepCopy();
            line.put("id", "line-" + i).putNull("startsOn").putNull("endsOn");
            for (String part : List.of("gates", "cutOuts")) {
                for (JsonNode item : line.path(part)) {
                    ((ObjectNode) item).put("id", item.path("id").asString() + "-" + i);
                    shift(item, i);
                }
            }
            line.putArray("ground");
            line.path("corners").forEach(corner -> shift(corner, 0));
            for (JsonNode corner : line.path("corners")) {
                shift(corner, i);
            }
            lines.add(line);
        }
        order.putArray("readings");
        return Json.MAPPER.writeValueAsBytes(order);
    }

    private static void shift(JsonNode item, int i) {
        ArrayNode at = (ArrayNode) item.path("at");
        at.set(1, at.get(1).asDouble() + i * 0.004);
    }

    private String request(String ticket, byte[] body) {
        return "POST /api/schools HTTP/1.1\r\nHost: 127.0.0.1:" + server.port()
                + "\r\nContent-Type: application/json\r\nContent-Length: " + body.length + "\r\nBuckle-Ticket: "
                + ticket
                + "\r\n\r\n";
    }

    /** Its progress is told to whoever has the ticket; when the asker hangs up, it ends. */
    @Test
    @Timeout(120)
    void whoeverHangsUpIsNotWorkedForAnyLonger() throws IOException {
        ObjectNode order = (ObjectNode) Json.parse(heavy());
        order.remove("readings");
        byte[] body = Json.MAPPER.writeValueAsBytes(order);
        String ticket = UUID.randomUUID().toString();
        String progress = "/api/work/" + ticket;
        try (Socket socket = new Socket("127.0.0.1", server.port())) {
            OutputStream out = socket.getOutputStream();
            out.write(request(ticket, body).getBytes(StandardCharsets.US_ASCII));
            out.write(body);
            out.flush();
            until(() -> server.get(progress).status() == 200
                    && server.get(progress).json().path("running").asBoolean());
            LockSupport.parkNanos(600_000_000);
            assertThat(server.get(progress).status()).as("it takes its time").isEqualTo(200);
            // Meanwhile what is small is answered at once.
            assertThat(server.get("/api/jobs").status()).isEqualTo(200);
        }
        long closed = System.nanoTime();
        until(() -> server.get(progress).status() == 204);
        assertThat((System.nanoTime() - closed) / 1e9)
                .as("seconds until it was called off")
                .isLessThan(3);
    }

    @Test
    void aTicketThatIsNoneIsNoMatter() {
        ObjectNode order = server.order(server.openDemo("orchard-ring.geojson"));
        order.putArray("readings");
        Answer answer = server.send(server.request("/api/design")
                .header("Content-Type", "application/json")
                .header("Buckle-Ticket", "nonsense")
                .POST(BodyPublishers.ofByteArray(Json.MAPPER.writeValueAsBytes(order))));
        assertThat(answer.status()).isEqualTo(200);
        assertThat(server.get("/api/work/nonsense").status()).isEqualTo(400);
        assertThat(server.get("/api/work/" + UUID.randomUUID()).status()).isEqualTo(204);
    }
}
