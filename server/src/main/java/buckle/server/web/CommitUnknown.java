package buckle.server.web;

import org.springframework.transaction.TransactionException;

/** The connection was lost while a commit was under way: whether it took place is not known. */
final class CommitUnknown extends TransactionException {
    private static final long serialVersionUID = 1L;

    CommitUnknown(Throwable cause) {
        super("commit not answered", cause);
    }
}
