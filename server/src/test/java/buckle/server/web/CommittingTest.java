package buckle.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.springframework.http.converter.HttpMessageNotWritableException;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.DefaultTransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** “Nothing was stored” is only said when it is so. States are PostgreSQL's (its manual, appendix A). */
class CommittingTest {
    private final List<Object> events = new ArrayList<>();

    /** A connection whose commit ends so; null for well. */
    private PlatformTransactionManager committing(String state) {
        Connection connection = (Connection) Proxy.newProxyInstance(
                getClass().getClassLoader(), new Class<?>[] {Connection.class}, (proxy, method, args) -> {
                    if (method.getName().equals("commit") && state != null) {
                        throw new SQLException("at the commit", state);
                    }
                    return of(proxy, method, args, null);
                });
        DataSource source = (DataSource) Proxy.newProxyInstance(
                getClass().getClassLoader(),
                new Class<?>[] {DataSource.class},
                (proxy, method, args) -> of(proxy, method, args, connection));
        return new Committing().transactionManager(source, events::add);
    }

    private static Object of(Object proxy, java.lang.reflect.Method method, Object[] args, Object connection) {
        return switch (method.getName()) {
            case "equals" -> proxy == args[0];
            case "hashCode" -> System.identityHashCode(proxy);
            case "toString" -> "a stand-in";
            case "getConnection" -> connection;
            default ->
                method.getReturnType() == boolean.class
                        ? Boolean.FALSE
                        : method.getReturnType() == int.class ? 0 : null;
        };
    }

    private Problems.Sent told(String state, boolean readOnly) {
        MockHttpServletRequest request = new MockHttpServletRequest("PUT", "/api/jobs/1/plan");
        RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
        try {
            DefaultTransactionDefinition definition = new DefaultTransactionDefinition();
            definition.setReadOnly(readOnly);
            new TransactionTemplate(committing(state), definition).executeWithoutResult(status -> {});
            return Problems.of(new IllegalStateException("after the commit"), request);
        } catch (RuntimeException e) {
            return Problems.of(e, request);
        } finally {
            RequestContextHolder.resetRequestAttributes();
        }
    }

    @Test
    void aCommitThatIsNotAnsweredIsSaidToBeUnknown() {
        for (String state : new String[] {"08006", "57P01", "57P02"}) {
            Problems.Sent sent = told(state, false);
            assertThat(sent.code()).as(state).isEqualTo("commit.unknown");
            assertThat(sent.status()).isEqualTo(503);
            assertThat(sent.detail())
                    .contains("not known", "send it again", "safe")
                    .doesNotContain("Nothing was stored");
        }
        assertThat(events).isEmpty();
    }

    @Test
    void aCommitThatIsRefusedStoredNothing() {
        Problems.Sent full = told("53100", false);
        assertThat(full.status()).isEqualTo(507);
        assertThat(full.detail()).contains("The disk is full", "Nothing was stored");
        assertThat(told("40001", false).detail()).contains("Nothing was stored");
    }

    @Test
    void whatFailsAfterACommitIsStored() {
        Problems.Sent sent = told(null, false);
        assertThat(sent.status()).isEqualTo(500);
        assertThat(sent.detail()).contains("is stored").doesNotContain("Nothing");
        assertThat(events).hasSize(1);
    }

    @Test
    void readingStoresNothingEitherWay() {
        assertThat(told("08006", true).code()).isEqualTo("database.away");
        MockHttpServletRequest get = new MockHttpServletRequest("GET", "/api/jobs");
        assertThat(Problems.of(new IllegalStateException(), get).detail()).doesNotContain("stored");
    }

    /** A page that was closed before its answer came is no fault of Buckle's. */
    @Test
    void whoHasGoneBeforeTheAnswerIsNothingUnforeseen() {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/electrics");
        IOException broken = new IOException("Broken pipe");
        assertThat(Problems.of(new HttpMessageNotWritableException("Could not write", broken), request)
                        .status())
                .isEqualTo(499);
        assertThat(Problems.of(new HttpMessageNotWritableException("No serializer"), request)
                        .code())
                .isEqualTo("unforeseen");
    }
}
