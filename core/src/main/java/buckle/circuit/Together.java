package buckle.circuit;

import java.util.HashMap;
import java.util.Map;

/** Things that hang together, joined two by two. */
final class Together<T> {
    private final Map<T, T> up = new HashMap<>();

    void join(T a, T b) {
        T x = root(a);
        T y = root(b);
        if (!x.equals(y)) {
            up.put(x, y);
        }
    }

    /** The same for all that hang together. */
    T root(T thing) {
        T at = thing;
        while (up.containsKey(at)) {
            at = up.get(at);
        }
        return at;
    }
}
