package buckle.material;

import java.util.Locale;

/** Small goods of one kind, bought by the piece or by the length. */
public enum Fitting {
    TIE_DOWN_ANCHOR,
    POST_CAP,
    BRACE_PIN,
    BRACE_LOOP,
    DIAGONAL_RAIL,
    BACK_STAKE,
    PIPE_FOOTING,
    CORNER_INSULATOR,
    CORNER_INSULATOR_INSIDE,
    OFFSET_BRACKET,
    STRAIN_INSULATOR,
    STAPLE,
    CLIP,
    STRAINER,
    SPRING,
    CRIMP,
    WIRE_JOINT,
    END_TIE,
    JUMPER_SET,
    JUMPER_PIECE,
    CLAMP,
    CUT_OUT,
    SWING_GATE,
    GATE_HANDLE,
    SPRING_GATE_SET,
    RIGID_GATE,
    STRAND_HANDLE,
    CREEK_PART,
    GATE_CABLE,
    CONDUIT,
    ENERGIZER,
    /** Hot only, or hot and earth. */
    LEAD_OUT_CABLE,
    GROUND_CLAMP,
    GROUND_LEAD,
    SIGN;

    String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
