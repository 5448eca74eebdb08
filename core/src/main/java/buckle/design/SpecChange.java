package buckle.design;

import java.util.Set;

/**
 * A field of the spec that differs, and what it alone does to the job.
 *
 * @param path {@code build.posts.strong}
 * @param before its value in words
 * @param effects what changes when only this field does; empty when nothing does
 */
public record SpecChange(String path, String before, String after, Set<Effect> effects) {
    /** What a change shows in. */
    public enum Effect {
        /** What is loaded. */
        MATERIAL,
        /** Posts, pulls, loads, joints or figures of the ledger. */
        LAYOUT,
        /** What is found and said. */
        FINDINGS,
        /** Voltages, energizers, earth or supply. */
        PULSE,
        /** It cannot be tried without the other changes. */
        ONLY_TOGETHER
    }

    public SpecChange {
        effects = Set.copyOf(effects);
    }
}
