package buckle.material;

/** What a product is for on a fence, under its heading in the takeoff. */
public enum Use {
    END_POST(Group.POSTS, "post.end"),
    CORNER_POST(Group.POSTS, "post.corner"),
    GATE_POST(Group.POSTS, "post.gate"),
    TEE_POST(Group.POSTS, "post.tee"),
    INLINE_POST(Group.POSTS, "post.inline"),
    BRACE_POST(Group.POSTS, "post.brace"),
    LINE_POST(Group.POSTS, "post.line"),
    TIE_DOWN_POST(Group.POSTS, "post.tie-down"),
    LIGHT_POST(Group.POSTS, "post.light"),
    TIE_DOWN(Group.POSTS, "tie-down"),
    POST_CAP(Group.POSTS, "post.cap"),
    RAIL(Group.POSTS, "brace.rail"),
    BRACE_PIN(Group.POSTS, "brace.pin"),
    BRACE_LOOP(Group.POSTS, "brace.loop"),
    DIAGONAL(Group.POSTS, "brace.diagonal"),
    BACK_STAKE(Group.POSTS, "brace.back-stake"),
    FOOTING(Group.POSTS, "brace.concrete"),
    HOT_WIRE(Group.WIRE, "wire.hot"),
    EARTH_WIRE(Group.WIRE, "wire.earth"),
    PLAIN_WIRE(Group.WIRE, "wire.plain"),
    LINE_INSULATOR(Group.WIRE, "insulator.line"),
    CORNER_INSULATOR(Group.WIRE, "insulator.corner"),
    CORNER_INSULATOR_INSIDE(Group.WIRE, "insulator.corner.inside"),
    OFFSET_BRACKET(Group.WIRE, "insulator.offset"),
    STRAIN_INSULATOR(Group.WIRE, "insulator.strain"),
    STAPLE(Group.WIRE, "fastener"),
    CLIP(Group.WIRE, "fastener.clip"),
    STRAINER(Group.WIRE, "strainer"),
    SPRING(Group.WIRE, "spring"),
    CRIMP(Group.WIRE, "crimp"),
    WIRE_JOINT(Group.WIRE, "joiner"),
    END_TIE(Group.WIRE, "tie"),
    JUMPER_SET(Group.WIRE, "jumper"),
    JUMPER_PIECE(Group.WIRE, "jumper.piece"),
    CLAMP(Group.WIRE, "clamp"),
    CUT_OUT(Group.WIRE, "cut-out"),
    SWING_GATE(Group.GATES, "gate.swing"),
    GATE_HANDLE(Group.GATES, "gate.handle"),
    SPRING_GATE(Group.GATES, "gate.spring"),
    RIGID_GATE(Group.GATES, "gate.rigid"),
    STRAND_GATE(Group.GATES, "gate.strand"),
    CREEK_PART(Group.GATES, "gate.creek"),
    GATE_CABLE(Group.GATES, "cable.gate"),
    CONDUIT(Group.GATES, "conduit"),
    ENERGIZER(Group.FEED, "energizer"),
    LEAD_OUT(Group.FEED, "cable.lead-out"),
    GROUND_ROD(Group.FEED, "ground.rod"),
    GROUND_CLAMP(Group.FEED, "ground.clamp"),
    GROUND_LEAD(Group.FEED, "ground.lead"),
    SIGN(Group.SIGNS, "sign");

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

    Use(Group group, String id) {
        this.group = group;
        this.id = id;
    }

    /** Heading it stands under. */
    public Group group() {
        return group;
    }

    /** The same for good: {@code insulator.line}. */
    public String id() {
        return id;
    }

    /** Wires of any role. */
    public boolean isWire() {
        return this == HOT_WIRE || this == EARTH_WIRE || this == PLAIN_WIRE;
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
        return isWire() || this == GATE_CABLE || this == CONDUIT || this == LEAD_OUT || this == GROUND_LEAD;
    }
}
