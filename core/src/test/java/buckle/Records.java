package buckle;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;

/** A record with one component changed, for tests that try many. */
public final class Records {
    private Records() {}

    @SuppressWarnings("unchecked")
    public static <R extends Record> R with(R record, String component, Object value) {
        RecordComponent[] all = record.getClass().getRecordComponents();
        Object[] values = new Object[all.length];
        Class<?>[] types = new Class<?>[all.length];
        boolean found = false;
        try {
            for (int i = 0; i < all.length; i++) {
                types[i] = all[i].getType();
                boolean wanted = all[i].getName().equals(component);
                found |= wanted;
                values[i] = wanted ? value : all[i].getAccessor().invoke(record);
            }
            if (!found) {
                throw new IllegalArgumentException("no " + component + " in "
                        + Arrays.toString(record.getClass().getRecordComponents()));
            }
            return (R) record.getClass().getDeclaredConstructor(types).newInstance(values);
        } catch (ReflectiveOperationException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
