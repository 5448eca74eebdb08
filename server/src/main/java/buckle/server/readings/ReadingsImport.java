package buckle.server.readings;

import buckle.readings.Observation;
import buckle.site.Problem;
import java.util.List;

/**
 * What became of a table of readings.
 *
 * @param readings those of the table that are stored now
 * @param stored how many are new, {@code known} how many were there already
 * @param problems rows that were not stored, and why
 */
public record ReadingsImport(List<Observation> readings, int stored, int known, List<Problem> problems) {}
