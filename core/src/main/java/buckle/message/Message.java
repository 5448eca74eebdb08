package buckle.message;

import java.lang.reflect.RecordComponent;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/** A fact to be told: typed values, no words. Two are the same when their values are. */
public sealed interface Message
        permits LandMessage,
                PriceMessage,
                LayoutMessage,
                PostMessage,
                JointMessage,
                TakeoffMessage,
                CircuitMessage,
                ReadingMessage,
                CommissionMessage,
                Message.None,
                Message.Name {
    /** Nothing to tell. */
    Message NONE = new None();

    /** Nothing to tell. */
    record None() implements Message {}

    /** A name that somebody gave. */
    record Name(String name) implements Message {}

    /** What kind of message it is, the same in every language: {@code overhead-crossing}. */
    default String key() {
        return this instanceof Enum<?> e ? Plain.key(e) : Plain.key(getClass());
    }

    /** Its values by name, as numbers, words, lists and maps, so that they can be written down and known again. */
    default Map<String, @Nullable Object> facts() {
        return Plain.values(this);
    }

    /** Records without their types. */
    final class Plain {
        private static final Map<Class<?>, String> KEYS = new ConcurrentHashMap<>();

        private Plain() {}

        private static String key(Enum<?> constant) {
            return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        private static String key(Class<?> type) {
            return KEYS.computeIfAbsent(
                    type,
                    t -> t.getSimpleName()
                            .replaceAll("(?<=[a-z])(?=[A-Z0-9])", "-")
                            .toLowerCase(Locale.ROOT));
        }

        private static Map<String, @Nullable Object> values(Object record) {
            Map<String, @Nullable Object> values = new LinkedHashMap<>();
            if (record.getClass().isRecord()) {
                for (RecordComponent component : record.getClass().getRecordComponents()) {
                    try {
                        values.put(
                                component.getName(),
                                plain(component.getAccessor().invoke(record)));
                    } catch (ReflectiveOperationException e) {
                        throw new IllegalStateException("a component of a message cannot be read", e);
                    }
                }
            }
            return values;
        }

        private static @Nullable Object plain(@Nullable Object value) {
            return switch (value) {
                case null -> null;
                case Optional<?> o -> plain(o.orElse(null));
                case OptionalDouble o -> o.isPresent() ? o.getAsDouble() : null;
                case OptionalInt o -> o.isPresent() ? o.getAsInt() : null;
                case OptionalLong o -> o.isPresent() ? o.getAsLong() : null;
                case List<?> list -> list.stream().map(Plain::plain).toList();
                case Enum<?> e -> e.name();
                case Record r -> values(r);
                default -> value;
            };
        }

        /** Whether values that were written down are these: numbers may come back in another type. */
        static boolean same(@Nullable Object one, @Nullable Object other) {
            return switch (one) {
                case Number a when other instanceof Number b -> a.doubleValue() == b.doubleValue();
                case Map<?, ?> a
                when other instanceof Map<?, ?> b ->
                    a.keySet().equals(b.keySet())
                            && a.entrySet().stream().allMatch(e -> same(e.getValue(), b.get(e.getKey())));
                case List<?> a
                when other instanceof List<?> b -> {
                    boolean same = a.size() == b.size();
                    for (int i = 0; same && i < a.size(); i++) {
                        same = same(a.get(i), b.get(i));
                    }
                    yield same;
                }
                case null -> other == null;
                default -> one.equals(other);
            };
        }
    }

    /** Whether this is the message of that key with those values. */
    default boolean is(String key, Map<String, ?> values) {
        return key().equals(key) && Plain.same(facts(), values);
    }
}
