package buckle.exchange.handover;

import buckle.rulebook.Standing;
import buckle.units.UnitSystem;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;

/**
 * A fence as it was handed over, in words, kept as it was signed.
 *
 * @param number counts up through all jobs
 * @param inOrder whether every section holds what the animal needs, every number stands by itself, nothing of the list is open and
 *     nothing needed is unread
 * @param verdict the result in a sentence
 * @param need what the animals need, and why
 * @param found what a plan cannot know, as the readings have it
 * @param leaks that in a sentence; empty without a yardstick
 */
public record Certificate(
        int number,
        String job,
        String client,
        String property,
        int planRevision,
        UnitSystem units,
        String signedBy,
        LocalDate signedOn,
        boolean inOrder,
        String verdict,
        OptionalDouble needV,
        String need,
        String energizer,
        List<SectionRow> sections,
        List<ReadingRow> readings,
        List<CheckRow> checks,
        List<FoundRow> found,
        String leaks,
        List<String> ownerDoes,
        List<String> cautions,
        OwnerCard card,
        List<VoltageCurve> curves) {
    public Certificate {
        sections = List.copyOf(sections);
        readings = List.copyOf(readings);
        checks = List.copyOf(checks);
        found = List.copyOf(found);
        ownerDoes = List.copyOf(ownerDoes);
        cautions = List.copyOf(cautions);
        curves = List.copyOf(curves);
    }

    /** A section by its weakest test point. */
    public record SectionRow(String name, String length, Standing standing, OptionalDouble peakV, String why) {}

    /**
     * A number of the round: what was read, what was expected, how it stands against need and prediction.
     *
     * @param off {@code much lower}; empty where nothing was predicted
     */
    public record ReadingRow(
            String point,
            String station,
            String what,
            String read,
            String expected,
            Standing need,
            Standing agrees,
            String off,
            String says,
            String when) {}

    /** A point of the list before power. */
    public record CheckRow(
            String text, String rule, boolean done, boolean inOrder, String reason, String by, String when) {}

    /** Something a plan cannot know. */
    public record FoundRow(String what, String before, String after, boolean told) {}

    /**
     * What the owner keeps in the pocket.
     *
     * @param at where the number is read
     * @param numberV that should be there
     * @param lowest the weakest place, {@code lowestV} what it should read
     * @param askV under it something is wrong, though the animals may still mind
     * @param call who is called then
     */
    public record OwnerCard(
            String at,
            OptionalDouble numberV,
            String lowest,
            OptionalDouble lowestV,
            OptionalDouble needV,
            OptionalDouble askV,
            List<String> switches,
            String call) {
        public OwnerCard {
            switches = List.copyOf(switches);
        }
    }

    /** Voltage along a line, as predicted and as read. */
    public record VoltageCurve(String name, double lengthM, List<CurvePoint> points, List<ReadMark> marks) {
        public VoltageCurve {
            points = List.copyOf(points);
            marks = List.copyOf(marks);
        }
    }

    /** A prediction. */
    public record CurvePoint(double stationM, double lowV, double likelyV, double highV) {}

    /** A reading. */
    public record ReadMark(double stationM, double peakV) {}
}
