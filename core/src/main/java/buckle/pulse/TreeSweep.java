package buckle.pulse;

/**
 * The whole tree at one frequency. Each segment is an exact lossy line in decaying exponentials, so that no length is too long.
 * From leaf to root the admittance seen down the tree, from root to leaf the one seen back; a voltage is then carried along by
 * the ratio of a segment's ends. All arrays are made once and written anew for each frequency.
 */
final class TreeSweep {
    private final Tree tree;
    private final LineTable[] tables;
    private final double[] eRe;
    private final double[] eIm;
    /** Seen down from a node, its shunt included. */
    private final double[] downRe;

    private final double[] downIm;
    /** Seen back from a node, without its shunt and what lies beyond. */
    private final double[] backRe;

    private final double[] backIm;
    /** Of a segment, seen from its beginning. */
    private final double[] inRe;

    private final double[] inIm;
    /** Voltage at a segment's end per volt at its beginning, and at its beginning per volt at its end seen back. */
    private final double[] aheadRe;

    private final double[] aheadIm;
    private final double[] behindRe;
    private final double[] behindIm;
    private final double[] by = new double[4];
    private double sourceRe;
    private double sourceIm;
    private int k;

    TreeSweep(Tree tree, LineTable[] tables) {
        this.tree = tree;
        this.tables = tables;
        int n = tree.segments;
        eRe = new double[n];
        eIm = new double[n];
        downRe = new double[n + 1];
        downIm = new double[n + 1];
        backRe = new double[n + 1];
        backIm = new double[n + 1];
        inRe = new double[n];
        inIm = new double[n];
        aheadRe = new double[n];
        aheadIm = new double[n];
        behindRe = new double[n];
        behindIm = new double[n];
    }

    /** Leaf to root. */
    void frequency(int number) {
        k = number;
        System.arraycopy(tree.shuntS, 0, downRe, 0, downRe.length);
        java.util.Arrays.fill(downIm, 0);
        along();
        for (int i = tree.segments - 1; i >= 0; i--) {
            LineTable t = tables[tree.type[i]];
            double e2Re = eRe[i] * eRe[i] - eIm[i] * eIm[i];
            double e2Im = 2 * eRe[i] * eIm[i];
            double yRe = t.waveRe()[k];
            double yIm = t.waveIm()[k];
            double sumRe = yRe + downRe[i + 1];
            double sumIm = yIm + downIm[i + 1];
            double difRe = yRe - downRe[i + 1];
            double difIm = yIm - downIm[i + 1];
            // echo = difference × e²; seen: Y (sum − echo) / (sum + echo)
            double echoRe = difRe * e2Re - difIm * e2Im;
            double echoIm = difRe * e2Im + difIm * e2Re;
            double botRe = sumRe + echoRe;
            double botIm = sumIm + echoIm;
            double inv = 1 / (botRe * botRe + botIm * botIm);
            double topRe = sumRe - echoRe;
            double topIm = sumIm - echoIm;
            double qRe = (topRe * botRe + topIm * botIm) * inv;
            double qIm = (topIm * botRe - topRe * botIm) * inv;
            double seenRe = yRe * qRe - yIm * qIm;
            double seenIm = yRe * qIm + yIm * qRe;
            // ahead: 2 Y e / (sum + echo)
            double aRe = 2 * (yRe * eRe[i] - yIm * eIm[i]);
            double aIm = 2 * (yRe * eIm[i] + yIm * eRe[i]);
            aheadRe[i] = (aRe * botRe + aIm * botIm) * inv;
            aheadIm[i] = (aIm * botRe - aRe * botIm) * inv;
            series(i, seenRe, seenIm);
            downRe[tree.start[i]] += inRe[i];
            downIm[tree.start[i]] += inIm[i];
        }
    }

    /** What a wave becomes along each segment, e⁻ᵞˡ: once for all that are alike. */
    private void along() {
        for (int i = 0; i < tree.segments; i++) {
            int like = tree.alike[i];
            if (like < i) {
                eRe[i] = eRe[like];
                eIm[i] = eIm[like];
                continue;
            }
            LineTable t = tables[tree.type[i]];
            double size = Math.exp(-t.gammaRe()[k] * tree.lengthM[i]);
            double angle = -t.gammaIm()[k] * tree.lengthM[i];
            eRe[i] = size * Math.cos(angle);
            eIm[i] = size * Math.sin(angle);
        }
    }

    /** A resistance at the beginning lessens what is seen and divides the voltage; an open switch lets nothing through. */
    private void series(int i, double seenRe, double seenIm) {
        double r = tree.seriesOhm[i];
        if (r == 0) {
            inRe[i] = seenRe;
            inIm[i] = seenIm;
        } else if (Double.isInfinite(r)) {
            inRe[i] = 0;
            inIm[i] = 0;
            aheadRe[i] = 0;
            aheadIm[i] = 0;
        } else {
            double bRe = 1 + r * seenRe;
            double bIm = r * seenIm;
            double inv = 1 / (bRe * bRe + bIm * bIm);
            inRe[i] = (seenRe * bRe + seenIm * bIm) * inv;
            inIm[i] = (seenIm * bRe - seenRe * bIm) * inv;
            double aRe = aheadRe[i];
            double aIm = aheadIm[i];
            aheadRe[i] = (aRe * bRe + aIm * bIm) * inv;
            aheadIm[i] = (aIm * bRe - aRe * bIm) * inv;
        }
    }

    /** Admittance of the whole fence at its beginning, without a loop. */
    double fenceRe() {
        return downRe[0];
    }

    double fenceIm() {
        return downIm[0];
    }

    /** What lies behind the beginning of the fence, rods and energizer, as an admittance. */
    void source(double yRe, double yIm) {
        sourceRe = yRe;
        sourceIm = yIm;
    }

    /** Root to leaf: voltages for so many volts at node 0. */
    void carry(double rootRe, double rootIm, double[] vRe, double[] vIm) {
        vRe[0] = rootRe;
        vIm[0] = rootIm;
        for (int i = 0; i < tree.segments; i++) {
            int s = tree.start[i];
            vRe[i + 1] = vRe[s] * aheadRe[i] - vIm[s] * aheadIm[i];
            vIm[i + 1] = vRe[s] * aheadIm[i] + vIm[s] * aheadRe[i];
        }
    }

    /** Root to leaf: what each node sees back. Needed before {@link #inject}. */
    void back() {
        backRe[0] = sourceRe;
        backIm[0] = sourceIm;
        for (int i = 0; i < tree.segments; i++) {
            int s = tree.start[i];
            double loadRe = backRe[s] + downRe[s] - inRe[i];
            double loadIm = backIm[s] + downIm[s] - inIm[i];
            double r = tree.seriesOhm[i];
            double passRe = 1;
            double passIm = 0;
            if (Double.isInfinite(r)) {
                loadRe = 0;
                loadIm = 0;
                passRe = 0;
            } else if (r > 0) {
                double bRe = 1 + r * loadRe;
                double bIm = r * loadIm;
                double inv = 1 / (bRe * bRe + bIm * bIm);
                double keepRe = loadRe;
                loadRe = (keepRe * bRe + loadIm * bIm) * inv;
                loadIm = (loadIm * bRe - keepRe * bIm) * inv;
                passRe = bRe * inv;
                passIm = -bIm * inv;
            }
            LineTable t = tables[tree.type[i]];
            double yRe = t.waveRe()[k];
            double yIm = t.waveIm()[k];
            double e2Re = eRe[i] * eRe[i] - eIm[i] * eIm[i];
            double e2Im = 2 * eRe[i] * eIm[i];
            double sumRe = yRe + loadRe;
            double sumIm = yIm + loadIm;
            double difRe = yRe - loadRe;
            double difIm = yIm - loadIm;
            double echoRe = difRe * e2Re - difIm * e2Im;
            double echoIm = difRe * e2Im + difIm * e2Re;
            double botRe = sumRe + echoRe;
            double botIm = sumIm + echoIm;
            double inv = 1 / (botRe * botRe + botIm * botIm);
            double topRe = sumRe - echoRe;
            double topIm = sumIm - echoIm;
            double qRe = (topRe * botRe + topIm * botIm) * inv;
            double qIm = (topIm * botRe - topRe * botIm) * inv;
            backRe[i + 1] = yRe * qRe - yIm * qIm;
            backIm[i + 1] = yRe * qIm + yIm * qRe;
            double aRe = 2 * (yRe * eRe[i] - yIm * eIm[i]);
            double aIm = 2 * (yRe * eIm[i] + yIm * eRe[i]);
            double bRe = (aRe * botRe + aIm * botIm) * inv;
            double bIm = (aIm * botRe - aRe * botIm) * inv;
            behindRe[i] = bRe * passRe - bIm * passIm;
            behindIm[i] = bRe * passIm + bIm * passRe;
        }
    }

    /** One ampere into a node, the energizer at rest: the voltage everywhere. By reciprocity, also what one ampere anywhere does here. */
    void inject(int node, double[] vRe, double[] vIm, boolean[] set) {
        java.util.Arrays.fill(set, false);
        double yRe = downRe[node] + backRe[node];
        double yIm = downIm[node] + backIm[node];
        double inv = 1 / (yRe * yRe + yIm * yIm);
        vRe[node] = yRe * inv;
        vIm[node] = -yIm * inv;
        set[node] = true;
        for (int at = node; at > 0; ) {
            int i = at - 1;
            int s = tree.start[i];
            vRe[s] = vRe[at] * behindRe[i] - vIm[at] * behindIm[i];
            vIm[s] = vRe[at] * behindIm[i] + vIm[at] * behindRe[i];
            set[s] = true;
            at = s;
        }
        for (int i = 0; i < tree.segments; i++) {
            if (!set[i + 1]) {
                int s = tree.start[i];
                vRe[i + 1] = vRe[s] * aheadRe[i] - vIm[s] * aheadIm[i];
                vIm[i + 1] = vRe[s] * aheadIm[i] + vIm[s] * aheadRe[i];
            }
        }
    }

    /** The same from a node back toward the root alone, as far as to another on its way; without loops. */
    void injectBack(int node, int top, double[] vRe, double[] vIm) {
        double yRe = downRe[node] + backRe[node];
        double yIm = downIm[node] + backIm[node];
        double inv = 1 / (yRe * yRe + yIm * yIm);
        vRe[node] = yRe * inv;
        vIm[node] = -yIm * inv;
        for (int at = node; at > top; ) {
            int i = at - 1;
            int s = tree.start[i];
            vRe[s] = vRe[at] * behindRe[i] - vIm[at] * behindIm[i];
            vIm[s] = vRe[at] * behindIm[i] + vIm[at] * behindRe[i];
            at = s;
        }
    }

    /** A node's own impedance, without loops. */
    void self(int node, Loops into) {
        double yRe = downRe[node] + backRe[node];
        double yIm = downIm[node] + backIm[node];
        double inv = 1 / (yRe * yRe + yIm * yIm);
        into.selfRe = yRe * inv;
        into.selfIm = -yIm * inv;
    }

    /** Admittance that a voltage in series with the beginning of segment {@code i} sees, without loops. */
    void cut(int i, Loops into) {
        int s = tree.start[i];
        double loadRe = backRe[s] + downRe[s] - inRe[i];
        double loadIm = backIm[s] + downIm[s] - inIm[i];
        double bothRe = inRe[i] + loadRe;
        double bothIm = inIm[i] + loadIm;
        double square = bothRe * bothRe + bothIm * bothIm;
        double inv = square == 0 ? 0 : 1 / square;
        double topRe = inRe[i] * loadRe - inIm[i] * loadIm;
        double topIm = inRe[i] * loadIm + inIm[i] * loadRe;
        into.selfRe = (topRe * bothRe + topIm * bothIm) * inv;
        into.selfIm = (topIm * bothRe - topRe * bothIm) * inv;
    }

    /** Current into the beginning of segment {@code i}; where the ends cannot tell, what its load takes. */
    void currentIn(int i, double[] vRe, double[] vIm, double[] out) {
        inBy(i, by);
        ends(i, vRe, vIm, out);
    }

    /** Current out of the end of segment {@code i}, from the voltages at its ends; of a segment without length its load's. */
    void currentOut(int i, double[] vRe, double[] vIm, double[] out) {
        outBy(i, by);
        ends(i, vRe, vIm, out);
    }

    private void ends(int i, double[] vRe, double[] vIm, double[] out) {
        int s = tree.start[i];
        int n = i + 1;
        out[0] = vRe[s] * by[0] - vIm[s] * by[1] + vRe[n] * by[2] - vIm[n] * by[3];
        out[1] = vRe[s] * by[1] + vIm[s] * by[0] + vRe[n] * by[3] + vIm[n] * by[2];
    }

    /** Current into a segment for each volt at its beginning and at its end, real and imaginary. */
    void inBy(int i, double[] out) {
        if (!twoEnds(i, out)) {
            out[0] = inRe[i];
            out[1] = inIm[i];
            out[2] = 0;
            out[3] = 0;
        }
    }

    /** Current out of a segment for each volt at its beginning and at its end. */
    void outBy(int i, double[] out) {
        if (twoEnds(i, out)) {
            double ownRe = out[0];
            double ownIm = out[1];
            out[0] = -out[2];
            out[1] = -out[3];
            out[2] = -ownRe;
            out[3] = -ownIm;
        } else {
            out[0] = 0;
            out[1] = 0;
            out[2] = downRe[i + 1];
            out[3] = downIm[i + 1];
        }
    }

    /** {@code Y (1 + e²) / (1 − e²)} and {@code −2 Y e / (1 − e²)}; false where the ends cannot tell. */
    private boolean twoEnds(int i, double[] out) {
        double e2Re = eRe[i] * eRe[i] - eIm[i] * eIm[i];
        double e2Im = 2 * eRe[i] * eIm[i];
        double oneRe = 1 - e2Re;
        double oneIm = -e2Im;
        double size = oneRe * oneRe + oneIm * oneIm;
        if (size < 1e-24 || tree.seriesOhm[i] != 0) {
            return false;
        }
        LineTable t = tables[tree.type[i]];
        double yRe = (t.waveRe()[k] * oneRe + t.waveIm()[k] * oneIm) / size;
        double yIm = (t.waveIm()[k] * oneRe - t.waveRe()[k] * oneIm) / size;
        out[0] = yRe * (1 + e2Re) - yIm * e2Im;
        out[1] = yRe * e2Im + yIm * (1 + e2Re);
        out[2] = -2 * (yRe * eRe[i] - yIm * eIm[i]);
        out[3] = -2 * (yRe * eIm[i] + yIm * eRe[i]);
        return true;
    }
}
