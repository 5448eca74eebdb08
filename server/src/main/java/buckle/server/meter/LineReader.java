package buckle.server.meter;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;

/** Lines of a stream, of which one may be endless: what is beyond the most is read over and not kept. */
final class LineReader {
    private final InputStream in;
    private final int mostBytes;

    /** A line without its end; of one that was too long only that is known. */
    record Line(String text, boolean tooLong) {}

    LineReader(InputStream in, int mostBytes) {
        this.in = in;
        this.mostBytes = mostBytes;
    }

    /** Null at the end; a line whose end never came is none: it may be half of what was meant. */
    @Nullable
    Line next() throws IOException {
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        boolean tooLong = false;
        for (int b = in.read(); b >= 0; b = in.read()) {
            if (b == '\n') {
                String text = line.toString(StandardCharsets.UTF_8);
                return new Line(text.endsWith("\r") ? text.substring(0, text.length() - 1) : text, tooLong);
            }
            if (line.size() < mostBytes) {
                line.write(b);
            } else {
                tooLong = true;
            }
        }
        return null;
    }
}
