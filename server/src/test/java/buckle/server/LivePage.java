package buckle.server;

import buckle.exchange.Json;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.http.HttpClient;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Predicate;
import tools.jackson.databind.JsonNode;

/** A page that shows a job and is told of what is stored for it. */
final class LivePage implements AutoCloseable {
    private final List<Told> told = new CopyOnWriteArrayList<>();
    private final InputStream events;

    /** One event. */
    record Told(String what, String data) {}

    LivePage(Server server, String job) throws IOException, InterruptedException {
        events = HttpClient.newHttpClient()
                .send(server.request("/api/jobs/" + job + "/live").GET().build(), BodyHandlers.ofInputStream())
                .body();
        Thread.ofVirtual().start(this::listen);
    }

    private void listen() {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(events, StandardCharsets.UTF_8))) {
            String what = "";
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (line.startsWith("event:")) {
                    what = line.substring(6);
                } else if (line.startsWith("data:")) {
                    told.add(new Told(what, line.substring(5)));
                }
            }
        } catch (IOException e) {
            // Closed.
        }
    }

    List<Told> told() {
        return told;
    }

    /** The readings it was told of, in order. */
    List<JsonNode> readings() {
        return told.stream()
                .filter(t -> t.what().equals("readings"))
                .flatMap(t -> Json.MAPPER.readTree(t.data()).valueStream())
                .toList();
    }

    /** Waits five seconds at most until that is so. */
    void until(Predicate<LivePage> so) throws InterruptedException {
        for (int tries = 0; tries < 100 && !so.test(this); tries++) {
            Thread.sleep(50);
        }
    }

    @Override
    public void close() throws IOException {
        events.close();
    }
}
