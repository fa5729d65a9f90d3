package wistel.server.edge;

import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import wistel.core.fault.EntryException;
import wistel.core.fault.PrinterException;
import wistel.core.fault.WistelException;

/** Typed errors as RFC 9457 problems: what happened in {@code detail}, what to do in {@code next}, our code in {@code code}. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler(WistelException.class)
    ResponseEntity<ProblemDetail> typed(WistelException e) {
        HttpStatus status = switch (e.code()) {
            case "not-found" -> HttpStatus.NOT_FOUND;
            case "stale" -> HttpStatus.PRECONDITION_FAILED;
            case "file-too-large" -> HttpStatus.CONTENT_TOO_LARGE;
            default -> e instanceof PrinterException ? HttpStatus.BAD_GATEWAY
                : e instanceof EntryException ? HttpStatus.BAD_REQUEST : HttpStatus.UNPROCESSABLE_CONTENT;
        };
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, e.getMessage());
        problem.setProperty("code", e.code());
        problem.setProperty("next", e.next());
        e.data().forEach(problem::setProperty);
        return ResponseEntity.status(status).body(problem);
    }

    @ExceptionHandler(Exception.class)
    ResponseEntity<ProblemDetail> unforeseen(Exception e) {
        if (e instanceof IOException) {
            LOG.info("a connection or file broke off: {}", e.toString());
        } else {
            LOG.error("unforeseen", e);
        }
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.INTERNAL_SERVER_ERROR, "Something went wrong inside Wistel; what you had is unchanged.");
        problem.setProperty("code", "unforeseen");
        problem.setProperty("next", "Try again; if it happens again, the server's log says more.");
        return ResponseEntity.internalServerError().body(problem);
    }
}
