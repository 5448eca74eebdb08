package buckle.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;

/** How much of a virtual machine's time its host gives to others from now on (proc(5), steal): what is slow then says little. */
final class StolenTime {
    private final long[] before = ticks();

    String sinceThen() {
        long[] now = ticks();
        return String.format(
                Locale.ROOT,
                "%.0f %% of the machine's time went to others",
                100.0 * (now[1] - before[1]) / Math.max(1, now[0] - before[0]));
    }

    /** Of all processors: all there was, and what was stolen. */
    private static long[] ticks() {
        Path stat = Path.of("/proc/stat");
        if (!Files.isReadable(stat)) {
            return new long[2];
        }
        try {
            String[] cpu = Files.readAllLines(stat).getFirst().split("\\s+");
            return new long[] {
                Arrays.stream(cpu, 1, 9).mapToLong(Long::parseLong).sum(), Long.parseLong(cpu[8])
            };
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
