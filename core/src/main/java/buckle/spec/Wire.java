package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.material.Conductor;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * One wire of the schedule.
 *
 * @param conductor what it is made of; empty as its role is
 * @param fastening what holds it on the posts; empty as is usual for its role and each post
 * @param stands whether it hangs there already: it is not bought, but pulls, carries and is kept away from (X9)
 * @param byHand whether it is pulled by hand rather than strained; empty as the line is
 */
@RecordBuilder
public record Wire(
        double heightM,
        WireRole role,
        Optional<Conductor> conductor,
        Optional<Fastening> fastening,
        boolean stands,
        Optional<Boolean> byHand)
        implements WireBuilder.With {
    public Wire {
        between("wire height", heightM, 1e-3, 5);
        if (role == WireRole.HOT) {
            conductor.ifPresent(Conductor::requireElectrifiable);
        }
    }

    /** As usual for its role. */
    public Wire(double heightM, WireRole role) {
        this(heightM, role, Optional.empty(), Optional.empty(), false, Optional.empty());
    }

    /** What holds a wire on a post. */
    public enum Fastening {
        INSULATOR("insulator"),
        STAPLE("staple"),
        CLIP("clip"),
        OWN("the post's own clip, slot or hole");

        private final String text;

        Fastening(String text) {
            this.text = text;
        }

        /** In the words of the trade. */
        public String text() {
            return text;
        }
    }

    /** In another role; barbed wire that becomes hot is made as the hot wires are. */
    Wire as(WireRole other) {
        boolean barbed = conductor.filter(c -> c == Conductor.BARBED).isPresent();
        return (other == WireRole.HOT && barbed ? withConductor(Optional.empty()) : this).withRole(other);
    }

    /** What it is made of, where its role has another conductor for those that say nothing. */
    public Conductor madeOf(FenceSpec.Wires usual) {
        return conductor.orElse(usual.of(role));
    }
}
