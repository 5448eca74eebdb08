package buckle.task;

/**
 * Lets a long computation be called off: whoever wants it stopped interrupts its thread, and the computation asks here, often enough
 * that it ends within a fraction of a second.
 */
public final class Cancellation {
    private Cancellation() {}

    /** The computation was called off; nothing of it is used. */
    public static final class Cancelled extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private Cancelled() {
            super("called off");
        }
    }

    /**
     * Goes on, or ends the computation when its thread was interrupted.
     *
     * @throws Cancelled when it was called off
     */
    public static void check() {
        if (Thread.currentThread().isInterrupted()) {
            throw cancelled();
        }
    }

    /** For whoever waits and was interrupted at it. */
    public static Cancelled cancelled() {
        return new Cancelled();
    }
}
