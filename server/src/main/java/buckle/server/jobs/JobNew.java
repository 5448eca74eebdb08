package buckle.server.jobs;

/** A job to open. */
public record JobNew(String name, String client, String property) {}
