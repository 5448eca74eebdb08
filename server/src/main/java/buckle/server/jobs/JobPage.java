package buckle.server.jobs;

import java.util.List;
import java.util.Map;

/**
 * A page of the list of jobs.
 *
 * @param total jobs of the state that was asked for, on all pages
 * @param counts jobs by state that the search finds
 */
public record JobPage(List<JobView> jobs, int page, int size, int total, Map<JobState, Integer> counts) {}
