package buckle.exchange;

import buckle.rulebook.Values;
import buckle.site.BadInput;
import buckle.site.Survey;
import buckle.site.SurveyPlanner;
import buckle.site.WalkOptions;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** Reads whatever file somebody drops, by its contents and not by its name. */
public final class Importer {
    private Importer() {}

    /** Either a whole job or a survey to be planned. */
    public record Found(Optional<JobFile> job, Optional<Survey> survey) {}

    public static Found read(byte[] bytes, WalkOptions options) {
        Limits.checkSize(bytes.length);
        return switch (firstCharacter(bytes)) {
            case '<' -> survey(GpxReader.read(bytes), options);
            case '{' -> json(bytes, options);
            default ->
                throw new BadInput(
                        "file.format",
                        "file",
                        "This is neither GPX, GeoJSON nor a Buckle job file. Nothing was stored.");
        };
    }

    private static Found json(byte[] bytes, WalkOptions options) {
        JsonNode root = Json.parse(bytes);
        return JobFileReader.isJobFile(root)
                ? new Found(Optional.of(JobFileReader.read(root)), Optional.empty())
                : survey(GeoJsonReader.read(root), options);
    }

    private static Found survey(Tracks tracks, WalkOptions options) {
        Survey survey =
                SurveyPlanner.plan(tracks.walks(), tracks.marks(), options, Values.J5_OPENING_M, tracks.leftOut());
        return new Found(Optional.empty(), Optional.of(survey));
    }

    /** First character after a byte order mark and white space. */
    private static char firstCharacter(byte[] bytes) {
        int i = bytes.length > 2 && (bytes[0] & 0xff) == 0xef && (bytes[1] & 0xff) == 0xbb ? 3 : 0;
        while (i < bytes.length && Character.isWhitespace(bytes[i])) {
            i++;
        }
        return i < bytes.length ? (char) bytes[i] : ' ';
    }
}
