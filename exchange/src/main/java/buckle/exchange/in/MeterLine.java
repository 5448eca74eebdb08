package buckle.exchange.in;

import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.TestPoint;
import buckle.readings.Observation;
import buckle.readings.Observed;
import buckle.readings.Observed.Direction;
import buckle.readings.Weather;
import buckle.site.BadInput;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import buckle.site.Texts;
import buckle.spec.Growth;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line of the meter protocol (docs/meter-protocol.md): a time, then what was read and where as {@code key=value}. A value of several
 * words stands in straight quotes.
 */
public final class MeterLine {
    /** Longer ones are no readings. */
    public static final int MOST_CHARACTERS = 1000;

    private static final Pattern FIELD = Pattern.compile("([a-z_]+)=(?:\"([^\"]*)\"|(\\S+))");
    private static final Set<String> KEYS = Set.of(
            "id",
            "point",
            "line",
            "at",
            "lon",
            "lat",
            "wire",
            "kv",
            "over",
            "a",
            "to",
            "earth_kv",
            "unpowered_kv",
            "last_rod_kv",
            "fence_kv",
            "battery_v",
            "ohm",
            "open",
            "weather",
            "growth",
            "note");
    private static final Pattern NUMBER = Pattern.compile("[-+]?[0-9]{1,12}(?:\\.[0-9]{1,12})?");
    /** Farther off the lines it is of another fence. */
    private static final double MOST_OFF_M = 50;

    /** Who speaks: said once, in the first line. */
    public record Greeting(UUID jobId, String meter, String by) {
        private static final String WORD = "buckle 1";

        /** @throws BadInput when it is none */
        public static Greeting read(String line) {
            if (!line.startsWith(WORD + " ") && !line.equals(WORD)) {
                throw new BadInput("meter.greeting", "", "Begin with: buckle 1 job=ID meter=NAME by=NAME");
            }
            Map<String, String> fields = fields(line.substring(WORD.length()), Set.of("job", "meter", "by"));
            String by = field(fields, "by");
            if (by.isBlank()) {
                throw new BadInput("meter.by", "by", "Say who reads: by=NAME");
            }
            return new Greeting(uuid("job", field(fields, "job")), field(fields, "meter"), by);
        }
    }

    private final Map<String, String> fields;
    private final String line;
    private final Greeting greeting;
    private final Instant at;

    private MeterLine(String line, Greeting greeting) {
        this.line = line;
        this.greeting = greeting;
        int space = line.indexOf(' ');
        this.at = time(space < 0 ? line : line.substring(0, space));
        this.fields = fields(space < 0 ? "" : line.substring(space + 1), KEYS);
    }

    /**
     * What a line says was read. Without ids of its own the same line makes the same readings, so that sending it twice stores them once.
     *
     * @throws BadInput when it says nothing, or what cannot be
     */
    public static List<Observation> read(String line, Greeting greeting, Layout layout) {
        if (line.length() > MOST_CHARACTERS) {
            throw new BadInput("meter.long", "", "A line has at most 1,000 characters.");
        }
        Texts.flaw(line, MOST_CHARACTERS, false).ifPresent(flaw -> {
            throw new BadInput("meter.text", "", "This is no line of text: " + flaw + ".");
        });
        try {
            return new MeterLine(line, greeting).observations(layout);
        } catch (IllegalArgumentException e) {
            throw new BadInput("meter.value", "", sentence(String.valueOf(e.getMessage())));
        }
    }

    private static String sentence(String why) {
        return why.isEmpty() ? why : Character.toUpperCase(why.charAt(0)) + why.substring(1) + ".";
    }

    private static Map<String, String> fields(String text, Set<String> known) {
        Map<String, String> all = new LinkedHashMap<>();
        Matcher m = FIELD.matcher(text);
        int end = 0;
        while (m.find()) {
            if (!text.substring(end, m.start()).isBlank()) {
                throw notOne(text.substring(end, m.start()).strip());
            }
            String key = m.group(1);
            if (!known.contains(key)) {
                throw new BadInput("meter.key", key, "“" + key + "” is not known here.");
            }
            String value = m.group(2) == null ? m.group(3) : m.group(2);
            if (all.put(key, value == null ? "" : value) != null) {
                throw new BadInput("meter.key", key, "“" + key + "” stands twice.");
            }
            end = m.end();
        }
        if (!text.substring(end).isBlank()) {
            throw notOne(text.substring(end).strip());
        }
        return all;
    }

    private static BadInput notOne(String what) {
        return new BadInput("meter.field", "", "“" + Texts.cleaned(what, 60, false) + "” is no key=value.");
    }

    private static String field(Map<String, String> fields, String key) {
        return Texts.cleaned(fields.getOrDefault(key, ""), Texts.LONGEST_NAME, false);
    }

    private static Instant time(String text) {
        try {
            return OffsetDateTime.parse(text).toInstant();
        } catch (DateTimeException e) {
            throw new BadInput(
                    "meter.time",
                    "time",
                    "A line begins with its time, 2026-05-02T14:30:00Z; “" + Texts.cleaned(text, 60, false)
                            + "” is none.");
        }
    }

    private static UUID uuid(String key, String text) {
        try {
            return UUID.fromString(text);
        } catch (IllegalArgumentException e) {
            throw new BadInput("meter.id", key, "“" + text + "” is no id.");
        }
    }

    private OptionalDouble number(String key, double times) {
        String text = fields.get(key);
        if (text == null) {
            return OptionalDouble.empty();
        }
        if (!NUMBER.matcher(text).matches()) {
            throw new BadInput("meter.number", key, "“" + text + "” is no number for " + key + ".");
        }
        return OptionalDouble.of(
                new BigDecimal(text).multiply(BigDecimal.valueOf(times)).doubleValue());
    }

    private List<Observation> observations(Layout layout) {
        Observation.Spot spot = spot(layout);
        int wire = (int) number("wire", 1).orElse(0);
        boolean over = word(Over.class, "over", Over.NO) == Over.YES;
        List<Observed> what = new ArrayList<>();
        number("kv", 1000)
                .ifPresent(v -> what.add(
                        new Observed.Peak(wire, v, over, over ? OptionalDouble.of(v) : OptionalDouble.empty())));
        number("a", 1).ifPresent(a -> what.add(new Observed.Current(Math.abs(a), direction(a))));
        number("earth_kv", 1000).ifPresent(v -> what.add(new Observed.EarthTerminal(v, false, OptionalDouble.empty())));
        number("unpowered_kv", 1000)
                .ifPresent(v -> what.add(new Observed.Unpowered(wire, v, false, OptionalDouble.empty())));
        number("last_rod_kv", 1000).ifPresent(v -> what.add(new Observed.EarthTest(v, number("fence_kv", 1000))));
        number("battery_v", 1).ifPresent(v -> what.add(new Observed.BatteryVoltage(v)));
        number("ohm", 1).ifPresent(v -> what.add(new Observed.Resistance(v)));
        if (what.isEmpty()) {
            throw new BadInput(
                    "meter.nothing",
                    "",
                    "Nothing was read: kv, a, earth_kv, unpowered_kv, last_rod_kv, battery_v or ohm is missing.");
        }
        List<Observation> all = new ArrayList<>();
        for (Observed w : what) {
            all.add(new Observation(
                    id(w, what.size()),
                    spot,
                    w,
                    greeting.meter().isEmpty() ? Optional.empty() : Optional.of(greeting.meter()),
                    word(Weather.class, "weather", Weather.DRY),
                    word(Growth.class, "growth", Growth.LIGHT),
                    Optional.ofNullable(fields.get("open"))
                            .map(o -> Arrays.stream(o.split(","))
                                    .filter(s -> !s.isBlank())
                                    .toList()),
                    at,
                    greeting.by(),
                    fields.getOrDefault("note", ""),
                    Optional.empty()));
        }
        return all;
    }

    /** Of a voltage: beyond the meter's range, kv is its end. */
    private enum Over {
        YES,
        NO
    }

    /** A current below zero flows towards the start. */
    private Direction direction(double amperes) {
        String to = fields.get("to");
        if (to == null) {
            return amperes < 0 ? Direction.TOWARDS_START : Direction.UNKNOWN;
        }
        return switch (to) {
            case "start" -> Direction.TOWARDS_START;
            case "finish" -> Direction.TOWARDS_FINISH;
            default -> throw new BadInput("meter.to", "to", "A current flows to=start or to=finish.");
        };
    }

    private UUID id(Observed what, int of) {
        String id = fields.get("id");
        if (id != null && of == 1) {
            return uuid("id", id);
        }
        String made = greeting.jobId() + "\n" + greeting.meter() + "\n"
                + (id == null ? line : uuid("id", id).toString()) + "\n"
                + what.getClass().getSimpleName();
        return UUID.nameUUIDFromBytes(made.getBytes(StandardCharsets.UTF_8));
    }

    private <E extends Enum<E>> E word(Class<E> type, String key, E otherwise) {
        String text = fields.get(key);
        if (text == null) {
            return otherwise;
        }
        try {
            return Enum.valueOf(type, text.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new BadInput("meter.word", key, "“" + text + "” is not known for " + key + ".");
        }
    }

    private Observation.Spot spot(Layout layout) {
        String point = fields.get("point");
        if (point != null) {
            TestPoint p = layout.testPoints().stream()
                    .filter(t -> t.id().equals(point))
                    .findFirst()
                    .orElseThrow(() -> new BadInput("meter.point", "point", "There is no test point “" + point + "”."));
            return new Observation.Spot(
                    Optional.of(point), p.lineId(), p.stationM(), GeoPoint.of(p.lonDeg(), p.latDeg()));
        }
        if (fields.containsKey("line")) {
            return station(layout, fields.getOrDefault("line", ""));
        }
        return position(layout);
    }

    private Observation.Spot station(Layout layout, String name) {
        LineLayout line = layout.lines().stream()
                .filter(l -> l.lineId().equals(name) || l.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new BadInput("meter.line", "line", "There is no line “" + name + "”."));
        double at =
                number("at", 1).orElseThrow(() -> new BadInput("meter.at", "at", "Say where on the line: at=METRES"));
        if (!(at >= 0 && at <= line.lengthM() + 0.01)) {
            throw new BadInput("meter.at", "at", "Line “" + line.name() + "” runs from 0 to " + line.lengthM() + " m.");
        }
        LocalPlane plane = new LocalPlane(layout.origin());
        Stationing stationing = stationing(line, plane);
        return new Observation.Spot(Optional.empty(), line.lineId(), at, plane.toGeo(stationing.at(at)));
    }

    private static Stationing stationing(LineLayout line, LocalPlane plane) {
        return new Stationing(line.corners().stream().map(plane::toPlane).toList(), line.closed());
    }

    /** The nearest place of the nearest line. */
    private Observation.Spot position(Layout layout) {
        double lon = number("lon", 1).orElseThrow(MeterLine::nowhere);
        double lat = number("lat", 1).orElseThrow(MeterLine::nowhere);
        GeoPoint place = GeoPoint.of(lon, lat);
        LocalPlane plane = new LocalPlane(layout.origin());
        PlanePoint p = plane.toPlane(place);
        String best = "";
        double station = 0;
        double nearest = MOST_OFF_M;
        for (LineLayout line : layout.lines()) {
            Stationing stationing = stationing(line, plane);
            double at = stationing.nearest(p).stationM();
            double off = stationing.at(at).distanceM(p);
            if (off < nearest) {
                nearest = off;
                best = line.lineId();
                station = at;
            }
        }
        if (best.isEmpty()) {
            throw new BadInput("meter.position", "lon", "This place is more than 50 m off every line of the job.");
        }
        return new Observation.Spot(Optional.empty(), best, station, place);
    }

    private static BadInput nowhere() {
        return new BadInput("meter.place", "", "Say where: point=ID, line=ID at=METRES, or lon= lat=");
    }
}
