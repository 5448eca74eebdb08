package buckle.server.web;

import java.sql.SQLException;
import java.util.List;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.DefaultTransactionStatus;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Tells a commit that failed from one that was not answered, and remembers for a request that something of it is stored. */
@Configuration
public class Committing {
    static final String STORED = Committing.class.getName() + ".stored";

    /** Something was stored. */
    public record Stored() {}

    @Bean
    PlatformTransactionManager transactionManager(DataSource source, ApplicationEventPublisher events) {
        return new Manager(source, events);
    }

    private static final class Manager extends JdbcTransactionManager {
        private static final long serialVersionUID = 1L;
        private final transient ApplicationEventPublisher events;

        Manager(DataSource source, ApplicationEventPublisher events) {
            super(source);
            this.events = events;
        }

        @Override
        protected void doCommit(DefaultTransactionStatus status) {
            try {
                super.doCommit(status);
            } catch (RuntimeException e) {
                throw status.isReadOnly() || refusedByDatabase(e) ? e : new CommitUnknown(e);
            }
            if (!status.isReadOnly()) {
                RequestAttributes request = RequestContextHolder.getRequestAttributes();
                if (request != null) {
                    request.setAttribute(STORED, true, RequestAttributes.SCOPE_REQUEST);
                }
                events.publishEvent(new Stored());
            }
        }

        /** It answered, and said no: nothing is stored. */
        private static boolean refusedByDatabase(Throwable e) {
            String state = null;
            for (Throwable at = e; at != null && state == null; at = at.getCause()) {
                state = at instanceof SQLException sql ? sql.getSQLState() : null;
            }
            return answered(state);
        }

        private static boolean answered(@Nullable String state) {
            return state != null && List.of("08", "57", "58").stream().noneMatch(state::startsWith);
        }
    }
}
