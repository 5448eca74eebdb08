package buckle.server.web;

import buckle.exchange.Json;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;

/** Turns whatever goes wrong into a problem document (RFC 9457) with a code, a sentence and the places concerned. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ResponseEntity<Object> badInput(BadInput e) {
        return answer(
                422, e.problems().getFirst().code(), e.problems().getFirst().message(), e.problems(), Map.of());
    }

    @ExceptionHandler
    ResponseEntity<Object> trouble(Trouble e) {
        return answer(e.status(), e.code(), String.valueOf(e.getMessage()), List.of(), e.more());
    }

    @ExceptionHandler({
        CannotGetJdbcConnectionException.class,
        CannotCreateTransactionException.class,
        DataAccessResourceFailureException.class
    })
    ResponseEntity<Object> database(Exception e) {
        LOG.warn("The database does not answer: {}", e.getMessage());
        return answer(
                503,
                "database.away",
                "The database does not answer. Nothing was stored; try again in a moment.",
                List.of(),
                Map.of());
    }

    @ExceptionHandler
    ResponseEntity<Object> unforeseen(Exception e) {
        LOG.error("Unforeseen", e);
        return answer(
                500, "unforeseen", "Buckle met something it did not foresee. Nothing was stored.", List.of(), Map.of());
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e.getCause() instanceof JacksonException json) {
            Problem problem = new Problem("json.value", path(json), Json.sentence(json));
            return answer(422, problem.code(), problem.message() + " Nothing was stored.", List.of(problem), Map.of());
        }
        return answer(400, "body.unreadable", "The request cannot be read. Nothing was stored.", List.of(), Map.of());
    }

    private static String path(JacksonException json) {
        String path = Json.path(json);
        return path.startsWith(".") ? path.substring(1) : path;
    }

    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String detail =
                body instanceof ProblemDetail p && p.getDetail() != null ? p.getDetail() : "The request does not fit.";
        return answer(status.value(), "request", detail, List.of(), Map.of());
    }

    private static ResponseEntity<Object> answer(
            int status, String code, String sentence, List<Problem> errors, Map<String, Object> more) {
        ProblemDetail problem = ProblemDetail.forStatus(HttpStatus.valueOf(status));
        problem.setDetail(sentence);
        problem.setProperty("code", code);
        problem.setProperty("errors", errors);
        more.forEach(problem::setProperty);
        return ResponseEntity.status(status)
                .header(HttpHeaders.CONTENT_TYPE, "application/problem+json")
                .body(problem);
    }
}
