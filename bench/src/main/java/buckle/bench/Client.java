package buckle.bench;

import buckle.exchange.Json;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Path;
import tools.jackson.databind.JsonNode;

/** Whoever asks a running Buckle. */
record Client(HttpClient http, String url) {
    Client(String url) {
        this(HttpClient.newHttpClient(), url);
    }

    HttpRequest.Builder request(String path) {
        return HttpRequest.newBuilder(URI.create(url + path));
    }

    JsonNode get(String path) throws IOException, InterruptedException {
        return Json.parse(
                http.send(request(path).build(), BodyHandlers.ofByteArray()).body());
    }

    /** A job from a boundary file. */
    String open(String file) throws IOException, InterruptedException {
        HttpRequest taken = request("/api/imports")
                .header("Content-Type", "application/octet-stream")
                .POST(BodyPublishers.ofFile(Path.of(file)))
                .build();
        return Json.parse(http.send(taken, BodyHandlers.ofByteArray()).body())
                .path("jobId")
                .asString();
    }
}
