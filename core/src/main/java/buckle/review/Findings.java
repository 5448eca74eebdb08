package buckle.review;

import buckle.layout.Finding;
import buckle.layout.Severity;
import buckle.message.Message;
import buckle.rulebook.Rule;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** One thing said of several places is said once, with all of them. */
final class Findings {
    private Findings() {}

    private record Same(Rule rule, Severity severity, Message message) {}

    static List<Finding> folded(List<Finding> all) {
        Map<Same, Finding> once = new LinkedHashMap<>();
        for (Finding f : all) {
            once.merge(new Same(f.rule(), f.severity(), f.message()), f, Findings::together);
        }
        return List.copyOf(once.values());
    }

    private static Finding together(Finding one, Finding other) {
        if (one.places().isEmpty() || other.places().isEmpty()) {
            return one;
        }
        List<Finding.At> places = new ArrayList<>(one.places());
        other.places().stream().filter(p -> !places.contains(p)).forEach(places::add);
        return Finding.of(one.rule(), one.severity(), one.message(), places);
    }
}
