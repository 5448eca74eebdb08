package buckle.pulse;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToLongFunction;

/** What was made last, by what it was made of: as much of it as may be held. */
final class Recent<K, V> {
    private final long mostHeld;
    private final ToLongFunction<V> size;
    /** The one asked for last comes last. */
    private final Map<K, V> known = new LinkedHashMap<>(16, 0.75f, true);

    private long held;

    /** @param mostHeld sizes of all together; the last one made is kept however large it is */
    Recent(long mostHeld, ToLongFunction<V> size) {
        this.mostHeld = mostHeld;
        this.size = size;
    }

    /** Made by one who asks for it when it is not known; two may make it at the same time. */
    V of(K key, Function<K, V> make) {
        synchronized (known) {
            V there = known.get(key);
            if (there != null) {
                return there;
            }
        }
        V made = make.apply(key);
        synchronized (known) {
            V before = known.put(key, made);
            held += size.applyAsLong(made) - (before == null ? 0 : size.applyAsLong(before));
            Iterator<V> eldest = known.values().iterator();
            while (held > mostHeld && known.size() > 1) {
                held -= size.applyAsLong(eldest.next());
                eldest.remove();
            }
        }
        return made;
    }
}
