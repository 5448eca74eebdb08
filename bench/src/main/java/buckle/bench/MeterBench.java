package buckle.bench;

import buckle.exchange.Json;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

/** Fifty meters that send a hundred lines each at once; how long until all are stored, and until all are on a page that listens. */
final class MeterBench {
    private static final int METERS = 50;
    private static final int LINES = 100;
    private static final int ROUNDS = 5;
    private static final double GOAL_S = 2;

    private final Client client;

    private MeterBench(String url) {
        this.client = new Client(url);
    }

    static void run(String[] args) throws IOException, InterruptedException {
        if (args.length > 1) {
            new MeterBench(args[1]).measure();
            return;
        }
        ServerBench.onOneStarted(url -> new MeterBench(url).measure());
    }

    private void measure() throws IOException, InterruptedException {
        int port = client.get("/api/meter").path("port").asInt();
        List<Double> stored = new ArrayList<>();
        List<Double> shown = new ArrayList<>();
        for (int round = 0; round < ROUNDS; round++) {
            String job = client.open("demo/orchard-ring.geojson");
            AtomicInteger seen = new AtomicInteger();
            InputStream events = client.http()
                    .send(client.request("/api/jobs/" + job + "/live").build(), BodyHandlers.ofInputStream())
                    .body();
            Thread.ofVirtual().start(() -> listen(events, seen));
            long begin = System.nanoTime();
            send(job, port);
            stored.add((System.nanoTime() - begin) / 1e9);
            while (seen.get() < METERS * LINES && System.nanoTime() - begin < 30_000_000_000L) {
                Thread.sleep(2);
            }
            shown.add((System.nanoTime() - begin) / 1e9);
            events.close();
        }
        System.out.printf(
                Locale.ROOT,
                "%,d lines of %d meters, %d times: stored after %.2f s (median; %.2f to %.2f), on the page after %.2f s (%.2f to %.2f);"
                        + " goal %.0f s: %s%n",
                METERS * LINES,
                METERS,
                ROUNDS,
                median(stored),
                least(stored),
                most(stored),
                median(shown),
                least(shown),
                most(shown),
                GOAL_S,
                median(shown) <= GOAL_S ? "met" : "missed");
    }

    private static double median(List<Double> all) {
        return all.stream().sorted().toList().get(all.size() / 2);
    }

    private static double least(List<Double> all) {
        return all.stream().mapToDouble(d -> d).min().orElseThrow();
    }

    private static double most(List<Double> all) {
        return all.stream().mapToDouble(d -> d).max().orElseThrow();
    }

    private static void listen(InputStream events, AtomicInteger seen) {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(events, StandardCharsets.UTF_8))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (line.startsWith("data:")) {
                    seen.addAndGet(Json.MAPPER.readTree(line.substring(5)).size());
                }
            }
        } catch (IOException e) {
            // Closed.
        }
    }

    private static void send(String job, int port) throws InterruptedException {
        try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
            List<Future<Integer>> all = new ArrayList<>();
            for (int m = 0; m < METERS; m++) {
                int meter = m;
                all.add(threads.submit(() -> send(job, port, meter)));
            }
            for (Future<Integer> one : all) {
                if (one.get() != LINES) {
                    throw new IllegalStateException("lines of a meter were refused");
                }
            }
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        }
    }

    private static int send(String job, int port, int meter) throws IOException {
        StringBuilder text = new StringBuilder("buckle 1 job=" + job + " meter=m" + meter + " by=bench\n");
        Instant begin = Instant.parse("2026-05-02T09:00:00Z");
        for (int i = 0; i < LINES; i++) {
            text.append(begin.plusSeconds(i))
                    .append(" line=line-1 at=")
                    .append(10 + meter)
                    .append(" kv=6.1\n");
        }
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), port);
                BufferedReader in =
                        new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))) {
            socket.getOutputStream().write(text.toString().getBytes(StandardCharsets.UTF_8));
            in.readLine();
            int good = 0;
            for (int i = 0; i < LINES; i++) {
                good += String.valueOf(in.readLine()).startsWith("ok ") ? 1 : 0;
            }
            return good;
        }
    }
}
