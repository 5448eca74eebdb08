package buckle.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import buckle.exchange.Json;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The script itself: what it says, what it keeps, how it ends. */
class ScriptTest {
    private static final String WALK = Buckle.ROOT
            .resolve("exchange/src/test/resources/walks/orchard-ring-walk.gpx")
            .toString();

    private static int exit(Process process) throws InterruptedException {
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        return process.exitValue();
    }

    private static String said() throws IOException {
        return Files.readString(Buckle.errors());
    }

    @Test
    void aTakenPortIsOneSentence() throws Exception {
        try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Process process = Buckle.script(
                    "demo",
                    "--port",
                    String.valueOf(taken.getLocalPort()),
                    "--data",
                    Buckle.folder("taken").toString());
            assertThat(exit(process)).isEqualTo(1);
            assertThat(said().lines().toList())
                    .singleElement()
                    .asString()
                    .contains("Port " + taken.getLocalPort() + " is taken");
        }
    }

    @Test
    void aBrokenDatabaseAndWrongWordsAreOneSentence() throws Exception {
        Path data = Buckle.folder("broken");
        Files.createDirectories(data.resolve("pg"));
        Files.writeString(data.resolve("pg/stray"), "x");
        assertThat(exit(Buckle.script("start", "--port", String.valueOf(Buckle.freePort()), "--data", data.toString())))
                .isEqualTo(1);
        assertThat(said()).contains("is neither empty nor a database").hasLineCount(1);
        assertThat(exit(Buckle.script("frobnicate"))).isEqualTo(1);
        assertThat(said()).contains("There is no command frobnicate");
        assertThat(exit(Buckle.script("demo", "--port", "abc"))).isEqualTo(1);
    }

    @Test
    void computePrintsOneJsonAndNothingElse() throws Exception {
        Path out = Buckle.folder("out");
        Process process = Buckle.script("compute", WALK, "--out", out.toString());
        JsonNode summary = Json.parse(process.getInputStream().readAllBytes());
        assertThat(exit(process)).isZero();
        assertThat(said()).isEmpty();
        assertThat(summary.path("lines").get(0).path("corners").size()).isEqualTo(6);
        assertThat(out.resolve("layout.geojson")).isNotEmptyFile();
        assertThat(out.resolve("takeoff.csv")).isNotEmptyFile();
        Process bad = Buckle.script("compute", Buckle.ROOT.resolve("README.md").toString());
        assertThat(Json.parse(bad.getInputStream().readAllBytes())
                        .path("problems")
                        .size())
                .isPositive();
        assertThat(exit(bad)).isEqualTo(2);
    }

    /** The solver for anybody: peaks as JSON, a netlist beside; a wrong file is a list of problems with their places. */
    @Test
    void circuitPrintsPeaksAndProblems() throws Exception {
        Path network = Buckle.ROOT.resolve("exchange/src/test/resources/circuits/N09.json");
        Path out = Buckle.folder("circuit");
        Path netlist = out.resolve("n09.cir");
        Process process = Buckle.script("circuit", network.toString(), "--spice", netlist.toString());
        JsonNode answer = Json.parse(process.getInputStream().readAllBytes());
        assertThat(exit(process)).isZero();
        assertThat(said()).isEmpty();
        JsonNode given = Json.parse(Files.readAllBytes(network)).path("ngspice").path("peaks");
        assertThat(answer.path("peaks").size()).isEqualTo(given.size());
        for (int i = 0; i < given.size(); i++) {
            JsonNode peak = answer.path("peaks").get(i);
            assertThat(peak.path("run").asString()).isNotEmpty();
            assertThat(peak.path("distance_m").isNumber()).isTrue();
            assertThat(peak.path("t_peak_s").asDouble()).isPositive();
            double theirs = given.get(i).path("peak_V").asDouble();
            assertThat(peak.path("peak_V").asDouble()).isCloseTo(theirs, within(0.01 * theirs));
        }
        for (String key : List.of("frequencies", "window_s", "wall_ms")) {
            assertThat(answer.path("solver").path(key).asDouble()).as(key).isPositive();
        }
        assertThat(netlist).content().contains(".tran");
        Path wrong = out.resolve("wrong.json");
        Files.writeString(
                wrong, Files.readString(network).replaceFirst("\"ohm_per_km\": *[0-9.]+", "\"ohm_per_km\": 0"));
        Process bad = Buckle.script("circuit", wrong.toString());
        JsonNode problems = Json.parse(bad.getInputStream().readAllBytes()).path("problems");
        assertThat(exit(bad)).isEqualTo(2);
        assertThat(problems.get(0).path("path").asString()).startsWith("runs[0]");
    }

    @Test
    void dataOutlivesAStopAndASecondBuckleIsTurnedAway() throws Exception {
        Path data = Buckle.folder("lasting");
        HttpClient http = HttpClient.newHttpClient();
        try (Buckle first = Buckle.start("start", data)) {
            assertThat(Buckle.ROOT.resolve(".buckle/build/server.aot"))
                    .as("the practice run ended in order and left its cache")
                    .isNotEmptyFile();
            HttpRequest make = HttpRequest.newBuilder(URI.create(first.url + "/api/jobs"))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString("{\"name\":\"Kept\",\"client\":\"\",\"property\":\"\"}"))
                    .build();
            assertThat(http.send(make, BodyHandlers.ofString()).statusCode()).isEqualTo(201);
            Process second =
                    Buckle.script("start", "--port", String.valueOf(Buckle.freePort()), "--data", data.toString());
            assertThat(exit(second)).isEqualTo(1);
            assertThat(said()).contains("Buckle already runs on this data");
            assertThat(first.stop()).isTrue();
        }
        assertThat(data.resolve("buckle.pid")).doesNotExist();
        Files.writeString(data.resolve("schema"), "an older one");
        try (Buckle again = Buckle.start("start", data)) {
            HttpRequest list =
                    HttpRequest.newBuilder(URI.create(again.url + "/api/jobs")).build();
            assertThat(http.send(list, BodyHandlers.ofString()).body()).contains("\"Kept\"");
        }
        try (var backups = Files.list(data.resolve("backups"))) {
            assertThat(backups).as("before tables change the data is backed up").hasSize(1);
        }
    }

    private static String shell(String command) throws Exception {
        Process process = new ProcessBuilder("bash", "-c", command)
                .directory(Buckle.ROOT.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes());
        process.waitFor();
        return said;
    }

    private static String make(Buckle buckle, String name) throws Exception {
        HttpRequest make = HttpRequest.newBuilder(URI.create(buckle.url + "/api/jobs"))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(
                        "{\"name\":\"" + name + "\",\"client\":\"\",\"property\":\"\"}"))
                .build();
        return HttpClient.newHttpClient().send(make, BodyHandlers.ofString()).body();
    }

    private static String jobs(Buckle buckle) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(buckle.url + "/api/jobs"))
                                .build(),
                        BodyHandlers.ofString())
                .body();
    }

    /** Backed up while it runs, put back when it does not; asked about first; brought up to date when the tables were older. */
    @Test
    void aBackupIsMadeWhileBuckleRunsAndPutBackWhenItDoesNot() throws Exception {
        Path data = Buckle.folder("backup");
        String at = " --data '" + data + "'";
        String file;
        try (Buckle buckle = Buckle.start("start", data)) {
            make(buckle, "Before");
            file = shell("./buckle backup" + at).strip();
            assertThat(Path.of(file)).isNotEmptyFile();
            assertThat(shell("./buckle backup" + at).strip()).endsWith(".dump").isNotEqualTo(file);
            assertThat(shell("./buckle restore '" + file + "' --yes" + at))
                    .contains("already runs", "Nothing was changed");
            make(buckle, "After");
            assertThat(jobs(buckle)).contains("Before", "After");
            assertThat(shell("stat -c %a '" + file + "' '" + data + "/backups' '" + data + "/logs' '" + data
                            + "/logs/server.log' '" + data + "/secret'"))
                    .isEqualTo("600\n700\n700\n600\n600\n");
            assertThat(shell("stat -c %a '" + data + "'"))
                    .matches("7[01]1?0?\\d*\n")
                    .doesNotContain("755");
        }
        assertThat(shell("./buckle restore '" + file + "'" + at + " </dev/null"))
                .contains("--yes", "Nothing was changed");
        // The backup of an older Buckle: without what the last change of the tables brought.
        String older = shell("set -e; source script/tools.sh; root=$PWD; source script/database.sh; data='" + data
                        + "'; start_database \"$data\"; psql_run -d buckle -c 'drop table"
                        + " practice_result' -c"
                        + " \"delete from flyway_schema_history where version = '12'\"; backup; psql_run -d postgres -c 'create database"
                        + " foreign_one' >/dev/null; psql_run -d foreign_one -c 'create table job (id int)'; \"$pg_bin/pg_dump\" -h"
                        + " 127.0.0.1 -p $pg_port -U buckle -Fc -f '" + data
                        + "/foreign.dump' foreign_one; psql_run -d buckle -c"
                        + " \"update job set name = 'Changed since'\"; stop_database")
                .strip();
        assertThat(older).endsWith(".dump");
        assertThat(shell("./buckle restore '" + data + "/foreign.dump' --yes" + at))
                .contains("no backup of Buckle", "Nothing was changed");
        assertThat(shell("./buckle restore README.md --yes" + at)).contains("no backup of a database");
        assertThat(shell("./buckle restore '" + older + "' --yes" + at)).contains("Restored");
        try (Buckle again = Buckle.start("start", data)) {
            assertThat(jobs(again)).contains("Before", "After").doesNotContain("Changed since");
        }
        assertThat(shell("./buckle restore '" + file + "' --yes" + at)).contains("Restored");
        try (Buckle again = Buckle.start("start", data)) {
            assertThat(jobs(again)).contains("Before").doesNotContain("After");
        }
    }

    /** Where no JDK is found, Debian's is installed if there is one; otherwise a sentence says what to do. */
    @Test
    void aMissingJdkIsInstalledOrNamed() throws Exception {
        Path fake = Buckle.folder("debian");
        String none = "#!/bin/sh\n";
        for (String name : List.of("sudo", "apt-get", "javac", "dpkg-query", "runuser")) {
            Files.writeString(fake.resolve(name), none);
        }
        Files.writeString(
                fake.resolve("apt-cache"), "#!/bin/sh\n[ \"$1\" = pkgnames ] && echo openjdk-17-jdk-headless\n");
        shell("chmod +x '" + fake + "'/*");
        String without = "JAVA_HOME= BUCKLE_JVM_FOLDER=/nowhere PATH='" + fake + "':$PATH ./buckle compute README.md";
        assertThat(shell(without))
                .contains("needs a JDK 25 or newer", "has no package of one")
                .hasLineCount(1);
        // A Debian that has one: what "apt-get install" would bring is put there by the stand-in.
        Files.writeString(
                fake.resolve("apt-cache"),
                "#!/bin/sh\n[ \"$1\" = pkgnames ] && echo openjdk-25-jdk-headless\n[ \"$1\" = policy ] && echo '  Candidate: 25.0'\nexit 0\n");
        Path jvm = Files.createDirectories(fake.resolve("jvm"));
        Files.writeString(
                fake.resolve("apt-get"),
                "#!/bin/sh\ncase \"$*\" in *install*openjdk-25-jdk-headless*) ln -s \""
                        + System.getProperty("java.home") + "\" '" + jvm + "/java-25' ;; esac\nexit 0\n");
        String with = "JAVA_HOME= BUCKLE_JVM_FOLDER='" + jvm + "' PATH='" + fake + "':$PATH ./buckle compute README.md";
        assertThat(shell(with)).contains("Installing openjdk-25-jdk-headless", "\"problems\"");
    }
}
