package buckle.site;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** From the receiver's fixes to averaged nodes: spikes dropped, pauses collapsed, lost signal marked. */
final class WalkNodes {
    /** Walking between two nodes, in metres: short against a side, long against the jitter of one fix. */
    static final double NODE_SPACING_M = 3;

    private static final double LEAST_GAP_M = 10;
    private static final int PAUSE_HALF_WINDOW = 4;
    private static final int LEAST_PAUSE_FIXES = 6;

    private final List<Fix> fixes = new ArrayList<>();
    private final List<WalkNode> nodes = new ArrayList<>();
    private double stepM;
    private int spikes;
    private int pauses;

    private record Fix(PlanePoint at, double heightM, boolean hasHeight, double timeS, boolean stretchStart) {}

    private WalkNodes() {}

    static WalkNodes of(Walk walk, LocalPlane plane) {
        WalkNodes result = new WalkNodes();
        result.read(walk, plane);
        result.stepM = result.medianStepM();
        result.dropSpikes();
        result.average(result.standing());
        return result;
    }

    List<WalkNode> nodes() {
        return nodes;
    }

    int spikes() {
        return spikes;
    }

    int pauses() {
        return pauses;
    }

    /** Median distance between fixes that moved. */
    static double medianStepM(List<PlanePoint> points) {
        double[] steps = new double[Math.max(0, points.size() - 1)];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = points.get(i).distanceM(points.get(i + 1));
        }
        Arrays.sort(steps);
        return steps.length == 0 ? 0 : steps[steps.length / 2];
    }

    private double medianStepM() {
        return Math.max(0.05, medianStepM(fixes.stream().map(Fix::at).toList()));
    }

    private void read(Walk walk, LocalPlane plane) {
        for (List<WalkPoint> stretch : walk.stretches()) {
            boolean first = true;
            for (WalkPoint p : stretch) {
                var height = p.at().heightM();
                fixes.add(new Fix(
                        plane.toPlane(p.at()),
                        height.orElse(0),
                        height.isPresent(),
                        p.timeS().orElse(Double.NaN),
                        first));
                first = false;
            }
        }
    }

    /** A spike is a fix far off both neighbours, which are near each other. */
    private void dropSpikes() {
        double farM = Math.max(8, 5 * stepM);
        for (int i = fixes.size() - 2; i > 0; i--) {
            PlanePoint before = fixes.get(i - 1).at();
            PlanePoint here = fixes.get(i).at();
            PlanePoint after = fixes.get(i + 1).at();
            double across = before.distanceM(after);
            if (here.distanceM(before) > farM && here.distanceM(after) > farM && across < farM) {
                fixes.remove(i);
                spikes++;
            }
        }
    }

    /** For each fix whether the walker stood: it moved far less over a few fixes than the usual step would carry it. */
    private boolean[] standing() {
        int n = fixes.size();
        boolean[] still = new boolean[n];
        for (int i = 0; i < n; i++) {
            int a = Math.max(0, i - PAUSE_HALF_WINDOW);
            int b = Math.min(n - 1, i + PAUSE_HALF_WINDOW);
            double movedM = fixes.get(a).at().distanceM(fixes.get(b).at());
            still[i] = movedM < 0.35 * stepM * (b - a);
        }
        return still;
    }

    /** Walks that neither start nor end with a pause keep their first and last fix: a mean would lie inside. */
    private void average(boolean[] still) {
        int perNode = (int) Math.max(1, Math.round(NODE_SPACING_M / stepM));
        int i = 0;
        while (i < fixes.size()) {
            int end = i + 1;
            while (end < fixes.size() && still[end] == still[i] && !gapBefore(end)) {
                end++;
            }
            boolean pause = still[i] && end - i >= LEAST_PAUSE_FIXES;
            if (!pause && i == 0) {
                nodes.add(mean(0, 1, false, 0));
            }
            addNodes(i, end, pause ? end - i : perNode, pause);
            if (!pause && end == fixes.size()) {
                nodes.add(mean(end - 1, end, false, 0));
            }
            i = end;
        }
    }

    private void addNodes(int from, int to, int each, boolean pause) {
        if (pause) {
            pauses++;
        }
        int parts = Math.max(1, Math.round((to - from) / (float) each));
        for (int k = 0; k < parts; k++) {
            int a = from + (int) ((long) (to - from) * k / parts);
            int b = from + (int) ((long) (to - from) * (k + 1) / parts);
            if (b > a) {
                nodes.add(mean(a, b, pause, k == 0 ? gapM(from) : 0));
            }
        }
    }

    private WalkNode mean(int from, int to, boolean pause, double gapM) {
        double east = 0;
        double north = 0;
        double height = 0;
        int heights = 0;
        for (int i = from; i < to; i++) {
            Fix f = fixes.get(i);
            east += f.at().eastM();
            north += f.at().northM();
            height += f.heightM();
            heights += f.hasHeight() ? 1 : 0;
        }
        int n = to - from;
        boolean known = heights == n;
        return new WalkNode(new PlanePoint(east / n, north / n), known ? height / n : 0, known, pause, gapM);
    }

    private double gapM(int i) {
        return gapBefore(i) ? fixes.get(i - 1).at().distanceM(fixes.get(i).at()) : 0;
    }

    private boolean gapBefore(int i) {
        if (i == 0) {
            return false;
        }
        double jumpM = fixes.get(i - 1).at().distanceM(fixes.get(i).at());
        return jumpM > Math.max(LEAST_GAP_M, 6 * stepM) || fixes.get(i).stretchStart() && jumpM > 3 * stepM;
    }
}
