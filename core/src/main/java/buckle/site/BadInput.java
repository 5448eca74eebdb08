package buckle.site;

import java.util.List;
import java.util.stream.Collectors;

/** Thrown at the boundary when input has problems; nothing of it was taken. */
public final class BadInput extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    public BadInput(List<Problem> problems) {
        super(problems.stream().map(p -> p.path() + ": " + p.message()).collect(Collectors.joining("; ")));
        this.problems = List.copyOf(problems);
    }

    public BadInput(String code, String path, String message) {
        this(List.of(new Problem(code, path, message)));
    }

    /** All that is wrong, each with its place. */
    public List<Problem> problems() {
        return problems;
    }
}
