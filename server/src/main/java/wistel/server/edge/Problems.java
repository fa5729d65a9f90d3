package wistel.server.edge;

import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.TransientDataAccessResourceException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import wistel.core.fault.Conflict;
import wistel.core.fault.InvalidRequest;
import wistel.core.fault.LibraryException;
import wistel.core.fault.NotFound;
import wistel.core.fault.PrinterException;
import wistel.core.fault.RecordException;
import wistel.core.fault.WistelException;

/** Typed errors as RFC 9457 problems: what happened in {@code detail}, what to do in {@code next}, our code in {@code code}. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    static final String COMPARE = "Compare it with /v3/api-docs, which tells what is taken here.";

    @ExceptionHandler(WistelException.class)
    ResponseEntity<ProblemDetail> typed(WistelException e) {
        HttpStatus status = status(e);
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, e.getMessage());
        problem.setProperty("code", e.code());
        problem.setProperty("next", e.next());
        e.data().forEach(problem::setProperty);
        return ResponseEntity.status(status).body(problem);
    }

    /** A record that refuses what can't be says so itself, also while it is read from JSON. */
    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(HttpMessageNotReadableException e, HttpHeaders headers,
        HttpStatusCode code, WebRequest request) {
        for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof WistelException known) {
                return ResponseEntity.status(status(known)).body(typed(known).getBody());
            }
        }
        return super.handleHttpMessageNotReadable(e, headers, code, request);
    }

    /** What the framework refuses has the same form as what Wistel does. */
    @Override
    protected ResponseEntity<Object> createResponseEntity(Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (body instanceof ProblemDetail problem) {
            problem.setProperty("code", switch (status.value()) {
                case 404 -> "not-found";
                case 405 -> "method-not-allowed";
                case 406 -> "not-acceptable";
                case 413 -> "file-too-large";
                case 415 -> "form-unknown";
                default -> status.is5xxServerError() ? "unforeseen" : "request-unclear";
            });
            problem.setProperty("next", status.value() == 404 ? "Check the address; /v3/api-docs lists all there are." : COMPARE);
            if (problem.getDetail() == null || problem.getDetail().isBlank()) {
                problem.setDetail("This request can't be taken as it is.");
            }
        }
        return super.createResponseEntity(body, headers, status, request);
    }

    @ExceptionHandler({DataAccessResourceFailureException.class, CannotCreateTransactionException.class,
        TransientDataAccessResourceException.class})
    ResponseEntity<ProblemDetail> databaseAway(Exception e) {
        LOG.warn("the database doesn't answer");
        return typed(new RecordException(RecordException.Reason.DATABASE_AWAY, "The database doesn't answer.",
            "What you had is safe. Start PostgreSQL (./wistel demo or start does), then try again.", e));
    }

    private static HttpStatus status(WistelException e) {
        if (e instanceof NotFound) {
            return HttpStatus.NOT_FOUND;
        }
        if (e instanceof Conflict c) {
            return c.reason() == Conflict.Reason.STALE ? HttpStatus.PRECONDITION_FAILED : HttpStatus.CONFLICT;
        }
        if (e instanceof InvalidRequest r) {
            return switch (r.reason()) {
                case FILE_TOO_LARGE -> HttpStatus.CONTENT_TOO_LARGE;
                case UPLOAD_STALLED -> HttpStatus.REQUEST_TIMEOUT;
                default -> HttpStatus.BAD_REQUEST;
            };
        }
        if (e instanceof RecordException r) {
            return switch (r.reason()) {
                case DOCKET_UNREADABLE, RECORD_DAMAGED -> HttpStatus.UNPROCESSABLE_CONTENT;
                case DATABASE_AWAY -> HttpStatus.SERVICE_UNAVAILABLE;
                case DISK_FULL -> HttpStatus.INSUFFICIENT_STORAGE;
            };
        }
        if (e instanceof LibraryException l) {
            return l.reason() == LibraryException.Reason.ADDRESS ? HttpStatus.BAD_REQUEST : HttpStatus.BAD_GATEWAY;
        }
        return e instanceof PrinterException ? HttpStatus.BAD_GATEWAY : HttpStatus.UNPROCESSABLE_CONTENT;
    }

    @ExceptionHandler(Exception.class)
    ResponseEntity<ProblemDetail> unforeseen(Exception e) {
        if (e instanceof IOException) {
            LOG.info("a connection or file broke off: {}", e.toString());
        } else {
            LOG.error("unforeseen", e);
        }
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.INTERNAL_SERVER_ERROR,
            "Something went wrong inside Wistel; what you had is unchanged.");
        problem.setProperty("code", "unforeseen");
        problem.setProperty("next", "Try again; if it happens again, the server's log says more.");
        return ResponseEntity.internalServerError().body(problem);
    }
}
