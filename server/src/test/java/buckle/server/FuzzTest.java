package buckle.server;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.exchange.Json;
import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Requests made from the OpenAPI document, right ones and wrong ones: none brings the server to fail, to hang or to speak of its
 * insides, none is taken that the document does not allow, and what was stored before is still there. {@code -Dbuckle.seed=N} tries
 * another seed.
 */
class FuzzTest {
    private static final int REQUESTS = 500;

    private static final JsonNode API = api();
    private static final List<String> ODD_TEXTS = List.of(
            "",
            " ",
            "\\u0000",
            "\\u0007bell",
            "\\ud800",
            "\\udc00x",
            "é\\u202e\\u200b",
            "=1+1",
            "<script>alert(1)</script>",
            "%00%zz",
            "' or 1=1 --",
            "x".repeat(201),
            "x".repeat(5000),
            "NaN",
            "1e999",
            "../../etc/passwd",
            "0001-01-01T00:00:00Z",
            "+999999999-12-31T23:59:59Z");
    private static final List<String> ODD_NUMBERS = List.of(
            "0",
            "-0",
            "-1",
            "1",
            "1.5",
            "2147483648",
            "-9223372036854775809",
            "1e308",
            "1e400",
            "1e-400",
            "9".repeat(90),
            "9".repeat(900),
            "0." + "3".repeat(900),
            "181",
            "90.0001");

    /** What older plans do not have may be null as well as left out. */
    private static final Pattern CAME_LATER =
            Pattern.compile("/(circumstances|pulseModel|model|draw|book|decisions): null found");

    private final Server server = Server.get();
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final Map<String, Schema> schemas = new HashMap<>();

    private static JsonNode api() {
        try {
            return Json.parse(Files.readAllBytes(Path.of("..", "docs", "openapi.json")));
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private record Operation(String method, String path, JsonNode doc) {}

    private static List<Operation> operations() {
        List<Operation> all = new ArrayList<>();
        API.path("paths")
                .properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(
                                op -> all.add(new Operation(op.getKey().toUpperCase(), path.getKey(), op.getValue()))));
        // A stream has no end to wait for; MeterTest reads it.
        all.removeIf(op -> op.path().endsWith("/live"));
        return all;
    }

    static List<Long> seeds() {
        Long one = Long.getLong("buckle.seed");
        return one != null ? List.of(one) : List.of(11L, 12L, 13L);
    }

    /** What a run found out. */
    private static final class Tally {
        final Map<Integer, Integer> byStatus = new TreeMap<>();
        final List<String> wrong = new ArrayList<>();
        long slowestMs;
        String slowest = "";
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void nothingBringsTheServerToFail(long seed) {
        Random random = new Random(seed);
        String job = server.openDemo("orchard-ring.geojson");
        JsonNode before = server.get("/api/jobs/" + job + "/plan").json();
        String property =
                server.get("/api/jobs/" + job).json().path("propertyId").asString();
        String victim = server.openDemo("donkey-winter-track.geojson");
        String victimProperty =
                server.get("/api/jobs/" + victim).json().path("propertyId").asString();
        List<Operation> operations = operations();
        Tally tally = new Tally();
        for (int i = 0; i < REQUESTS; i++) {
            Operation op = operations.get(random.nextInt(operations.size()));
            if (op.path().endsWith("/decision-tree.pdf") && random.nextInt(8) > 0) {
                // It takes seconds each time: a few tell as much.
                continue;
            }
            Maker maker = new Maker(random, victim, victimProperty, server.order(victim));
            send(op, maker, seed, i, tally);
        }
        System.out.printf(
                "fuzz, seed %d: %d requests, by status %s, slowest %d ms (%s)%n",
                seed, REQUESTS, tally.byStatus, tally.slowestMs, tally.slowest);
        assertThat(tally.wrong.stream().limit(8)).isEmpty();
        assertThat(server.get("/api/jobs/" + job + "/plan").json()).isEqualTo(before);
        assertThat(server.get("/api/properties/" + property + "/land").status()).isEqualTo(200);
        assertThat(server.get("/api/health").json().path("ready").asBoolean()).isTrue();
        for (String file : List.of("job.geojson", "takeoff.csv", "set-out.pdf")) {
            assertThat(server.get("/api/jobs/" + victim + "/" + file).status())
                    .as(file)
                    .isIn(200, 422);
        }
    }

    private void send(Operation op, Maker maker, long seed, int number, Tally tally) {
        String path = maker.path(op);
        byte[] body = maker.body(op);
        String what = "seed " + seed + ", request " + number + ": " + op.method() + " " + path;
        HttpRequest request;
        try {
            request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + server.port() + path))
                    .timeout(Duration.ofSeconds(100))
                    .header("Content-Type", maker.type(op))
                    .method(op.method(), body == null ? BodyPublishers.noBody() : BodyPublishers.ofByteArray(body))
                    .build();
        } catch (IllegalArgumentException e) {
            // This client sends no such address; BoundaryTest does by hand.
            return;
        }
        long began = System.nanoTime();
        try {
            HttpResponse<byte[]> response = http.send(request, BodyHandlers.ofByteArray());
            long ms = (System.nanoTime() - began) / 1_000_000;
            if (ms > tally.slowestMs) {
                tally.slowestMs = ms;
                tally.slowest = what;
            }
            tally.byStatus.merge(response.statusCode(), 1, Integer::sum);
            look(what, op, body, response, tally);
        } catch (IOException e) {
            tally.wrong.add(what + ": " + e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private void look(String what, Operation op, byte[] body, HttpResponse<byte[]> response, Tally tally) {
        String text = new String(response.body(), StandardCharsets.UTF_8);
        if (response.statusCode() >= 500) {
            tally.wrong.add(what + " was answered " + response.statusCode() + ": " + shortened(text)
                    + (body == null ? "" : " for " + shortened(new String(body, StandardCharsets.UTF_8))));
        }
        if (response.headers().firstValue("Content-Security-Policy").isEmpty()) {
            tally.wrong.add(what + " was answered without the security headers");
        }
        if (response.statusCode() >= 400) {
            String type = response.headers().firstValue("Content-Type").orElse("");
            if (!type.startsWith("application/problem+json") || !text.contains("\"code\"")) {
                tally.wrong.add(what + " was refused as " + type + ": " + shortened(text));
            }
            if (text.contains("java.") || text.contains("Exception")) {
                tally.wrong.add(what + " speaks of its insides: " + shortened(text));
            }
        } else if (body != null && json(op)) {
            disallowed(op, body)
                    .forEach(flaw -> tally.wrong.add(what + " was taken, and the document does not allow it: " + flaw
                            + " in " + shortened(new String(body, StandardCharsets.UTF_8))));
        }
    }

    private static boolean json(Operation op) {
        return op.doc().path("requestBody").path("content").has("application/json");
    }

    /** What the document says against a body that was taken; members that may be null may be left out as well. */
    private List<String> disallowed(Operation op, byte[] body) {
        Schema schema = schemas.computeIfAbsent(op.method() + op.path(), k -> {
            ObjectNode root = (ObjectNode) op.doc()
                    .path("requestBody")
                    .path("content")
                    .path("application/json")
                    .path("schema")
                    .deepCopy();
            root.set("components", API.path("components"));
            return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(root);
        });
        return schema.validate(Json.parse(body)).stream()
                .filter(e ->
                        !List.of("required", "oneOf", "anyOf", "uniqueItems").contains(e.getKeyword()))
                .filter(e -> !CAME_LATER.matcher(e.toString()).find())
                // Of what may be null: its other kind says what is wrong with it.
                .filter(e -> !e.toString().endsWith("null expected"))
                .map(Error::toString)
                .limit(3)
                .toList();
    }

    private static String shortened(String text) {
        return text.length() > 400 ? text.substring(0, 400) + " …" : text;
    }

    /** Makes right and wrong requests. */
    private record Maker(Random random, String job, String property, ObjectNode order) {
        private boolean chance(double share) {
            return random.nextDouble() < share;
        }

        private <T> T one(List<T> of) {
            return of.get(random.nextInt(of.size()));
        }

        String path(Operation op) {
            String path = op.path();
            List<String> query = new ArrayList<>();
            for (JsonNode p : op.doc().path("parameters")) {
                String name = p.path("name").asString();
                if (p.path("in").asString().equals("path")) {
                    path = path.replace("{" + name + "}", encoded(pathValue(op, name)));
                } else if (chance(0.6)) {
                    query.add(name + "=" + encoded(queryValue(p)));
                }
            }
            return path + (query.isEmpty() ? "" : "?" + String.join("&", query));
        }

        private String pathValue(Operation op, String name) {
            if (chance(0.12)) {
                return one(ODD_TEXTS).isEmpty() ? "x" : one(ODD_TEXTS).replace("/", "_");
            }
            return switch (name) {
                case "id" ->
                    chance(0.85)
                            ? op.path().startsWith("/api/properties") ? property : job
                            : UUID.randomUUID().toString();
                case "revision" -> one(List.of("1", "1", "1", "0", "-1", "99", "2147483648", "x"));
                default -> UUID.randomUUID().toString();
            };
        }

        private String queryValue(JsonNode parameter) {
            if (chance(0.3)) {
                return one(ODD_TEXTS);
            }
            JsonNode values = parameter.path("schema").path("enum");
            if (values.isArray() && !values.isEmpty()) {
                return values.get(random.nextInt(values.size())).asString();
            }
            return chance(0.5) ? one(ODD_NUMBERS) : one(List.of("1", "true", "0,1,2,3,4,5,6", "x"));
        }

        private static String encoded(String value) {
            return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
        }

        String type(Operation op) {
            if (chance(0.04)) {
                return one(List.of(
                        "*/*",
                        "text/plain",
                        "application/*",
                        "multipart/form-data; boundary=x",
                        "nonsense",
                        "application/json; charset=utf-16"));
            }
            return json(op) ? "application/json" : "application/octet-stream";
        }

        byte[] body(Operation op) {
            if (json(op)) {
                return jsonBody(op).getBytes(StandardCharsets.UTF_8);
            }
            return op.method().equals("GET") ? null : file();
        }

        private byte[] file() {
            byte[] bytes = new byte[random.nextInt(400)];
            random.nextBytes(bytes);
            return switch (random.nextInt(6)) {
                case 0 -> bytes;
                case 1 ->
                    "<gpx><trk><trkseg><trkpt lat=\"44\" lon=\"1\"/><trkpt lat=\"%s\" lon=\"1.001\"/></trkseg></trk></gpx>"
                            .formatted(one(ODD_NUMBERS))
                            .getBytes(StandardCharsets.UTF_8);
                case 2 ->
                    ("from,to,distance\nA,B," + one(ODD_NUMBERS) + "\nB,C," + one(ODD_TEXTS) + "\n")
                            .getBytes(StandardCharsets.UTF_8);
                case 3 ->
                    ("\"from,to,distance\"\n" + ",".repeat(random.nextInt(9000))).getBytes(StandardCharsets.UTF_8);
                case 4 ->
                    ("{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"geometry\":{\"type\":\"LineString\",\"coordinates\":[[1,44],["
                                    + one(ODD_NUMBERS) + ",44.001]]},\"properties\":{\"name\":\"" + one(ODD_TEXTS)
                                    + "\"}}]}")
                            .getBytes(StandardCharsets.UTF_8);
                default ->
                    ("ncols 2\nnrows 2\nxllcorner 1\nyllcorner " + one(ODD_NUMBERS) + "\ncellsize 0.001\n1 2 3 "
                                    + one(ODD_NUMBERS) + "\n")
                            .getBytes(StandardCharsets.UTF_8);
            };
        }

        /** A right body, from the document or from a real plan, with some things put wrong. */
        private String jsonBody(Operation op) {
            JsonNode schema = op.doc()
                    .path("requestBody")
                    .path("content")
                    .path("application/json")
                    .path("schema");
            JsonNode made = value(schema, 0);
            if (made instanceof ObjectNode object && chance(0.8)) {
                for (String part : List.of("plan", "land")) {
                    if (object.has(part) && !op.path().endsWith("/upgrade")) {
                        object.set(part, order.path(part).deepCopy());
                    }
                }
                for (String part : List.of("before", "after")) {
                    if (object.has(part)) {
                        object.set(part, order.path("plan").deepCopy());
                    }
                }
            }
            for (int i = random.nextInt(3); i > 0; i--) {
                spoil(made);
            }
            String text = made.toString();
            if (chance(0.08)) {
                text = text.substring(0, random.nextInt(text.length() + 1));
            }
            if (chance(0.08)) {
                text = text.replaceFirst("\":-?[0-9][-0-9.eE]*", "\":" + one(ODD_NUMBERS));
            }
            if (chance(0.08)) {
                text = text.replaceFirst(
                        "\":\"[^\"]*\"", "\":\"" + one(ODD_TEXTS).replace("\\", "\\\\") + "\"");
            }
            return chance(0.03) ? "{\"a\":1,\"a\":2" + (text.length() > 2 ? "," + text.substring(1) : "}") : text;
        }

        /** Puts something somewhere in it wrong. */
        private void spoil(JsonNode root) {
            JsonNode at = root;
            while (true) {
                List<JsonNode> inner = at.valueStream()
                        .filter(n -> n.isContainer() && !n.isEmpty())
                        .toList();
                if (inner.isEmpty() || chance(0.25)) {
                    break;
                }
                at = one(inner);
            }
            if (at instanceof ArrayNode list && !list.isEmpty()) {
                int i = random.nextInt(list.size());
                switch (random.nextInt(4)) {
                    case 0 -> list.remove(i);
                    case 1 -> list.set(i, odd());
                    case 2 -> list.insert(i, list.get(i).deepCopy());
                    default -> list.insertNull(i);
                }
            } else if (at instanceof ObjectNode object && !object.isEmpty()) {
                String name = one(List.copyOf(object.propertyNames()));
                switch (random.nextInt(4)) {
                    case 0 -> object.remove(name);
                    case 1 -> object.set(name, odd());
                    case 2 -> object.putNull(name);
                    default -> object.set("more", odd());
                }
            }
        }

        private JsonNode odd() {
            return switch (random.nextInt(5)) {
                case 0 -> Json.parse(("\"" + one(ODD_TEXTS) + "\"").getBytes(StandardCharsets.UTF_8));
                case 1 -> Json.MAPPER.valueToTree(one(List.of(-1, 0, 1.5, 1e308, 2147483648L)));
                case 2 -> Json.MAPPER.createArrayNode().add(1).addNull();
                case 3 -> Json.MAPPER.createObjectNode().put("x", 1);
                default -> Json.MAPPER.valueToTree(random.nextBoolean());
            };
        }

        /** A value that the document allows. */
        private JsonNode value(JsonNode schema, int depth) {
            if (schema.has("$ref")) {
                String name = schema.path("$ref").asString();
                return value(
                        API.path("components").path("schemas").path(name.substring(name.lastIndexOf('/') + 1)), depth);
            }
            for (String choice : List.of("oneOf", "anyOf")) {
                if (schema.has(choice)) {
                    JsonNode all = schema.path(choice);
                    return value(all.get(random.nextInt(all.size())), depth);
                }
            }
            if (schema.has("enum")) {
                JsonNode all = schema.path("enum");
                return all.get(random.nextInt(all.size())).deepCopy();
            }
            JsonNode type = schema.path("type");
            String kind = type.isArray() ? type.get(random.nextInt(type.size())).asString() : type.asString("object");
            return switch (kind) {
                case "string" ->
                    Json.MAPPER.valueToTree(
                            switch (schema.path("format").asString("")) {
                                case "uuid" -> UUID.randomUUID().toString();
                                case "date-time" -> "2026-05-06T07:08:09Z";
                                default -> one(List.of("a", "Line 1", "12.5 ft", "line-1"));
                            });
                case "integer" -> Json.MAPPER.valueToTree(random.nextInt(4));
                case "number" -> Json.MAPPER.valueToTree(random.nextInt(100) / 4.0);
                case "boolean" -> Json.MAPPER.valueToTree(random.nextBoolean());
                case "null" -> Json.MAPPER.nullNode();
                case "array" -> {
                    ArrayNode list = Json.MAPPER.createArrayNode();
                    int least = schema.path("minItems").asInt(0);
                    for (int i = Math.max(least, depth > 6 ? 0 : random.nextInt(3)); i > 0; i--) {
                        list.add(value(schema.path("items"), depth + 1));
                    }
                    yield list;
                }
                default -> {
                    ObjectNode object = Json.MAPPER.createObjectNode();
                    schema.path("properties")
                            .properties()
                            .forEach(p -> object.set(p.getKey(), value(p.getValue(), depth + 1)));
                    yield object;
                }
            };
        }
    }
}
