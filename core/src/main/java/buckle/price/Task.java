package buckle.price;

import buckle.material.PostStock;
import buckle.material.Product;
import buckle.takeoff.TakeoffLine;
import java.util.Optional;

/**
 * Work on a fence with the hours one practised person takes for it in loam. Common practice as norms: they are to come out between
 * what is told of a crew of four (50 posts in two days, then 3,500 ft of wire in two) and of practised crews (132 posts, eight wires
 * and 21,120 ft in three days), see docs/checks.md; a house puts its own pace on them.
 */
public enum Task {
    SET_OUT("setting out", 0.01, 0, false, true),
    STRONG_POST("strong post", 2.0, 0.3, true, false),
    LINE_POST("line post", 0.7, 0.15, true, false),
    LIGHT_POST("light post, step-in", 0.08, 0, true, false),
    FRAME("rail of a brace, with its wire", 1.0, 0, false, false),
    PROP("diagonal brace or back-stake", 0.5, 0, true, false),
    FOOTING("footing in concrete", 1.0, 0, true, false),
    WIRE("wire strung", 0.012, 0, false, true),
    FASTENING("insulator or fastener of a wire", 0.02, 0, false, false),
    END("wire ended, joined or tightened", 0.2, 0, false, false),
    JUMPER("jumper piece with its clamps", 0.1, 0, false, false),
    GATE("gate leaf hung", 2.5, 0, false, false),
    STRAND("handle or strand of a gate", 0.3, 0, false, false),
    TRENCH("cable or conduit laid", 0.15, 0.02, true, true),
    GROUND_ROD("ground rod driven and clamped", 0.5, 0, true, false),
    ENERGIZER("energizer, supply and lead-out", 3.0, 0, false, false),
    SIGN("sign", 0.05, 0, false, false);

    private final String text;
    private final double hours;
    private final double machineHours;
    private final boolean dug;
    private final boolean byMetre;

    Task(String text, double hours, double machineHours, boolean dug, boolean byMetre) {
        this.byMetre = byMetre;
        this.text = text;
        this.hours = hours;
        this.machineHours = machineHours;
        this.dug = dug;
    }

    /** What is done. */
    public String text() {
        return text;
    }

    /** By the metre; everything else by the piece. */
    public boolean byMetre() {
        return byMetre;
    }

    /** Person-hours for a piece or a metre in loam. */
    public double hours() {
        return hours;
    }

    /** Hours of the post driver, auger or trencher for the same. */
    public double machineHours() {
        return machineHours;
    }

    /** Whether the ground decides how long it takes. */
    public boolean dug() {
        return dug;
    }

    /** Units of work in a line of the takeoff; none for what is only handed over or done with something else. */
    record Done(Task task, double units) {}

    static Optional<Done> of(TakeoffLine line) {
        double n = line.counted();
        return switch (line.use()) {
            case END_POST, CORNER_POST, GATE_POST, TEE_POST, INLINE_POST, BRACE_POST, TIE_DOWN_POST, LINE_POST ->
                Optional.of(new Done(post(line.product(), line.use().strongPost()), n));
            case LIGHT_POST -> Optional.of(new Done(LIGHT_POST, n));
            case RAIL -> Optional.of(new Done(FRAME, n));
            case DIAGONAL, BACK_STAKE, TIE_DOWN -> Optional.of(new Done(PROP, n));
            case FOOTING -> Optional.of(new Done(FOOTING, n));
            case HOT_WIRE, EARTH_WIRE, PLAIN_WIRE, LEAD -> Optional.of(new Done(WIRE, n));
            case LINE_INSULATOR, CORNER_INSULATOR, CORNER_INSULATOR_INSIDE, OFFSET_BRACKET, STAPLE, CLIP ->
                Optional.of(new Done(FASTENING, n));
            case STRAIN_INSULATOR, END_TIE, STRAINER, SPRING, WIRE_JOINT, WALL_ANCHOR -> Optional.of(new Done(END, n));
            case JUMPER_PIECE, CUT_OUT -> Optional.of(new Done(JUMPER, n));
            case SWING_GATE, SLIDING_GATE, RIGID_GATE, CREEK_PART -> Optional.of(new Done(GATE, n));
            case GATE_HANDLE, SPRING_GATE, STRAND_GATE -> Optional.of(new Done(STRAND, n));
            case CONDUIT -> Optional.of(new Done(TRENCH, n));
            case GROUND_ROD -> Optional.of(new Done(GROUND_ROD, n));
            case ENERGIZER -> Optional.of(new Done(ENERGIZER, n));
            case SIGN -> Optional.of(new Done(SIGN, n));
            default -> Optional.empty();
        };
    }

    /** Posts pushed in by foot or tapped in take no machine. */
    private static Task post(Product product, boolean strong) {
        PostStock.Family family =
                product instanceof Product.PostOf p ? p.stock().family() : PostStock.Family.TIMBER;
        return switch (family) {
            case STEP_IN, FIBREGLASS -> LIGHT_POST;
            default -> strong ? STRONG_POST : LINE_POST;
        };
    }
}
