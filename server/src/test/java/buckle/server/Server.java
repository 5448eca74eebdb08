package buckle.server;

import buckle.exchange.Json;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.locks.LockSupport;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The running application, asked over HTTP as a page would ask it. One for all tests. */
final class Server {
    private static Server running;

    private final int port;
    private final HttpClient http = HttpClient.newHttpClient();

    private Server(int port) {
        this.port = port;
    }

    static synchronized Server get() {
        if (running == null) {
            TestDatabase database = TestDatabase.get();
            ConfigurableApplicationContext context = SpringApplication.run(
                    BuckleApplication.class,
                    "--server.port=0",
                    "--buckle.demo=true",
                    "--buckle.practice=never",
                    "--spring.datasource.url=" + database.url,
                    "--spring.datasource.password=" + database.password);
            running = new Server(Integer.parseInt(context.getEnvironment().getProperty("local.server.port")));
        }
        return running;
    }

    int port() {
        return port;
    }

    record Answer(int status, byte[] body, String type) {
        JsonNode json() {
            return Json.parse(body);
        }

        String text() {
            return new String(body, StandardCharsets.UTF_8);
        }
    }

    Answer get(String path) {
        return send(request(path).GET());
    }

    Answer post(String path, Object body) {
        return send(
                request(path).header("Content-Type", "application/json").POST(BodyPublishers.ofByteArray(bytes(body))));
    }

    Answer put(String path, Object body) {
        return send(
                request(path).header("Content-Type", "application/json").PUT(BodyPublishers.ofByteArray(bytes(body))));
    }

    Answer upload(String path, byte[] body) {
        return send(request(path)
                .header("Content-Type", "application/octet-stream")
                .POST(BodyPublishers.ofByteArray(body)));
    }

    HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path));
    }

    Answer send(HttpRequest.Builder request) {
        try {
            HttpResponse<byte[]> response = http.send(request.build(), BodyHandlers.ofByteArray());
            return new Answer(
                    response.statusCode(),
                    response.body(),
                    response.headers().firstValue("Content-Type").orElse(""));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] bytes(Object body) {
        return body instanceof String text
                ? text.getBytes(StandardCharsets.UTF_8)
                : Json.MAPPER.writeValueAsBytes(body);
    }

    static ObjectNode object() {
        return Json.MAPPER.createObjectNode();
    }

    /** A job's plan on its land, to ask something of. */
    ObjectNode order(String jobId) {
        ObjectNode order = object();
        order.set("plan", get("/api/jobs/" + jobId + "/plan").json().path("plan"));
        String property = get("/api/jobs/" + jobId).json().path("propertyId").asString();
        order.set("land", get("/api/properties/" + property + "/land").json().path("land"));
        return order;
    }

    /** A job as the yard lists it, once its summary is up to date; what the summary says stands beside the rest. */
    ObjectNode listed(String id) {
        for (int tries = 0; tries < 200; tries++) {
            for (String state : new String[] {"ACTIVE", "TEMPLATE", "ARCHIVED", "DELETED"}) {
                for (JsonNode job :
                        get("/api/jobs?size=200&state=" + state).json().path("jobs")) {
                    if (job.path("id").asString().equals(id)
                            && job.path("upToDate").asBoolean()) {
                        ObjectNode all = (ObjectNode) job.deepCopy();
                        all.setAll((ObjectNode) all.remove("summary"));
                        return all;
                    }
                }
            }
            LockSupport.parkNanos(100_000_000);
        }
        throw new AssertionError("job " + id + " is not in the yard, or its summary never came up to date");
    }

    int jobCount() {
        int count = 0;
        for (JsonNode ofState : get("/api/jobs").json().path("counts")) {
            count += ofState.asInt();
        }
        return count;
    }

    /** Opens a job from a demo file; its id. */
    String openDemo(String name) {
        try {
            byte[] file = java.nio.file.Files.readAllBytes(java.nio.file.Path.of("..", "demo", name));
            return upload("/api/imports", file).json().path("jobId").asString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
