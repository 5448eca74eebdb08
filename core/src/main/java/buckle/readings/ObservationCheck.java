package buckle.readings;

import buckle.readings.Observed.Voltage;
import buckle.site.Corner;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.Texts;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Whether what was measured can have been measured at this fence; what stands against it, with its place. */
public final class ObservationCheck {
    /** No peak of an electric fence was read with a digital meter and kept in a phone before this. */
    private static final Instant EARLIEST = Instant.parse("1990-01-01T00:00:00Z");
    /** A clock may go before ours, or stand in another time zone. */
    private static final Duration AHEAD = Duration.ofDays(1);
    /** A reading off the lines by more than this was not taken on this property. */
    private static final double MOST_OFF_M = 5_000;

    private static final double MOST_STATION_M = 1_000_000;
    private static final int LONGEST_NOTE = 500;

    private final Instant now;
    private final Optional<Box> box;

    /** As far as readings of a site may lie. */
    private record Box(LocalPlane plane, double west, double east, double south, double north) {
        boolean holds(GeoPoint place) {
            PlanePoint p = plane.toPlane(place);
            // The far side of the earth comes to lie in the plane as well.
            boolean thisSide = Math.abs(place.latDeg() - plane.origin().latDeg()) < 5;
            return thisSide && p.eastM() >= west && p.eastM() <= east && p.northM() >= south && p.northM() <= north;
        }
    }

    /** @param site whose fence was read; without lines any place will do */
    public ObservationCheck(Site site, Instant now) {
        this.now = now;
        this.box = box(site);
    }

    private static Optional<Box> box(Site site) {
        List<GeoPoint> places = new ArrayList<>();
        site.lines().forEach(l -> l.corners().stream().map(Corner::at).forEach(places::add));
        if (places.isEmpty()) {
            return Optional.empty();
        }
        site.energizer().ifPresent(e -> places.add(e.at()));
        LocalPlane plane = site.plane();
        double west = Double.MAX_VALUE;
        double east = -Double.MAX_VALUE;
        double south = Double.MAX_VALUE;
        double north = -Double.MAX_VALUE;
        for (GeoPoint place : places) {
            PlanePoint p = plane.toPlane(place);
            west = Math.min(west, p.eastM());
            east = Math.max(east, p.eastM());
            south = Math.min(south, p.northM());
            north = Math.max(north, p.northM());
        }
        return Optional.of(
                new Box(plane, west - MOST_OFF_M, east + MOST_OFF_M, south - MOST_OFF_M, north + MOST_OFF_M));
    }

    /** Whether somebody can have written a time down, as a clock of ours stands, which may go otherwise than theirs. */
    public static boolean couldBe(Instant at, Instant now) {
        return !at.isBefore(EARLIEST) && !at.isAfter(now.plus(AHEAD));
    }

    /** What of an observation cannot be right; empty when all of it can. */
    public List<Problem> problems(Observation o, String path) {
        List<Problem> problems = new ArrayList<>();
        if (!(Math.abs(o.at().stationM()) <= MOST_STATION_M)) {
            problems.add(new Problem(
                    "reading.station",
                    path + "at.stationM",
                    "The station " + o.at().stationM() + " m is on no fence."));
        }
        if (box.isPresent() && !box.get().holds(o.at().place())) {
            problems.add(new Problem(
                    "reading.place",
                    path + "at.place",
                    "This place lies more than 5 km off the fence. Check longitude and latitude."));
        }
        if (o.what() instanceof Observed.LookedOver l) {
            if (!(Math.abs(l.toM()) <= MOST_STATION_M)) {
                problems.add(new Problem(
                        "reading.station", path + "what.toM", "The station " + l.toM() + " m is on no fence."));
            }
            if (box.isPresent() && !box.get().holds(l.toPlace())) {
                problems.add(new Problem(
                        "reading.place",
                        path + "what.toPlace",
                        "This place lies more than 5 km off the fence. Check longitude and latitude."));
            }
        }
        if (!couldBe(o.takenAt(), now)) {
            problems.add(new Problem(
                    "reading.time",
                    path + "takenAt",
                    "A reading was taken between 1990 and tomorrow; this one says " + o.takenAt()
                            + ". Check the clock of the device."));
        }
        if (o.what() instanceof Observed.Checked c) {
            text(problems, path + "what.of", c.of().orElse(""), Texts.LONGEST_NAME, false);
        }
        if (o.what() instanceof Observed.Checked c && !c.inOrder() && o.note().isBlank()) {
            problems.add(new Problem(
                    "reading.reason", path + "note", "What is left out of the list before power needs its reason."));
        }
        if (o.what() instanceof Observed.Voided
                && (o.corrects().isEmpty() || o.note().isBlank())) {
            problems.add(new Problem(
                    "reading.void", path + "note", "Say which reading is void, and why: it stays with its reason."));
        }
        if (o.what() instanceof Observed.Voltage v && v.peakV() > 0 && v.peakV() < Voltage.LEAST_V) {
            problems.add(new Problem(
                    "reading.kilovolts",
                    path + "what.peakV",
                    "A peak of " + v.peakV() + " V: were kilovolts meant? Readings are sent in volts."));
        }
        text(problems, path + "at.lineId", o.at().lineId(), Texts.LONGEST_NAME, false);
        text(problems, path + "at.testPointId", o.at().testPointId().orElse(""), Texts.LONGEST_NAME, false);
        text(problems, path + "takenBy", o.takenBy(), Texts.LONGEST_NAME, false);
        text(problems, path + "meter", o.meter().orElse(""), Texts.LONGEST_NAME, false);
        text(problems, path + "note", o.note(), LONGEST_NOTE, true);
        o.openSwitches()
                .ifPresent(
                        ids -> ids.forEach(id -> text(problems, path + "openSwitches", id, Texts.LONGEST_NAME, false)));
        return problems;
    }

    private static void text(List<Problem> problems, String path, String text, int most, boolean lines) {
        Texts.flaw(text, most, lines)
                .ifPresent(flaw -> problems.add(new Problem(
                        "reading.text", path, Character.toUpperCase(flaw.charAt(0)) + flaw.substring(1) + ".")));
    }
}
