package buckle.material;

import buckle.rulebook.Rule;
import java.util.List;

/** What a product is for on a fence, under its heading in the takeoff. */
public enum Use {
    END_POST(Group.POSTS, "post.end", Rule.P10, Rule.P16),
    CORNER_POST(Group.POSTS, "post.corner", Rule.B10, Rule.P10, Rule.P16),
    GATE_POST(Group.POSTS, "post.gate", Rule.J5, Rule.P10, Rule.P13),
    TEE_POST(Group.POSTS, "post.tee", Rule.P10, Rule.P16),
    INLINE_POST(Group.POSTS, "post.inline", Rule.B12, Rule.P10),
    BRACE_POST(Group.POSTS, "post.brace", Rule.B3, Rule.P10),
    LINE_POST(Group.POSTS, "post.line", Rule.P1, Rule.P11, Rule.P15, Rule.P17),
    TIE_DOWN_POST(Group.POSTS, "post.tie-down", Rule.P17, Rule.P18),
    LIGHT_POST(Group.POSTS, "post.light", Rule.P3, Rule.P12),
    TIE_DOWN(Group.POSTS, "tie-down", Rule.P18),
    POST_CAP(Group.POSTS, "post.cap", Rule.P16),
    RAIL(Group.POSTS, "brace.rail", Rule.B3),
    BRACE_PIN(Group.POSTS, "brace.pin", Rule.B4),
    BRACE_LOOP(Group.POSTS, "brace.loop", Rule.B3, Rule.B7),
    DIAGONAL(Group.POSTS, "brace.diagonal", Rule.B11),
    BRACE_WIRE(Group.POSTS, "brace.wire", Rule.B3, Rule.B7),
    BRACE_STAPLE(Group.POSTS, "brace.staple", Rule.B3),
    TWITCH(Group.POSTS, "brace.twitch", Rule.B7),
    BACK_STAKE(Group.POSTS, "brace.back-stake", Rule.B5),
    FOOTING(Group.POSTS, "brace.concrete", Rule.B6),
    CONCRETE(Group.POSTS, "concrete", Rule.B6),
    HOT_WIRE(Group.WIRE, "wire.hot", Rule.L1, Rule.S11, Rule.S14),
    EARTH_WIRE(Group.WIRE, "wire.earth", Rule.L1, Rule.S11, Rule.S14),
    PLAIN_WIRE(Group.WIRE, "wire.plain", Rule.L1, Rule.S11, Rule.S14),
    LINE_INSULATOR(Group.WIRE, "insulator.line", Rule.I1, Rule.I5, Rule.I8),
    CORNER_INSULATOR(Group.WIRE, "insulator.corner", Rule.I1, Rule.B9),
    CORNER_INSULATOR_INSIDE(Group.WIRE, "insulator.corner.inside", Rule.I1, Rule.I9),
    OFFSET_BRACKET(Group.WIRE, "insulator.offset", Rule.I4),
    INSULATOR_NAIL(Group.WIRE, "fastener.insulator", Rule.I1),
    STRAIN_INSULATOR(Group.WIRE, "insulator.strain", Rule.I2),
    TIE_WIRE(Group.WIRE, "insulator.tie", Rule.I2, Rule.I3),
    WALL_ANCHOR(Group.WIRE, "wall-anchor", Rule.X15),
    STAPLE(Group.WIRE, "fastener", Rule.I1),
    CLIP(Group.WIRE, "fastener.clip", Rule.I1),
    STRAINER(Group.WIRE, "strainer", Rule.S2, Rule.S4),
    SPRING(Group.WIRE, "spring", Rule.S3),
    CRIMP(Group.WIRE, "crimp", Rule.S5),
    LOOSE_SLEEVE(Group.WIRE, "crimp.loose", Rule.S5, Rule.J1),
    WIRE_JOINT(Group.WIRE, "joiner", Rule.S14),
    JOINT_SLEEVE(Group.WIRE, "crimp.joint", Rule.S5, Rule.S14),
    END_TIE(Group.WIRE, "tie", Rule.S5),
    JUMPER_SET(Group.WIRE, "jumper", Rule.J1),
    JUMPER_PIECE(Group.WIRE, "jumper.piece", Rule.J1),
    JUMPER_WIRE(Group.WIRE, "jumper.wire", Rule.J1),
    CLAMP(Group.WIRE, "clamp", Rule.J1, Rule.J3),
    CUT_OUT(Group.WIRE, "cut-out", Rule.J4, Rule.J8),
    SWING_GATE(Group.GATES, "gate.swing", Rule.J5, Rule.J3),
    SLIDING_GATE(Group.GATES, "gate.sliding", Rule.J5, Rule.J3),
    GATE_NETTING(Group.GATES, "gate.netting", Rule.J5),
    GATE_HANDLE(Group.GATES, "gate.handle", Rule.J5, Rule.J2),
    SPRING_GATE(Group.GATES, "gate.spring", Rule.J5, Rule.J3),
    RIGID_GATE(Group.GATES, "gate.rigid", Rule.J5, Rule.J3),
    STRAND_GATE(Group.GATES, "gate.strand", Rule.J5, Rule.J2),
    GATE_ANCHOR(Group.GATES, "gate.anchor", Rule.J5, Rule.X15),
    CREEK_PART(Group.GATES, "gate.creek", Rule.J5, Rule.J3),
    GATE_WIRE(Group.GATES, "gate.wire", Rule.J5),
    GATE_CABLE(Group.GATES, "cable.gate", Rule.J3, Rule.J6, Rule.C9),
    CONDUIT(Group.GATES, "conduit", Rule.J3),
    RISER(Group.GATES, "conduit.riser", Rule.J3),
    ELBOW(Group.GATES, "conduit.elbow", Rule.J3),
    CABLE_MARK(Group.GATES, "cable.mark", Rule.J3),
    ENERGIZER(Group.FEED, "energizer", Rule.C1, Rule.C3),
    LEAD_OUT(Group.FEED, "cable.lead-out", Rule.C9),
    BATTERY(Group.FEED, "battery", Rule.E4, Rule.X8),
    PANEL(Group.FEED, "panel", Rule.E5, Rule.E6),
    CHARGE_CONTROLLER(Group.FEED, "charge-controller", Rule.E5),
    BATTERY_BOX(Group.FEED, "battery-box", Rule.E6),
    SUPPLY_CABLE(Group.FEED, "cable.supply", Rule.E6),
    LEAD(Group.FEED, "lead", Rule.X3),
    GROUND_ROD(Group.FEED, "ground.rod", Rule.G5, Rule.G8),
    GROUND_CLAMP(Group.FEED, "ground.clamp", Rule.G5),
    GROUND_LEAD(Group.FEED, "ground.lead", Rule.G1, Rule.X4),
    SIGN(Group.SIGNS, "sign", Rule.C4);

    /** Headings of the takeoff. */
    public enum Group {
        POSTS("Posts and braces"),
        WIRE("Wire and fittings"),
        GATES("Gates"),
        FEED("Energizer and ground"),
        SIGNS("Signs");

        private final String text;

        Group(String text) {
            this.text = text;
        }

        /** As it is written over the lines. */
        public String text() {
            return text;
        }
    }

    private final Group group;
    private final String id;
    private final List<Rule> rules;

    Use(Group group, String id, Rule... rules) {
        this.group = group;
        this.id = id;
        this.rules = List.of(rules);
    }

    /** Heading it stands under. */
    public Group group() {
        return group;
    }

    /** The same for good: {@code insulator.line}. */
    public String id() {
        return id;
    }

    /** Rules that it is counted by, whatever the school. */
    public List<Rule> rules() {
        return rules;
    }

    /** Wires of any role. */
    public boolean isWire() {
        return this == HOT_WIRE || this == EARTH_WIRE || this == PLAIN_WIRE;
    }

    /** Made on the spot from other lines of the takeoff, so counted and not bought. */
    public boolean made() {
        return this == BRACE_LOOP
                || this == FOOTING
                || this == WIRE_JOINT
                || this == END_TIE
                || this == JUMPER_SET
                || this == JUMPER_PIECE;
    }

    /** Posts that carry more than passing wires. */
    public boolean strongPost() {
        return this == END_POST
                || this == CORNER_POST
                || this == GATE_POST
                || this == TEE_POST
                || this == INLINE_POST
                || this == BRACE_POST;
    }

    /** Whatever holds a hot wire off a post. */
    public boolean isInsulator() {
        return this == LINE_INSULATOR
                || this == CORNER_INSULATOR
                || this == CORNER_INSULATOR_INSIDE
                || this == OFFSET_BRACKET
                || this == STRAIN_INSULATOR;
    }

    /** By the metre; everything else by the piece. */
    public boolean byMetre() {
        return isWire()
                || this == GATE_CABLE
                || this == CONDUIT
                || this == GATE_NETTING
                || this == GATE_WIRE
                || this == RISER
                || this == BRACE_WIRE
                || this == TIE_WIRE
                || this == JUMPER_WIRE
                || this == LEAD_OUT
                || this == SUPPLY_CABLE
                || this == LEAD
                || this == GROUND_LEAD;
    }
}
