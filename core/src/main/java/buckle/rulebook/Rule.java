package buckle.rulebook;

import static buckle.rulebook.Basis.CONVENTION;
import static buckle.rulebook.Basis.PHYSICS;
import static buckle.rulebook.Basis.PRACTICE;
import static buckle.rulebook.Basis.PUBLISHED;

import java.util.Optional;

/** All rules this version knows, in the order of the job. What a rule counts with stands in {@link Values}. */
public enum Rule {
    // Wires by animal, heights above ground.
    W1(PRACTICE, "Beef cattle, permanent: 2 wires at 20 and 34 in."),
    W2(PRACTICE, "Cattle, temporary inner fence: 1 strand at 28 in."),
    W3(PRACTICE, "Cows kept off while calves pass under: 1 strand at 36 to 38 in; we take 37 in."),
    W4(
            PRACTICE,
            "Sheep and goats with young: lowest 4 to 5 in, then every 4 in to about 20 in, wider above; goats 7 to 9 wires."),
    W5(PRACTICE, "Pigs, permanent: wires at 6, 12, 18, 30 and 42 in."),
    W6(PRACTICE, "Pigs, inner temporary: 2 strands on step-in posts; heights of 8 and 16 in are ours."),
    W7(
            PRACTICE,
            "Horses with cattle: 5 coated high-visibility wires, hot and earth alternating, lowest hot; the heights are ours."),
    W8(
            PRACTICE,
            "Bear: lowest hot at 4 in, lowest five 3 to 4 in apart alternating hot and earth, the rest above all hot, about 7 in all."),
    W9(PRACTICE, "Deer, double fence: inner wires at 10 and 24 in; outer tape at 18 in, 30 in outside."),
    W10(
            PRACTICE,
            "Deer, single tall fence: 8 ft posts, 18 to 24 in deep (we take 20), strands at about 12, 24, 36, 48, 60 and 72 in, closer near the ground if raccoon-size animals matter."),
    W11(PRACTICE, "Fox from poultry: 7 wires up to 36 in; the steps between are ours."),
    W12(
            PRACTICE,
            "Rabbits, squirrels and the like: lowest as low as it can be without touching, then every 4 to 6 in, 3 to 4 wires."),
    W13(
            PRACTICE,
            "People and large wildlife, not monitored: 7 or 8 wires, 3 earth and 4 or 5 live, all live ones joined."),
    W21(
            PRACTICE,
            "People, monitored: 12 wires, odd ones earth, even ones live, all live ones one series path; the heights are ours."),
    W14(PRACTICE, "Mixed garden: one low, one about 6 in above it, one high for deer, all joined."),
    W15(PRACTICE, true, "Wild boar: 3 wires at about 8, 18 and 30 in; with badger two more at about 4 and 6 in."),
    W16(PRACTICE, true, "Alpacas: 4 to 5 wires, lowest 8 to 10 in, top about 48 in; nose height is 30 to 36 in."),
    W17(PRACTICE, true, "Donkeys and ponies: 2 to 3 visible wires or tapes at about 20, 34 and 48 in."),
    W18(
            PRACTICE,
            "Earth wires are advised where the ground is sand, stone or freezes in season; all hot where clay, loam or wet ground carries the return."),
    W19(
            CONVENTION,
            "Species combined: every height that one of them needs, two heights within 2 in taken as one at the lower, a wire hot when one of them needs it hot."),
    W20(
            PRACTICE,
            "Lowest wire hot, for animals that dig or creep; or lowest earth, so that grass on it costs nothing."),
    // Voltage the fence must hold.
    V1(PRACTICE, "Beef cattle need 3.0 to 3.5 kV on the wire; met from 3.0 kV."),
    V2(PRACTICE, "Sheep and goats need 4.5 kV."),
    V3(PRACTICE, "A deer plot needs 3.0 kV on every wire."),
    V4(PRACTICE, "Below 2.0 kV a wire hardly has any effect on cattle."),
    V5(
            PRACTICE,
            "Pigs want a strong energizer: 7 kV were seen on one of 6.7 J; we take 5 J into 500 Ω and more for strong."),
    V6(PRACTICE, "Unmonitored security perimeters stand at about 10 kV with the line open; more is rarely seen."),
    V8(PRACTICE, "A home poultry fence at 4 kV still does its work."),
    V7(PRACTICE, "1.5 to 2.0 kV means: look for a fault."),
    V9(
            PRACTICE,
            true,
            "By analogy: wild boar, badger, deer outside plots, alpaca, pigs and small garden animals 4.5 kV; poultry against fox 4.0 kV (V8); bear 6 kV; donkey, pony and horse 3.0 kV."),
    V10(CONVENTION, "Met from the need up, ample from 1.5 times it, warn from 85 % of it, broken below."),
    V14(
            PRACTICE,
            true,
            "Energy of a pulse in the animal at the weakest point, our convention until readings tell: 0.1 J for thin-coated animals (pigs, foxes, badgers, small animals), 0.25 J for cattle, horses and wild boar, 0.5 J for sheep, goats, alpacas and deer, 0.7 J for bears."),
    V15(
            CONVENTION,
            "A reading counts for its test point while that is within 15 m of where it was read; after that the place is read again."),
    // Posts.
    P1(PRACTICE, "Line posts of a high-tensile fence every 20 ft."),
    P10(PRACTICE, "Corners and ends 3 ft in the ground."),
    P11(PRACTICE, "Line posts about 3 ft in the ground where driven, 18 in where stony."),
    P2(PRACTICE, "Steel tee posts with polywire every 20 ft."),
    P3(PRACTICE, "Light fibreglass posts every 30 ft."),
    P4(PRACTICE, "Angle-steel security posts every 20 ft, closer if posts are to spare."),
    P5(
            PRACTICE,
            "Timber corner and one timber between, two light posts in each gap of the long sides and one in each of the short, as built on 21 by 15 m: 3.5 and 3.75 m between supports."),
    P6(PRACTICE, "More posts where snow and ice load the wires."),
    P7(PRACTICE, "Outer row of a double fence 30 in out, its posts opposite the inner ones."),
    P8(PRACTICE, "Temporary runs about 400 ft."),
    P12(
            PRACTICE,
            "Light fibreglass goes in to the 18 in mark, coated end rods of 7/8 in about 1 ft; step-in posts to their foot plate, taken as 8 in."),
    P14(
            PRACTICE,
            "In stone: a bar or a 4 in pilot hole first; a post that stops on a stone is recorded and judged again."),
    P13(PRACTICE, "Gate posts are 8 ft long, 2.4 m where people work in metres."),
    P15(CONVENTION, "Posts between two strong posts stand at equal spacing, none wider than the spacing."),
    P16(
            CONVENTION,
            "Sizes and lengths of posts are typical ones; the supplier's list decides. Lengths to cut are rounded up to 10 mm or the inch."),
    P17(
            CONVENTION,
            "A post stands at each crest and hollow where the slope changes by more than 10 %, on both banks of a creek and at each tee."),
    P18(
            PHYSICS,
            "What the ground holds of a post: Brinch Hansen 1961 with the pressures of Broms 1964 and Matlock 1970 sideways, skin friction beside driven posts by NAVFAC DM-7.2 and the post's weight upwards, typical strengths set by H1 to H3. From 1.5 times what is asked: usual practice; from 1: at the limit; under it: will move. A pull test tells more."),
    P20(PRACTICE, "Where the ground freezes, strong posts go below the frost."),
    P21(
            CONVENTION,
            "A driven post that stands less than 12 in deep is set again or braced; step-in posts are not meant."),
    P19(
            CONVENTION,
            "A number given to a post stays with it: a post within 0.5 m of the place keeps it, new posts take numbers after the highest."),
    P9(PRACTICE, "Middle posts are set back 2 in where insulators sit on the side of corner posts."),
    // Braces.
    B1(PRACTICE, "Rail of an H brace 8 ft."),
    B2(PRACTICE, "Rail of an H brace 2 to 2.5 times the fence height; we take 2.5 (48 in fence: 10 ft rail)."),
    B3(
            PRACTICE,
            "One H brace at each end of a pull; a well-made single holds what a double holds (school of B2). The diagonal is two strands, stapled at both ends and twisted."),
    B4(PRACTICE, "Brace pin 10 in long at each end of the rail, 1 in left proud."),
    B5(
            PRACTICE,
            "Light fence: one back-stake a corner, 3 ft long, 6 to 8 in out on the bisector, serves both wires; light is a pull under 200 lbf in all, and the stake is 1.5 in across, driven 2 ft and tied at its head, by our convention."),
    B6(
            PRACTICE,
            "Steel pipe corners are driven; another school sets them in concrete, 12 in across by our convention, counted by the bag of 25 kg (55 lb)."),
    B7(PRACTICE, "Do not over-tighten the diagonal before the wires pull."),
    B8(
            PHYSICS,
            "H brace: M = Σ T h; rail compression M / rail height; diagonal tension C / cos θ in two strands; uplift on the end post M / rail length, and the sum of both at a corner braced both ways."),
    B9(
            PHYSICS,
            "Two equal pulls T meeting under φ push the post with 2 T sin(φ/2); so much a corner without a frame carries."),
    B10(
            PUBLISHED,
            true,
            "Brace where the line turns by more than about 20°, stronger post from 10°; varies by state specification."),
    B11(
            PRACTICE,
            true,
            "Diagonal brace: a rail from the top of the end post to the ground, its foot on a pad, twice the fence height away or more."),
    B12(PRACTICE, true, "A straight pull longer than about a quarter mile is parted by an inline double brace."),
    B14(CONVENTION, "The rail sits 4 in under the top wire; of two frames in a row each takes half."),
    B13(PHYSICS, "Rails: Euler buckling of a round softwood rail pinned at both ends, 7 GPa, low."),
    H1(
            PRACTICE,
            "Order of what ground holds: stony more than clay, clay more than loam, loam more than sand, sand more than wet ground."),
    H2(
            PRACTICE,
            "Holds: four wires at 250 lbf up to 48 in on posts 5.5 in across, driven 3 ft in loam, 10 ft rail, single H; five wires at 500 lbf up to 54 in, driven 3 ft in stony ground after a pilot hole, 8 ft rail."),
    H3(
            PRACTICE,
            "Holds: a light corner rod with three wires pulled by hand, together 54 lbf, with one back-stake; without the stake it does not."),
    H4(
            PRACTICE,
            true,
            "A tension spring closes about 3 in from slack to 250 lbf, 15 kN/m: frost and ice add less where each wire has one."),
    // Straining.
    S2(PRACTICE, "One strainer for each wire and pull: 4 wires on 4 sides take 16; a gate ends a pull."),
    S1(
            PRACTICE,
            "Steel wire at 125, 250 or 500 lbf by school; woven goods pulled by hand, taken as a tenth of what breaks them."),
    S3(
            PRACTICE,
            "One tension spring for each hot wire and pull; notch at 125 lbf for 14.5 gauge, a further one for heavier wire."),
    S4(
            PRACTICE,
            "Strainer in the middle of long pulls, at the end of short ones; long is 660 ft and more, by our convention."),
    S5(
            PRACTICE,
            "Two sleeves at each termination, each pressed two or three times; another school presses one and keeps one loose for the jumper. Tails of 2 to 3 ft on polywire and 6 ft on tape where they lead to the energizer."),
    S6(PRACTICE, "Let wires out 2 to 3 in in 1000 ft before heavy snow."),
    S7(
            PRACTICE,
            "Aluminium conducts about four times as well as steel wire of its size by the trade's word, about six times by its material at direct current, more in a pulse; lighter, and it sags less when pulled by hand."),
    S8(PHYSICS, "Sag w L² / 8 T; change with temperature and load by the state equation of the span."),
    S9(PHYSICS, "Letting out relieves E A ΔL / L."),
    S10(PUBLISHED, true, "Wire sizes by US steel wire gauge: 12.5 is 2.51 mm, 14 2.03, 14.5 1.93, 16 1.59, 17 1.37."),
    S11(CONVENTION, "Slack and tails are added to the wire as a share of its length, then whole coils are taken."),
    S12(
            PRACTICE,
            true,
            "Wires work under half of what breaks them, on the coldest night too: weak ones are strained less; strength of wire from its metal and size, of woven goods typical."),
    S13(
            PHYSICS,
            true,
            "Wire drawn round corners keeps e^(−μφ) of its pull, μ 0.15 to 0.3 on corner insulators; where at 0.2 less than half is left at the far end, the run is better parted. Corners of less than 15° on short sides only draw a curve, by our convention."),
    S14(
            CONVENTION,
            "Coils are used up pull by pull; an offcut under 25 m is not joined on, and no joint lies within a brace."),
    // Insulators.
    I1(
            PRACTICE,
            "One insulator for each hot wire and post, of the kind that fits the post, two spare for each hot wire and braced pull, none without braces; posts with their own clips, slots or holes and nets take none; earth wires are fastened and counted apart; two nails or screws in each on timber."),
    I2(PRACTICE, "Strain insulators at each termination of a hot wire; the loops cross inside."),
    I3(
            PRACTICE,
            "Insulators with 10 to 15 years against the sun; strain insulators of security fences 20 to 25, and the tie wire must last as long."),
    I4(PRACTICE, "Offset brackets hold a hot wire 11 to 12 in off an old fence."),
    I5(PRACTICE, "Claw-type insulators where wildlife hits the fence, pin-lock where floods should shed the wire."),
    I6(PRACTICE, "Grey, glazed porcelain rather than white."),
    I7(
            PRACTICE,
            "With a driver that slides over the post, fit the lower five of eight insulators before driving and the upper three after."),
    I9(
            PRACTICE,
            "Wires on the outside of a turn press on their posts; where they hang on one side all along, those on the inside of a turn pull off and take another insulator."),
    I8(PRACTICE, "A hot wire that passes a brace diagonal can arc: insulate it there or tie it off."),
    // Earth.
    G1(PRACTICE, "Three 6 ft ground rods, 10 ft apart."),
    G2(PRACTICE, "One 6 ft rod up to 2 acres, one more for each further 2 acres, at most 3."),
    G3(PRACTICE, "One 8 ft rod, in soft wet clay only."),
    G4(PRACTICE, true, "Rod length 3 ft for each joule of output."),
    G5(PRACTICE, "Leave 6 in of rod above ground for the clamp."),
    G8(PRACTICE, true, "Keep ground rods 10 m from other earths (IEC 60335-2-76, annex on installation)."),
    // Jumpers, gates, cut-outs.
    J1(
            PRACTICE,
            "One jumper set for each stretch of wire that is continuous by itself: one for each pull where each is terminated, one for the whole fence where wires run on round the corners, none on one wire. Jumper wire: from wire to wire and 6 in for the clamps, 2 ft a piece elsewhere (ours)."),
    J2(PRACTICE, "A handle gate is dead in the hand when open."),
    J3(
            PRACTICE,
            "Cable under a gate: double insulated, in conduit, both ends marked, elbows down: two at the foot and two at the top."),
    J4(PRACTICE, "A cut-out falls to off."),
    J5(PRACTICE, "A 16 ft leaf hangs between posts about 16.5 ft apart."),
    J6(PRACTICE, "Cable under the gate is the opening, twice the burial depth, risers on both sides and spare loops."),
    J7(PRACTICE, "A normal fence needs no loop: a closed line is fed at one place and stays open at its closing post."),
    J8(
            PRACTICE,
            "A creek is crossed by a hanging part with its own switch on dry ground, so that the rest stays live in a flood."),
    J10(CONVENTION, "Spring handles hang well across up to about 8 m; wider gaps take one strand."),
    X1(
            PRACTICE,
            "The wire runs on round corners on corner insulators and ends only at a gate or where it began; one tightener midway on each strand or one on each side."),
    X2(PRACTICE, "One wire out and back on two heights, or round and round at rising heights, takes no jumper."),
    X3(
            PRACTICE,
            "A feeder line carries power and keeps nothing in; a lead with clips joins lines that do not touch; a bridge from the inner corner post feeds the outer row of a double fence."),
    X4(
            PRACTICE,
            "Earth as found: a spike, an angle iron, stubs, an old metal fence. The lead to the first rod counts as well as those between rods; we take 10 ft to the first where nothing keeps it away."),
    X5(PRACTICE, "Marks on posts count from the foot: 18 in deep with wires at 10 and 24 in gives 18, 28 and 42."),
    X6(PRACTICE, "Connect the fence, then the earth, the battery or plug last."),
    X7(
            PRACTICE,
            "Energizer inside the fence where bears, cattle or thieves are; its switch outside, in the lead-out, so that nobody reaches over a live wire."),
    X8(PRACTICE, "Two small batteries in turn: swapped when empty by some (2 to 3 days), at half charge by E4."),
    X9(
            PRACTICE,
            "Hot wires keep so far from barbed wire or a foreign earthed fence that a push does not bring them together: under about 5 in is too near; the fence's own earth wires are meant to be near."),
    X10(
            PRACTICE,
            "Wire rather than tape where it blows; tubing where a leaf or end may touch; a long spring where limbs fall."),
    X11(
            PRACTICE,
            "A reading on an unpowered wire is good when it is nearly nothing: 0.2 kV or more there is a leak between here and there."),
    X12(
            PRACTICE,
            "Listening for the tick, an arc test from post to wire, a status light that is seen from half a mile."),
    X13(PRACTICE, "Seasonal fences have a day up and a day down."),
    X14(PRACTICE, "Which animals broke through, and where, is kept."),
    X15(
            PRACTICE,
            "A gate hangs on the corner, end or tee post that stands there anyway; a strand across a 100 ft gap ends on the brace post."),
    X16(PRACTICE, "One spring handle is enough on a trained fence; on a low one: power off and step over."),
    X17(PRACTICE, "Monitored gate: leaf and fence posts overlap so that nobody squeezes through."),
    J9(CONVENTION, "Cut-outs go where they halve the longest section, at a strong post and above the flood."),
    // Electrics.
    V11(
            PHYSICS,
            "Peaks are of the whole pulse, from a circuit of capacitor, coil and lossy lines with skin effect and the way back through the ground (docs/electrics.md)."),
    V12(
            CONVENTION,
            "Leakage is assumed until readings tell: 0.05 mS/km with sound insulators and clean wires (aged ones 0.3, cracked ones 1.5), 0.5 in light growth, 5 in heavy, 12 after rain where the lowest hot wire is at 0.1 m, a tenth of the growth from 0.6 m up; heavy so that F2 comes out."),
    V13(
            CONVENTION,
            "Low and high come from moving one assumption at a time and adding the squares: leakage, ground a third to three times; steel's permeability 50 to 200; resistance of wire a tenth either way, of woven goods half to double; plate 5 %; up to 16 % less a kilometre along the fence, by the square of the way up to a kilometre, by its root beyond; rods half to double; what lies across the terminals over the pairs that give the same plate (E9); a job may narrow steel and damping."),
    G6(PRACTICE, "Where stone stops a rod: an angle iron of 1 m; expect little."),
    G7(PRACTICE, "A stub of 1 ft in rock is a weak earth: several of them, kept wet, or earth wires instead."),
    G9(
            PRACTICE,
            true,
            "Earth test: short the fence far out until it reads under about 1 to 2 kV; then less than 0.2 to 0.3 kV at the last rod."),
    G10(PHYSICS, "One rod: R = ρ/(2πL) (ln(4L/a) − 1) (Dwight 1936)."),
    G11(
            PRACTICE,
            true,
            "n rods about a length apart: R/n × 1.16, 1.29, 1.36, 1.68 for 2, 3, 4, 8 (IEEE Std 142); any arrangement by mutual resistances."),
    G12(
            PRACTICE,
            true,
            "Resistivity of moist ground, one typical value each: wet 20, clay 50, loam 100, sand 800, stone 2000 Ω·m; four times when dry, twenty times when frozen."),
    G13(
            PHYSICS,
            "A foot on the ground is a disc of 50 mm radius, R = ρ/(4r), four side by side; the body 500 Ω as in IEC 60335-2-76, by fleece and pad 800 for deer, 1,000 for wild boar, badger, bear, fox and small animals, 1,500 for sheep, goats and alpacas, from memory; dry snow 100 kΩ·m."),
    G14(
            PHYSICS,
            "Earth wires tied to the energizer's earth terminal carry their share of the return past the rods; merely grounded along the way they do not."),
    E1(PRACTICE, "A small energizer draws 2 to 2.5 Ah a day at 12 V: 7.2 Ah lasted 3 days, 5 Ah 2 days."),
    E2(PRACTICE, "A 100 W panel with 110 Ah needs no charging in a mild maritime climate."),
    E3(
            PRACTICE,
            true,
            "A 12 V lead-acid battery at rest reads about 12.7 V when full, and 13.4 to 13.6 V while it is charged."),
    E4(PRACTICE, true, "Keep lead-acid above half charge; a full one withstands deep frost, an empty one does not."),
    E5(
            PUBLISHED,
            true,
            "Sun above the air by latitude and day (FAO Irrigation and Drainage Paper 56, equations 21 to 25), on the ground by its equation 35, on the panel by Liu and Jordan 1960."),
    E6(
            PRACTICE,
            true,
            "Battery, over days: 0.4 % of capacity lost a degree under 25 °C, 1.3 % a degree under 5 °C; three quarters of what the panel makes is stored, a fifth of the light lost to dirt."),
    E7(
            CONVENTION,
            "The recommended energizer is the smallest that holds 1.2 times the need at the weakest point in heavy growth and brings V14 into the animal there, of no more than 5 J if one does; pigs ask for a strong one (V5)."),
    E8(
            PRACTICE,
            true,
            "A plate that gives one energy only: the other from its voltage at 100 Ω, and without that 74 % of what is stored come out."),
    E9(
            CONVENTION,
            "The voltage on a rating plate is the peak at the terminals with nothing connected, ringing included. Charge, capacitor, coil and resistance are found so that the peaks and energies are the plate's, with 5 kΩ and a twentieth of the capacitor across the terminals; where a plate leaves no room for that, with the nearest pair that fits. Pairs with 2.5 to 12 kΩ and 1.5 to 15 % that give the same plate are its range."),
    // Cautions.
    C1(PRACTICE, "Only a certified energizer feeds a fence, never the mains directly."),
    C3(PUBLISHED, true, "One fence, one energizer; two separately fed fences at least 2.5 m apart (IEC 60335-2-76)."),
    C4(PUBLISHED, true, "Yellow warning signs at gates, at public access and at regular intervals."),
    C5(
            PUBLISHED,
            true,
            "Cross overhead lines at right angles; clearance 3 m up to 1 kV, 4 m to 33 kV, 8 m above; near them keep the fence under 3 m."),
    C2(PRACTICE, "Barbed or razor wire is never electrified."),
    C6(PRACTICE, "Locate buried water, power, gas and telephone lines before driving."),
    C7(PRACTICE, "Energizer off and isolated before hands go on the wire; a reel spool hooked to a live wire is live."),
    C8(
            PRACTICE,
            "Eye and hand protection when cutting or straining wire; no ratchet handle that can spin back on a tensioner under load."),
    C9(PUBLISHED, true, "Lead-outs and cables under gates are rated for the fence voltage, never mains cable."),
    C10(PRACTICE, true, "Keep the energizer's earth apart from a building's earth: 10 m (G8)."),
    C12(PRACTICE, "Keep children, wearers of pacemakers and pets in mind."),
    C13(
            PRACTICE,
            true,
            "More than 5 J into 500 Ω is beyond what a fence people may touch is fed with (IEC 60335-2-76)."),
    C11(PRACTICE, "A meter, never a hand, tells whether the wire is live."),
    M1(PRACTICE, "In the series loop a cut alarms, and so does live on earth; live on live does not."),
    M2(
            PRACTICE,
            "Loop resistance adds up: a loop of 52 Ω read 43 Ω with the gate open, so the gate was 9 Ω by difference while 6.3 Ω was measured on its leaf alone: contacts are worth checking."),
    M3(
            PHYSICS,
            "Gate wires are linked to the next at alternate ends: an even number returns to the entry side, an odd one to the far side."),
    M4(PRACTICE, "Never earth the gate leaf of a monitored fence."),
    M5(
            PRACTICE,
            "Monitored: 12 wires, odd ones earth, even ones live, all live ones one series path; the 3 earth and 4 to 5 live of 7 or 8 wires belong to W13."),
    F1(PRACTICE, "Order of checks: insulators, earths, leakage into unpowered wires, growth."),
    F2(PRACTICE, "Clearing a foot of grass took a two-wire paddock from 3.2 to 5.8 kV."),
    F3(PRACTICE, "Walking a paddock once, insulator by insulator: about an hour and a half."),
    F4(PRACTICE, "Light growth burns itself off in about two weeks."),
    F5(PHYSICS, "Current is high up to the fault and falls after it."),
    F6(PHYSICS, "Halving with cut-outs takes at most ⌈log₂ sections⌉ openings for one fault."),
    K1(
            PRACTICE,
            "A crew of about four with auger, excavator and post driver: 50 posts in 2 days, then 5 wires, 3,500 ft of wire, in 2 days: 25 posts or 1,750 ft a day."),
    K2(
            PRACTICE,
            "Ten acres, 132 steel posts, 8 wires, 21,120 ft, practised crews in parallel: 3 days, of which wire about one."),
    K3(PRACTICE, "One person can put up a light temporary fence alone."),
    K4(PRACTICE, "Driving by hand hammer is heavy work: take turns."),
    K5(PRACTICE, "A two-wire paddock looked over insulator by insulator: an hour and a half."),
    R1(
            PRACTICE,
            "Cage grid: 3 cages of 3.0 by 4.2 m on 21 by 15 m: 6 columns and 3 rows, 18 places, each cage 6, moved monthly: half a year until the same ground."),
    R2(PRACTICE, "Inner runs of 400 ft on a reel; geared reels from about 600 ft up."),
    R3(PRACTICE, "A smaller area for a shorter time: split 20 acres in two, then by single strands."),
    R4(PRACTICE, "Mow before setting, test after every move."),
    R5(PRACTICE, "Keep small stock close to a plug-in point: a reel or a jumper to the nearest hot line."),
    N1(PRACTICE, "Posts before the frost: 4 to 6 in of frozen ground stop step-ins."),
    N2(PRACTICE, "Colour that shows against snow."),
    N3(PRACTICE, "Dry powder snow insulates: earth wires, tied to the energizer's earth."),
    N4(PRACTICE, "Let wires out before a big drift load (S6)."),
    N5(PRACTICE, "Keep the panel clear of snow."),
    L1(PHYSICS, "Lengths are horizontal on a plane tangent at the site; wire is taken along the slope."),
    L2(
            CONVENTION,
            "Near means: public way 10 m, buried service 1 m and 0.3 m under the post's foot, opening 3 m, trees 2 m, building 1 m; a creek's flood is looked for within 60 m."),
    L3(
            CONVENTION,
            "Heights come from the terrain grid, without one from the spot heights, without either from the walk; a gap is bridged straight and said."),
    Q1(PRACTICE, "A rectangle is square when its diagonals are equal; 3, 4 and 5 make a right angle."),
    Q2(
            CONVENTION,
            "A taped length is trusted to 10 mm and 0.5 mm in each metre, a paced one to 5 %, an offset to 50 mm; three standard deviations from what the others say is suspicious."),
    Q3(
            CONVENTION,
            "Set-out ties reach at most 200 m, those within a 50 m tape count most; services within 30 m of a post are asked about."),
    Q4(
            CONVENTION,
            "Day one: taped lengths hold and corners move as little as they allow; lengths no corners meet within 20 mm contradict each other.");

    /** Raised whenever a value or a rule changes; kept with every stored plan. */
    public static final int REVISION = 7;

    private final Basis basis;
    private final boolean fromMemory;
    private final String says;

    Rule(Basis basis, String says) {
        this(basis, false, says);
    }

    Rule(Basis basis, boolean fromMemory, String says) {
        this.basis = basis;
        this.fromMemory = fromMemory;
        this.says = says;
    }

    /** What stands behind it. */
    public Basis basis() {
        return basis;
    }

    /**
     * Whether the value was written down from memory and must be checked against the current edition, the maker's sheet or the
     * local code.
     */
    public boolean fromMemory() {
        return fromMemory;
    }

    /** The rule in a sentence or two. */
    public String says() {
        return says;
    }

    /** The rule of an id that came from outside; empty when this version knows none. */
    public static Optional<Rule> find(String id) {
        for (Rule rule : values()) {
            if (rule.name().equals(id)) {
                return Optional.of(rule);
            }
        }
        return Optional.empty();
    }
}
