package buckle.pulse;

import java.util.List;
import java.util.stream.IntStream;

/**
 * Several leaks at once on the healthy circuit, many such sets in turn: what they draw follows from {@code (R + Z) I = V}, with
 * {@code Z} what an ampere into one of them does at the others, and a meter moves by what each of them draws.
 */
final class LeaksTogether {
    private final Tree tree;
    private final LineTable[] tables;
    private final Spectrum spectrum;
    private final List<List<Fault>> sets;
    private final List<Meter> meters;
    private final int[][] node;
    private final int[] distinct;
    /** Where in {@link #distinct} each leak's node is. */
    private final int[][] number;

    /** Of each distinct node the one farthest back among those of its sets; empty where not all of a set lie on one way. */
    private final int[] top;

    LeaksTogether(Tree tree, LineTable[] tables, Spectrum spectrum, List<List<Fault>> sets, List<Meter> meters) {
        this.tree = tree;
        this.tables = tables;
        this.spectrum = spectrum;
        this.sets = sets;
        this.meters = meters;
        node = sets.stream()
                .map(s -> s.stream().mapToInt(f -> tree.node(f.at())).toArray())
                .toArray(int[][]::new);
        distinct = java.util.Arrays.stream(node)
                .flatMapToInt(IntStream::of)
                .distinct()
                .sorted()
                .toArray();
        number = new int[node.length][];
        for (int x = 0; x < node.length; x++) {
            number[x] = IntStream.of(node[x])
                    .map(n -> java.util.Arrays.binarySearch(distinct, n))
                    .toArray();
        }
        top = tree.loops.isEmpty() ? tops() : new int[0];
    }

    private int[] tops() {
        int[] first = distinct.clone();
        for (int x = 0; x < node.length; x++) {
            int least = IntStream.of(node[x]).min().orElse(0);
            for (int i = 0; i < node[x].length; i++) {
                int at = node[x][i];
                for (int other : node[x]) {
                    if (!onOneWay(Math.min(at, other), Math.max(at, other))) {
                        return new int[0];
                    }
                }
                first[number[x][i]] = Math.min(first[number[x][i]], least);
            }
        }
        return first;
    }

    private boolean onOneWay(int back, int ahead) {
        int at = ahead;
        while (at > back) {
            at = tree.start[at - 1];
        }
        return at == back;
    }

    PulseSolver.Shown peaks(SoundFence.Feeds feeds) {
        int n = spectrum.count();
        int slices = MeterSpectra.SLICES;
        MeterSpectra spectra = new MeterSpectra(tree, tables, spectrum, meters, node.length);
        IntStream.range(0, slices)
                .parallel()
                .forEach(i -> new Slice(feeds, spectra).frequencies(n * i / slices, n * (i + 1) / slices));
        return spectra.shown();
    }

    private final class Slice {
        private final SoundFence sound;
        private final MeterSpectra into;
        private final double[][] mutualRe = new double[distinct.length][distinct.length];
        private final double[][] mutualIm = new double[distinct.length][distinct.length];
        private final double[][] drawnRe = new double[node.length][];
        private final double[][] drawnIm = new double[node.length][];
        private final double[] rowRe = new double[node.length];
        private final double[] rowIm = new double[node.length];

        Slice(SoundFence.Feeds feeds, MeterSpectra into) {
            this.sound = new SoundFence(tree, tables, meters, feeds);
            this.into = into;
            for (int x = 0; x < node.length; x++) {
                drawnRe[x] = new double[node[x].length];
                drawnIm[x] = new double[node[x].length];
            }
        }

        void frequencies(int from, int to) {
            for (int k = from; k < to; k++) {
                sound.frequency(k);
                mutual();
                for (int x = 0; x < node.length; x++) {
                    draw(x);
                }
                for (int m = 0; m < meters.size(); m++) {
                    sound.meter(m);
                    for (int x = 0; x < node.length; x++) {
                        double re = sound.readRe;
                        double im = sound.readIm;
                        for (int i = 0; i < node[x].length; i++) {
                            int at = node[x][i];
                            re -= sound.zRe[at] * drawnRe[x][i] - sound.zIm[at] * drawnIm[x][i];
                            im -= sound.zRe[at] * drawnIm[x][i] + sound.zIm[at] * drawnRe[x][i];
                        }
                        rowRe[x] = re;
                        rowIm[x] = im;
                    }
                    into.row(k, m, rowRe, rowIm);
                }
            }
        }

        /** What an ampere into each does at the others of its sets. */
        private void mutual() {
            for (int d = 0; d < distinct.length; d++) {
                if (top.length == 0) {
                    sound.loops.column(distinct[d], sound.zRe, sound.zIm);
                    for (int e = 0; e < distinct.length; e++) {
                        mutualRe[d][e] = sound.zRe[distinct[e]];
                        mutualIm[d][e] = sound.zIm[distinct[e]];
                    }
                    continue;
                }
                sound.sweep.injectBack(distinct[d], top[d], sound.zRe, sound.zIm);
                for (int e = d; e >= 0 && distinct[e] >= top[d]; e--) {
                    mutualRe[d][e] = sound.zRe[distinct[e]];
                    mutualIm[d][e] = sound.zIm[distinct[e]];
                    mutualRe[e][d] = mutualRe[d][e];
                    mutualIm[e][d] = mutualIm[d][e];
                }
            }
        }

        /** Elimination without exchange of rows: impedances among places of a fence are largest on the diagonal. */
        private void draw(int x) {
            int n = node[x].length;
            double[][] aRe = new double[n][n];
            double[][] aIm = new double[n][n];
            double[] bRe = drawnRe[x];
            double[] bIm = drawnIm[x];
            for (int i = 0; i < n; i++) {
                for (int j = 0; j < n; j++) {
                    aRe[i][j] = mutualRe[number[x][i]][number[x][j]];
                    aIm[i][j] = mutualIm[number[x][i]][number[x][j]];
                }
                aRe[i][i] += sets.get(x).get(i).ohm();
                bRe[i] = sound.vRe[node[x][i]];
                bIm[i] = sound.vIm[node[x][i]];
            }
            for (int p = 0; p < n; p++) {
                double inv = 1 / (aRe[p][p] * aRe[p][p] + aIm[p][p] * aIm[p][p]);
                for (int i = p + 1; i < n; i++) {
                    double fRe = (aRe[i][p] * aRe[p][p] + aIm[i][p] * aIm[p][p]) * inv;
                    double fIm = (aIm[i][p] * aRe[p][p] - aRe[i][p] * aIm[p][p]) * inv;
                    for (int j = p + 1; j < n; j++) {
                        aRe[i][j] -= fRe * aRe[p][j] - fIm * aIm[p][j];
                        aIm[i][j] -= fRe * aIm[p][j] + fIm * aRe[p][j];
                    }
                    double keep = bRe[p];
                    bRe[i] -= fRe * keep - fIm * bIm[p];
                    bIm[i] -= fRe * bIm[p] + fIm * keep;
                }
            }
            for (int i = n - 1; i >= 0; i--) {
                for (int j = i + 1; j < n; j++) {
                    double keep = bRe[j];
                    bRe[i] -= aRe[i][j] * keep - aIm[i][j] * bIm[j];
                    bIm[i] -= aRe[i][j] * bIm[j] + aIm[i][j] * keep;
                }
                double inv = 1 / (aRe[i][i] * aRe[i][i] + aIm[i][i] * aIm[i][i]);
                double keep = bRe[i];
                bRe[i] = (keep * aRe[i][i] + bIm[i] * aIm[i][i]) * inv;
                bIm[i] = (bIm[i] * aRe[i][i] - keep * aIm[i][i]) * inv;
            }
        }
    }
}
