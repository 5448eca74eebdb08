package buckle.spec;

/** Bounds of what may be asked for. */
final class Ranges {
    private Ranges() {}

    static void between(String field, double value, double least, double most) {
        if (!(value >= least && value <= most)) {
            throw new IllegalArgumentException(
                    field + " is " + value + "; it must lie between " + least + " and " + most);
        }
    }
}
