package buckle.exchange.handover;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.commissioning.PrePower;
import buckle.commissioning.Round;
import buckle.commissioning.Round.Ask;
import buckle.commissioning.Round.AskKind;
import buckle.commissioning.Round.Stop;
import buckle.commissioning.YardstickFit;
import buckle.exchange.handover.Certificate.CheckRow;
import buckle.exchange.handover.Certificate.CurvePoint;
import buckle.exchange.handover.Certificate.FoundRow;
import buckle.exchange.handover.Certificate.OwnerCard;
import buckle.exchange.handover.Certificate.ReadMark;
import buckle.exchange.handover.Certificate.ReadingRow;
import buckle.exchange.handover.Certificate.SectionRow;
import buckle.exchange.handover.Certificate.VoltageCurve;
import buckle.land.Surroundings;
import buckle.layout.CutOutPlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.message.CommissionMessage;
import buckle.message.CommissionMessage.OwnerDoes;
import buckle.message.English;
import buckle.message.Message;
import buckle.readings.Assessment;
import buckle.readings.Assessor;
import buckle.readings.Observation;
import buckle.readings.OnFence;
import buckle.review.Laid;
import buckle.rulebook.Standing;
import buckle.spec.Plan;
import buckle.spec.Supply;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/** Makes a certificate of a plan and the readings of its commissioning. */
public final class CertificateMaker {
    private static final int MOST_POINTS = 160;
    private static final int MOST_NAMED = 4;
    /** Under this share of what it should be somebody looks. */
    private static final double ASK_SHARE = 0.8;

    private final Heading heading;
    private final Plan plan;
    private final Laid laid;
    private final Layout layout;
    private final UnitSystem units;
    private final PrePower list;
    private final Round round;
    private final Assessment assessment;
    private final Optional<Electrics> electrics;
    private final List<Observation> readings;
    private final Optional<YardstickFit> fit;

    /**
     * What a certificate is of.
     *
     * @param call whom the owner calls
     * @param zone of the days and hours on it
     */
    public record Heading(
            int number,
            String job,
            String client,
            String property,
            int planRevision,
            String signedBy,
            LocalDate signedOn,
            String call,
            ZoneId zone) {}

    private CertificateMaker(
            Heading heading, Plan plan, Laid laid, Surroundings around, List<Observation> all, Instant since) {
        this.heading = heading;
        this.plan = plan;
        this.laid = laid;
        this.layout = laid.layout();
        this.units = plan.spec().units();
        this.readings = OnFence.standing(all).stream()
                .filter(o -> !o.takenAt().isBefore(since))
                .toList();
        this.list = PrePower.of(layout, plan.spec(), all, since);
        this.round = Round.of(plan, laid, around, all, since);
        this.assessment = Assessor.assess(layout, plan.spec(), readings);
        this.electrics = ElectricsPlanner.of(plan, laid, around, Trial.NONE, Set.of(Electrics.Part.RANGE));
        this.fit = fitted(around);
    }

    /** @param since readings and ticks from then on are of this commissioning */
    public static Certificate of(
            Heading heading, Plan plan, Laid laid, Surroundings around, List<Observation> readings, Instant since) {
        return new CertificateMaker(heading, plan, laid, around, readings, since).certificate();
    }

    private Certificate certificate() {
        List<SectionRow> sections = layout.sections().stream()
                .map(s -> {
                    if (!s.live()) {
                        return new SectionRow(
                                s.name(),
                                Lengths.text(s.lengthM(), units),
                                Standing.BROKEN,
                                OptionalDouble.empty(),
                                "not connected to the energizer: dead");
                    }
                    Assessment.SectionStanding stands = assessment.sections().stream()
                            .filter(x -> x.sectionId().equals(s.id()))
                            .findFirst()
                            .orElseThrow();
                    return new SectionRow(
                            s.name(),
                            Lengths.text(s.lengthM(), units),
                            stands.standing(),
                            stands.peakV(),
                            text(stands.why()));
                })
                .toList();
        List<String> not = sections.stream()
                .filter(s -> s.standing() != Standing.MET)
                .map(SectionRow::name)
                .toList();
        long open = round.open();
        int unchecked = list.items().size() - list.done() - list.left();
        List<String> weak = weak();
        boolean inOrder = not.isEmpty()
                && weak.isEmpty()
                && open == 0
                && unchecked == 0
                && list.left() == 0
                && !sections.isEmpty();
        return new Certificate(
                heading.number(),
                heading.job(),
                heading.client(),
                heading.property(),
                heading.planRevision(),
                units,
                heading.signedBy(),
                heading.signedOn(),
                inOrder,
                verdict(inOrder, not, weak, open, unchecked),
                plan.spec().fence().needV(),
                text(assessment.needWhy()),
                electrics.map(e -> e.energizer().name()).orElse(""),
                sections,
                readingRows(),
                list.items().stream().map(this::check).toList(),
                found(),
                leaks(),
                ownerDoes(),
                layout.everyJob().stream()
                        .map(s -> text(s.says()) + " (" + s.rule().name() + ")")
                        .toList(),
                card(),
                layout.lines().stream().map(this::curve).toList());
    }

    /** Numbers that do not stand by themselves: a wire, the earth test, the battery, a wire that should carry nothing. */
    private List<String> weak() {
        List<String> all = new ArrayList<>();
        for (Stop s : round.stops()) {
            s.asks().stream()
                    .filter(a -> a.need() == Standing.WARN || a.need() == Standing.BROKEN)
                    .forEach(a -> all.add(what(a) + " at " + s.name() + " "
                            + number(a.kind(), a.value().orElse(0))));
        }
        return all;
    }

    private String verdict(boolean inOrder, List<String> not, List<String> weak, long open, int unchecked) {
        if (inOrder) {
            return "Every section holds what the animals need, everything was read and looked at.";
        }
        List<String> says = new ArrayList<>();
        if (!not.isEmpty()) {
            says.add("not shown to hold what the animals need: "
                    + not.stream().map(n -> "“" + n + "”").collect(Collectors.joining(", ")));
        }
        if (!weak.isEmpty()) {
            says.add("weak or worse: "
                    + weak.stream().limit(MOST_NAMED).collect(Collectors.joining(", "))
                    + (weak.size() > MOST_NAMED ? " and " + (weak.size() - MOST_NAMED) + " more" : ""));
        }
        if (open > 0) {
            says.add(open + (open == 1 ? " number was" : " numbers were") + " not read");
        }
        if (unchecked > 0) {
            says.add(unchecked + (unchecked == 1 ? " point" : " points") + " of the list before power not looked at");
        }
        if (list.left() > 0) {
            says.add(list.left() + (list.left() == 1 ? " point" : " points") + " left open with a reason");
        }
        if (says.isEmpty()) {
            says.add("there is no fence that is fed");
        }
        return "Not all is in order: " + String.join("; ", says) + ".";
    }

    private String text(Message message) {
        return English.text(message, units);
    }

    private String when(Instant at) {
        return DateTimeFormatter.ofPattern(units == UnitSystem.METRIC ? "d MMM HH:mm" : "MMM d, h:mm a", Locale.US)
                .withZone(heading.zone())
                .format(at);
    }

    private List<ReadingRow> readingRows() {
        List<ReadingRow> rows = new ArrayList<>();
        for (Stop stop : round.stops()) {
            for (Ask a : stop.asks()) {
                if (a.needed() || a.reading().isPresent()) {
                    rows.add(row(stop, a));
                }
            }
        }
        return rows;
    }

    private ReadingRow row(Stop stop, Ask a) {
        Optional<Observation> read = readings.stream()
                .filter(o -> a.reading().filter(o.id()::equals).isPresent())
                .findFirst();
        return new ReadingRow(
                stop.name(),
                Lengths.text(stop.stationM(), units),
                what(a),
                a.value().isPresent()
                        ? (a.overRange() ? "> " : "")
                                + number(a.kind(), a.value().getAsDouble())
                        : "not read",
                expected(a),
                a.need(),
                a.agrees(),
                a.says() instanceof CommissionMessage.Predicted p ? off(p.how()) : "",
                text(a.says()),
                read.map(o -> when(o.takenAt()) + ", " + o.takenBy()).orElse(""));
    }

    private static String expected(Ask a) {
        if (a.high().isEmpty()) {
            return a.low().isEmpty() ? "" : "from " + number(a.kind(), a.low().getAsDouble());
        }
        String high = number(a.kind(), a.high().getAsDouble());
        return a.low().isEmpty() ? "under " + high : bare(a.kind(), a.low().getAsDouble()) + " to " + high;
    }

    private static String off(CommissionMessage.Agrees how) {
        return switch (how) {
            case AS_PREDICTED -> "as predicted";
            case LOWER -> "lower";
            case MUCH_LOWER -> "much lower";
            case HIGHER -> "higher";
            case MUCH_HIGHER -> "much higher";
        };
    }

    private static String what(Ask a) {
        return switch (a.kind()) {
            case PEAK -> a.wire() == 0 ? "hot wires" : "hot wire " + a.wire();
            case UNPOWERED -> "wire " + a.wire() + ", without power";
            case CURRENT -> "current";
            case EARTH_TEST -> "last rod, fence shorted";
            case BATTERY -> "battery";
        };
    }

    private static String number(AskKind kind, double value) {
        return bare(kind, value)
                + switch (kind) {
                    case PEAK, UNPOWERED, EARTH_TEST -> " kV";
                    case CURRENT -> " A";
                    case BATTERY -> " V";
                };
    }

    /** Without its unit. */
    private static String bare(AskKind kind, double value) {
        double shown = switch (kind) {
            case PEAK, UNPOWERED, EARTH_TEST -> value / 1000;
            case CURRENT -> Math.abs(value);
            case BATTERY -> value;
        };
        return String.format(Locale.ROOT, "%.1f", shown);
    }

    private CheckRow check(PrePower.CheckItem i) {
        return new CheckRow(
                text(i.says()),
                i.rule().name(),
                i.tick().isPresent(),
                i.tick().filter(PrePower.CheckTick::inOrder).isPresent(),
                i.tick().map(PrePower.CheckTick::reason).orElse(""),
                i.tick().map(PrePower.CheckTick::by).orElse(""),
                i.tick().map(t -> when(t.at())).orElse(""));
    }

    private List<FoundRow> found() {
        return fit.map(YardstickFit::rows).orElse(List.of()).stream()
                .map(r -> new FoundRow(text(r.what()), text(r.before()), text(r.after()), r.told()))
                .toList();
    }

    private String leaks() {
        return fit.map(f -> text(f.says())).orElse("");
    }

    /** Of the yardstick's own readings, when they are of this commissioning. */
    private Optional<YardstickFit> fitted(Surroundings around) {
        List<Observation> own = readings.stream()
                .filter(o -> plan.circumstances()
                        .yardstick()
                        .filter(y -> y.readings().contains(o.id()))
                        .isPresent())
                .toList();
        return own.isEmpty() ? Optional.empty() : Optional.of(YardstickFit.of(plan, laid, around, own));
    }

    private List<String> ownerDoes() {
        List<OwnerDoes> all = new ArrayList<>(List.of(OwnerDoes.values()));
        if (plan.spec().supply().source() == Supply.Source.MAINS) {
            all.remove(OwnerDoes.BATTERY);
        }
        if (layout.lines().stream().allMatch(l -> l.cutOuts().isEmpty())) {
            all.remove(OwnerDoes.SWITCHES);
        }
        return all.stream().map(this::text).toList();
    }

    private OwnerCard card() {
        List<Peak> peaks = new ArrayList<>();
        for (Stop s : round.stops()) {
            s.asks().stream()
                    .filter(a -> a.kind() == AskKind.PEAK && a.value().isPresent() && !a.overRange())
                    .forEach(a -> peaks.add(new Peak(s, a.value().getAsDouble())));
        }
        Optional<Peak> feed = peaks.stream()
                .filter(p -> p.at().testPointId().equals("energizer"))
                .findFirst();
        Set<String> feeders = layout.feeders();
        // The energizer's own number stands above.
        Optional<Peak> least = peaks.stream()
                .filter(p -> !feeders.contains(p.at().lineId())
                        && !p.at().testPointId().equals("energizer"))
                .min(Comparator.comparingDouble(Peak::volts));
        List<String> switches = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            for (CutOutPlace c : line.cutOuts()) {
                switches.add(c.name() + ": " + line.name() + ", " + Lengths.text(c.stationM(), units));
            }
        }
        if (plan.spec().supply().leadOutSwitch()) {
            switches.addFirst("all off: switch in the lead-out beside the energizer");
        }
        OptionalDouble number = volts(feed);
        return new OwnerCard(
                feed.map(p -> "at the " + p.at().name()).orElse("at the energizer"),
                number,
                least.map(p -> p.at().name()).orElse(""),
                volts(least),
                plan.spec().fence().needV(),
                askV(number),
                switches,
                heading.call());
    }

    /** Never under what the animals need. */
    private OptionalDouble askV(OptionalDouble number) {
        return number.isPresent()
                ? OptionalDouble.of(Math.max(
                        ASK_SHARE * number.getAsDouble(),
                        plan.spec().fence().needV().orElse(0)))
                : number;
    }

    private record Peak(Stop at, double volts) {}

    private static OptionalDouble volts(Optional<Peak> peak) {
        return peak.map(p -> OptionalDouble.of(p.volts())).orElse(OptionalDouble.empty());
    }

    private VoltageCurve curve(LineLayout line) {
        List<Electrics.PulsePoint> own = electrics.map(Electrics::points).orElse(List.of()).stream()
                .filter(p -> p.lineId().equals(line.lineId()))
                .toList();
        List<CurvePoint> points = new ArrayList<>();
        int step = Math.max(1, own.size() / MOST_POINTS);
        for (int i = 0; i < own.size(); i += step) {
            Electrics.PulsePoint p = own.get(i);
            points.add(new CurvePoint(p.stationM(), p.lowV(), p.likelyV(), p.highV()));
        }
        List<ReadMark> marks = new ArrayList<>();
        for (Stop s : round.stops()) {
            if (s.lineId().equals(line.lineId())) {
                s.asks().stream()
                        .filter(a -> a.kind() == AskKind.PEAK && a.value().isPresent())
                        .forEach(a ->
                                marks.add(new ReadMark(s.stationM(), a.value().getAsDouble())));
            }
        }
        return new VoltageCurve(line.name(), line.lengthM(), points, marks);
    }
}
