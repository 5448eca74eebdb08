package buckle.design;

import buckle.spec.Plan;
import buckle.spec.PulseModel;
import buckle.spec.Spec;
import buckle.spec.WireSchedule;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** Every single value of what is ordered by its path, {@code fence.posts.strong}, so that none is forgotten when two are compared. */
final class SpecFields {
    private SpecFields() {}

    private static final String CIRCUMSTANCES = "circumstances";

    /** All values of a plan's spec and circumstances; lists and optional values are one value each. */
    static Map<String, Object> of(Plan plan) {
        Map<String, Object> all = new LinkedHashMap<>();
        collect(plan.spec(), "", all);
        collect(plan.circumstances(), CIRCUMSTANCES, all);
        return all;
    }

    private static void collect(Record record, String path, Map<String, Object> all) {
        for (RecordComponent component : record.getClass().getRecordComponents()) {
            String at = path.isEmpty() ? component.getName() : path + "." + component.getName();
            Object value = get(record, component);
            if (value instanceof Record inner && splits(inner)) {
                collect(inner, at, all);
            } else {
                all.put(at, value);
            }
        }
    }

    /** Groups of fields; a wire schedule, a plate or a spread is one value. */
    private static boolean splits(Record record) {
        return record.getClass().getPackage() == Spec.class.getPackage()
                && !(record instanceof WireSchedule)
                && !(record instanceof PulseModel.Spread);
    }

    private static Object get(Record record, RecordComponent component) {
        try {
            return Objects.requireNonNull(component.getAccessor().invoke(record));
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The plan with one value changed; empty where it does not go with the others. */
    static Optional<Plan> with(Plan plan, String path, Object value) {
        List<String> steps = List.of(path.split("\\."));
        try {
            return Optional.of(
                    steps.getFirst().equals(CIRCUMSTANCES)
                            ? (Plan) with(plan, steps, value)
                            : plan.withSpec((Spec) with(plan.spec(), steps, value)));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Record with(Record record, List<String> path, Object value) {
        RecordComponent[] components = record.getClass().getRecordComponents();
        List<Class<?>> types = new ArrayList<>();
        List<Object> values = new ArrayList<>();
        for (RecordComponent component : components) {
            types.add(component.getType());
            boolean wanted = component.getName().equals(path.getFirst());
            Object now = get(record, component);
            values.add(
                    !wanted ? now : path.size() == 1 ? value : with((Record) now, path.subList(1, path.size()), value));
        }
        try {
            return (Record) record.getClass()
                    .getDeclaredConstructor(types.toArray(Class<?>[]::new))
                    .newInstance(values.toArray());
        } catch (InvocationTargetException e) {
            throw new IllegalArgumentException(e.getCause());
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
