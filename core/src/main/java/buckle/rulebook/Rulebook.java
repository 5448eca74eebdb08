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
    public static final int REVISION = 5;

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
            practice(
                    "W10",
                    "Deer, single tall fence: 8 ft posts, 18 to 24 in deep (we take 20), strands at about 12, 24, 36, 48, 60 and 72 in, closer near the ground if raccoon-size animals matter."),
            practice("W11", "Fox from poultry: 7 wires up to 36 in; the steps between are ours."),
            practice(
                    "W12",
                    "Rabbits, squirrels and the like: lowest as low as it can be without touching, then every 4 to 6 in, 3 to 4 wires."),
            practice(
                    "W13",
                    "People and large wildlife, not monitored: 7 or 8 wires, 3 earth and 4 or 5 live, all live ones joined."),
            practice(
                    "W21",
                    "People, monitored: 12 wires, odd ones earth, even ones live, all live ones one series path; the heights are ours."),
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
            practice(
                    "V5",
                    "Pigs want a strong energizer: 7 kV were seen on one of 6.7 J; we take 5 J into 500 Ω and more for strong."),
            practice(
                    "V6",
                    "Unmonitored security perimeters stand at about 10 kV with the line open; more is hardly met."),
            practice("V8", "A home poultry fence at 4 kV still does its work."),
            practice("V7", "1.5 to 2.0 kV means: look for a fault."),
            memory(
                    "V9",
                    "By analogy: wild boar, badger, deer outside plots, alpaca, pigs and small garden animals 4.5 kV; poultry against fox 4.0 kV (V8); bear 6 kV; donkey, pony and horse 3.0 kV."),
            rule(
                    "V10",
                    "Met from the need up, ample from 1.5 times it, warn from 85 % of it, broken below.",
                    CONVENTION),
            memory(
                    "V14",
                    "Energy of a pulse in the animal at the weakest point, our convention until readings tell: 0.1 J for thin-coated animals (pigs, foxes, badgers, small animals), 0.25 J for cattle, horses and wild boar, 0.5 J for sheep, goats, alpacas and deer, 0.7 J for bears."),
            // Posts.
            practice("P1", "Line posts of a high-tensile fence every 20 ft."),
            practice("P10", "Corners and ends 3 ft in the ground."),
            practice("P11", "Line posts about 3 ft in the ground where driven, 18 in where stony."),
            practice("P2", "Steel tee posts with polywire every 20 ft."),
            practice("P3", "Light fibreglass posts every 30 ft."),
            practice("P4", "Angle-steel security posts every 20 ft, closer if posts are to spare."),
            practice(
                    "P5",
                    "Timber corner and one timber between, two light posts in each gap of the long sides and one in each of the short, as built on 21 by 15 m: 3.5 and 3.75 m between supports."),
            practice("P6", "More posts where snow and ice load the wires."),
            practice("P7", "Outer row of a double fence 30 in out, its posts opposite the inner ones."),
            practice("P8", "Temporary runs about 400 ft."),
            practice(
                    "P12",
                    "Light fibreglass goes in to the 18 in mark, coated end rods of 7/8 in about 1 ft; step-in posts to their foot plate, taken as 8 in."),
            practice(
                    "P14",
                    "In stone: a bar or a 4 in pilot hole first; a post that stops on a stone is recorded and judged again."),
            practice("P13", "Gate posts are 8 ft long, 2.4 m where people work in metres."),
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
                    "What the ground holds of a post: Brinch Hansen 1961 with the pressures of Broms 1964 and Matlock 1970 sideways, skin friction beside driven posts by NAVFAC DM-7.2 and the post's weight upwards, typical strengths set by H1 to H3. From 1.5 times what is asked: usual practice; from 1: at the limit; under it: will move. A pull test tells more.",
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
                    "Light fence: one back-stake a corner, 3 ft long, 6 to 8 in out on the bisector, serves both wires; light is a pull under 200 lbf in all, and the stake is 1.5 in across, driven 2 ft and tied at its head, by our convention."),
            practice(
                    "B6",
                    "Steel pipe corners are driven; another school sets them in concrete, 12 in across by our convention."),
            practice("B7", "Do not over-tighten the diagonal before the wires pull."),
            rule(
                    "B8",
                    "H brace: M = Σ T h; rail compression M / rail height; diagonal tension C / cos θ in two strands; uplift on the end post M / rail length, and the sum of both at a corner braced both ways.",
                    PHYSICS),
            rule(
                    "B9",
                    "Two equal pulls T meeting under φ push the post with 2 T sin(φ/2); so much a corner without a frame carries.",
                    PHYSICS),
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
            practice(
                    "H1",
                    "Order of what ground holds: stony more than clay, clay more than loam, loam more than sand, sand more than wet ground."),
            practice(
                    "H2",
                    "Holds: four wires at 250 lbf up to 48 in on posts 5.5 in across, driven 3 ft in loam, 10 ft rail, single H; five wires at 500 lbf up to 54 in, driven 3 ft in stony ground after a pilot hole, 8 ft rail."),
            practice(
                    "H3",
                    "Holds: a light corner rod with three wires pulled by hand, together 54 lbf, with one back-stake; without the stake it does not."),
            memory(
                    "H4",
                    "A tension spring closes about 3 in from slack to 250 lbf, 15 kN/m: frost and ice add less where each wire has one."),
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
            practice(
                    "S5",
                    "Two sleeves at each termination, each pressed two or three times; another school presses one and keeps one loose for the jumper. Tails of 2 to 3 ft on polywire and 6 ft on tape where they lead to the energizer."),
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
                    "Wires work under half of what breaks them, on the coldest night too: weak ones are strained less; strength of wire from its metal and size, of woven goods typical."),
            rule(
                    "S14",
                    "Coils are used up pull by pull; a rest under 25 m is not joined on, and no joint lies within a brace.",
                    CONVENTION),
            // Insulators.
            practice(
                    "I1",
                    "One insulator for each hot wire and post, of the kind that fits the post, two spare for each hot wire and braced pull, none without braces; posts with their own clips, slots or holes and nets take none; earth wires are fastened and counted apart."),
            practice("I2", "Strain insulators at each termination of a hot wire; the loops cross inside."),
            practice(
                    "I3",
                    "Insulators with 10 to 15 years against the sun; strain insulators of security fences 20 to 25, and the tie wire must last as long."),
            practice("I4", "Offset brackets hold a hot wire 11 to 12 in off an old fence."),
            practice(
                    "I5",
                    "Claw-type insulators where wildlife hits the fence, pin-lock where floods should shed the wire."),
            practice("I6", "Grey, glazed porcelain rather than white."),
            practice(
                    "I7",
                    "With a driver that slides over the post, fit the lower five of eight insulators before driving and the upper three after."),
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
            practice(
                    "J1",
                    "One jumper set for each stretch of wire that is continuous by itself: one for each pull where each is terminated, one for the whole fence where wires run on round the corners, none on one wire."),
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
            practice(
                    "X1",
                    "The wire runs on round corners on corner insulators and ends only at a gate or where it began; one tightener midway on each strand or one on each side."),
            practice(
                    "X2",
                    "One wire out and back on two heights, or round and round at rising heights, takes no jumper."),
            practice(
                    "X3",
                    "A feeder line carries power and keeps nothing in; a lead with clips joins lines that do not touch; a bridge from the inner corner post feeds the outer row of a double fence."),
            practice(
                    "X4",
                    "Earth as found: a spike, an angle iron, stubs, an old metal fence. The lead to the first rod counts as well as those between rods; we take 10 ft to the first where nothing keeps it away."),
            practice(
                    "X5",
                    "Marks on posts count from the foot: 18 in deep with wires at 10 and 24 in gives 18, 28 and 42."),
            practice("X6", "Connect the fence, then the earth, the battery or plug last."),
            practice(
                    "X7",
                    "Energizer inside the fence where bears, cattle or thieves are; its switch outside, in the lead-out, so that nobody reaches over a live wire."),
            practice(
                    "X8",
                    "Two small batteries in turn: swapped when empty by some (2 to 3 days), at half charge by E4."),
            practice(
                    "X9",
                    "Hot wires keep so far from barbed wire or a foreign earthed fence that a push does not bring them together: under about 5 in is too near; the fence's own earth wires are meant to be near."),
            practice(
                    "X10",
                    "Wire rather than tape where it blows; tubing where a leaf or end may touch; a long spring where limbs fall."),
            practice(
                    "X11",
                    "A reading on an unpowered wire is good when it is nearly nothing: 0.2 kV or more there is a leak between here and there."),
            practice(
                    "X12",
                    "Listening for the tick, an arc test from post to wire, a status light that is seen from half a mile."),
            practice("X13", "Seasonal fences have a day up and a day down."),
            practice("X14", "Which animals broke through, and where, is kept."),
            practice(
                    "X15",
                    "A gate hangs on the corner, end or tee post that stands there anyway; a strand across a 100 ft gap ends on the brace post."),
            practice("X16", "One spring handle is enough on a trained fence; on a low one: power off and step over."),
            practice("X17", "Monitored gate: leaf and fence posts overlap so that nobody squeezes through."),
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
                    "Leakage is assumed until readings tell: 0.05 mS/km with sound insulators and clean wires (aged ones 0.3, cracked ones 1.5), 0.5 in light growth, 5 in heavy, 12 after rain where the lowest hot wire is at 0.1 m, a tenth of the growth from 0.6 m up; heavy so that F2 comes out.",
                    CONVENTION),
            rule(
                    "V13",
                    "Low and high come from moving one assumption at a time and adding the squares: leakage, ground a third to three times; steel's permeability 50 to 200; resistance of wire a tenth either way, of woven goods half to double; plate 5 %; rods half to double; what lies across the terminals over the pairs that give the same plate (E9); a job may narrow steel and damping.",
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
                    "The recommended energizer is the smallest that holds 1.2 times the need at the weakest point in heavy growth and brings V14 into the animal there, of no more than 5 J if one does; pigs ask for a strong one (V5).",
                    CONVENTION),
            memory(
                    "E8",
                    "A plate that gives one energy only: the other from its voltage at 100 Ω, and without that 74 % of what is stored come out."),
            rule(
                    "E9",
                    "The voltage on a plate is the peak at the terminals with nothing connected, ringing included. Charge, capacitor, coil and resistance are found so that the peaks and energies are the plate's, with 5 kΩ and a twentieth of the capacitor across the terminals; where a plate leaves no room for that, with the nearest pair that fits. Pairs with 2.5 to 12 kΩ and 1.5 to 15 % that give the same plate are its range.",
                    CONVENTION),
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
            practice(
                    "C7",
                    "Energizer off and isolated before hands go on the wire; a reel spool hooked to a live wire is live."),
            practice(
                    "C8",
                    "Eye and hand protection when cutting or straining wire; no ratchet handle that can spin back on a tensioner under load."),
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
            practice("M1", "In the series loop a cut alarms, and so does live on earth; live on live does not."),
            practice(
                    "M2",
                    "Loop resistance adds up: a loop of 52 Ω read 43 Ω with the gate open, so the gate was 9 Ω by difference while 6.3 Ω was measured on its leaf alone: contacts are worth checking."),
            rule(
                    "M3",
                    "Gate wires are linked to the next at alternate ends: an even number returns to the entry side, an odd one to the far side.",
                    PHYSICS),
            practice("M4", "Never earth the gate leaf of a monitored fence."),
            practice(
                    "M5",
                    "Monitored: 12 wires, odd ones earth, even ones live, all live ones one series path; the 3 earth and 4 to 5 live of 7 or 8 wires belong to W13."),
            practice("F1", "Order of checks: insulators, earths, leakage into unpowered wires, growth."),
            practice("F2", "Clearing a foot of grass took a two-wire paddock from 3.2 to 5.8 kV."),
            practice("F3", "Walking a paddock once, insulator by insulator: about an hour and a half."),
            practice("F4", "Light growth burns itself off in about two weeks."),
            rule("F5", "Current is high up to the fault and falls after it.", PHYSICS),
            rule("F6", "Halving with cut-outs takes at most ⌈log₂ sections⌉ openings for one fault.", PHYSICS),
            practice(
                    "K1",
                    "A crew of about four with auger, excavator and post driver: 50 posts in 2 days, then 5 wires, 3,500 ft of wire, in 2 days: 25 posts or 1,750 ft a day."),
            practice(
                    "K2",
                    "Ten acres, 132 steel posts, 8 wires, 21,120 ft, practised crews in parallel: 3 days, of which wire about one."),
            practice("K3", "One person can put up a light temporary fence alone."),
            practice("K4", "Driving by hand hammer is heavy work: take turns."),
            practice("K5", "A two-wire paddock looked over insulator by insulator: an hour and a half."),
            practice(
                    "R1",
                    "Cage grid: 3 cages of 3.0 by 4.2 m on 21 by 15 m: 6 columns and 3 rows, 18 places, each cage 6, moved monthly: half a year until the same ground."),
            practice("R2", "Inner runs of 400 ft on a reel; geared reels from about 600 ft up."),
            practice("R3", "A smaller area for a shorter time: split 20 acres in two, then by single strands."),
            practice("R4", "Mow before setting, test after every move."),
            practice("R5", "Keep small stock close to a plug-in point: a reel or a jumper to the nearest hot line."),
            practice("N1", "Posts before the frost: 4 to 6 in of frozen ground stop step-ins."),
            practice("N2", "Colour that shows against snow."),
            practice("N3", "Dry powder snow insulates: earth wires, tied to the energizer's earth."),
            practice("N4", "Let wires out before a big drift load (S6)."),
            practice("N5", "Keep the panel clear of snow."),
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
