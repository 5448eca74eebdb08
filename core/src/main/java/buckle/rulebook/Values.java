package buckle.rulebook;

import buckle.units.Forces;
import buckle.units.Lengths;
import java.util.OptionalDouble;

/** The numbers of the rules, in SI, each named by its rule. The catalogue tells what stands behind them. */
public final class Values {
    /** V6: hardly more is met with in practice. */
    public static final double V6_MOST_V = 10_000;

    /** V5: pigs are kept by strong units; the smallest that practice calls strong, our convention. */
    public static final double V5_LEAST_OUTPUT_J = 5;

    /** V12: leakage of a kilometre with sound insulators and nothing in the wires. */
    public static final double V12_CLEAN_S_PER_KM = 5e-5;

    /** V12: with light growth where the lowest hot wire is near the ground. */
    public static final double V12_LIGHT_S_PER_KM = 5e-4;

    /** V12: with heavy growth. */
    public static final double V12_HEAVY_S_PER_KM = 5e-3;

    /** V12: with heavy growth, wet. */
    public static final double V12_RAIN_S_PER_KM = 12e-3;

    /** V12: aged or dirty insulators, nothing in the wires. */
    public static final double V12_AGED_S_PER_KM = 3e-4;

    /** V12: cracked or makeshift insulators. */
    public static final double V12_POOR_S_PER_KM = 1.5e-3;

    /** V12: growth reaches a wire this low in full. */
    public static final double V12_FULL_M = 0.1;

    /** V12: from here up growth reaches little. */
    public static final double V12_LITTLE_M = 0.6;

    /** V12: how little. */
    public static final double V12_LITTLE_SHARE = 0.1;

    /** G12: resistivity of moist ground where it is always wet. */
    public static final double G12_WET_OHM_M = 20;

    /** G12: of moist clay. */
    public static final double G12_CLAY_OHM_M = 50;

    /** G12: of moist loam, and where no soil is drawn. */
    public static final double G12_LOAM_OHM_M = 100;

    /** G12: of moist sand. */
    public static final double G12_SAND_OHM_M = 800;

    /** G12: of stony ground. */
    public static final double G12_STONE_OHM_M = 2000;

    /** G12: of ground that freezes, while it is not frozen. */
    public static final double G12_FREEZING_OHM_M = 150;

    /** G12: dry ground, times the moist one. */
    public static final double G12_DRY_FACTOR = 4;

    /** G12: frozen ground, times the moist one. */
    public static final double G12_FROZEN_FACTOR = 20;

    /** E1: share of the power drawn that reaches the capacitor. */
    public static final double E1_EFFICIENCY = 0.65;

    /** E1: what the electronics take besides. */
    public static final double E1_ELECTRONICS_W = 0.3;

    /** A 12 V lead-acid battery at rest, full and half full; typical, from memory. */
    public static final double E4_FULL_V = 12.6;

    public static final double E4_HALF_V = 12.1;

    /** E4: a battery is kept above. */
    public static final double E4_KEPT_SHARE = 0.5;

    /** E5: share of what a panel makes that a battery gives back. */
    public static final double E5_STORED_SHARE = 0.75;

    /** E5: a panel makes so many times what is used in the darkest month. */
    public static final double E5_PANEL_SPARE = 1.2;

    /** V13: how far each assumption is moved, down and up. */
    public static final double V13_LEAK_FACTOR = 3;

    /** V13: on the ground's resistivity. */
    public static final double V13_SOIL_FACTOR = 3;

    /** V13: permeability of steel. */
    public static final double V13_STEEL = 100;

    /** V13: steel is taken between half and twice that. */
    public static final double V13_STEEL_LOW = 50;

    /** V13: permeability of steel. */
    public static final double V13_STEEL_HIGH = 200;

    /** V13: on the resistance of solid wire with its joints. */
    public static final double V13_WIRE_FACTOR = 1.1;

    /** V13: on the resistance of woven goods, whose values are typical ones from memory. */
    public static final double V13_WOVEN_FACTOR = 2;

    /**
     * V13: how far what is read moves away from what is computed a kilometre from the energizer, two standard deviations. What people
     * read mostly falls along a long fence; a line that is open at its end is computed to rise toward it. Ours.
     */
    public static final double V13_DRIFT_SHARE = 0.16;

    /** V13: of the plate's voltages. */
    public static final double V13_PLATE_SHARE = 0.05;

    /** E8: share of the stored energy that usually comes out into 500 ohm. */
    public static final double E8_OUT_SHARE = 0.74;

    /** V13: on the resistance of the rods. */
    public static final double V13_EARTH_FACTOR = 2;

    /** G9: what the fence reads while the earth is tested. */
    public static final double G9_FENCE_V = 1500;

    /** G9: up to this at the last rod the earth is good. */
    public static final double G9_GOOD_V = 200;

    /** G9: a fence that reads more is not shorted far enough for the test. */
    public static final double G9_MOST_FENCE_V = 2000;

    /** G9: more at the last rod is too much. */
    public static final double G9_ROD_V = 300;

    /** G6: an angle iron of 1 m; its equivalent radius is a guess. */
    public static final double G6_IRON_M = 1;

    public static final double G6_RADIUS_M = 0.02;

    /** G7: a stub of 1 ft. */
    public static final double G7_STUB_M = Lengths.ft(1);

    /** G13: radius of a foot. */
    public static final double G13_FOOT_M = 0.05;

    /** G13: resistivity of dry snow. */
    public static final double G13_SNOW_OHM_M = 100_000;

    /** G13: body of the standard's load. */
    public static final double G13_BODY_OHM = 500;

    /** E7: the recommended energizer holds so many times the need in heavy growth. */
    public static final double E7_SPARE = 1.2;

    /** E6: share of the light lost to dirt and snow. */
    public static final double E6_DIRT_SHARE = 0.2;

    private Values() {}

    /** P1: high-tensile line posts every 20 ft. */
    public static final double P1_SPACING_M = Lengths.ft(20);

    /** P10: corners and ends 3 ft in the ground. */
    public static final double P10_STRONG_DEPTH_M = Lengths.ft(3);

    /** P11: line posts about 3 ft in the ground where driven. */
    public static final double P11_LINE_DEPTH_M = Lengths.ft(3);

    /** B1: rail of the H brace 8 ft. */
    public static final double B1_RAIL_M = Lengths.ft(8);

    /** B2: rail 2.5 times the fence height. */
    public static final double B2_RAIL_PER_HEIGHT = 2.5;

    /** B4: brace pins per rail, one at each end. */
    public static final int B4_PINS_PER_RAIL = 2;

    /** B10: a corner is braced from this deflection up. */
    public static final double B10_BRACE_DEG = 20;

    /** B10: a corner gets a stronger post from this deflection up. */
    public static final double B10_STRONGER_DEG = 10;

    /** S5: crimps at each termination. */
    public static final int S5_CRIMPS_PER_END = 2;

    /** I1: spare insulators per hot wire and braced run. */
    public static final int I1_SPARES_PER_WIRE_AND_PULL = 2;

    /** G1: three rods. */
    public static final int G1_RODS = 3;

    /** G1 and G2: rod length 6 ft. */
    public static final double G1_ROD_M = Lengths.ft(6);

    /** G1: rods 10 ft apart. */
    public static final double G1_APART_M = Lengths.ft(10);

    /** X4: the first rod stands 10 ft from the energizer, when nothing keeps it away. */
    public static final double X4_FIRST_ROD_M = Lengths.ft(10);

    /** G5: rod left above the ground for its clamp. */
    public static final double G5_ABOVE_M = Lengths.in(6);

    /** P18: depth of the anchor of a tie-down; our convention. */
    public static final double P18_ANCHOR_DEPTH_M = Lengths.ft(3);

    /** X15: a gate that would stand nearer than this to a strong post hangs on it; our convention. */
    public static final double X15_HANGS_M = Lengths.ft(5);

    /** S13: corners of a rounded outline turn by less than this; our convention. */
    public static final double S13_GENTLE_DEG = 15;

    /** S13: friction of wire round corner insulators, least, likely and most; from memory. */
    public static final double S13_FRICTION_LOW = 0.15;

    public static final double S13_FRICTION = 0.2;

    public static final double S13_FRICTION_HIGH = 0.3;

    /** S13: where less than this share of the pull is left, the run is better parted; our convention. */
    public static final double S13_LEAST_LEFT = 0.5;

    /** S5: tail left at each end of a wire, and of woven goods. */
    public static final double S5_TAIL_M = Lengths.ft(2.5);

    public static final double S5_WOVEN_TAIL_M = Lengths.ft(6);

    /** S1: a net hangs on its own posts, hardly pulled; our convention. */
    public static final double S1_NET_N = 10;

    /** H3: pull of a wire by hand. */
    public static final double H3_BY_HAND_N = Forces.lbf(18);

    /** Off its wanted height by more than this, a wire in a post's own clip or hole is worth a warning; ours. */
    public static final double I1_HOLD_OFF_M = Lengths.in(2);

    /** X9: a hot wire nearer than this to barbed wire or an earthed fence is pushed against it. */
    public static final double X9_NEAR_M = Lengths.in(5);

    /** X11: more than this on an unpowered wire is a leak. */
    public static final double X11_LEAK_V = 200;

    /** X11: more than this part of what the hot wires hold is no small leak; ours. */
    public static final double X11_MUCH_SHARE = 0.2;

    /** F1: how many faults of one's own log the trade's order of checks is worth; ours. */
    public static final double F1_ASSUMED_FAULTS = 6;

    /** F1: a voltage that falls below the need within these weeks is warned of; ours. */
    public static final double F1_WARNED_WEEKS = 8;

    /** F1: days from one round to the next while nothing grows; ours. */
    public static final int F1_ROUND_DAYS = 30;

    /** F4: the two weeks in which light growth burns off or wins. */
    public static final int F4_ROUND_DAYS_GROWING = 14;

    /** G2: one rod for each 2 acres, at most 3. Source: the international acre, 4046.8564224 m². */
    public static final double G2_AREA_PER_ROD_M2 = 2 * 4046.8564224;

    public static final int G2_MOST_RODS = 3;

    /** G3: one 8 ft rod. */
    public static final double G3_ROD_M = Lengths.ft(8);

    /** G4: rod length 3 ft per joule of output. */
    public static final double G4_ROD_M_PER_J = Lengths.ft(3);

    /** J5: opening between the posts of a 16 ft gate leaf. */
    public static final double J5_OPENING_M = Lengths.ft(16.5);

    /** C3: two separately fed fences at least 2.5 m apart. */
    public static final double C3_APART_M = 2.5;

    /** C5: near overhead lines a fence stays under 3 m. */
    public static final double C5_HIGHEST_FENCE_M = 3;

    /** C5: a crossing counts as at right angles within this much of 90°; our convention. */
    public static final double C5_RIGHT_ANGLE_SLACK_DEG = 30;

    /** C5: clearance to an overhead line: 3 m up to 1 kV, 4 m to 33 kV, 8 m above or when the voltage is not known. */
    public static double c5ClearanceM(OptionalDouble voltageKv) {
        double kv = voltageKv.orElse(Double.POSITIVE_INFINITY);
        return kv <= 1 ? 3 : kv <= 33 ? 4 : 8;
    }

    /** G8: ground rods 10 m from other earths. */
    public static final double G8_APART_M = 10;

    /** L2: a line this near a public way runs beside it. */
    public static final double L2_NEAR_WAY_M = 10;

    /** L2: a post this near a buried service may meet it. */
    public static final double L2_NEAR_SERVICE_M = 1;

    /** L2: a post ends at least this far above a buried service. */
    public static final double L2_ABOVE_SERVICE_M = 0.3;

    public static final double L2_NEAR_OPENING_M = 3;

    public static final double L2_NEAR_TREES_M = 2;

    public static final double L2_NEAR_BUILDING_M = 1;

    /** L2: how far from a creek its flood is looked for. */
    public static final double L2_FLOOD_REACH_M = 60;

    /** P9: middle posts set back 2 in where insulators sit on the side of corner posts. */
    public static final double P9_SET_BACK_M = Lengths.in(2);

    /** Q2: standard deviation of a taped length, 10 mm and 0.5 mm in each metre. */
    public static double q2TapeSigmaM(double lengthM) {
        return 0.010 + 0.0005 * lengthM;
    }

    /** Q2: standard deviation of a paced length, 5 % and never better than a tape. */
    public static double q2PaceSigmaM(double lengthM) {
        return Math.max(q2TapeSigmaM(lengthM), 0.05 * lengthM);
    }

    /** Q2: standard deviation of an offset. */
    public static final double Q2_OFFSET_SIGMA_M = 0.05;

    /** Q2: a measure so many standard deviations from what the others say is suspicious. */
    public static final double Q2_SUSPICIOUS_SIGMAS = 3;

    /** Q3: a tie is at most this long. */
    public static final double Q3_FURTHEST_TIE_M = 200;

    /** Q3: a tape reaches this far in one pull; longer ties count less. */
    public static final double Q3_TAPE_M = 50;

    /** Q3: services this near to a post are asked about. */
    public static final double Q3_ASK_WITHIN_M = 30;

    /** Q4: taped lengths that no corners meet within this contradict each other. */
    public static final double Q4_CONTRADICTS_M = 0.02;

    /** V10: met from the need up, warn from this share of it, broken below. */
    public static final double V10_WARN_SHARE = 0.85;

    /** V15: a reading counts for its test point within this; 97 of 100 walked corners are within 3 m (docs/walks.md). */
    public static final double V15_SAME_POINT_M = 15;

    /** V10: ample from so many times the need. */
    public static final double V10_AMPLE_SHARE = 1.5;

    /** P3: light posts every 30 ft. */
    public static final double P3_LIGHT_SPACING_M = Lengths.ft(30);

    /** P11: line posts 18 in deep where stony. */
    public static final double P11_STONY_DEPTH_M = Lengths.in(18);

    /** P14: pilot hole in stone 4 in wide. */
    public static final double P14_PILOT_M = Lengths.in(4);

    /** P12: light posts go in to the 18 in mark. */
    public static final double P12_LIGHT_DEPTH_M = Lengths.in(18);

    /** Ground that lies so far off the straight from post to post is uneven for a net; ours, about the mesh of one. */
    public static final double X3_NET_OFF_M = Lengths.in(4);

    /** Wires that end so near a building end on its wall; ours. */
    public static final double X15_WALL_M = 0.6;

    /** I1: nails or screws in an insulator on timber. */
    public static final int I1_NAILS = 2;

    /** B3: staples of a diagonal, one at both ends of both strands. */
    public static final int B3_STAPLES = 4;

    /** B3: what a strand of a diagonal takes round both posts; ours. */
    public static final double B3_WRAP_M = 0.5;

    /** I3: what the tie of a strain insulator takes beside its way round the post, to twist both ends; ours. */
    public static final double I3_TWIST_M = 0.3;

    /** S5: sleeves of a joint in crimped wire, one on each of two ends. */
    public static final int S5_CRIMPS_PER_JOINT = 2;

    /** B6: a bag of concrete. */
    public static final double B6_BAG_KG = 25;

    /** J3: elbows of a conduit, two at the foot and two turned down at the top. */
    public static final int J3_ELBOWS = 4;

    /** J1: more than the way from wire to wire that a piece of jumper wire takes, for its clamps; ours. */
    public static final double J1_SPARE_M = 0.15;

    /** J1: a piece of jumper wire round a post, along a branch or to a switch; ours. */
    public static final double J1_PIECE_M = 0.6;

    /** P12: coated end rods go in about a foot. */
    public static final double P12_END_ROD_M = Lengths.ft(1);

    /** P12: step-in posts go in to their foot plate. */
    public static final double P12_STEP_IN_DEPTH_M = Lengths.in(8);

    /** P17: a post stands where the slope of the ground changes by more than this. */
    public static final double P17_SLOPE_CHANGE = 0.10;

    /** P19: a post keeps its number when it stands this near to where the number was given. */
    public static final double P19_SAME_POST_M = 0.5;

    /** P13: gate posts 8 ft, sold as 2.4 m where people work in metres. */
    public static final double P13_GATE_POST_M = 2.4;

    /** P16: weight of treated softwood. */
    public static final double P16_TIMBER_KG_PER_M3 = 550;

    /** H4: rate of a tension spring, about 3 in from slack to 250 lbf; from memory. */
    public static final double H4_SPRING_N_PER_M = 15_000;

    /** B6: weight of concrete, general knowledge. */
    public static final double B6_CONCRETE_KG_PER_M3 = 2300;

    /** B5: the stake is 3 ft long, driven 2 ft and tied to the post at its head; sizes are our convention. */
    public static final double B5_STAKE_DEPTH_M = Lengths.ft(2);

    public static final double B5_STAKE_TIED_M = Lengths.ft(1);

    public static final double B5_STAKE_WIDTH_M = Lengths.in(1.5);

    /** B5: back-stake 8 in out. */
    public static final double B5_OUT_M = Lengths.in(8);

    /** B5: a fence that pulls less than this in all is light. */
    public static final double B5_LIGHT_N = Forces.lbf(200);

    /** B12: a straight pull longer than a quarter mile gets an inline double brace. */
    public static final double B12_INLINE_FROM_M = Lengths.ft(1320);

    /** B13: stiffness of a softwood rail along its grain, low. */
    public static final double B13_RAIL_PA = 7e9;

    /** S1: hand-pulled goods hang at this share of what breaks them. */
    public static final double S1_BY_HAND_SHARE = 0.1;

    /** S3: spring notch at 125 lbf. */
    public static final double S3_NOTCH_N = Forces.lbf(125);

    /** S4: pulls longer than this are strained in their middle. */
    public static final double S4_MID_RUN_FROM_M = Lengths.ft(660);

    /** S6: let out 2.5 in in 1000 ft before heavy snow. */
    public static final double S6_LET_OUT_SHARE = Lengths.in(2.5) / Lengths.ft(1000);

    /** S12: wires work under this share of what breaks them. */
    public static final double S12_WORKING_SHARE = 0.5;

    /** S14: a rest of a coil shorter than this is not joined on. */
    public static final double S14_LEAST_REST_M = 25;

    /** I4: brackets hold a wire 12 in off an old fence. */
    public static final double I4_OFFSET_M = Lengths.in(12);

    /** W10: posts of a tall deer fence 18 to 24 in deep; so that 8 ft reach. */
    public static final double W10_DEPTH_M = Lengths.in(20);

    /** W9: outer row of a double fence 30 in out. */
    public static final double W9_APART_M = Lengths.in(30);

    /** P7: posts of the outer row stand opposite the inner ones within this. */
    public static final double P7_OPPOSITE_M = 0.6;

    /** C4: signs this far apart beside a public way; our convention, the local code decides. */
    public static final double C4_PUBLIC_EVERY_M = 30;

    /** J8: a creek's hanging part reaches this far beyond its banks. */
    public static final double J8_BANK_M = 1;

    /** B14: rail under the top wire. */
    public static final double B14_UNDER_TOP_M = Lengths.in(4);

    /** B6: concrete round a pipe post, across; our convention. */
    public static final double B6_FOOTING_M = Lengths.in(12);

    /** B11: foot of a diagonal brace this many fence heights away. */
    public static final double B11_FOOT_PER_HEIGHT = 2;

    /** P11: post above the top wire, so that the staple holds. */
    public static final double P11_ABOVE_TOP_WIRE_M = 0.05;

    /** P21: a post less deep than this is asked to be set again. */
    public static final double P21_LEAST_DEPTH_M = Lengths.in(12);

    /** J10: spring handles hang well up to about this opening. */
    public static final double J10_WIDEST_HANDLES_M = 8;
}
