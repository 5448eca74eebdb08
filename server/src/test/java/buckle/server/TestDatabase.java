package buckle.server;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/** A PostgreSQL of its own for the tests, started by the script on a free port of this machine. */
final class TestDatabase {
    private static TestDatabase started;

    final String url;
    final String password;

    private TestDatabase(String url, String password) {
        this.url = url;
        this.password = password;
    }

    static synchronized TestDatabase get() {
        if (started == null) {
            started = start();
        }
        return started;
    }

    private static TestDatabase start() {
        Path script = Path.of("..", "buckle").toAbsolutePath().normalize();
        Path folder =
                Path.of("target", "database-" + ProcessHandle.current().pid()).toAbsolutePath();
        try {
            Process process = new ProcessBuilder(
                            script.toString(), "database", folder.toString(), "--data", folder.toString())
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            Runtime.getRuntime().addShutdownHook(new Thread(() -> stop(process)));
            BufferedReader out =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            String line = out.readLine();
            if (line == null) {
                throw new IllegalStateException("the test database did not start");
            }
            return new TestDatabase(line.split(" ")[0], line.split(" ")[1]);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void stop(Process process) {
        try {
            process.getOutputStream().close();
            process.waitFor();
        } catch (IOException | InterruptedException e) {
            process.destroy();
        }
    }
}
