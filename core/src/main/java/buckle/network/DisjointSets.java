package buckle.network;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Things that hang together, joined two by two. */
public final class DisjointSets<T> {
    private final Map<T, T> up = new HashMap<>();

    /** Joins the sets of two things. */
    public void join(T a, T b) {
        T x = root(a);
        T y = root(b);
        if (!x.equals(y)) {
            up.put(x, y);
        }
    }

    /** The same for all that hang together; the way there is shortened for those that ask again. */
    public T root(T thing) {
        T root = thing;
        for (T next = up.get(root); next != null; next = up.get(root)) {
            root = next;
        }
        for (T at = thing; !at.equals(root); ) {
            T next = up.put(at, root);
            at = next == null ? root : next;
        }
        return root;
    }

    /** All that hang together with one, and itself. */
    public Set<T> with(T one) {
        T root = root(one);
        Set<T> all = new HashSet<>(List.of(one, root));
        for (T thing : List.copyOf(up.keySet())) {
            if (root(thing).equals(root)) {
                all.add(thing);
            }
        }
        return all;
    }
}
