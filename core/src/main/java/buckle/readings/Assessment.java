package buckle.readings;

import buckle.message.Message;
import buckle.rulebook.Standing;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;

/** What the readings say: each test point and each section against the need. */
public record Assessment(
        OptionalDouble needV, Message needWhy, List<PointStanding> points, List<SectionStanding> sections) {
    public Assessment {
        points = List.copyOf(points);
        sections = List.copyOf(sections);
    }

    /** A test point: its deciding reading and how it stands. */
    public record PointStanding(
            String testPointId, Standing standing, Optional<UUID> readingId, OptionalDouble peakV, Message why) {}

    /** A section: its weakest test point and how it stands. */
    public record SectionStanding(
            String sectionId,
            String name,
            Standing standing,
            Optional<String> weakestTestPointId,
            OptionalDouble peakV,
            Message why) {}
}
