package buckle.network;

import buckle.layout.CutOutPlace;
import buckle.layout.FeedPlace;
import buckle.layout.GatePlace;
import buckle.layout.LaidLine;
import buckle.layout.Lead;
import buckle.layout.LineLayout;
import buckle.layout.PlaceKeys;
import buckle.layout.Post;
import buckle.site.Tees;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Where along a line something begins, ends, branches off, is fed or is switched, in order of station; each with a key that stays
 * while other things move. The end of a closed line is its start, and stands in the list twice.
 */
final class Stops {
    /** One tolerance for the whole network: that of posts. */
    static final double SAME_M = Post.SAME_PLACE_M;

    /**
     * @param ends whether wires of a pull end here
     * @param cutOut switch that stands here
     * @param idle cut-outs that stand here too
     * @param open whether the hot wires are not joined across
     */
    record Stop(
            String key,
            double stationM,
            boolean ends,
            boolean bundle,
            Optional<CutOutPlace> cutOut,
            List<CutOutPlace> idle,
            boolean open) {
        boolean near(double otherM) {
            return Math.abs(stationM - otherM) < SAME_M;
        }

        /** Whether what lies before and after are two. */
        boolean parted() {
            return open || cutOut.isPresent();
        }
    }

    /** Something that wants a stop. */
    private record Wanted(double stationM, String key, int rank, boolean ends, boolean bundle) {}

    private final LaidLine laid;
    private final PlaceKeys keys;
    private final List<Wanted> wanted = new ArrayList<>();

    private Stops(LaidLine laid) {
        this.laid = laid;
        this.keys = laid.keys();
    }

    static List<Stop> of(LaidLine laid, List<Tees.Tee> tees, List<Lead> leads, FeedPlace feed) {
        Stops stops = new Stops(laid);
        stops.collect(tees, leads, feed);
        return stops.merged();
    }

    /** The stop at a station, or the next one after it; past all of them the last. */
    static Stop at(List<Stop> all, double stationM) {
        int low = 0;
        int high = all.size() - 1;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (all.get(middle).stationM() < stationM - SAME_M) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return all.get(low);
    }

    private void want(double stationM, String key, int rank, boolean ends, boolean bundle) {
        wanted.add(new Wanted(Math.clamp(stationM, 0, laid.layout().lengthM()), key, rank, ends, bundle));
    }

    private void collect(List<Tees.Tee> tees, List<Lead> leads, FeedPlace feed) {
        LineLayout line = laid.layout();
        want(0, keys.corner(0), 2, false, true);
        want(line.lengthM(), keys.corner(line.closed() ? 0 : line.corners().size() - 1), 2, false, true);
        for (GatePlace gate : line.gates()) {
            want(gate.fromM(), "gate:" + gate.id() + ":first", 0, true, true);
            want(gate.toM(), "gate:" + gate.id() + ":last", 0, true, true);
        }
        if (line.closed()) {
            want(line.closingM(), keys.at(line.closingM()), 1, true, true);
        }
        for (int k = 0; k < line.pulls().size(); k++) {
            want(line.pulls().get(k).fromM(), keys.begin(k), 3, true, false);
            want(line.pulls().get(k).toM(), keys.end(k), 3, true, false);
        }
        tees.stream()
                .filter(t -> t.onLineId().equals(laid.id()))
                .forEach(t -> want(
                        t.stationM(), "branch:" + t.lineId() + (t.atStart() ? ":start" : ":finish"), 4, false, true));
        for (Lead lead : leads) {
            if (lead.lineId().equals(laid.id())) {
                want(lead.stationM(), "lead:" + lead.id(), 4, false, true);
            }
            if (lead.onLineId().equals(laid.id())) {
                want(lead.onStationM(), "lead:" + lead.id() + ":on", 4, false, true);
            }
        }
        line.cutOuts().forEach(c -> want(c.stationM(), "cut-out:" + c.id(), 5, false, true));
        if (feed.lineId().equals(laid.id())) {
            want(feed.stationM(), "feed", 6, false, true);
        }
    }

    private List<Stop> merged() {
        wanted.sort(Comparator.comparingDouble(Wanted::stationM).thenComparingInt(Wanted::rank));
        List<Stop> stops = new ArrayList<>();
        for (int i = 0; i < wanted.size(); ) {
            int j = i;
            while (j < wanted.size() && wanted.get(j).stationM() - wanted.get(i).stationM() < SAME_M) {
                j++;
            }
            stops.add(stop(wanted.subList(i, j)));
            i = j;
        }
        return stops;
    }

    private Stop stop(List<Wanted> here) {
        LineLayout line = laid.layout();
        Wanted first = here.stream().min(Comparator.comparingInt(Wanted::rank)).orElseThrow();
        boolean atStart = here.getFirst().stationM() < SAME_M;
        boolean atEnd = line.lengthM() - here.getLast().stationM() < SAME_M;
        double station = atStart ? 0 : atEnd ? line.lengthM() : first.stationM();
        List<CutOutPlace> cutOuts = line.cutOuts().stream()
                .filter(c -> Math.abs(c.stationM() - station) < SAME_M)
                .toList();
        boolean seam = line.closed() && (atStart || atEnd);
        boolean open = line.closed()
                && !line.ringJoined()
                && (Math.abs(station - line.closingM()) < SAME_M || seam && line.closingM() < SAME_M);
        boolean idle = open || atStart || atEnd;
        return new Stop(
                first.key(),
                station,
                here.stream().anyMatch(Wanted::ends) || atStart || atEnd,
                here.stream().anyMatch(Wanted::bundle),
                idle || cutOuts.isEmpty() ? Optional.empty() : Optional.of(cutOuts.getLast()),
                idle || cutOuts.isEmpty() ? cutOuts : cutOuts.subList(0, cutOuts.size() - 1),
                open);
    }
}
