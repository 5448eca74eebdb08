package buckle.server.design;

import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * One run before the first start, on a database of its own: asks of the demo jobs what an open job asks while a corner is dragged, so
 * that the start-up cache learns which code is hot, and ends the server.
 */
@Component
@ConditionalOnProperty(name = "buckle.practice", havingValue = "true")
class Practice implements ApplicationListener<ApplicationReadyEvent> {
    private static final int ROUNDS = 80;
    private static final int WHOLE_EVERY = 20;
    private static final double STEP_DEG = 1e-7;

    private final JsonMapper mapper;
    private final int port;

    Practice(JsonMapper mapper, @Value("${server.port}") int port) {
        this.mapper = mapper;
        this.port = port;
    }

    @Override
    public void onApplicationEvent(ApplicationReadyEvent ready) {
        RestClient client = RestClient.create("http://127.0.0.1:" + port);
        List<ObjectNode> orders = new ArrayList<>();
        for (JsonNode job : get(client, "/api/jobs")) {
            ObjectNode order = mapper.createObjectNode();
            order.set(
                    "plan",
                    get(client, "/api/jobs/" + job.get("id").asString() + "/plan")
                            .get("plan"));
            order.set(
                    "land",
                    get(client, "/api/properties/" + job.get("propertyId").asString() + "/land")
                            .get("land"));
            order.putArray("readings");
            orders.add(order);
        }
        for (int round = 1; round <= ROUNDS; round++) {
            for (ObjectNode order : orders) {
                move(order);
                if (round % WHOLE_EVERY == 0) {
                    post(client, "/api/design", order.without("pulse"));
                    post(client, "/api/electrics", pulse(order));
                } else {
                    order.set("pulse", trial());
                    post(client, "/api/design/moving", order);
                }
            }
        }
        System.exit(SpringApplication.exit(ready.getApplicationContext()));
    }

    private ObjectNode trial() {
        ObjectNode pulse = mapper.createObjectNode();
        ObjectNode trial = pulse.putObject("trial");
        trial.putArray("open");
        trial.putArray("loads");
        return pulse.putNull("held");
    }

    private ObjectNode pulse(ObjectNode order) {
        ObjectNode pulse = trial();
        pulse.set("plan", order.get("plan"));
        pulse.set("land", order.get("land"));
        return pulse.put("depth", "ALL");
    }

    /** A corner a little further east. */
    private static void move(ObjectNode order) {
        for (JsonNode line : order.get("plan").get("site").get("lines")) {
            if (line.get("corners").get(0).get("at") instanceof ArrayNode at) {
                at.set(0, at.get(0).asDouble() + STEP_DEG);
            }
        }
    }

    private static JsonNode get(RestClient client, String path) {
        JsonNode found = client.get().uri(path).retrieve().body(JsonNode.class);
        if (found == null) {
            throw new IllegalStateException("nothing at " + path);
        }
        return found;
    }

    private static void post(RestClient client, String path, ObjectNode body) {
        client.post()
                .uri(path)
                .contentType(MediaType.APPLICATION_JSON)
                .body(body)
                .retrieve()
                .body(byte[].class);
    }
}
