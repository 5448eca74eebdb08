package buckle.server.web;

import buckle.exchange.Json;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.task.Cancellation;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.RecoverableDataAccessException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.util.DisconnectedClientHelper;
import tools.jackson.core.JacksonException;

/** Turns whatever goes wrong into a problem document (RFC 9457) with a code, a sentence and the places concerned. */
@RestControllerAdvice
class Problems {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    private static final int AWAY = 503;
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");
    /** PostgreSQL's class 53: it lacks disk, memory or connections; 53100 is the disk. */
    private static final String DISK_FULL = "53100";

    /** Class 57: an operator stops it, or it is not up yet; class 08: the connection is gone. */
    private static final Set<String> AWAY_CLASSES = Set.of("08", "53", "57");

    /**
     * A problem as it is sent.
     *
     * @param more further members, by name
     */
    record Sent(int status, String code, String detail, List<Problem> errors, Map<String, Object> more) {
        byte[] json() {
            Map<String, Object> members = new LinkedHashMap<>();
            members.put("type", "about:blank");
            members.put("status", status);
            members.put("code", code);
            members.put("detail", detail);
            members.put("errors", errors);
            members.putAll(more);
            return Json.MAPPER.writeValueAsString(members).getBytes(StandardCharsets.UTF_8);
        }
    }

    @ExceptionHandler
    ResponseEntity<byte[]> any(Exception e, HttpServletRequest request) {
        Sent sent = of(e, request);
        ResponseEntity.BodyBuilder answer =
                ResponseEntity.status(sent.status()).contentType(MediaType.APPLICATION_PROBLEM_JSON);
        if (e instanceof ErrorResponse framework) {
            HttpHeaders headers = framework.getHeaders();
            headers.forEach((name, values) -> answer.header(name, values.toArray(String[]::new)));
        }
        if (sent.status() == AWAY || sent.status() == 429) {
            answer.header(HttpHeaders.RETRY_AFTER, "1");
        }
        return answer.body(sent.json());
    }

    static void write(HttpServletResponse response, Sent sent) throws IOException {
        byte[] json = sent.json();
        response.setStatus(sent.status());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setContentLength(json.length);
        response.getOutputStream().write(json);
    }

    static Sent of(Exception thrown, HttpServletRequest request) {
        Throwable e =
                thrown instanceof ServletException wrapped && wrapped.getCause() != null ? wrapped.getCause() : thrown;
        for (Throwable at = e; at != null; at = at.getCause()) {
            if (at instanceof BadInput bad) {
                e = bad;
            }
        }
        return switch (e) {
            case BadInput bad -> {
                Problem first = bad.problems().getFirst();
                yield new Sent(422, first.code(), first.message(), bad.problems(), Map.of());
            }
            case RequestRefused refused ->
                sent(refused.status(), refused.code(), String.valueOf(refused.getMessage()), refused.more());
            case HttpMessageNotReadableException unreadable -> unreadable(unreadable);
            case JacksonException json -> json(json);
            case ErrorResponse framework -> framework(framework);
            case TypeMismatchException mismatch -> mismatch(mismatch);
            case InvalidParameterException parameters ->
                sent(parameters.getErrorCode(), "query", "The query cannot be read. Nothing was stored.");
            case Cancellation.Cancelled cancelled ->
                sent(AWAY, "work.called-off", "Buckle is stopping; this was not calculated. Nothing was stored.");
            case CommitUnknown unknown -> {
                LOG.warn("A commit was not answered: {}", String.valueOf(unknown.getCause()));
                yield sent(
                        AWAY,
                        "commit.unknown",
                        "The database went away at the last moment. Whether this was stored is not known; send it again, which is"
                                + " safe.");
            }
            case OutOfMemoryError memory -> {
                LOG.warn("Out of memory at {} {}", request.getMethod(), request.getRequestURI());
                yield sent(413, "memory", "This is too large to be calculated on this machine. Nothing was stored.");
            }
            default -> further(e, request);
        };
    }

    private static Sent further(Throwable e, HttpServletRequest request) {
        String state = sqlState(e);
        if (DISK_FULL.equals(state)) {
            LOG.error("The disk is full: {}", e.getMessage());
            return sent(507, "disk.full", "The disk is full. " + stored(request) + " Make room, then try again.");
        }
        if (e instanceof CannotGetJdbcConnectionException
                || e instanceof TransactionException
                || e instanceof DataAccessResourceFailureException
                || e instanceof RecoverableDataAccessException
                || e instanceof TransientDataAccessException
                || state != null && state.length() == 5 && AWAY_CLASSES.contains(state.substring(0, 2))) {
            LOG.warn("The database does not answer: {}", e.getMessage());
            return sent(
                    AWAY,
                    "database.away",
                    "The database does not answer. " + stored(request) + " Try again in a moment.");
        }
        if (DisconnectedClientHelper.isClientDisconnectedException(e)
                || e instanceof IOException && request.getDispatcherType() == DispatcherType.ASYNC) {
            // A page was closed or another opened before the answer; or it was shown readings as they came.
            return sent(499, "asker.gone", "Whoever asked has gone.");
        }
        LOG.error("Unforeseen at {} {}", request.getMethod(), request.getRequestURI(), e);
        return sent(500, "unforeseen", "Buckle met something it did not foresee. " + stored(request));
    }

    /** What became of what was sent. */
    private static String stored(HttpServletRequest request) {
        if (READING.contains(request.getMethod())) {
            return "";
        }
        return request.getAttribute(Committing.STORED) == null
                ? "Nothing was stored."
                : "What you sent is stored; only the answer to it failed.";
    }

    private static @Nullable String sqlState(Throwable e) {
        for (Throwable at = e; at != null; at = at.getCause()) {
            if (at instanceof SQLException sql && sql.getSQLState() != null) {
                return sql.getSQLState();
            }
        }
        return null;
    }

    private static Sent unreadable(HttpMessageNotReadableException e) {
        return e.getCause() instanceof JacksonException json
                ? json(json)
                : sent(400, "body.unreadable", "The request cannot be read. Nothing was stored.");
    }

    private static Sent json(JacksonException e) {
        String path = Json.path(e);
        Problem problem = new Problem("json.value", path.startsWith(".") ? path.substring(1) : path, Json.sentence(e));
        return new Sent(422, problem.code(), problem.message() + " Nothing was stored.", List.of(problem), Map.of());
    }

    private static Sent framework(ErrorResponse e) {
        HttpStatusCode status = e.getStatusCode();
        String detail = e.getBody().getDetail();
        return sent(
                status.value(), "request", detail == null || detail.isBlank() ? "The request does not fit." : detail);
    }

    private static Sent mismatch(TypeMismatchException e) {
        String name = e instanceof MethodArgumentTypeMismatchException argument ? argument.getName() : "a value";
        return sent(400, "request", "What was sent as “" + name + "” does not fit. Nothing was stored.");
    }

    static Sent sent(int status, String code, String detail) {
        return sent(status, code, detail, Map.of());
    }

    private static Sent sent(int status, String code, String detail, Map<String, Object> more) {
        return new Sent(status, code, detail.strip().replace("  ", " "), List.of(), more);
    }
}
