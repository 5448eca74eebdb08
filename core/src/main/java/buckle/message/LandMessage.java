package buckle.message;

import buckle.material.EarthKind;
import buckle.spec.Animal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the property means for the fence. */
public sealed interface LandMessage extends Message {
    /** Trees along the line. */
    record TreesAlong(FeatureName feature) implements LandMessage {}

    /** The line runs through standing water. */
    record StandingWaterMet(FeatureName feature, Span along) implements LandMessage {}

    /** The line enters ground where nothing may be built. */
    record NoGoEntered(FeatureName feature, Span along) implements LandMessage {}

    /** @param inTheWay otherwise closer than a person passes */
    record BuildingNear(FeatureName feature, boolean inTheWay, Span along) implements LandMessage {}

    /** The line leaves the property. */
    record BoundaryCrossed(FeatureName feature) implements LandMessage {}

    /** @param square near enough to a right angle */
    record OverheadCrossing(
            FeatureName feature, double angleDeg, boolean square, double clearanceM, OptionalDouble voltageKv)
            implements LandMessage {}

    /** An overhead line runs along the fence without crossing it. */
    record OverheadBeside(FeatureName feature, double nearestM, Span along, double clearanceM, OptionalDouble voltageKv)
            implements LandMessage {}

    /** Near an overhead line a fence stays low. */
    record FenceTooHighNearOverhead(FeatureName feature, double topM, double mostM) implements LandMessage {}

    /** Too little air between the top wire and the lowest conductor. */
    record OverheadTooLow(double topM, double lowestM, double clearanceM) implements LandMessage {}

    /** @param crossingM where it is crossed first */
    record PublicWayNear(
            FeatureName feature, double nearestM, Span along, long signs, double signEveryM, OptionalDouble crossingM)
            implements LandMessage {}

    /** A fence that another energizer feeds. */
    record OtherEnergizerNear(FeatureName feature, double nearestM, Span along, double apartM) implements LandMessage {}

    /** @param crossed otherwise it only comes near */
    record MetalFenceNear(FeatureName feature, boolean crossed, double nearestM, Span along, double apartM)
            implements LandMessage {}

    /** Barbed wire is never electrified. */
    record BarbedNear(FeatureName feature, double nearestM, Span along) implements LandMessage {}

    /** An old fence along the line. */
    record FenceStands(FeatureName feature, Span along, Optional<Boolean> postsUsable) implements LandMessage {}

    /** A creek crossed without a part of its own. */
    record CreekCrossed(FeatureName feature) implements LandMessage {}

    /** A track crossed without a gate. */
    record TrackWithoutGate(FeatureName feature) implements LandMessage {}

    /** An opening without a gate. */
    record OpeningShut(FeatureName feature) implements LandMessage {}

    /** @param depthM of its surface, when known */
    record StonyGround(OptionalDouble depthM) implements LandMessage {}

    /** Wet ground along the line. */
    record WetGround() implements LandMessage {}

    /** Ground that freezes. */
    record FreezingGround() implements LandMessage {}

    /** Sand along the line. */
    record SandyGround() implements LandMessage {}

    /** Without heights no flood can be told. */
    record FloodNotKnown(String creek) implements LandMessage {}

    /** The fence lies under the flood. */
    record Flooded(String creek, double riseM) implements LandMessage {}

    /**
     * Stubs are taken where stone stops the rods.
     *
     * @param rodM length that does not go in
     * @param earthTied whether earth wires are tied to the energizer's terminal already
     */
    record RodsInStone(double rodM, int stubs, double stubM, boolean earthTied) implements LandMessage {}

    /** A rod cannot go where somebody put it. */
    record RodInBuilding(EarthKind kind, String building) implements LandMessage {}

    /** A rod stands near a building's earth (G8). */
    record RodNearBuilding(EarthKind kind, String building, double distanceM, double apartM) implements LandMessage {}

    /** @param soil name of the stony ground; empty where it lies at the energizer */
    record RodOnStone(EarthKind kind, double lengthM, String soil) implements LandMessage {}

    /**
     * What the rods leave of the lead (X4).
     *
     * @param betweenM it takes from rod to rod
     * @param leftM to the box; negative where it does not even reach
     * @param needM from the box to the first rod
     */
    record EarthLead(double leadM, double betweenM, double leftM, double needM) implements LandMessage {}

    /** Whoever has to switch off an energizer inside the fence would reach over a live wire. */
    record NoSwitchOutside() implements LandMessage {}

    /** The energizer stands on the side of those it keeps out. */
    record EnergizerOutside(List<Animal> animals) implements LandMessage {}

    /** Ground rods too near to a building's earth. */
    record RodsNearBuilding(String building, double distanceM, double apartM) implements LandMessage {}

    /** Where a buried service lies. */
    sealed interface Where {
        /** It crosses, wherever. */
        record Crosses() implements Where {}

        /** It crosses there first. */
        record CrossesAt(double stationM) implements Where {}

        /** It lies beside the line. */
        record Beside(double nearestM, Span along) implements Where {}
    }

    /** A buried service that nothing reaches. */
    record ServiceClear(FeatureName feature, OptionalDouble depthM, Where where) implements LandMessage {}

    /** A buried service, and what goes into the ground within reach of it. */
    record ServiceMet(FeatureName feature, OptionalDouble depthM, Where where, double withinM, List<Dug> dug)
            implements LandMessage {}

    /** Something that goes into the ground. */
    record Dug(Thing what, double depthM) {}

    /** What goes into the ground. */
    sealed interface Thing {
        /** A post of the line. */
        record PostAt(int number, double stationM) implements Thing {}

        /** Anchor of a post in a hollow. */
        record TieDownAt(int number, double stationM) implements Thing {}

        /** Stake behind a strong post. */
        record BackStakeAt(double stationM) implements Thing {}

        /** Conduit under an opening. */
        record ConduitUnder(String gate) implements Thing {}

        /** Ground rods of the energizer. */
        record GroundRods(int count) implements Thing {}

        /** The lead-out. */
        record LeadOut() implements Thing {}
    }

    /** @param reachM how far from the energizer the rods may stand; 0 where the place of the rod is known */
    record RodsOverService(FeatureName feature, OptionalDouble depthM, double distanceM, Dug rods, double reachM)
            implements LandMessage {}

    /** A buried service under the lead-out. */
    record LeadOutOverService(FeatureName feature, OptionalDouble depthM, double cableM) implements LandMessage {}

    /** A road or track that the lead-out crosses. */
    record LeadOutCrossesWay(FeatureName feature, String lead) implements LandMessage {}

    /** Water that the lead-out crosses. */
    record LeadOutCrossesWater(FeatureName feature, String lead) implements LandMessage {}

    /** An overhead line that the lead-out passes under. */
    record LeadOutUnderOverhead(FeatureName feature, String lead, double clearanceM) implements LandMessage {}

    /** The lead-out leaves the property. */
    record LeadOutLeavesProperty(FeatureName feature, String lead) implements LandMessage {}

    /**
     * A stretch where something is so.
     *
     * @param line its name, where the job has several; otherwise empty
     */
    record Stretch(String line, Span along) implements LandMessage {}

    /** A stretch under water. */
    record FloodedStretch(String line, Span along, double deepestM) implements LandMessage {}
}
