package buckle.diagnosis;

/**
 * Between evenly spaced rows by a cubic through four (Catmull and Rom); at the ends by what is there.
 *
 * @param row the one before
 * @param before part of what the row before that one gives, and so on
 */
record Cubic(int row, double before, double here, double next, double after) {
    /** @param at counted in rows */
    static Cubic at(int rows, double at) {
        int row = Math.clamp((int) Math.floor(at), 0, Math.max(0, rows - 2));
        double t = at - row;
        if (t == 0 || rows == 1) {
            return new Cubic(row, 0, 1, 0, 0);
        }
        double t2 = t * t;
        double t3 = t2 * t;
        // Of the slopes at both ends of the gap: half of what lies two rows apart, or all of what lies one apart.
        double left = t3 - 2 * t2 + t;
        double right = t3 - t2;
        double before = 0;
        double here = 2 * t3 - 3 * t2 + 1;
        double next = 3 * t2 - 2 * t3;
        double after = 0;
        if (row > 0) {
            before -= left / 2;
            next += left / 2;
        } else {
            here -= left;
            next += left;
        }
        if (row + 2 < rows) {
            here -= right / 2;
            after += right / 2;
        } else {
            here -= right;
            next += right;
        }
        return new Cubic(row, before, here, next, after);
    }

    /** At so many places from each row to the next. */
    static Cubic[] between(int rows, int each) {
        Cubic[] all = new Cubic[(rows - 1) * each + 1];
        for (int k = 0; k < all.length; k++) {
            all[k] = at(rows, k / (double) each);
        }
        return all;
    }

    double of(double[][] rows, int column) {
        return of(
                before == 0 ? 0 : rows[row - 1][column],
                rows[row][column],
                next == 0 ? 0 : rows[row + 1][column],
                after == 0 ? 0 : rows[row + 2][column]);
    }

    void of(double[][] rows, double[] out) {
        for (int i = 0; i < out.length; i++) {
            out[i] = of(rows, i);
        }
    }

    /** Of one column of rows of rows. */
    void of(double[][][] rows, int column, double[] out) {
        double[] first = before == 0 ? rows[row][column] : rows[row - 1][column];
        double[] second = rows[row][column];
        double[] third = next == 0 ? second : rows[row + 1][column];
        double[] fourth = after == 0 ? second : rows[row + 2][column];
        for (int i = 0; i < out.length; i++) {
            out[i] = of(first[i], second[i], third[i], fourth[i]);
        }
    }

    /**
     * The greatest of a current goes over from one swing to the other where both are as large, and does not pass through nothing: sizes are
     * told between, with the sign of the nearer.
     */
    private double of(double first, double second, double third, double fourth) {
        if (second * third >= 0 && first * second >= 0 && third * fourth >= 0) {
            return before * first + here * second + next * third + after * fourth;
        }
        double size =
                before * Math.abs(first) + here * Math.abs(second) + next * Math.abs(third) + after * Math.abs(fourth);
        return Math.max(0, size) * Math.signum(here >= next ? second : third);
    }
}
