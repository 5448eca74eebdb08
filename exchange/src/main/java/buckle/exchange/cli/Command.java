package buckle.exchange.cli;

import buckle.exchange.Json;
import buckle.exchange.Limits;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import tools.jackson.databind.node.ObjectNode;

/** What commands share: an answer as JSON and exit 0, or the problems and exit 2. */
public final class Command {
    private Command() {}

    /** Works out the answer. */
    interface Work {
        ObjectNode answer() throws IOException;
    }

    static PrintStream utf8(PrintStream stream) {
        return new PrintStream(stream, true, StandardCharsets.UTF_8);
    }

    static int run(Work work, PrintStream out, PrintStream err) {
        try {
            out.println(work.answer().toPrettyString());
            return 0;
        } catch (BadInput e) {
            report(e.problems(), out, err);
        } catch (NoSuchFileException e) {
            report(List.of(new Problem("file.missing", e.getFile(), "There is no such file.")), out, err);
        } catch (IOException e) {
            report(
                    List.of(new Problem("file.io", String.valueOf(e.getMessage()), "Reading or writing failed.")),
                    out,
                    err);
        }
        return 2;
    }

    private static void report(List<Problem> problems, PrintStream out, PrintStream err) {
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.set("problems", Json.MAPPER.valueToTree(problems));
        out.println(root.toPrettyString());
        problems.forEach(p -> err.println(p.path() + ": " + p.message()));
    }

    static byte[] bytes(Path path) throws IOException {
        if (Files.isDirectory(path)) {
            throw new BadInput("file.directory", path.toString(), "This is a folder, not a file.");
        }
        Limits.checkSize(Files.size(path));
        return Files.readAllBytes(path);
    }
}
