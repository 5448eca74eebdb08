package buckle.material;

import java.util.Locale;

/** Small goods of one kind, bought by the piece or by the length. */
public enum Fitting {
    TIE_DOWN_ANCHOR("Tie-down anchor"),
    POST_CAP("Post cap"),
    BRACE_PIN("Brace pin, 10 in (250 mm)"),
    BRACE_LOOP("Brace diagonal loop"),
    DIAGONAL_RAIL("Diagonal rail with foot pad"),
    BACK_STAKE("Back-stake with tie, 3 ft (0.9 m)"),
    PIPE_FOOTING("Concrete footing for a pipe post"),
    CORNER_INSULATOR("Corner insulator, wire on the outside of the turn"),
    CORNER_INSULATOR_INSIDE("Corner insulator, wire on the inside of the turn, pulling off the post"),
    OFFSET_BRACKET("Offset bracket"),
    STRAIN_INSULATOR("Strain insulator"),
    TIE_WIRE("Soft tie wire for strain insulators"),
    WALL_ANCHOR("Wall anchor, for one wire"),
    STAPLE("Staple for earth and plain wire"),
    CLIP("Clip for earth and plain wire"),
    INSULATOR_NAIL("Nail or screw for an insulator"),
    BRACE_STAPLE("Staple for a brace diagonal"),
    BRACE_WIRE("Soft wire for brace diagonals"),
    TWITCH("Twitch stick or tensioner for a brace diagonal"),
    CONCRETE_BAG("Concrete, bag of 55 lb (25 kg)"),
    JUMPER_WIRE("Insulated jumper wire"),
    CABLE_MARK("Cable end marker"),
    ELBOW("Elbow for conduit"),
    STRAINER("Strainer"),
    SPRING("Tension spring"),
    CRIMP("Crimp"),
    WIRE_JOINT("Joint in the wire"),
    END_TIE("End tie for woven wire"),
    /** Nothing to buy, but to be made. */
    WIRE_END("Wire end, knotted or twisted"),
    JUMPER_SET("Jumper set"),
    JUMPER_PIECE("Piece of jumper wire"),
    CLAMP("Joint clamp"),
    CUT_OUT("Cut-out switch"),
    SWING_GATE("Swing gate with hinges and latch"),
    SLIDING_GATE("Sliding gate with rail, rollers and latch"),
    GATE_NETTING("Netting on a gate leaf"),
    GATE_HANDLE("Gate handle with spring and anchor"),
    SPRING_GATE_SET("Spring gate set, one spring"),
    RIGID_GATE("Rigid gate with hinges and latch"),
    STRAND_HANDLE("Spring handle for one strand"),
    GATE_ANCHOR("Gate anchor, insulated"),
    CREEK_PART("Hanging part for a creek"),
    GATE_CABLE("Cable under gates and over creeks"),
    CONDUIT("Conduit under gates"),
    ENERGIZER("Energizer, certified"),
    /** Hot only, or hot and earth. */
    LEAD_OUT_CABLE("Lead-out cable"),
    CHARGE_CONTROLLER("Charge controller, 12 V"),
    BATTERY_BOX("Ventilated box for battery and energizer"),
    SUPPLY_CABLE("Two-core copper cable between panel, battery and energizer"),
    LEAD("Insulated lead with clips, from line to line"),
    GROUND_CLAMP("Ground rod clamp"),
    GROUND_LEAD("Ground lead to and between rods"),
    SIGN("Warning sign");

    private final String text;

    Fitting(String text) {
        this.text = text;
    }

    /** As it is asked for at a counter. */
    public String text() {
        return text;
    }

    String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
