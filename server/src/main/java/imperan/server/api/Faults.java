package imperan.server.api;

import imperan.progress.Progress;
import imperan.server.access.BodyLimit;
import imperan.server.api.ShowController.EditAnswer;
import imperan.server.run.NotLiveException;
import imperan.server.store.UnknownShowException;
import imperan.show.Problem;
import imperan.show.ShowJson;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import tools.jackson.core.JacksonException;

/** Says in words what went wrong where a request could not be handled at all. */
@RestControllerAdvice
class Faults {

    private static final Logger LOG = LoggerFactory.getLogger(Faults.class);

    @ExceptionHandler
    ResponseEntity<EditAnswer> unreadable(HttpMessageNotReadableException e) {
        Throwable cause = e.getMostSpecificCause();
        String why = cause == e
                ? "it has no body"
                : cause instanceof JacksonException json
                        ? ShowJson.reason(json)
                        : Optional.ofNullable(cause.getMessage())
                                .flatMap(message -> message.lines().findFirst())
                                .orElse("something in it is missing");
        return ResponseEntity.status(BodyLimit.status(e).orElse(HttpStatus.BAD_REQUEST))
                .body(refused("This request cannot be read: " + why));
    }

    /** A body that was read by hand. */
    @ExceptionHandler
    ResponseEntity<EditAnswer> tooMuch(BodyLimit e) {
        return ResponseEntity.status(e.status()).body(refused(e.getMessage()));
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.NOT_FOUND)
    EditAnswer unknown(UnknownShowException e) {
        return refused(e.getMessage());
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.CONFLICT)
    EditAnswer notLive(NotLiveException e) {
        return refused(e.getMessage());
    }

    /** Somebody cancelled it. */
    @ExceptionHandler
    @ResponseStatus(HttpStatus.CONFLICT)
    EditAnswer cancelled(Progress.Cancelled e) {
        return refused(e.getMessage());
    }

    /** An id, an address or a word of the request that is none. */
    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    EditAnswer noSuchThing(IllegalArgumentException e) {
        LOG.info("A request is not valid: {}", e.getMessage());
        return refused("This request is not valid: " + e.getMessage());
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    EditAnswer missing(MissingServletRequestParameterException e) {
        return refused("This request is not valid: “" + e.getParameterName() + "” is missing");
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    EditAnswer database(RuntimeException e) {
        LOG.warn("The database does not answer: {}", e.getMessage());
        return refused("The database does not answer; nothing was changed. Try again in a moment");
    }

    /** What should not happen and did: said in words, with the trace where it belongs. */
    @ExceptionHandler({
        NullPointerException.class,
        IllegalStateException.class,
        IndexOutOfBoundsException.class,
        ClassCastException.class,
        ArithmeticException.class,
        NoSuchElementException.class,
        StackOverflowError.class,
        OutOfMemoryError.class
    })
    @ResponseStatus(HttpStatus.INTERNAL_SERVER_ERROR)
    EditAnswer unexpected(Throwable e) {
        LOG.error("A request failed", e);
        return refused(
                "The server could not do this, by a fault of its own; its log has the reason. No changes were made");
    }

    private static EditAnswer refused(String message) {
        return new EditAnswer(0, List.of(Problem.of(message)));
    }
}
