package buckle.takeoff;

import buckle.material.Product;
import buckle.material.Use;
import buckle.message.JointKind;
import buckle.message.TakeoffMessage.Noun;

/**
 * One thing of the layout that has to be loaded, on one line: what for, what, where and how much.
 *
 * @param quantity in metres or pieces, as {@link Use#byMetre} says
 * @param terms how the quantity came about
 */
public record Part(Use use, Product product, Place place, double quantity, Terms terms) {
    /** The arithmetic behind a quantity. */
    public sealed interface Terms {
        /** What is counted at a place, before wires and ends multiply it. */
        record Count(Noun wires, Noun things, long wireCount, long thingCount, long each) implements Terms {}

        /**
         * Wires over a length, and the coils that are opened for them.
         *
         * @param slackShare of the quantity that is slack
         */
        record Metres(long wires, double slopeM, int coils, double slackShare) implements Terms {
            Metres(long wires, double slopeM, int coils) {
                this(wires, slopeM, coils, 0);
            }
        }

        /** Left over where wires end. */
        record Tails(long ends, double eachM) implements Terms {}

        /** Posts, by the longest and the deepest of them. */
        record Cut(double lengthM, double depthM) implements Terms {}

        /** Pieces at joints of a kind. */
        record AtJoint(JointKind kind, long joints) implements Terms {}

        /** So many for each of so many things. */
        record Each(Noun thing, long things, long each) implements Terms {}

        /** The quantity says it. */
        record Plain() implements Terms {}
    }
}
