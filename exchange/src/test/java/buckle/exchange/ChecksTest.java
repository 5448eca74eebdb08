package buckle.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.exchange.FencesTest.Came;
import buckle.exchange.cli.CircuitFile;
import buckle.exchange.job.JobFile;
import buckle.exchange.job.JobFileReader;
import buckle.layout.PostKind;
import buckle.mechanics.Ground;
import buckle.mechanics.Hold;
import buckle.mechanics.StrongPost;
import buckle.power.Battery;
import buckle.power.Energizers;
import buckle.power.Rods;
import buckle.power.Sun;
import buckle.pulse.EnergizerRating;
import buckle.pulse.PulseSolver;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.rulebook.Values;
import buckle.spec.Growth;
import buckle.spec.Plan;
import buckle.units.Forces;
import buckle.units.Lengths;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every figure that is held against something outside or against practice, on one page: Buckle's figure is computed here, the other one
 * and its source stand beside it, and the page must say the same.
 */
class ChecksTest {
    private static final Path PAGE = Path.of("..", "docs", "checks.md");
    private static final String MARK = "to write it anew -->\n";
    private static final String PRACTICE = "common practice";

    private record Row(String what, String ours, String other, String source, boolean agrees) {}

    private final List<Row> rows = new ArrayList<>();

    private void number(String what, String format, double ours, double other, double within, String source) {
        rows.add(new Row(
                what,
                String.format(Locale.ROOT, format, ours),
                String.format(Locale.ROOT, format, other),
                source,
                Math.abs(ours - other) <= within));
    }

    private void holds(String what, double lowV, double highV, double readV) {
        rows.add(new Row(
                what,
                String.format(Locale.ROOT, "%.1f to %.1f kV", lowV / 1000, highV / 1000),
                String.format(Locale.ROOT, "%.1f kV read", readV / 1000),
                PRACTICE,
                lowV <= readV && readV <= highV));
    }

    private void says(String what, String ours, String other, String source, boolean agrees) {
        rows.add(new Row(what, ours, other, source, agrees));
    }

    /** Checked in a test of its own, whose file must name the figure. */
    private void elsewhere(String what, String within, String other, String source, String file, String... words)
            throws IOException {
        String code = Files.readString(Path.of("..").resolve(file));
        for (String word : words) {
            assertThat(code).as(file).contains(word);
        }
        String name = file.substring(file.lastIndexOf('/') + 1).replace(".java", "");
        rows.add(new Row(what, within, other, source + " (`" + name + "." + words[0] + "`)", true));
    }

    @Test
    void everyFigureAgreesAndThePageSaysIt() throws IOException {
        StringBuilder page = new StringBuilder("\n");
        section(page, "Fences recounted by hand", this::fences);
        section(page, "Ways of running wire", this::running);
        section(page, "Wires one by one, gates, earth as found", this::asBuilt);
        section(page, "Price and quote", this::prices);
        section(page, "Yard, truck, cuts, variants", this::yard);
        section(page, "Commissioning", this::commissioning);
        section(page, "Faults", this::faults);
        section(page, "What holds", this::holding);
        section(page, "The pulse", this::pulse);
        section(page, "Earth, battery, sun", this::power);
        section(page, "Survey and files", this::survey);
        String given = Files.readString(PAGE);
        int at = given.indexOf(MARK) + MARK.length();
        if (Boolean.getBoolean("buckle.write")) {
            Files.writeString(PAGE, given.substring(0, at) + page);
            return;
        }
        assertThat(given.substring(at)).isEqualTo(page.toString());
    }

    private void prices() throws IOException {
        String packs = "core/src/test/java/buckle/price/PacksTest.java";
        elsewhere(
                "cheapest packs, 300 small cases with price breaks",
                "the same cost",
                "every number of every pack",
                "brute force",
                packs,
                "noMixIsCheaper");
        elsewhere(
                "cheapest packs, 25 larger cases",
                "the same cost",
                "a mixed-integer program",
                "ojAlgo",
                packs,
                "aMixedIntegerProgramFindsNoCheaperOne");
        String pricing = "core/src/test/java/buckle/price/PricingTest.java";
        elsewhere(
                "hours for 46 posts and 3,500 ft of wire; for 141 posts and 21,120 ft",
                "68 and 252 h",
                "128 h told; 192 h, if two crews of four are meant",
                "common practice K1, K2, within a factor of two",
                pricing,
                "hoursLieBetweenWhatCrewsAreKnownToDo");
        elsewhere(
                "tax on 0.99, 1.99 and 4.99 at 19 %, by rate and by line",
                "1.51 and 1.52", "1.5143; 0.19 + 0.38 + 0.95", "by hand", pricing, "taxIsRoundedWhereTheHouseRounds");
        elsewhere(
                "115 of cost at a margin of 20 %, 6.25 % tax",
                "143.75 and 152.73", "115 ÷ 0.8; + 8.984…", "by hand", pricing, "whatIsLaidOnTopByHand");
        elsewhere(
                "price book as workbook and CSV",
                "the same items",
                "what LibreOffice makes of them",
                "LibreOffice, headless",
                "exchange/src/test/java/buckle/exchange/prices/PriceListTest.java",
                "libreOfficeReadsTheSame");
        elsewhere(
                "sum of a priced takeoff as a workbook",
                "the price's material",
                "recalculated",
                "LibreOffice, headless",
                "exchange/src/test/java/buckle/exchange/prices/PricedTakeoffTest.java",
                "libreOfficeComesToTheSameSum");
        String reach = "core/src/test/java/buckle/reach/ReachTest.java";
        elsewhere(
                "a kit for half an acre round three quarters of the same shape",
                "22 % more, 18 % of it missing",
                "√1.5 = 1.22; 1 − 1 ÷ 1.22",
                "common practice and plane geometry",
                reach,
                "aKitForHalfAnAcreRoundThreeQuarters");
        elsewhere(
                "140 posts on 2,640 ft, all round and along",
                "18.9 and 19.0 ft",
                "18.9 and 19.0 ft",
                "common practice",
                reach,
                "postsOnALine");
        elsewhere(
                "amounts of a quote on paper",
                "those of its document",
                "what poppler reads",
                "pdftotext",
                "server/src/test/java/buckle/server/PricesTest.java",
                "aQuoteStaysAsItWasSent");
    }

    private void yard() throws IOException {
        String reach = "core/src/test/java/buckle/reach/ReachTest.java";
        elsewhere(
                "500 ft round a ring of 130 ft",
                "three rounds and 110 ft left",
                "three rounds and 110 ft left",
                "common practice",
                reach,
                "roundAndRound");
        elsewhere(
                "nine steps of 3 ft on 737 ft",
                "28 posts a row, 8 ft to the end",
                "28 posts a row",
                "common practice",
                reach,
                "nineSteps");
        String cuts = "core/src/test/java/buckle/cut/CutPlannerTest.java";
        elsewhere(
                "cuts of 40 small orders, saw and leftovers too",
                "the same cost",
                "every plan there is",
                "brute force",
                cuts,
                "noneIsCheaper");
        elsewhere(
                "219 rolls of 13 widths from rolls of 5,600 mm",
                "73 rolls",
                "73 rolls",
                "cutting stock instance of the textbooks, from memory, and its bound",
                cuts,
                "theRollsOfTheTextbooks");
        elsewhere(
                "150 pieces of as many lengths from six",
                "within 0.5 % of the bound",
                "what no plan can go under",
                "linear program over patterns (Gilmore and Gomory)",
                cuts,
                "manyLengths");
        String list = "core/src/test/java/buckle/stock/CutListTest.java";
        elsewhere(
                "wire cut from coils, whichever way it runs",
                "what the takeoff counts",
                "takeoff, to a tenth of a metre",
                "two ways through the layout",
                list,
                "wireIsCutAsItIsCounted");
        elsewhere(
                "material of a job whose posts and rails are bought by the cut list",
                "the sum of its sheets",
                "cost of the cut plans",
                "price beside cut list",
                list,
                "thePriceFollowsTheCuts");
        String ledger = "server/src/test/java/buckle/server/StockTest.java";
        elsewhere(
                "stock after eight people booked at once",
                "entries of each product sum up to 0",
                "sums by the database",
                "double entry",
                ledger,
                "manyAtOnce");
        String sheets = "exchange/src/test/java/buckle/exchange/stock/LoadSheetTest.java";
        elsewhere(
                "cost and mass of a load sheet as a workbook",
                "those of the sheet",
                "recalculated",
                "LibreOffice, headless",
                sheets,
                "libreOfficeComesToTheSameSums");
        elsewhere(
                "800 m of 2.51 mm steel wire on a truck",
                "31 kg",
                "section × length × 7,850 kg/m³",
                "by hand",
                sheets,
                "allThatIsNeededIsLoaded");
        elsewhere(
                "1.02, 1.05 and 1.10 of what was counted used",
                "10 % proposed",
                "mean 5.67 %, deviation 4.04 %",
                "by hand",
                "core/src/test/java/buckle/stock/StockTest.java",
                "whatJobsTeach");
        elsewhere(
                "tie wire of strain insulators",
                "once round the post and a foot each",
                "π × width + 1 ft",
                "by hand; the foot to twist is ours",
                "core/src/test/java/buckle/takeoff/SmallPartsTest.java",
                "tiesOfStrainInsulators");
        elsewhere(
                "wire that lasts 8 years, over 8, 10 and 24 years",
                "renewed not at all, once, twice",
                "24 ÷ 8 − 1",
                "by hand",
                "core/src/test/java/buckle/variant/VariantTest.java",
                "costOverTheYears");
    }

    private void commissioning() throws IOException {
        String tests = "core/src/test/java/buckle/commissioning/CommissioningTest.java";
        elsewhere(
                "five wires, 305 m, 6.7 J, one reading of 7.2 kV at the feed",
                "far end within 0.3 kV of 7.25",
                "7.2 to 7.3 kV",
                "common practice V5",
                tests,
                "oneReadingAtTheFeedTellsTheFarEnd");
        elsewhere(
                "two-wire paddock, 3.2 kV overgrown and 5.8 kV cleared",
                "leakage between the tabled clean and wet growth, over 8 times apart",
                "growth was most of it",
                "common practice F2",
                tests,
                "clearingIsLessLeakageOfTheSameFence");
        elsewhere(
                "next season's readings of 12 fences off their plans",
                "9 of 10 or more within the range of the yardstick",
                "95 % if all were normal",
                "true fences drawn by other rules than the fit believes",
                tests,
                "nextSeasonsReadingsLieInTheRanges");
        elsewhere(
                "a fence that leaks 2.2 times its plan in heavy growth",
                "curve within 2.5 %, leakage within two deviations",
                "2.2",
                "the leakage put into the circuit",
                tests,
                "readingsBecomeTheYardstick");
        elsewhere(
                "3 kV on each of three wires of a deer plot",
                "each asked for at every point",
                "each wire",
                "common practice V3",
                tests,
                "everyWireOfADeerPlot");
        elsewhere(
                "flooded gully, two switches open",
                "0 V beyond is as predicted",
                "off",
                "common practice J4",
                tests,
                "aFloodedGullyWithTwoSwitchesOpen");
        elsewhere(
                "way past seven places of 60 branched fences",
                "the shortest",
                "the shortest",
                "every order tried",
                "core/src/test/java/buckle/diagnosis/RouteTest.java",
                "isAsShortAsTheBestOrder");
    }

    private void faults() throws IOException {
        String kept = "exchange/src/test/java/buckle/exchange/HuntFileTest.java";
        elsewhere(
                "where the fault lies in 296 hunts on fences that are off their plans",
                "true place within the stretches of 90 % in 9 of 10; all figures in faults.md",
                "what was hidden",
                "ngspice 39.3, bench/hunts.json and bench/other-hunts.json",
                kept,
                "faultsOfNgspicesFencesAreFound");
        String one = "core/src/test/java/buckle/diagnosis/DiagnosticianTest.java";
        elsewhere(
                "6 A before a place and 1 A behind it",
                "the fault lies between",
                "the fault lies between",
                "common practice",
                one,
                "currentBeforeAndBehind");
        elsewhere(
                "rods of 150 Ω for 10 Ω, the earth terminal read",
                "poor earth, 110 to 190 Ω",
                "150 Ω",
                "what was hidden",
                one,
                "earthOrSupply");
        elsewhere(
                "currents and earth terminal by one change for each fault",
                "within a millionth",
                "the whole solution",
                "superposition",
                "core/src/test/java/buckle/pulse/PulseTest.java",
                "allMetersByOneChange");
        elsewhere(
                "growth as several leaks at once, volts, currents and earth terminal",
                "within a thousand-millionth",
                "the whole solution",
                "superposition",
                "core/src/test/java/buckle/pulse/PulseTest.java",
                "severalLeaksAtOnceAreTheWholeSolution");
        elsewhere(
                "peaks at as many frequencies as a diagnosis takes",
                "within 0.5 % in the mean square, 3 % at worst",
                "ten times as many frequencies over a longer time",
                "envelope",
                "core/src/test/java/buckle/pulse/PulseTest.java",
                "aDiagnosisHasFrequenciesEnough");
        elsewhere(
                "clamps at a short branch behind a ring, at as many frequencies as a diagnosis takes",
                "within 5 %",
                "2,000 frequencies over a longer time",
                "envelope",
                "core/src/test/java/buckle/pulse/PulseTest.java",
                "aShortBranchBehindARingHasFrequenciesEnough");
        elsewhere(
                "stretches that hold 90 % of where a fault may be",
                "within 6 % of the fence",
                "the same asked of 60 fences drawn from what is not known, each solved with every fault",
                "envelope",
                "core/src/test/java/buckle/diagnosis/SampledPosteriorTest.java",
                "tellsWhatManyDrawnFencesTell");
        elsewhere(
                "how a peak moves with the fence, by the pulse at the moment of the peak",
                "within 2 %",
                "peaks solved anew",
                "envelope",
                "core/src/test/java/buckle/pulse/PulseTest.java",
                "atTheMomentOfAPeak");
        elsewhere(
                "an open wire on a branch at station 300 m",
                "branch b, stretches that hold 300 m",
                "what was hidden",
                "the fence's own circuit",
                "core/src/test/java/buckle/readings/FenceDiagnosisTest.java",
                "anOpenWireOnTheBranch");
        String unpowered = "core/src/test/java/buckle/readings/FenceDiagnosisTest.java";
        elsewhere(
                "0.3 kV on an unpowered wire, 5.4 kV on the hot ones",
                "told as a leak worth a look; the point stays met",
                "met, and a leak is worth a look",
                "common practice X11",
                unpowered,
                "aLeakIntoAnUnpoweredWire");
        elsewhere(
                "a switch that lets nothing pass",
                "named before any metre of wire",
                "what was hidden",
                "the fence's own circuit",
                unpowered,
                "aFailedSwitchIsNamed");
        elsewhere(
                "a leak when wet, nothing when dry",
                "comes with rain",
                "what was hidden",
                "the fence's own circuit",
                unpowered,
                "aFaultThatComesWithRain");
        elsewhere(
                "what to do next on forty fences of six cells and three checks",
                "within 5 % of the best in the mean",
                "the best",
                "every policy tried",
                "core/src/test/java/buckle/search/SearchPlannerTest.java",
                "isNearTheBestOfAllPolicies");
        elsewhere(
                "order in which six stretches are looked over, twenty small fences",
                "within 3 % of the best in the mean, never longer than walking in order",
                "the best",
                "every order and direction tried",
                "core/src/test/java/buckle/search/SearchPlannerTest.java",
                "looksOverInNearlyTheBestOrder");
        elsewhere(
                "ways across a paddock of 200 m: straight, by a gate, round a free end, not through water",
                "198.6, 199.6, 233.0 m, along the fence",
                "the same",
                "recounted by hand",
                "core/src/test/java/buckle/readings/PaddockWaysTest.java",
                "throughGatesAlone");
        elsewhere(
                "60 m of 1,600 m not looked over, one in 200 overlooked elsewhere: chance of the 60 m",
                "0.86",
                "0.86, within 0.03",
                "Bayes, recounted by hand",
                "core/src/test/java/buckle/diagnosis/TracerTest.java",
                "whatIsLeftHoldsWhatItShould");
        elsewhere(
                "faults at a gate, a switch, a branch, an end, a corner, along, off the line",
                "each told by its place",
                "the same",
                "recounted by hand",
                "core/src/test/java/buckle/upkeep/UpkeepTest.java",
                "whatStandsThereIsToldByThePlace");
        elsewhere(
                "a leak of 200 Ω in one of eight sections",
                "three openings or fewer",
                "three openings",
                "common practice F6, physics",
                "core/src/test/java/buckle/simulation/SimulatedSearchTest.java",
                "eightSectionsNeedThreeOpenings");
        String upkeep = "core/src/test/java/buckle/upkeep/UpkeepTest.java";
        elsewhere(
                "four insulators that touched nothing, a foot of growth, 3.2 to 5.8 kV",
                "2.6 kV put down to growth",
                "2.6 kV",
                "common practice F2",
                upkeep,
                "whatCameBackIsPutDownToWhatLetItOff");
        elsewhere(
                "6.0, 5.8, 5.6, 5.4, 5.2 kV by the week, 5 kV needed",
                "−0.2 kV a week, under it a week after the last",
                "the same",
                "recounted by hand",
                upkeep,
                "aFallIsWarnedOfWeeksAhead");
        elsewhere(
                "steady fences read weekly with 3 %, called falling",
                "2 to 8 of 100",
                "5 of 100",
                "Sen 1968, from memory, on 400 simulated",
                upkeep,
                "aSteadyFenceIsSeldomCalledFalling");
        elsewhere(
                "what is live, the next cut-out, diagonals, rods: 200 drills of each",
                "each right",
                "the same",
                "answered again by other means",
                "core/src/test/java/buckle/practice/DrillTest.java",
                "theRightChoiceIsRight");
    }

    private interface Fill {
        void fill() throws IOException;
    }

    private void section(StringBuilder page, String title, Fill fill) throws IOException {
        rows.clear();
        fill.fill();
        page.append("## ").append(title).append("\n\n| what | Buckle | the other | source |\n|---|---|---|---|\n");
        for (Row r : rows) {
            assertThat(r.agrees())
                    .as("%s: %s against %s", r.what(), r.ours(), r.other())
                    .isTrue();
            page.append(String.format("| %s | %s | %s | %s |%n", r.what(), r.ours(), r.other(), r.source()));
        }
        page.append('\n');
    }

    private void running() throws IOException {
        String test = "core/src/test/java/buckle/layout/StringingTest.java";
        String leads = "core/src/test/java/buckle/layout/LeadsTest.java";
        elsewhere(
                "poultry yard 21 × 15 m, 7 wires that run on, gate at a corner",
                "493.5 m, 14 strain and 21 corner insulators, 1 jumper set, 9 timber posts",
                "the same",
                PRACTICE,
                test,
                "poultryYardWhoseWiresRunOn",
                "493.5",
                "isEqualTo(21)");
        elsewhere(
                "double deer row round half an acre, drawn with 36 and 60 corners",
                "18 + 18 posts, 3 tighteners, 6 ends, a bridge of 30 in",
                "the same",
                PRACTICE,
                test,
                "doubleDeerRowRoundACircle",
                "hasSize(18)",
                "Lengths.in(30)");
        elsewhere("80 m out and back", "160 m, 2 ends", "160 m, 2 knots", PRACTICE, test, "oneWireOutAndBack", "160");
        elsewhere("130 ft round, 4 rounds", "520 ft", "520 ft", PRACTICE, test, "oneWireRoundAndRound", "520");
        elsewhere("4 wires, 4 sides, a tightener a side", "16", "16", PRACTICE, test, "aTightenerOnEachSide", "16");
        elsewhere(
                "garden 12 × 9 m on corner rods",
                "4 back-stakes, 1 jumper set, 76 lbf a corner",
                "4, 1, 54 lbf × √2",
                PRACTICE + " H3, B9",
                test,
                "gardenOfCornerRods",
                "isEqualTo(4)");
        elsewhere(
                "pull left after 270°, friction 0.3 and 0.15",
                "24 and 49 %",
                "e^(−μφ)",
                "capstan equation; friction from memory",
                test,
                "frictionRoundCornersIsTold");
        elsewhere(
                "inner fence before and after it is hooked on",
                "0, then within 3 % of the paddock",
                "0, then 7.3 of 7.2 kV",
                PRACTICE,
                leads,
                "anInnerFenceIsDeadUntilItIsHookedOn");
        elsewhere("50 m of net", "one net and what feeds it", "one net and a lead", PRACTICE, test, "aNetNeedsNothing");
        elsewhere(
                "18 in deep, wires at 10 and 24 in",
                "18, 28, 42 in",
                "18, 28, 42 in",
                PRACTICE + " X5",
                test,
                "postsAreMarkedFromTheFoot",
                "28L, 42L");
    }

    private void asBuilt() throws IOException {
        String wires = "core/src/test/java/buckle/layout/WireByWireTest.java";
        String gates = "core/src/test/java/buckle/layout/GatesTest.java";
        String kept = "core/src/test/java/buckle/layout/AsKeptTest.java";
        String power = "core/src/test/java/buckle/power/PowerTest.java";
        elsewhere(
                "garden 12 × 9 m, top and bottom woven, middle aluminium",
                "2 × 42 m and 1 × 42 m, 4 back-stakes, 1 jumper set",
                "2 × and 1 × the length",
                PRACTICE,
                wires,
                "gardenOfTwoConductors",
                "2 * 42",
                "isEqualTo(4)");
        elsewhere(
                "clips that wires go to, 200 schedules",
                "least sum of ways moved",
                "every choice tried",
                "brute force",
                wires,
                "clipsMoveTheWiresLeast");
        elsewhere(
                "gate of 16 ft 6 in across a right angle",
                "2 strong posts, 11 ft 8 in from the corner, 16 ft 6 in apart",
                "2 strong posts; 16.5 ÷ √2",
                PRACTICE + " and plane geometry",
                gates,
                "acrossACorner",
                "2 strong posts");
        elsewhere(
                "strand of 100 ft from brace post to perimeter",
                "no stub, 1 handle, 2 anchors",
                "the same",
                PRACTICE + " X15",
                gates,
                "strandFromBracePostToPerimeter",
                "isEqualTo(2)");
        elsewhere("all-hot gate of 13 ft", "1 cable", "1 cable", PRACTICE, gates, "cables", "ft(13)");
        elsewhere(
                "three rods 10 and 15 ft apart with 50 ft of lead",
                "30 and 20 ft left to the box",
                "30 and 20 ft",
                PRACTICE + " X4",
                kept,
                "whatAKitLeavesToTheBox",
                "{10, 30}, {15, 20}");
        elsewhere(
                "mutual resistance of rods of unequal length",
                "within 1 in 10⁴",
                "double integral over both rods and their images",
                "midpoint rule, 800 × 800",
                power,
                "mutualResistanceOfUnequalRods",
                "1e-4");
        elsewhere(
                "15 April to 31 October; 1 November to 15 March",
                "199 and 134 days",
                "counted",
                "calendar",
                kept,
                "daysOfASeason",
                "199",
                "134");
        Came w2 = Came.of("w2");
        number(
                "depth of the end rods of a strand on step-ins, in",
                "%.0f",
                w2.line().posts().getFirst().depthM() / Lengths.in(1),
                12,
                0.1,
                PRACTICE + " P12");
        number(
                "its insulators",
                "%.0f",
                w2.design().takeoff().stream()
                        .filter(t -> t.item().startsWith("insulator"))
                        .mapToDouble(t -> t.quantity())
                        .sum(),
                0,
                0,
                PRACTICE + " I1");
        number("stubs where all is stone", "%.0f", Came.of("stone2").quantity("ground.rod"), 3, 0, PRACTICE + " G7");
    }

    private void fences() {
        String hand = "recounted by hand";
        Came w1 = Came.of("w1");
        number(
                "uplift of a braced corner, 2 cattle wires, lbf",
                "%.0f",
                w1.posts(PostKind.CORNER).getFirst().load().upliftN() / Forces.N_PER_LBF,
                281,
                0.6,
                "sum of both diagonals, free body");
        number("findings of that fence", "%.0f", w1.layout().findings().size(), 0, 8, "at most 8");
        number("signs on 400.00001 m at 50 m", "%.0f", w1.quantity("sign"), 8, 0, hand);
        Came pipe = Came.of("pipe");
        number(
                "pipe corner, 1,000 lbf each way, lbf",
                "%.0f",
                pipe.posts(PostKind.CORNER).getFirst().load().sideN() / Forces.N_PER_LBF,
                1414,
                1,
                "√2 × 1,000");
        number("footings of driven pipe", "%.0f", pipe.quantity("brace.concrete"), 0, 0, PRACTICE);
        number(
                "back-stakes of a garden with a gate",
                "%.0f",
                Came.of("garden").quantity("brace.back-stake"),
                6,
                0,
                hand);
        Came ice = Came.of("ice");
        number(
                "pull of 4 wires at 250 lbf, kN",
                "%.2f",
                ice.line().pulls().getFirst().totalN() / 1000,
                4.45,
                0.005,
                hand);
        Came tee = Came.of("tpost");
        number(
                "clip-on insulators, 4 wires on 60 tee posts",
                "%.0f",
                tee.quantity("insulator.line.steel-tee"),
                240,
                0,
                hand);
        number(
                "coils of 400 m for 68 wires of 94 m",
                "%.0f",
                Came.of("coils").design().takeoff().stream()
                        .filter(t -> t.item().equals("wire.hot"))
                        .mapToInt(t -> t.pack().orElseThrow().count())
                        .sum(),
                17,
                0,
                hand);
        number(
                "strainers, 4 wires on 4 sides",
                "%.0f",
                tee.quantity("strainer"),
                16,
                0,
                "common practice (ten acres, 16 strainers)");
        Came many = Came.of("many");
        number("clamps of eight paddocks", "%.0f", many.quantity("clamp"), 166, 0, "the joints as drawn, by hand");
        number(
                "outer posts of a double fence",
                "%.0f",
                Came.of("deer2").layout().lines().getLast().posts().stream()
                        .filter(p -> p.kind() == PostKind.LINE)
                        .count(),
                30,
                0,
                "opposite 30 inner ones");
        number(
                "rods by area, double fence round 1.9 acres",
                "%.0f",
                Came.of("deer2area").layout().feed().orElseThrow().rods(),
                1,
                0,
                hand);
        number(
                "posts of a tall deer fence, ft",
                "%.1f",
                Came.of("deer10").posts(PostKind.LINE).getFirst().stockM() / Lengths.ft(1),
                8,
                1e-6,
                "common practice W10");
        number("lead-out over 200 m, all hot, m", "%.0f", Came.of("lead").quantity("cable.lead-out"), 205, 0.5, hand);
        number(
                "in-line posts on quarter-mile sides",
                "%.0f",
                Came.of("qmile").posts(PostKind.INLINE).size(),
                0,
                0,
                PRACTICE);
    }

    private static StrongPost.End end(double lbf, double towardsRad, double railFt, double... heightsIn) {
        double moment = 0;
        for (double h : heightsIn) {
            moment += Forces.lbf(lbf) * Lengths.in(h);
        }
        return new StrongPost.End(Forces.lbf(lbf) * heightsIn.length, moment, towardsRad, Lengths.ft(railFt));
    }

    private static Hold hold(
            Ground ground, double depthFt, StrongPost.Stake stake, double widthIn, StrongPost.End... ends) {
        StrongPost post = new StrongPost(List.of(ends), ground, Lengths.in(widthIn), Lengths.ft(depthFt), 0, stake);
        return Hold.of(post.reserve().safety());
    }

    private void holding() throws IOException {
        StrongPost.Stake none = StrongPost.Stake.NONE;
        StrongPost.Stake stake = new StrongPost.Stake(
                Ground.LOAM.overturningN(Values.B5_STAKE_WIDTH_M, Values.B5_STAKE_DEPTH_M, Values.B5_STAKE_TIED_M),
                Values.B5_STAKE_TIED_M);
        double[] five = {10.8, 21.6, 32.4, 43.2, 54};
        said(
                "4 wires at 250 lbf, 10 ft rail, 3 ft in loam",
                hold(Ground.LOAM, 3, none, 5.5, end(250, 0, 10, 12, 24, 36, 48)),
                "holds",
                true);
        said(
                "5 wires at 500 lbf, 8 ft rail, 3 ft in stony ground",
                hold(Ground.STONE, 3, none, 5.5, end(500, 0, 8, five)),
                "holds",
                true);
        said(
                "light corner rod with its stake",
                hold(Ground.LOAM, 1, stake, 0.875, end(18, 0, 0, 6, 12, 48), end(18, Math.PI / 2, 0, 6, 12, 48)),
                "holds",
                true);
        said(
                "the same without the stake",
                hold(Ground.LOAM, 1, none, 0.875, end(18, 0, 0, 6, 12, 48), end(18, Math.PI / 2, 0, 6, 12, 48)),
                "does not hold",
                false);
        said(
                "5 wires at 500 lbf, 8 ft rail, 2 ft in wet ground",
                hold(Ground.WET, 2, none, 5.5, end(500, 0, 8, five)),
                "must be told",
                false);
        List<Ground> order = List.of(Ground.STONE, Ground.CLAY, Ground.LOAM, Ground.SAND, Ground.WET);
        List<Long> uplift =
                order.stream().map(g -> Math.round(g.upliftN(0.14, 0.9144))).toList();
        says(
                "uplift held by a post of 5.5 in, 3 ft deep, N",
                uplift.stream()
                        .map(String::valueOf)
                        .reduce((a, b) -> a + ", " + b)
                        .orElse(""),
                "stony, clay, loam, sand, wet in this order",
                PRACTICE,
                IntStream.range(1, 5).allMatch(i -> uplift.get(i - 1) > uplift.get(i)));
        double skin = 16e3 * 0.4572 * Math.tan(Math.toRadians(24)) * Math.PI * 0.14 * 0.9144;
        number(
                "the same in sand without its trace of cohesion, N",
                "%.0f",
                Ground.SAND.upliftN(0.14, 0.9144) - 0.5e3 * Math.PI * 0.14 * 0.9144,
                skin,
                1,
                "NAVFAC DM-7.2 (1982), K = 1, ¾φ, from memory");
        String mechanics = "core/src/test/java/buckle/mechanics/MechanicsTest.java";
        elsewhere(
                "corner with two braces as a space truss",
                "to 1e-6 N",
                "eleven reactions, seven bars",
                "own free body, linear equations by Hipparchus",
                mechanics,
                "aCornerWithTwoBracesIsASpaceTruss");
        elsewhere(
                "H brace as a plane truss",
                "to 1e-6",
                "625 lbf by hand",
                "free body, linear equations by Hipparchus",
                mechanics,
                "theWorkedBrace",
                "625");
        elsewhere(
                "rigid pile in ground without cohesion",
                "to 0.5 N",
                "15,300 (2^⅓/2 − ½) N",
                "balance by hand; Broms 1964 a quarter more",
                mechanics,
                "aRigidPileInTheGround",
                "15_300");
        elsewhere(
                "post against the building code's allowed pull",
                "above it everywhere",
                "IBC 1807.3",
                "from memory",
                mechanics,
                "whatNamedSourcesSayOfPosts",
                "4.36");
        elsewhere(
                "wire along a catenary",
                "235.0402388 m",
                "sinh 1 of the tables",
                "tables of hyperbolic functions",
                mechanics,
                "theCatenaryOfTheTables",
                "235.0402388");
        elsewhere(
                "frost and ice on a span",
                "within 1 %",
                "exact catenary",
                "root finder of Hipparchus",
                mechanics,
                "frostAndIceAgreeWithTheExactCatenary");
        elsewhere("letting out 2.5 in in 1000 ft", "200 N", "46 lbf", PRACTICE, mechanics, "lettingOutRelieves");
        elsewhere("Euler's column", "84.78 kN", "π² E I / L²", "by hand", mechanics, "eulersColumn", "84_782");
    }

    private void said(String what, Hold ours, String practice, boolean stands) {
        says(what, ours.text(), practice, PRACTICE, (ours != Hold.MOVES) == stands);
    }

    /** A closed fence of sides in metres, driven as said. */
    private static final double DEG_EAST = 1 / (111_320 * Math.cos(Math.toRadians(51.2)));

    private static final double DEG_NORTH = 1 / 111_250.0;

    private static Electrics electrics(String spec, double widthM, double heightM, UnaryOperator<ObjectNode> more) {
        return electrics(fence(spec, widthM, heightM, more), Trial.NONE);
    }

    private static Electrics electrics(ObjectNode root, Trial trial) {
        JobFile job = JobFileReader.read(root);
        Plan plan = job.plan();
        Laid layout = LayoutPlanner.laid(plan, job.around());
        return ElectricsPlanner.of(plan, layout, job.around(), trial, Set.of(Electrics.Part.RANGE))
                .orElseThrow();
    }

    private static ObjectNode fence(String spec, double widthM, double heightM, UnaryOperator<ObjectNode> more) {
        ObjectNode root = (ObjectNode) Json.parse("""
                {"type": "FeatureCollection", "buckle": {"schema": 3, "job": {"name": "c"}, "readings": []}, "features": []}
                """.getBytes(StandardCharsets.UTF_8));
        ((ObjectNode) root.path("buckle"))
                .set("spec", more.apply((ObjectNode) Json.parse(spec.getBytes(StandardCharsets.UTF_8))));
        ArrayNode features = (ArrayNode) root.path("features");
        ObjectNode line = features.addObject().put("type", "Feature").put("id", "L");
        boolean closed = heightM > 0;
        line.putObject("properties").put("kind", "fence-line").put("closed", closed);
        ArrayNode at = line.putObject("geometry").put("type", "LineString").putArray("coordinates");
        double[][] corners = closed
                ? new double[][] {{0, 0}, {widthM, 0}, {widthM, heightM}, {0, heightM}, {0, 0}}
                : new double[][] {{0, 0}, {widthM, 0}};
        for (double[] c : corners) {
            at.addArray().add(-1.6 + c[0] * DEG_EAST).add(51.2 + c[1] * DEG_NORTH);
        }
        ObjectNode energizer = features.addObject().put("type", "Feature").put("id", "e");
        energizer.putObject("properties").put("kind", "energizer");
        energizer
                .putObject("geometry")
                .put("type", "Point")
                .putArray("coordinates")
                .add(-1.6 - 3 * DEG_EAST)
                .add(51.2 - DEG_NORTH);
        return root;
    }

    /** Across the paddock goes an inner fence of two strands, hooked on by a switch where it begins. */
    private static ObjectNode divided(ObjectNode root) {
        ArrayNode features = (ArrayNode) root.path("features");
        ObjectNode inner = features.addObject().put("type", "Feature").put("id", "I");
        inner.putObject("properties")
                .put("kind", "fence-line")
                .put("closed", false)
                .put("startsOn", "L");
        ArrayNode at = inner.putObject("geometry").put("type", "LineString").putArray("coordinates");
        at.addArray().add(-1.6 + 40 * DEG_EAST).add(51.2);
        at.addArray().add(-1.6 + 40 * DEG_EAST).add(51.2 + 58 * DEG_NORTH);
        ObjectNode hook = features.addObject().put("type", "Feature").put("id", "hook");
        hook.putObject("properties").put("kind", "cut-out").put("name", "hook").put("lineId", "I");
        hook.putObject("geometry")
                .put("type", "Point")
                .putArray("coordinates")
                .add(-1.6 + 40 * DEG_EAST)
                .add(51.2 + DEG_NORTH);
        ((ObjectNode) root.path("buckle").path("spec"))
                .putObject("build")
                .putArray("lines")
                .add(Json.parse(
                        "{\"lineId\": \"I\", \"schedule\": {\"preset\": \"own\", \"wires\": [{\"heightM\": 0.2, \"role\": \"HOT\"}, {\"heightM\": 0.5, \"role\": \"HOT\"}]}}"
                                .getBytes(StandardCharsets.UTF_8)));
        return root;
    }

    private static UnaryOperator<ObjectNode> driven(EnergizerRating plate, Growth growth) {
        return spec -> {
            ObjectNode power = spec.putObject("power");
            power.set("energizer", Json.MAPPER.valueToTree(plate));
            power.put("growth", growth.name());
            return spec;
        };
    }

    private static Electrics.PulsePoint weakest(Electrics e) {
        return e.weakest().orElseThrow();
    }

    private static Electrics.SectionPulse inner(Electrics e) {
        return e.sections().stream()
                .filter(s -> s.id().equals("hook"))
                .findFirst()
                .orElseThrow();
    }

    private static final String PIGS = "{\"animals\": [\"PIGS\"], \"schedule\": {\"preset\": \"W5\"}}";
    private static final String LOW_TWO =
            "{\"animals\": [\"SHEEP_GOATS\"], \"schedule\": {\"wires\": [{\"heightM\": 0.2, \"role\": \"HOT\"}, {\"heightM\": 0.5, \"role\": \"HOT\"}]}}";

    private void pulse() throws IOException {
        EnergizerRating pig = EnergizerRating.of("pig", 9, 6.7, 8800, 6000, 45);
        Electrics paddock = electrics(PIGS, 91.44, 60.96, driven(pig, Growth.LIGHT));
        holds(
                "pig paddock 200 × 300 ft, 5 wires, 6.7 J out",
                weakest(paddock).lowV(),
                weakest(paddock).highV(),
                7200);
        ObjectNode divided = divided(fence(PIGS, 91.44, 60.96, driven(pig, Growth.LIGHT)));
        Electrics.SectionPulse off = inner(electrics(divided, new Trial(Set.of("hook"), List.of())));
        says(
                "its inner fence of two strands before it is hooked on",
                off.on() ? "on" : "no pulse",
                "reads 0",
                PRACTICE,
                !off.on() && off.weakest().map(w -> w.highV() == 0).orElse(true));
        Electrics.PulsePoint on =
                inner(electrics(divided, Trial.NONE)).weakest().orElseThrow();
        holds("the same hooked on, top and bottom", on.lowV(), on.highV(), 7300);
        EnergizerRating quarter = Energizers.GENERIC.get(1);
        EnergizerRating half = Energizers.GENERIC.get(2);
        double heavy = weakest(electrics(LOW_TWO, 150, 150, driven(quarter, Growth.HEAVY)))
                .likelyV();
        double clean = weakest(electrics(LOW_TWO, 150, 150, driven(half, Growth.CLEAN)))
                .highV();
        holds("two-wire paddock of 600 m, ¼ to ½ J, overgrown", heavy, clean, 3200);
        holds("the same after clearing", heavy, clean, 5800);
        double most = 0;
        for (EnergizerRating plate : Energizers.GENERIC) {
            for (String spec : List.of(
                    PIGS,
                    LOW_TWO,
                    "{\"animals\": [\"BEEF_CATTLE\"]}",
                    "{\"animals\": [\"BEEF_CATTLE\"], \"schedule\": {\"preset\": \"W2\"}}")) {
                for (double metres : new double[] {20, 100, 300}) {
                    Electrics e = electrics(spec, metres, 0, driven(plate, Growth.CLEAN));
                    for (Electrics.PulsePoint p : e.points()) {
                        most = Math.max(most, p.likelyV() / plate.openV());
                    }
                }
            }
        }
        says(
                "clean fences up to 300 m over the plate of ten energizers",
                String.format(Locale.ROOT, "%.2f times at most", most),
                "not over 1.05 times",
                PRACTICE,
                most <= 1.05);
        Electrics wall = electrics(
                "{\"animals\": [\"PEOPLE\"], \"schedule\": {\"preset\": \"W13\"}}",
                201,
                201,
                driven(Energizers.GENERIC.getLast(), Growth.CLEAN));
        double highest = wall.points().stream()
                .mapToDouble(Electrics.PulsePoint::highV)
                .max()
                .orElse(0);
        double lowest = wall.points().stream()
                .mapToDouble(Electrics.PulsePoint::lowV)
                .min()
                .orElse(0);
        says(
                "security fence round ten acres, 8 wires, open line, 20 J",
                String.format(Locale.ROOT, "%.1f to %.1f kV", lowest / 1000, highest / 1000),
                "about 10 kV",
                PRACTICE,
                highest >= 9500 && highest <= 10_600);
        poultry();
        Electrics plot = ElectricsPlanner.of(
                        Came.of("deer2area").job().plan(),
                        Came.of("deer2area").design().laid(),
                        Came.of("deer2area").job().around(),
                        Trial.NONE,
                        Electrics.Part.CURVE)
                .orElseThrow();
        double held = plot.sections().stream()
                .filter(Electrics.SectionPulse::on)
                .mapToDouble(s -> s.weakest().orElseThrow().likelyV())
                .min()
                .orElse(0);
        says(
                "deer plot with the recommended energizer",
                String.format(Locale.ROOT, "%.1f kV on the fed row", held / 1000),
                "3 kV or more",
                PRACTICE,
                held >= 3000);
        double offOpen = 0;
        double off500 = 0;
        for (EnergizerRating plate : Energizers.GENERIC) {
            offOpen = Math.max(offOpen, Math.abs(atTerminals(plate, Optional.empty()) / plate.openV() - 1));
            off500 = Math.max(off500, Math.abs(atTerminals(plate, Optional.of(500.0)) / plate.v500() - 1));
        }
        says(
                "½ m of clean wire, ten plates",
                String.format(Locale.ROOT, "%.1f %% off at most", 100 * offOpen),
                "the plate's open voltage",
                "the plate",
                offOpen <= 0.02);
        says(
                "500 Ω there, ten plates",
                String.format(Locale.ROOT, "%.1f %% off at most", 100 * off500),
                "the plate's voltage at 500 Ω",
                "the plate",
                off500 <= 0.02);
        String pulse = "core/src/test/java/buckle/pulse/PulseTest.java";
        String files = "exchange/src/test/java/buckle/exchange/CircuitFileTest.java";
        elsewhere(
                "energizers alone, peaks and energies of every plate",
                "0.1 to 0.2 %",
                "differential equations stepped through",
                "Dormand and Prince's integrator of Hipparchus",
                pulse,
                "theEnergizerHonoursItsPlate");
        elsewhere(
                "tree, shunt, break, ring, damped, leaky, opened ring, plate; two line models",
                "within 1 %",
                "peaks of a transient analysis",
                "ngspice 39.3",
                files,
                "ngspiceFindsTheSamePeaksOnOurNetlists",
                "opened",
                "plate");
        elsewhere(
                "four sample networks of 0.5 to 25 km",
                "within 1 %",
                "peaks of a transient analysis",
                "ngspice 39.3",
                files,
                "peaksAreThoseOfNgspiceWithinAPerCent");
        elsewhere(
                "random networks with loops, cables and faults",
                "to 1e-6",
                "nodal analysis of two-ports",
                "LU decomposition of Hipparchus",
                "core/src/test/java/buckle/pulse/NodalTest.java",
                "theSweepIsNodalAnalysis");
        elsewhere(
                "line closed by its wave impedance",
                "within 0.2 %",
                "no echo",
                "any textbook on lines",
                pulse,
                "aMatchedLineReflectsNothing");
        elsewhere(
                "ring with two switches opened",
                "to 0.1 %",
                "the open line that is left",
                "drawn as such",
                "core/src/test/java/buckle/circuit/CircuitTest.java",
                "aRingWithOpenedSwitchesIsTheOpenLineThatIsLeft");
        elsewhere(
                "seven lines of 0.4 to 4.5 km whose readings fall by 4 or 12 % to their far end",
                "in order, none to be read again; a leak of 200 Ω is found",
                "kilovolts mostly fall from the energizer on",
                "common practice",
                "core/src/test/java/buckle/readings/FenceDiagnosisTest.java",
                "aFenceWhoseReadingsFallIsInOrder");
        elsewhere(
                "six live wires of a monitored fence of 200 m, one after the other",
                "41 Ω",
                "1,200 m of 2.5 mm steel at 0.17 Ω mm² a metre",
                "by hand, M2",
                "core/src/test/java/buckle/layout/DepthTest.java",
                "liveWiresOfAMonitoredFenceAreOnePath");
        elsewhere(
                "what is recommended for cattle on 350 m of stone",
                "0.25 J and more in the animal",
                "0.1 J units are wrong there",
                "common practice V14, from memory",
                "core/src/test/java/buckle/circuit/CircuitTest.java",
                "whatReachesTheAnimalDecidesToo",
                "0.25");
    }

    /** 21 × 15 m, seven aluminium wires, ¼ J, its only earth an iron of 3 ft in stony fill, some growth cleared. */
    private void poultry() throws IOException {
        double iron = Rods.singleOhm(Values.G12_STONE_OHM_M, Lengths.ft(3), Values.G6_RADIUS_M);
        double low = Double.POSITIVE_INFINITY;
        double high = 0;
        for (double earth : new double[] {iron / 2, iron, 2 * iron}) {
            for (double leak : new double[] {0.5e-3 / 3, 0.5e-3, 3e-3}) {
                ObjectNode root = Json.MAPPER.createObjectNode();
                root.put("name", "yard")
                        .put("line_model", "frequency_dependent")
                        .put("earth_ohm", earth);
                root.putObject("energizer")
                        .putObject("plate")
                        .put("stored_J", 0.35)
                        .put("out500_J", 0.25)
                        .put("open_V", 7500)
                        .put("v500", 3400);
                ObjectNode run =
                        root.putArray("runs").addObject().put("id", "a").put("length_m", 72);
                for (double inch : new double[] {4, 8, 12, 17, 22, 28, 36}) {
                    run.withArray("hot_heights_m").add(Lengths.in(inch));
                }
                run.put("diameter_mm", 2.03)
                        .put("ohm_per_km", 8.7)
                        .put("leak_S_per_km", leak)
                        .put("soil_ohm_m", 2000);
                root.putArray("faults");
                root.putArray("points").addArray().add("a").add(72);
                CircuitFile file = CircuitFile.read(root);
                double v = PulseSolver.solve(file.circuit(), file.points())
                        .answers()
                        .getFirst()
                        .peakV();
                low = Math.min(low, v);
                high = Math.max(high, v);
            }
        }
        holds("poultry yard 21 × 15 m, ¼ J, one iron in stony fill", low, high, 4000);
    }

    private static double atTerminals(EnergizerRating plate, Optional<Double> ohm) throws IOException {
        ObjectNode root = Json.MAPPER.createObjectNode();
        root.put("name", "bench").put("line_model", "frequency_dependent").put("earth_ohm", 0);
        root.putObject("energizer")
                .putObject("plate")
                .put("stored_J", plate.storedJ().orElseThrow())
                .put("out500_J", plate.out500J().orElseThrow())
                .put("open_V", plate.openV())
                .put("v500", plate.v500());
        ObjectNode run = root.putArray("runs").addObject().put("id", "a").put("length_m", 0.5);
        run.putArray("hot_heights_m").add(0.9);
        run.put("diameter_mm", 2.5).put("ohm_per_km", 35).put("mu_r", 100);
        ArrayNode faults = root.putArray("faults");
        ohm.ifPresent(r -> faults.addObject()
                .put("type", "shunt")
                .put("run", "a")
                .put("distance_m", 0.5)
                .put("ohm", r));
        root.putArray("points").addArray().add("a").add(0.5);
        CircuitFile file = CircuitFile.read(root);
        return PulseSolver.solve(file.circuit(), file.points())
                .answers()
                .getFirst()
                .peakV();
    }

    private void power() throws IOException {
        double drawW = Energizers.drawW(Energizers.GENERIC.get(2), Energizers.Mode.FULL, 0.5);
        double ahADay = drawW * 24 / Battery.VOLTS;
        double given = Battery.capacityShare(5) / ahADay;
        number("days on 7.2 Ah, ½ J, 5 °C, to empty", "%.1f", 7.2 * given, 3, 0.2, "common practice E1");
        number("days on 5 Ah, ½ J, 5 °C, to empty", "%.1f", 5 * given, 2, 0.2, "common practice E1");
        number("days on 35 Ah, ½ J, 5 °C, to empty", "%.1f", 35 * given, 14, 1, "common practice E1 (expected)");
        double wet = Rods.singleOhm(Values.G12_WET_OHM_M, Values.G3_ROD_M, 0.008);
        says("one 8 ft rod in wet soft clay", String.format(Locale.ROOT, "%.0f Ω", wet), "enough", PRACTICE, wet < 15);
        number(
                "sun above the air, 20° S, 3 September, MJ/m²",
                "%.1f",
                Sun.aboveMjPerM2(-20, 246),
                32.2,
                0.1,
                "FAO Irrigation and Drainage Paper 56, example 8, from memory");
        String power = "core/src/test/java/buckle/power/PowerTest.java";
        elsewhere(
                "sun by month and latitude",
                "within 0.5 MJ/m²",
                "table 2.6 of its annex",
                "FAO Irrigation and Drainage Paper 56, from memory",
                power,
                "sunByMonthIsThatOfTheTable");
        elsewhere(
                "rods one length apart",
                "near the table",
                "1.16, 1.29, 1.36, 1.68",
                "IEEE Std 142, from memory",
                power,
                "rodsOneLengthApartComeNearTheTable");
        elsewhere(
                "100 W panel with 110 Ah, mild maritime climate",
                "never empty",
                "needs no charging",
                PRACTICE,
                power,
                "aLargePanelNeedsNoCharging");
    }

    private void survey() throws IOException {
        elsewhere(
                "distances on the plane",
                "1 mm + 1e-7",
                "geodesics on WGS 84",
                "GeographicLib (Karney 2013)",
                "core/src/test/java/buckle/site/LocalPlaneTest.java",
                "distancesAgreeWithGeodesics");
        elsewhere(
                "tape book adjusted",
                "the same places",
                "Levenberg-Marquardt on the residuals",
                "Hipparchus",
                "core/src/test/java/buckle/tape/TapeAdjusterTest.java",
                "hipparchusOwnOptimiserFindsTheSamePlaces");
        elsewhere(
                "corners between sides of 400 to 900 m, walked",
                "none beyond 3 m",
                "3 m asked",
                "simulated walks, error model ours",
                "core/src/test/java/buckle/site/WalkCleanerTest.java",
                "betweenLongSidesCornersStayWhereTheyAre");
        elsewhere(
                "layout, job, GPX, drawing, map, terrain",
                "read by others",
                "ogrinfo, gpsbabel, gdallocationinfo",
                "GDAL, gpsbabel",
                "exchange/src/test/java/buckle/exchange/ForeignReadersTest.java",
                "ogrinfoReadsTheLayout");
        elsewhere(
                "every item of the takeoff on the sheet",
                "all",
                "what the core counts",
                "test of the screen",
                "ui/tests/takeoff.test.ts",
                "shows every line of the takeoff");
    }
}
