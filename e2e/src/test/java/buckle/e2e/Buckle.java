package buckle.e2e;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.TimeUnit;

/** A Buckle started by its script, as a person starts it, on a free port with a data folder of its own. */
final class Buckle implements AutoCloseable {
    static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    private static Buckle demo;

    final String url;
    final Path data;
    private final Process process;

    private Buckle(Process process, String url, Path data) {
        this.process = process;
        this.url = url;
        this.data = data;
    }

    /** The demo, shared by all tests of one run. */
    static synchronized Buckle demo() {
        if (demo == null) {
            demo = start("demo", folder("demo"));
            Runtime.getRuntime().addShutdownHook(new Thread(demo::close));
        }
        return demo;
    }

    static Path folder(String name) {
        try {
            Path parent = Files.createDirectories(Path.of("target")).toAbsolutePath();
            Path folder = Files.createTempDirectory(parent, name + "-");
            return Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Buckle start(String command, Path data) {
        int port = freePort();
        Process process = script(command, "--port", String.valueOf(port), "--data", data.toString());
        try {
            BufferedReader out =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            String line = out.readLine();
            String url = "http://127.0.0.1:" + port;
            if (line == null || !line.equals("Buckle is ready at " + url + " (Ctrl-C stops it)")) {
                throw new IllegalStateException("Buckle said: " + line);
            }
            return new Buckle(process, url, data);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Process script(String... arguments) {
        String[] command = new String[arguments.length + 1];
        command[0] = ROOT.resolve("buckle").toString();
        System.arraycopy(arguments, 0, command, 1, arguments.length);
        try {
            ProcessBuilder process =
                    new ProcessBuilder(command).directory(ROOT.toFile()).redirectError(errors().toFile());
            // The first start is recorded as for everybody, for a shorter time.
            process.environment().putIfAbsent("BUCKLE_RECORDED_SECONDS", "12");
            return process.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What scripts of this run of tests complained of; another run may go on beside it. */
    static Path errors() {
        return Path.of("target", "script-" + ProcessHandle.current().pid() + ".err")
                .toAbsolutePath();
    }

    /** With the one above it, on which meters send. */
    static int freePort() {
        while (true) {
            try (ServerSocket socket = new ServerSocket(0);
                    ServerSocket above = new ServerSocket(socket.getLocalPort() + 1)) {
                return above.getLocalPort() - 1;
            } catch (IOException e) {
                // The one above is taken.
            }
        }
    }

    /** Ends it as Ctrl-C or a service manager would; answers whether it went in time. */
    boolean stop() {
        process.destroy();
        try {
            return process.waitFor(30, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        stop();
    }
}
