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
        double sum = here * rows[row][column];
        if (next != 0) {
            sum += next * rows[row + 1][column];
        }
        if (before != 0) {
            sum += before * rows[row - 1][column];
        }
        if (after != 0) {
            sum += after * rows[row + 2][column];
        }
        return sum;
    }

    void of(double[][] rows, double[] out) {
        for (int i = 0; i < out.length; i++) {
            out[i] = of(rows, i);
        }
    }

    /** Of one column of rows of rows. */
    void of(double[][][] rows, int column, double[] out) {
        for (int i = 0; i < out.length; i++) {
            double sum = here * rows[row][column][i];
            if (next != 0) {
                sum += next * rows[row + 1][column][i];
            }
            if (before != 0) {
                sum += before * rows[row - 1][column][i];
            }
            if (after != 0) {
                sum += after * rows[row + 2][column][i];
            }
            out[i] = sum;
        }
    }
}
