package buckle.server.jobs;

import buckle.site.BadInput;
import org.jspecify.annotations.Nullable;

/**
 * Which jobs are listed; all may be left out.
 *
 * @param search stands in the name of the job, the client or the property
 * @param client its whole name
 * @param page from 0
 */
record YardQuery(
        @Nullable String search,
        @Nullable String client,
        @Nullable JobState state,
        @Nullable Sort sort,
        @Nullable Integer page,
        @Nullable Integer size) {
    private static final int MOST = 200;
    private static final int USUAL = 50;
    private static final int MOST_PAGES = 1_000_000;
    private static final int LONGEST = 200;

    /** What comes first. */
    enum Sort {
        /** Changed last. */
        CHANGED,
        NAME,
        CLIENT,
        /** Longest. */
        LENGTH,
        /** Most sections that do not hold. */
        STANDING
    }

    YardQuery {
        if (size != null && (size < 1 || size > MOST)) {
            throw new BadInput("yard.size", "size", "A page holds 1 to " + MOST + " jobs.");
        }
        if (page != null && (page < 0 || page > MOST_PAGES)) {
            throw new BadInput("yard.page", "page", "Pages are counted from 0.");
        }
        if (search != null && search.length() > LONGEST || client != null && client.length() > LONGEST) {
            throw new BadInput("yard.search", "search", "At most 200 characters are searched for.");
        }
    }

    int sizeOrUsual() {
        return size == null ? USUAL : size;
    }

    int pageOrFirst() {
        return page == null ? 0 : page;
    }

    JobState stateOrActive() {
        return state == null ? JobState.ACTIVE : state;
    }

    Sort sortOrUsual() {
        return sort == null ? Sort.CHANGED : sort;
    }

    /** For {@code ilike}; null when nothing is searched for. */
    @Nullable
    String pattern() {
        if (search == null || search.isBlank()) {
            return null;
        }
        String literal = search.strip()
                .replace("\0", "")
                .replace("\\", "\\\\")
                .replace("%", "\\%")
                .replace("_", "\\_");
        return "%" + literal + "%";
    }

    @Nullable
    String clientOrAll() {
        return client == null || client.isBlank() ? null : client.replace("\0", "");
    }
}
