package buckle.pulse;

import java.util.List;

/** The fence without the faults that are tried on it, at one frequency after the other: what its meters read, and what moves them. */
final class SoundFence {
    /** What feeds the fence at one frequency, once the sweep is set to it. */
    interface Feeds {
        Feed at(int k, TreeSweep sweep);
    }

    final TreeSweep sweep;
    final Loops loops;
    final Taps taps;
    /** Voltages by node. */
    final double[] vRe;

    final double[] vIm;
    /** By node, what an ampere taken as the meter looked at takes it does there. */
    final double[] zRe;

    final double[] zIm;
    /** What that meter reads. */
    double readRe;

    double readIm;
    private final Feeds feeds;
    private final double[] workRe;
    private final double[] workIm;
    private final double[] pair = new double[2];

    SoundFence(Tree tree, LineTable[] tables, List<Meter> meters, Feeds feeds) {
        this.feeds = feeds;
        sweep = new TreeSweep(tree, tables);
        loops = new Loops(tree, sweep);
        taps = new Taps(tree, sweep, meters);
        int nodes = tree.segments + 1;
        vRe = new double[nodes];
        vIm = new double[nodes];
        zRe = new double[nodes];
        zIm = new double[nodes];
        workRe = new double[nodes];
        workIm = new double[nodes];
    }

    void frequency(int k) {
        sweep.frequency(k);
        Feed feed = feeds.at(k, sweep);
        sweep.carry(feed.rootV().getReal(), feed.rootV().getImaginary(), vRe, vIm);
        sweep.back();
        loops.close(vRe, vIm);
        taps.frequency(feed);
    }

    void meter(int m) {
        taps.read(m, vRe, vIm, pair);
        readRe = pair[0];
        readIm = pair[1];
        taps.column(m, loops, zRe, zIm, workRe, workIm);
    }
}
