package buckle.rulebook;

import static buckle.rulebook.Basis.CONVENTION;
import static buckle.rulebook.Basis.PHYSICS;
import static buckle.rulebook.Basis.PRACTICE;
import static buckle.rulebook.Basis.PUBLISHED;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** All rules this version knows, in the order of the job. */
public final class Rulebook {
    /** Raised whenever a value or a rule changes; kept with every stored plan. */
    public static final int REVISION = 4;

    private static final List<Rule> RULES = List.of(
            // Wires by animal, heights above ground.
            practice("W1", "Beef cattle, permanent: 2 wires at 20 and 34 in."),
            practice("W2", "Cattle, temporary inner fence: 1 strand at 28 in."),
            practice("W3", "Cows kept off while calves pass under: 1 strand at 36 to 38 in; we take 37 in."),
            practice(
                    "W4",
                    "Sheep and goats with young: lowest 4 to 5 in, then every 4 in to about 20 in, wider above; goats 7 to 9 wires."),
            practice("W5", "Pigs, permanent: wires at 6, 12, 18, 30 and 42 in."),
            practice("W6", "Pigs, inner temporary: 2 strands on step-in posts; heights of 8 and 16 in are ours."),
            practice(
                    "W7",
                    "Horses with cattle: 5 coated high-visibility wires, hot and earth alternating, lowest hot; the heights are ours."),
            practice(
                    "W8",
                    "Bear: lowest hot at 4 in, lowest five 3 to 4 in apart alternating hot and earth, the rest above all hot, about 7 in all."),
            practice("W9", "Deer, double fence: inner wires at 10 and 24 in; outer tape at 18 in, 30 in outside."),
            practice("W10", "Deer, single tall fence: a strand about every 12 in up to the top of an 8 ft post."),
            practice("W11", "Fox from poultry: 7 wires up to 36 in; the steps between are ours."),
            practice(
                    "W12",
                    "Rabbits, squirrels and the like: lowest as low as it can be without touching, then every 4 to 6 in, 3 to 4 wires."),
            practice("W13", "People and large wildlife, monitored: 7 to 12 wires; of 8 wires 3 earth and 5 live."),
            practice("W14", "Mixed garden: one low, one about 6 in above it, one high for deer, all joined."),
            memory("W15", "Wild boar: 3 wires at about 8, 18 and 30 in; with badger two more at about 4 and 6 in."),
            memory("W16", "Alpacas: 4 to 5 wires, lowest 8 to 10 in, top about 48 in; nose height is 30 to 36 in."),
            memory("W17", "Donkeys and ponies: 2 to 3 visible wires or tapes at about 20, 34 and 48 in."),
            rule(
                    "W18",
                    "Earth wires are advised where the ground is sand, stone or freezes in season; all hot where clay, loam or wet ground carries the return.",
                    PRACTICE),
            rule(
                    "W19",
                    "Species combined: every height that one of them needs, two heights within 2 in taken as one at the lower, a wire hot when one of them needs it hot.",
                    CONVENTION),
            rule(
                    "W20",
                    "Lowest wire hot, for animals that dig or creep; or lowest earth, so that grass on it costs nothing.",
                    PRACTICE),
            // Voltage the fence must hold.
            practice("V1", "Beef cattle need 3.0 to 3.5 kV on the wire; met from 3.0 kV."),
            practice("V2", "Sheep and goats need 4.5 kV."),
            practice("V3", "A deer plot needs 3.0 kV on every wire."),
            practice("V4", "Below 2.0 kV a wire hardly has any effect on cattle."),
            practice("V5", "Pigs want a strong energizer: 7 kV were seen on one of 6.7 J."),
            practice(
                    "V6",
                    "Monitored perimeters reach up to 10 kV on the open line; a reckoned peak above that is damped in practice."),
            practice("V8", "A home poultry fence at 4 kV still does its work."),
            practice("V7", "1.5 to 2.0 kV means: look for a fault."),
            memory(
                    "V9",
                    "By analogy: wild boar, badger, deer outside plots, alpaca, poultry against fox, pigs and small garden animals 4.5 kV; bear 6 kV; donkey, pony and horse 3.0 kV."),
            rule(
                    "V10",
                    "Met from the need up, ample from 1.5 times it, warn from 85 % of it, broken below.",
                    CONVENTION),
            // Posts.
            practice("P1", "Line posts of a high-tensile fence every 20 ft."),
            practice("P10", "Corners and ends 3 ft in the ground."),
            practice("P11", "Line posts about 3 ft in the ground where driven, 18 in where stony."),
            practice("P2", "Steel tee posts with polywire every 20 ft."),
            practice("P3", "Light fibreglass posts every 30 ft."),
            practice("P4", "Angle-steel security posts every 20 ft, closer if posts are to spare."),
            practice(
                    "P5",
                    "Timber corner and one timber between, one or two light posts in each gap: 8 to 10 ft between supports."),
            practice("P6", "More posts where snow and ice load the wires."),
            practice("P7", "Outer row of a double fence 30 in out, its posts opposite the inner ones."),
            practice("P8", "Temporary runs about 400 ft."),
            practice(
                    "P12",
                    "Light fibreglass goes in to the 18 in mark; step-in posts to their foot plate, taken as 8 in."),
            practice(
                    "P14",
                    "In stone: a bar or a 4 in pilot hole first; a post that stops on a stone is recorded and judged again."),
            practice("P13", "Gate posts 8 ft long."),
            rule(
                    "P15",
                    "Posts between two strong posts stand at equal spacing, none wider than the spacing.",
                    CONVENTION),
            rule(
                    "P16",
                    "Sizes and lengths of posts are typical ones; the supplier's list decides. Lengths to cut are rounded up to 10 mm or the inch.",
                    CONVENTION),
            rule(
                    "P17",
                    "A post stands at each crest and hollow where the slope changes by more than 10 %, on both banks of a creek and at each tee.",
                    CONVENTION),
            rule(
                    "P18",
                    "Posts are asked to hold 1.5 times what wires lift or push, by Broms 1964 sideways and skin friction upwards with typical low strengths; a pull test tells more.",
                    PHYSICS),
            practice("P20", "Where the ground freezes, strong posts go below the frost."),
            rule(
                    "P21",
                    "A driven post that stands less than 12 in deep is set again or braced; step-in posts are not meant.",
                    CONVENTION),
            rule(
                    "P19",
                    "A number given to a post stays with it: a post within 0.5 m of the place keeps it, new posts take numbers after the highest.",
                    CONVENTION),
            practice("P9", "Middle posts are set back 2 in where insulators sit on the side of corner posts."),
            // Braces.
            practice("B1", "Rail of an H brace 8 ft."),
            practice(
                    "B2", "Rail of an H brace 2 to 2.5 times the fence height; we take 2.5 (48 in fence: 10 ft rail)."),
            practice(
                    "B3",
                    "One H brace at each end of a pull; a well-made single holds what a double holds (school of B2)."),
            practice("B4", "Brace pin 10 in long at each end of the rail, 1 in left proud."),
            practice(
                    "B5",
                    "Light fence: back-stake 6 to 8 in outside the corner on the bisector; light is a pull under 200 lbf in all, by our convention."),
            practice("B6", "Steel pipe corners, set in concrete; 12 in across by our convention."),
            practice("B7", "Do not over-tighten the diagonal before the wires pull."),
            rule(
                    "B8",
                    "H brace: M = Σ T h; rail compression M / rail height; diagonal tension C / cos θ in two strands; uplift on the end post M / rail length.",
                    PHYSICS),
            rule("B9", "Two equal pulls T meeting under φ push the post with 2 T sin(φ/2).", PHYSICS),
            new Rule(
                    "B10",
                    "Brace where the line turns by more than about 20°, stronger post from 10°; varies by state specification.",
                    PUBLISHED,
                    true),
            memory(
                    "B11",
                    "Diagonal brace: a rail from the top of the end post to the ground, its foot on a pad, twice the fence height away or more."),
            memory("B12", "A straight pull longer than about a quarter mile is parted by an inline double brace."),
            rule("B14", "The rail sits 4 in under the top wire; of two frames in a row each takes half.", CONVENTION),
            rule("B13", "Rails: Euler buckling of a round softwood rail pinned at both ends, 7 GPa, low.", PHYSICS),
            // Straining.
            practice("S2", "One strainer for each wire and pull: 4 wires on 4 sides take 16; a gate ends a pull."),
            practice(
                    "S1",
                    "Steel wire at 125, 250 or 500 lbf by school; woven goods pulled by hand, taken as a tenth of what breaks them."),
            practice(
                    "S3",
                    "One tension spring for each hot wire and pull; notch at 125 lbf for 14.5 gauge, a further one for heavier wire."),
            practice(
                    "S4",
                    "Strainer in the middle of long pulls, at the end of short ones; long is 660 ft and more, by our convention."),
            practice("S5", "Two crimps at each termination."),
            practice("S6", "Let wires out 2 to 3 in in 1000 ft before heavy snow."),
            practice(
                    "S7",
                    "Aluminium conducts about four times as well as steel wire of its size by the trade's word, about six times by its material at direct current, more in a pulse; lighter, and it sags less when pulled by hand."),
            rule("S8", "Sag w L² / 8 T; change with temperature and load by the state equation of the span.", PHYSICS),
            rule("S9", "Letting out relieves E A ΔL / L.", PHYSICS),
            new Rule(
                    "S10",
                    "Wire sizes by US steel wire gauge: 12.5 is 2.51 mm, 14 2.03, 14.5 1.93, 16 1.59, 17 1.37.",
                    PUBLISHED,
                    true),
            rule(
                    "S11",
                    "Slack and tails are added to the wire as a share of its length, then whole coils are taken.",
                    CONVENTION),
            memory(
                    "S12",
                    "Wires work under half of what breaks them; strength of wire from its metal and size, of woven goods typical."),
            rule(
                    "S14",
                    "Coils are used up pull by pull; a rest under 25 m is not joined on, and no joint lies within a brace.",
                    CONVENTION),
            // Insulators.
            practice(
                    "I1",
                    "One insulator for each hot wire and post, two spare for each hot wire and braced run; earth wires are fastened and counted apart."),
            practice("I2", "Strain insulators at each termination of a hot wire; the loops cross inside."),
            practice("I4", "Offset brackets hold a hot wire 11 to 12 in off an old fence."),
            practice(
                    "I5",
                    "Claw-type insulators where wildlife hits the fence, pin-lock where floods should shed the wire."),
            rule(
                    "I9",
                    "Wires on the outside of a turn press on their posts; where they hang on one side all along, those on the inside of a turn pull off and take another insulator.",
                    PRACTICE),
            rule("I8", "A hot wire that passes a brace diagonal can arc: insulate it there or tie it off.", PRACTICE),
            // Earth.
            practice("G1", "Three 6 ft ground rods, 10 ft apart."),
            practice("G2", "One 6 ft rod up to 2 acres, one more for each further 2 acres, at most 3."),
            practice("G3", "One 8 ft rod, in soft wet clay only."),
            memory("G4", "Rod length 3 ft for each joule of output."),
            practice("G5", "Leave 6 in of rod above ground for the clamp."),
            memory("G8", "Keep ground rods 10 m from other earths (IEC 60335-2-76, annex on installation)."),
            // Jumpers, gates, cut-outs.
            practice("J1", "One jumper set at one place for each pull: hot with hot, earth with earth."),
            practice("J2", "A handle gate is dead in the hand when open."),
            practice("J3", "Cable under a gate: double insulated, in conduit, both ends marked, elbows down."),
            practice("J4", "A cut-out falls to off."),
            practice("J5", "A 16 ft leaf hangs between posts about 16.5 ft apart."),
            practice(
                    "J6",
                    "Cable under the gate is the opening, twice the burial depth, risers on both sides and spare loops."),
            practice(
                    "J7",
                    "A normal fence needs no loop: a closed line is fed at one place and stays open at its closing post."),
            practice(
                    "J8",
                    "A creek is crossed by a hanging part with its own switch on dry ground, so that the rest stays live in a flood."),
            rule("J10", "Spring handles hang well across up to about 8 m; wider gaps take one strand.", CONVENTION),
            rule(
                    "J9",
                    "Cut-outs go where they halve the longest section, at a strong post and above the flood.",
                    CONVENTION),
            // Electrics.
            rule(
                    "V11",
                    "Peaks are of the whole pulse, from a circuit of capacitor, coil and lossy lines with skin effect and the way back through the ground (docs/electrics.md).",
                    PHYSICS),
            rule(
                    "V12",
                    "Leakage is assumed until readings tell: 0.05 mS/km with sound insulators and clean wires (aged ones 0.3, cracked ones 1.5), 0.5 in light growth, 3 in heavy, 8 after rain where the lowest hot wire is at 0.1 m, a tenth of the growth from 0.6 m up.",
                    CONVENTION),
            rule(
                    "V13",
                    "Low and high come from moving one assumption at a time and adding the squares: leakage, ground a third to three times; steel's permeability 50 to 200; resistance of wire a tenth either way, of woven goods half to double; plate 5 %; rods half to double; damping from none to strong, 10 MΩ to 2 kΩ and none to 2 nF, likely 6 kΩ with 0.5 nF; a job may narrow steel and damping.",
                    CONVENTION),
            practice("G6", "Where stone stops a rod: an angle iron of 1 m; expect little."),
            practice(
                    "G7", "A stub of 1 ft in rock is a weak earth: several of them, kept wet, or earth wires instead."),
            memory(
                    "G9",
                    "Earth test: short the fence far out until it reads under about 1 to 2 kV; then less than 0.2 to 0.3 kV at the last rod."),
            rule("G10", "One rod: R = ρ/(2πL) (ln(4L/a) − 1) (Dwight 1936).", PHYSICS),
            memory(
                    "G11",
                    "n rods about a length apart: R/n × 1.16, 1.29, 1.36, 1.68 for 2, 3, 4, 8 (IEEE Std 142); any arrangement by mutual resistances."),
            memory(
                    "G12",
                    "Resistivity of moist ground, one typical value each: wet 20, clay 50, loam 100, sand 800, stone 2000 Ω·m; four times when dry, twenty times when frozen."),
            rule(
                    "G13",
                    "A foot on the ground is a disc of 50 mm radius, R = ρ/(4r), four side by side; the body 500 Ω as in IEC 60335-2-76, by fleece and pad 800 for deer, 1,000 for wild boar, badger, bear, fox and small animals, 1,500 for sheep, goats and alpacas, from memory; dry snow 100 kΩ·m.",
                    PHYSICS),
            rule(
                    "G14",
                    "Earth wires tied to the energizer's earth terminal carry their share of the return past the rods; merely grounded along the way they do not.",
                    PHYSICS),
            practice("E1", "A small energizer draws 2 to 2.5 Ah a day at 12 V: 7.2 Ah lasted 3 days, 5 Ah 2 days."),
            practice("E2", "A 100 W panel with 110 Ah needs no charging in a mild maritime climate."),
            memory(
                    "E3",
                    "A 12 V lead-acid battery at rest reads about 12.7 V when full, and 13.4 to 13.6 V while it is charged."),
            memory("E4", "Keep lead-acid above half charge; a full one withstands deep frost, an empty one does not."),
            new Rule(
                    "E5",
                    "Sun above the air by latitude and day (FAO Irrigation and Drainage Paper 56, equations 21 to 25), on the ground by its equation 35, on the panel by Liu and Jordan 1960.",
                    PUBLISHED,
                    true),
            memory(
                    "E6",
                    "Battery: 1 % of capacity lost a degree under 25 °C, three quarters of what the panel makes is stored, a fifth of the light lost to dirt."),
            rule(
                    "E7",
                    "The recommended energizer is the smallest that holds 1.2 times the need at the weakest point in heavy growth, of no more than 5 J if one does.",
                    CONVENTION),
            memory(
                    "E8",
                    "A plate that gives one energy only: the other from its voltage at 100 Ω, and without that 74 % of what is stored come out."),
            // Cautions.
            practice("C1", "Only a certified energizer feeds a fence, never the mains directly."),
            new Rule(
                    "C3",
                    "One fence, one energizer; two separately fed fences at least 2.5 m apart (IEC 60335-2-76).",
                    PUBLISHED,
                    true),
            new Rule(
                    "C4", "Yellow warning signs at gates, at public access and at regular intervals.", PUBLISHED, true),
            new Rule(
                    "C5",
                    "Cross overhead lines at right angles; clearance 3 m up to 1 kV, 4 m to 33 kV, 8 m above; near them keep the fence under 3 m.",
                    PUBLISHED,
                    true),
            practice("C2", "Barbed or razor wire is never electrified."),
            practice("C6", "Locate buried water, power, gas and telephone lines before driving."),
            practice("C7", "Energizer off and isolated before hands go on the wire."),
            practice("C8", "Eye and hand protection when cutting or straining wire."),
            new Rule(
                    "C9",
                    "Lead-outs and cables under gates are rated for the fence voltage, never mains cable.",
                    PUBLISHED,
                    true),
            memory("C10", "Keep the energizer's earth apart from a building's earth: 10 m (G8)."),
            practice("C12", "Keep children, wearers of pacemakers and pets in mind."),
            memory(
                    "C13",
                    "More than 5 J into 500 Ω is beyond what a fence people may touch is fed with (IEC 60335-2-76)."),
            practice("C11", "A meter, never a hand, tells whether the wire is live."),
            rule(
                    "L1",
                    "Lengths are horizontal on a plane tangent at the site; wire is taken along the slope.",
                    PHYSICS),
            rule(
                    "L2",
                    "Near means: public way 10 m, buried service 1 m and 0.3 m under the post's foot, opening 3 m, trees 2 m, building 1 m; a creek's flood is looked for within 60 m.",
                    CONVENTION),
            rule(
                    "L3",
                    "Heights come from the terrain grid, without one from the spot heights, without either from the walk; a gap is bridged straight and said.",
                    CONVENTION),
            practice("Q1", "A rectangle is square when its diagonals are equal; 3, 4 and 5 make a right angle."),
            rule(
                    "Q2",
                    "A taped length is trusted to 10 mm and 0.5 mm in each metre, a paced one to 5 %, an offset to 50 mm; three standard deviations from what the others say is suspicious.",
                    CONVENTION),
            rule(
                    "Q3",
                    "Set-out ties reach at most 200 m, those within a 50 m tape count most; services within 30 m of a post are asked about.",
                    CONVENTION),
            rule(
                    "Q4",
                    "Day one: taped lengths hold and corners move as little as they allow; lengths no corners meet within 20 mm contradict each other.",
                    CONVENTION));

    private static final Map<String, Rule> BY_ID = byId();

    private Rulebook() {}

    public static List<Rule> rules() {
        return RULES;
    }

    public static Optional<Rule> find(String id) {
        return Optional.ofNullable(BY_ID.get(id));
    }

    private static Map<String, Rule> byId() {
        Map<String, Rule> map = new LinkedHashMap<>();
        for (Rule rule : RULES) {
            if (map.put(rule.id(), rule) != null) {
                throw new IllegalStateException("rule " + rule.id() + " stands twice in the catalogue");
            }
        }
        return map;
    }

    private static Rule practice(String id, String says) {
        return new Rule(id, says, PRACTICE, false);
    }

    private static Rule memory(String id, String says) {
        return new Rule(id, says, PRACTICE, true);
    }

    private static Rule rule(String id, String says, Basis basis) {
        return new Rule(id, says, basis, false);
    }
}
