package buckle.circuit;

import buckle.circuit.Electrics.EarthAnswer;
import buckle.circuit.Electrics.EarthCase;
import buckle.circuit.Electrics.EarthNeed;
import buckle.circuit.Solver.Spot;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Traits.Soil;
import buckle.layout.EarthPlace;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.Severity;
import buckle.message.CircuitMessage;
import buckle.message.Message;
import buckle.power.Rods;
import buckle.pulse.Place;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.spec.GroundState;
import buckle.spec.Plan;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/** What the circuit asks of the earth: the test foretold (G9), schools, what more would buy, seasons, earth wires. */
final class EarthJudge {
    private static final double LONGER_ROD = 1.5;
    /** More rods than this are not the answer. */
    private static final int MOST_RODS = 12;

    private final Plan plan;
    private final Surroundings around;
    private final Layout layout;
    private final FeedPlace feed;
    private final Solver solver;
    private final Conditions likely;
    private final FenceCircuit fence;
    private final Optional<Place> far;
    private final Optional<Spot> weakest;

    /** @param weakest point of the fence, where what more earth brings is read */
    EarthJudge(Plan plan, Surroundings around, Solver solver, Conditions likely, Optional<Spot> weakest) {
        this.weakest = weakest;
        this.plan = plan;
        this.around = around;
        this.layout = solver.layout;
        this.feed = layout.feed().orElseThrow();
        this.solver = solver;
        this.likely = likely;
        this.fence = solver.fence(likely, Trial.NONE);
        this.far = fence.farthest();
    }

    EarthAnswer judge(Trial trial) {
        double test = testV(fence, solver.rodsOhm(likely.ground()));
        boolean good = test <= Values.G9_ROD_V;
        List<EarthCase> seasons = seasons();
        return new EarthAnswer(
                likely.ground(),
                groundOhmM(feed.earth(), likely.ground()),
                solver.rodsOhm(likely.ground()),
                test,
                Values.G9_ROD_V,
                good,
                schools(),
                improvements(),
                seasons,
                moistSays(),
                wires(seasons, good),
                weakest.map(spot -> new Shocks(plan, solver, likely, trial).at(spot))
                        .orElse(List.of()),
                good
                        ? List.of()
                        : List.of(Finding.ofJob(
                                Rule.G9,
                                Severity.WARN,
                                new CircuitMessage.LastRodTooHigh(likely.ground(), test, Values.G9_ROD_V))));
    }

    private double soilOhmM() {
        return solver.feedSoilOhmM(likely.ground());
    }

    private double testV(FenceCircuit circuit, double ohm) {
        return far.map(p -> Solver.earthTestV(circuit, ohm, p, Values.G9_FENCE_V))
                .orElse(0.0);
    }

    private List<EarthCase> schools() {
        return feed.schools().stream()
                .map(s -> rods(
                                new Message.Name(s.school().rule().name()),
                                new Message.Name(s.school().text()),
                                s.rods(),
                                s.rodM(),
                                soilOhmM())
                        .withSchool(Optional.of(s.school())))
                .toList();
    }

    private EarthCase rods(Message name, Message says, int rods, double rodM, double soilOhmM) {
        return one(name, says, rods, rodM, soilOhmM, solver.rodsOhm(rods, rodM, soilOhmM), fence);
    }

    private EarthCase one(
            Message name, Message says, int rods, double rodM, double soilOhmM, double ohm, FenceCircuit circuit) {
        double test = testV(circuit, ohm);
        double byTable = rods == 1
                ? ohm
                : Rods.tableOhm(soilOhmM, rodM, plan.spec().supply().earth().rodDiameterM() / 2, rods);
        double volts = weakest.map(s -> Solver.voltsWithEarth(circuit, ohm, s)).orElse(0.0);
        return new EarthCase(
                name, says, Optional.empty(), rods, rodM, soilOhmM, ohm, byTable, test, test <= Values.G9_ROD_V, volts);
    }

    /** The rods of the plan changed, each in its ground. */
    private EarthCase changed(
            Message name, Message says, List<EarthPlace> rods, GroundState ground, FenceCircuit circuit) {
        EarthPlace first = rods.getFirst();
        double soil = groundOhmM(rods, ground);
        boolean alike = rods.stream()
                .allMatch(r -> r.kind() == first.kind()
                        && r.lengthM() == first.lengthM()
                        && r.soil().equals(first.soil())
                        && !r.watered());
        double longest = rods.stream().mapToDouble(EarthPlace::lengthM).max().orElse(0);
        double ohm = solver.rodsOhm(rods, ground);
        EarthCase all = one(name, says, rods.size(), longest, soil, ohm, circuit);
        return alike ? all : all.withTableOhm(ohm);
    }

    /** Where the first rod stands. */
    private double groundOhmM(List<EarthPlace> rods, GroundState ground) {
        return rods.getFirst().soil().map(s -> Soils.ohmM(s, ground)).orElseGet(() -> solver.feedSoilOhmM(ground));
    }

    private EarthCase changed(Message name, Message says, List<EarthPlace> rods) {
        return changed(name, says, rods, likely.ground(), fence);
    }

    /** One more like the last, as far on as that is from the one before. */
    private List<EarthPlace> oneMore() {
        List<EarthPlace> rods = new ArrayList<>(feed.earth());
        EarthPlace last = rods.getLast();
        double apart = rods.size() > 1 && last.leadM() > 0 ? last.leadM() : feed.rodApartM();
        rods.add(last.withEastM(last.eastM() + apart));
        return rods;
    }

    private List<EarthCase> improvements() {
        List<EarthCase> all = new ArrayList<>();
        List<EarthPlace> rods = feed.earth();
        all.add(changed(CircuitMessage.Rods.ONE_MORE, Message.NONE, oneMore()));
        all.add(changed(
                CircuitMessage.Rods.LONGER,
                Message.NONE,
                rods.stream().map(r -> r.withLengthM(r.lengthM() * LONGER_ROD)).toList()));
        if (likely.ground() != GroundState.FROZEN && rods.stream().anyMatch(r -> !r.watered())) {
            all.add(changed(
                    CircuitMessage.Rods.WATERED,
                    Message.NONE,
                    rods.stream().map(r -> r.withWatered(true)).toList()));
        }
        moist().ifPresent(f -> {
            Optional<Soil> soil = f.traits().soil().or(() -> Optional.of(Soil.WET));
            all.add(changed(
                    new CircuitMessage.RodsIn(f.title()),
                    new CircuitMessage.CableNotCounted(),
                    rods.stream().map(r -> r.withSoil(soil)).toList()));
        });
        if (soilOhmM() >= Values.G12_SAND_OHM_M) {
            all.add(single(
                    new CircuitMessage.ShortRod(true, Values.G6_IRON_M),
                    new CircuitMessage.ShortRodWhy(true),
                    Values.G6_IRON_M,
                    Values.G6_RADIUS_M));
            all.add(single(
                    new CircuitMessage.ShortRod(false, Values.G7_STUB_M),
                    new CircuitMessage.ShortRodWhy(false),
                    Values.G7_STUB_M,
                    plan.spec().supply().earth().rodDiameterM() / 2));
        }
        return all;
    }

    private EarthCase single(Message name, Message says, double lengthM, double radiusM) {
        return one(name, says, 1, lengthM, soilOhmM(), Rods.singleOhm(soilOhmM(), lengthM, radiusM), fence);
    }

    private List<EarthCase> seasons() {
        List<EarthCase> all = new ArrayList<>();
        for (GroundState s : GroundState.values()) {
            all.add(changed(
                    new CircuitMessage.GroundIs(s),
                    Message.NONE,
                    feed.earth(),
                    s,
                    solver.fence(likely.withGround(s), Trial.NONE)));
        }
        return all;
    }

    /**
     * G9 turned round: the resistance that keeps the last rod at its limit in the earth test, and how many rods of the planned
     * length come under it.
     */
    EarthNeed need() {
        double ohm = solver.rodsOhm(likely.ground());
        for (int i = 0; i < 3; i++) {
            double test = testV(fence, ohm);
            ohm = Math.clamp(test <= 0 ? ohm : ohm * Values.G9_ROD_V / test, 0.01, 1e5);
        }
        int rods = 1;
        while (rods <= MOST_RODS && solver.rodsOhm(rods, feed.rodM(), soilOhmM()) > ohm) {
            rods++;
        }
        return new EarthNeed(ohm, rods > MOST_RODS ? OptionalInt.empty() : OptionalInt.of(rods), feed.rodM());
    }

    /** The nearest ground that stays moist. */
    private Optional<LandFeature> moist() {
        return around.land().features().stream()
                .filter(EarthJudge::staysMoist)
                .min(Comparator.comparingDouble(this::awayM));
    }

    private double awayM(LandFeature f) {
        return Contacts.distanceM(
                f, GeoPoint.of(feed.lonDeg(), feed.latDeg()), plan.site().plane());
    }

    private Message moistSays() {
        return moist().<Message>map(f -> new CircuitMessage.MoistGround(f.title(), awayM(f)))
                .orElse(new CircuitMessage.NoMoistGround());
    }

    private static boolean staysMoist(LandFeature f) {
        return f.kind() == LandKind.CREEK
                || f.kind() == LandKind.STANDING_WATER
                || f.traits()
                        .soil()
                        .filter(s -> s == Soil.WET || s == Soil.CLAY)
                        .isPresent();
    }

    private CircuitMessage.EarthWires wires(List<EarthCase> seasons, boolean good) {
        boolean has = layout.lines().stream().anyMatch(l -> l.schedule().count(WireRole.EARTH) > 0);
        boolean badSeason = seasons.stream().anyMatch(s -> !s.good());
        if (has) {
            return plan.spec().fence().wires().earthTied()
                    ? CircuitMessage.EarthWires.ARE_TIED
                    : CircuitMessage.EarthWires.ARE_GROUNDED;
        }
        return !good || badSeason ? CircuitMessage.EarthWires.WOULD_CARRY : CircuitMessage.EarthWires.NOT_NEEDED;
    }
}
