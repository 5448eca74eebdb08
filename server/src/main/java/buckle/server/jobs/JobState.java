package buckle.server.jobs;

/** Where a job is kept. */
public enum JobState {
    ACTIVE,
    TEMPLATE,
    ARCHIVED,
    DELETED
}
