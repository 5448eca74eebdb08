package buckle.server.design;

import buckle.circuit.Electrics;
import buckle.circuit.Trial;
import buckle.exchange.Json;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.land.Land;
import buckle.power.Energizers;
import buckle.server.web.RequestActivity;
import buckle.spec.Plan;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationListener;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;

/**
 * Asks for the demo jobs what an open job asks for while a corner is dragged; nothing is stored. Once before the first start, so that
 * the start-up cache learns which code is hot; and after each start, while nobody else asks anything, since that code must still be
 * compiled, and a first drag would wait for it.
 */
@Component
class Practice implements ApplicationListener<ApplicationReadyEvent> {
    private static final Logger LOG = LoggerFactory.getLogger(Practice.class);
    private static final int ROUNDS = 80;
    private static final int WHOLE_EVERY = 20;
    /** More than the server keeps of each job, so that each is worked out anew. */
    private static final int VARIANTS = 5;

    private static final double STEP_DEG = 1e-7;
    private static final long MOST_MS = 120_000;
    /** It is quiet when nobody asked for so long. */
    private static final long QUIET_MS = 800;

    private static final long LOOK_MS = 100;

    /** When there is practice. */
    enum When {
        NEVER,
        AFTER_START,
        /** And the server ends with it. */
        THEN_END
    }

    /** What is sent where. */
    private record Order(String path, byte[] body) {}

    private final JsonMapper mapper;
    private final String server;
    private final When when;
    private final RequestActivity activity;
    /** Whoever starts for the first time waits for what is recorded. */
    private final long mostRecordedMs;

    Practice(
            JsonMapper mapper,
            RequestActivity activity,
            @Value("http://127.0.0.1:${server.port}") String server,
            @Value("${buckle.practice:after-start}") When when,
            @Value("${buckle.recorded-ms:45000}") long mostRecordedMs) {
        this.mapper = mapper;
        this.activity = activity;
        this.server = server;
        this.when = when;
        this.mostRecordedMs = mostRecordedMs;
    }

    @Override
    public void onApplicationEvent(ApplicationReadyEvent ready) {
        switch (when) {
            case NEVER -> {}
            case AFTER_START -> Thread.ofPlatform().daemon().name("practice").start(this::quietly);
            case THEN_END -> {
                long untilMs = System.currentTimeMillis() + mostRecordedMs;
                practise(true, () -> System.currentTimeMillis() < untilMs);
                System.exit(SpringApplication.exit(ready.getApplicationContext()));
            }
        }
    }

    /** What goes wrong here is nobody's business: the server may be ending. */
    private void quietly() {
        long untilMs = System.currentTimeMillis() + MOST_MS;
        try {
            practise(false, () -> quietBefore(untilMs));
            LOG.info("Practice is over");
        } catch (RuntimeException e) {
            LOG.info("Practice ended early: {}", e.toString());
        }
    }

    /** Waits while others ask; false when it did not become quiet in time. */
    private boolean quietBefore(long untilMs) {
        while (activity.quietMs() < QUIET_MS) {
            if (System.currentTimeMillis() > untilMs) {
                return false;
            }
            LockSupport.parkNanos(LOOK_MS * 1_000_000);
        }
        return true;
    }

    /** @param whole whether the whole answers are asked for as well, which take long */
    private void practise(boolean whole, BooleanSupplier goOn) {
        RestClient client = RestClient.builder()
                .baseUrl(server)
                .defaultHeader(RequestActivity.OWN, "1")
                .build();
        List<List<Order>> variants = orders();
        for (int round = 1; round <= ROUNDS; round++) {
            for (Order order : variants.get(round % VARIANTS)) {
                boolean due = order.path().endsWith("/moving") || whole && round % WHOLE_EVERY == 0;
                if (due && !goOn.getAsBoolean()) {
                    return;
                }
                if (due) {
                    client.post()
                            .uri(order.path())
                            .contentType(MediaType.APPLICATION_JSON)
                            .body(order.body())
                            .retrieve()
                            .body(byte[].class);
                }
            }
        }
    }

    /** The demo jobs, a corner of each a little further on in each variant. */
    private List<List<Order>> orders() {
        List<JobFile> jobs = new ArrayList<>();
        try {
            for (Resource file : new PathMatchingResourcePatternResolver().getResources("classpath:demo/*.geojson")) {
                jobs.add(JobFileReader.read(Json.parse(file.getContentAsByteArray())));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("reading the demo jobs that ship with the application", e);
        }
        List<List<Order>> variants = new ArrayList<>();
        for (int i = 0; i < VARIANTS; i++) {
            List<Order> orders = new ArrayList<>();
            for (JobFile job : jobs) {
                orders.addAll(orders(job, i * STEP_DEG));
            }
            variants.add(orders);
        }
        return variants;
    }

    private List<Order> orders(JobFile job, double eastDeg) {
        Plan plan = job.plan();
        Land land = job.land();
        DesignController.MovingPulse pulse =
                new DesignController.MovingPulse(Trial.NONE, Optional.of(Energizers.GENERIC.get(5)));
        return List.of(
                order(
                        "/api/design/moving",
                        new DesignController.MovingOrder(plan, land, List.of(), Optional.empty(), Optional.empty()),
                        eastDeg),
                order(
                        "/api/design/moving",
                        new DesignController.MovingOrder(plan, land, List.of(), Optional.of(pulse), Optional.empty()),
                        eastDeg),
                order(
                        "/api/design",
                        new DesignController.DesignOrder(plan, land, List.of(), Optional.empty()),
                        eastDeg),
                order(
                        "/api/electrics",
                        new ElectricsController.ElectricsOrder(
                                plan, land, Trial.NONE, Electrics.Part.ALL, Optional.empty()),
                        eastDeg));
    }

    private Order order(String path, Object asked, double eastDeg) {
        JsonNode tree = mapper.valueToTree(asked);
        JsonNode corner = tree.at("/plan/site/lines/0/corners/0/at");
        if (corner instanceof ArrayNode at) {
            at.set(0, at.get(0).asDouble() + eastDeg);
        }
        return new Order(path, mapper.writeValueAsBytes(tree));
    }
}
