package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.server.Server.Answer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What reaches the server from outside: foreign hosts, nonsense, and the promise of its OpenAPI document. */
class BoundaryTest {
    private final Server server = Server.get();

    private String raw(String host, String more) throws IOException {
        try (Socket socket = new Socket("127.0.0.1", server.port())) {
            OutputStream out = socket.getOutputStream();
            out.write(("GET /api/health HTTP/1.1\r\nHost: " + host + "\r\n" + more + "Connection: close\r\n\r\n")
                    .getBytes(StandardCharsets.US_ASCII));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    @Test
    void onlyThisMachineIsAnswered() throws IOException {
        String own = "127.0.0.1:" + server.port();
        assertThat(raw(own, "")).startsWith("HTTP/1.1 200");
        assertThat(raw("localhost:" + server.port(), "")).startsWith("HTTP/1.1 200");
        assertThat(raw("fence.example", "")).startsWith("HTTP/1.1 403").contains("host.foreign");
        assertThat(raw("127.0.0.1.example:80", "")).startsWith("HTTP/1.1 403");
        assertThat(raw(own, "Origin: http://" + own + "\r\n")).startsWith("HTTP/1.1 200");
        assertThat(raw(own, "Origin: http://evil.example\r\n"))
                .startsWith("HTTP/1.1 403")
                .contains("origin.foreign");
        assertThat(raw(own, "Origin: http://127.0.0.1:1\r\n")).startsWith("HTTP/1.1 403");
        assertThat(raw(own, "Origin: null\r\n")).startsWith("HTTP/1.1 403");
    }

    static Stream<Arguments> nonsense() {
        String job = "/api/jobs/11111111-1111-1111-1111-111111111111";
        String reading = "[{\"id\":\"x\"}]";
        return Stream.of(
                Arguments.of("POST", "/api/jobs", "", 400),
                Arguments.of(
                        "POST",
                        job + "/quotes",
                        "{\"id\":\"11111111-1111-1111-1111-111111111111\",\"revises\":\" \"}",
                        422),
                Arguments.of("POST", "/api/jobs", "{", 422),
                Arguments.of("POST", "/api/jobs", "[]", 422),
                Arguments.of("POST", "/api/jobs", "{\"name\":\"  \",\"client\":\"\",\"property\":\"\"}", 422),
                Arguments.of("POST", "/api/jobs", "{\"name\":null,\"client\":\"\",\"property\":\"\"}", 422),
                Arguments.of("POST", "/api/jobs", "{\"name\":\"a\\u0000b\",\"client\":\"\",\"property\":\"\"}", 422),
                Arguments.of(
                        "POST",
                        "/api/jobs",
                        "{\"name\":\"" + "n".repeat(300) + "\",\"client\":\"\",\"property\":\"\"}",
                        422),
                Arguments.of("POST", "/api/jobs", "{\"name\":\"a\",\"client\":\"\",\"property\":\"\",\"more\":1}", 422),
                Arguments.of("GET", job + "/plan", "", 404),
                Arguments.of("GET", "/api/jobs/not-an-id/plan", "", 400),
                Arguments.of("PUT", job + "/plan", "{\"baseSaveNo\":1}", 422),
                Arguments.of("PUT", job + "/state", "{\"state\":\"GONE\"}", 422),
                Arguments.of("POST", job + "/readings", reading, 404),
                Arguments.of("POST", job + "/readings", "[]", 404),
                Arguments.of("POST", job + "/revisions/7/restore", "", 404),
                Arguments.of("POST", "/api/design", "{\"plan\":null,\"readings\":[]}", 422),
                Arguments.of("DELETE", "/api/jobs", "", 405),
                Arguments.of("GET", "/api/nothing", "", 404));
    }

    @ParameterizedTest
    @MethodSource("nonsense")
    void nonsenseIsAProblemAndNeverAFailure(String method, String path, String body, int status) {
        Answer answer = server.send(server.request(path)
                .header("Content-Type", "application/json")
                .method(method, java.net.http.HttpRequest.BodyPublishers.ofString(body)));
        assertThat(answer.status()).as(answer.text()).isEqualTo(status);
        assertThat(answer.type()).startsWith("application/problem+json");
        assertThat(answer.text()).doesNotContain("java.", "Exception", "\tat ");
        assertThat(answer.json().path("detail").asString()).isNotBlank();
        assertThat(answer.json().path("code").asString()).isNotBlank();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '~',
            value = {
                "spacingM; 0; plan.site.lines[0].book.overrides[0]",
                "spacingM; 1e400; plan.site.lines[0].book.overrides[0]",
                "braceFromDeg; 0; plan.spec.fence.braces",
                "iceM; 9; plan.spec.fence.climate",
                "hot; ~\"STRING\"~; plan.spec.fence.wires.hot",
                "heightM; -1; plan.spec.fence.schedule.wires[0]",
                "openingM; 0; plan.site.lines[0].gates[0]",
                "units; ~\"YARDS\"~; plan.spec.preferences.units"
            })
    void aBadPlanIsRefusedWithItsPlaceAndNothingChanges(String field, String value, String path) {
        String id = server.openDemo("orchard-ring.geojson");
        JsonNode before = server.get("/api/jobs/" + id + "/plan").json();
        ObjectNode save = Server.object()
                .put("baseSaveNo", before.path("saveNo").asLong())
                .put("stretch", "11111111-1111-1111-1111-111111111111")
                .put("label", "");
        save.set("plan", before.path("plan"));
        String body = save.toString().replaceFirst("\"" + field + "\":[^,}]+", "\"" + field + "\":" + value);
        Answer answer = server.put("/api/jobs/" + id + "/plan", body);
        assertThat(answer.status()).as(answer.text()).isEqualTo(422);
        assertThat(answer.json().path("errors").get(0).path("path").asString()).isEqualTo(path);
        assertThat(server.get("/api/jobs/" + id + "/plan").json()).isEqualTo(before);
    }

    @Test
    void aPlanThatCannotBeLaidOutIsRefusedWithItsPlace() {
        String id = server.openDemo("orchard-ring.geojson");
        JsonNode before = server.get("/api/jobs/" + id + "/plan").json();
        ObjectNode save = Server.object()
                .put("baseSaveNo", before.path("saveNo").asLong())
                .put("stretch", "11111111-1111-1111-1111-111111111111")
                .put("label", "");
        ObjectNode plan = (ObjectNode) before.path("plan").deepCopy();
        JsonNode corners = plan.path("site").path("lines").get(0).path("corners");
        JsonNode swap = corners.get(1).path("at").deepCopy();
        ((ObjectNode) corners.get(1)).set("at", corners.get(3).path("at"));
        ((ObjectNode) corners.get(3)).set("at", swap);
        save.set("plan", plan);
        Answer answer = server.put("/api/jobs/" + id + "/plan", save);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.json().path("code").asString()).isEqualTo("line.crosses-itself");
        assertThat(server.get("/api/jobs/" + id + "/plan").json()).isEqualTo(before);
    }

    @Test
    void badFilesLeaveNothingBehind() {
        int jobs = server.jobCount();
        for (String file : new String[] {
            "",
            "hello",
            "<gpx>",
            "{\"buckle\":{\"schema\":9}}",
            "{\"buckle\":{\"schema\":1},\"features\":[{\"id\":\"a\"}]}"
        }) {
            Answer answer = server.upload("/api/imports", file.getBytes(StandardCharsets.UTF_8));
            assertThat(answer.status()).as(file + answer.text()).isEqualTo(422);
            assertThat(answer.json().path("errors").size()).isPositive();
        }
        assertThat(server.upload("/api/imports", new byte[21 * 1024 * 1024]).status())
                .isEqualTo(422);
        assertThat(server.upload("/api/imports", new byte[67 * 1024 * 1024]).status())
                .isEqualTo(413);
        assertThat(server.upload("/api/pictures", new byte[33 * 1024 * 1024]).status())
                .isEqualTo(413);
        assertThat(server.upload("/api/imports?toleranceM=-1", "<gpx/>".getBytes(StandardCharsets.UTF_8))
                        .status())
                .isEqualTo(422);
        assertThat(server.jobCount()).isEqualTo(jobs);
    }

    @Test
    void aTrackIsAnsweredAndNotStored() throws IOException {
        int jobs = server.jobCount();
        byte[] walk = Files.readAllBytes(
                Path.of("..", "exchange", "src", "test", "resources", "walks", "orchard-ring-walk.gpx"));
        JsonNode survey = server.upload("/api/imports", walk).json().path("survey");
        assertThat(survey.path("lines").get(0).path("corners").size()).isEqualTo(6);
        assertThat(server.jobCount()).isEqualTo(jobs);
    }

    /** The interface's client is made from the committed document: it must be what the server tells; {@code -Dbuckle.write=true} writes it. */
    @Test
    void theCommittedOpenApiDocumentIsTheServersOwn() throws IOException {
        ObjectNode told = (ObjectNode) server.get("/api/openapi.json").json();
        told.remove("servers");
        Path committed = Path.of("..", "docs", "openapi.json");
        if (Boolean.getBoolean("buckle.write")) {
            Files.writeString(committed, told.toPrettyString().replace(" : ", ": ") + "\n");
        }
        assertThat(told).isEqualTo(buckle.exchange.Json.parse(Files.readAllBytes(committed)));
    }
}
