package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.rulebook.Values;
import buckle.units.UnitSystem;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What shall be built on the site.
 *
 * @param build how it is built
 * @param power what drives it
 * @param ringClosed whether a closed line's hot wires are joined at the closing post as well (J7 leaves them open)
 */
public record Spec(
        List<Animal> animals,
        WireSchedule schedule,
        Posts posts,
        Braces braces,
        UnderGate underGate,
        Feed feed,
        Takeoff takeoff,
        boolean ringClosed,
        UnitSystem units,
        Build build,
        Power power) {

    public Spec {
        animals = List.copyOf(animals);
        if (animals.isEmpty()) {
            throw new IllegalArgumentException("say which animals the fence is for");
        }
    }

    /** What a track is laid out by when nobody said otherwise: cattle, W1, posts at 20 ft. */
    public static Spec usual() {
        return new Spec(
                List.of(Animal.BEEF_CATTLE),
                Preset.of("W1").schedule(),
                new Posts(Values.P1_SPACING_M),
                new Braces(RailSchool.EIGHT_FOOT, Values.B10_BRACE_DEG, Values.B10_STRONGER_DEG),
                new UnderGate(0.45, 0.5),
                new Feed(3, GroundSchool.THREE_RODS, 5),
                Takeoff.USUAL,
                false,
                UnitSystem.FT_IN,
                Build.USUAL,
                Power.USUAL);
    }

    /** With other animals and wires. */
    public Spec with(List<Animal> newAnimals, WireSchedule newSchedule) {
        return new Spec(
                newAnimals, newSchedule, posts, braces, underGate, feed, takeoff, ringClosed, units, build, power);
    }

    /** With other braces. */
    public Spec with(Braces newBraces) {
        return new Spec(animals, schedule, posts, newBraces, underGate, feed, takeoff, ringClosed, units, build, power);
    }

    /** With other posts. */
    public Spec with(Posts newPosts) {
        return new Spec(animals, schedule, newPosts, braces, underGate, feed, takeoff, ringClosed, units, build, power);
    }

    /** With another feed. */
    public Spec with(Feed newFeed) {
        return new Spec(animals, schedule, posts, braces, underGate, newFeed, takeoff, ringClosed, units, build, power);
    }

    /** In other units. */
    public Spec with(UnitSystem newUnits) {
        return new Spec(animals, schedule, posts, braces, underGate, feed, takeoff, ringClosed, newUnits, build, power);
    }

    /** With closed lines joined at their closing post, or not. */
    public Spec withRingClosed(boolean closed) {
        return new Spec(animals, schedule, posts, braces, underGate, feed, takeoff, closed, units, build, power);
    }

    /** Built another way. */
    public Spec with(Build newBuild) {
        return new Spec(animals, schedule, posts, braces, underGate, feed, takeoff, ringClosed, units, newBuild, power);
    }

    /** Fed another way. */
    public Spec with(Power newPower) {
        return new Spec(animals, schedule, posts, braces, underGate, feed, takeoff, ringClosed, units, build, newPower);
    }

    /** Output the rods are counted by: the chosen energizer's, otherwise as said. */
    public double outputJ() {
        return power.energizer().map(e -> e.energy().outJ()).orElse(feed.outputJ());
    }

    /** Length of the coils a role's wire comes in: as bought, but no longer than it is sold. */
    public double coilM(WireRole role) {
        return Math.min(takeoff.coilM(), build.wires().of(role).coilsM().getLast());
    }

    /** What a line is built by: the job's spec with what that line has otherwise. */
    public Spec forLine(String lineId) {
        Spec result = this;
        for (Build.LineSpec own : build.lines()) {
            if (own.lineId().equals(lineId)) {
                Build.BracePlan b = build.braces();
                Build changed = build.with(
                                new Build.BracePlan(own.brace().orElse(b.kind()), b.inlineFromM(), b.railDiameterM()))
                        .with(build.wires()
                                .withHot(own.hot().orElse(build.wires().hot())));
                result = with(animals, own.schedule().orElse(schedule)).with(changed);
            }
        }
        return result;
    }

    /** The hardest animal decides; empty when no need is known for any of them. */
    public OptionalDouble needV() {
        return animals.stream()
                .map(Animal::needV)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .max();
    }

    /** Line posts: none stands further from the next than this. */
    public record Posts(double spacingM) {
        public Posts {
            between("posts.spacingM", spacingM, 0.5, 60);
        }
    }

    /**
     * H braces.
     *
     * @param braceFromDeg deflection from which a corner is braced both ways and ends a pull
     * @param strongerFromDeg deflection from which a corner gets a stronger post without brace
     */
    public record Braces(RailSchool railSchool, double braceFromDeg, double strongerFromDeg) {
        public Braces {
            between("braces.braceFromDeg", braceFromDeg, 5, 90);
            between("braces.strongerFromDeg", strongerFromDeg, 1, braceFromDeg);
        }
    }

    /**
     * Hot and earth cable under a swing gate.
     *
     * @param burialM depth of the conduit
     * @param spareLoopM spare left at each end
     */
    public record UnderGate(double burialM, double spareLoopM) {
        public UnderGate {
            between("underGate.burialM", burialM, 0, 2);
            between("underGate.spareLoopM", spareLoopM, 0, 5);
        }
    }

    /**
     * Energizer and ground.
     *
     * @param outputJ energizer output in joules, for the rod school that counts by it
     * @param leadOutSpareM added to the straight way from energizer to fence
     */
    public record Feed(double outputJ, GroundSchool groundSchool, double leadOutSpareM) {
        public Feed {
            between("feed.outputJ", outputJ, 0.01, 100);
            between("feed.leadOutSpareM", leadOutSpareM, 0, 1000);
        }
    }

    /**
     * How material is bought. Pack sizes are common ones; ask your supplier.
     *
     * @param wireSlackPercent added to the wire for tails, knots and sag
     * @param signEveryM distance between warning signs along the line
     */
    public record Takeoff(
            double wireSlackPercent,
            double coilM,
            int insulatorPack,
            int fastenerPack,
            int crimpPack,
            double cableRollM,
            double signEveryM) {
        public static final Takeoff USUAL = new Takeoff(3, 1000, 25, 100, 50, 50, 50);

        public Takeoff {
            between("takeoff.wireSlackPercent", wireSlackPercent, 0, 50);
            between("takeoff.coilM", coilM, 10, 10000);
            between("takeoff.insulatorPack", insulatorPack, 1, 10000);
            between("takeoff.fastenerPack", fastenerPack, 1, 10000);
            between("takeoff.crimpPack", crimpPack, 1, 10000);
            between("takeoff.cableRollM", cableRollM, 1, 1000);
            between("takeoff.signEveryM", signEveryM, 5, 1000);
        }
    }
}
