package imperan.server.api;

import imperan.server.api.ShowController.EditAnswer;
import imperan.server.run.NotLiveException;
import imperan.server.store.UnknownShowException;
import imperan.show.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestControllerAdvice;

import java.util.List;
import java.util.Optional;

/** Says in words what went wrong where a request could not be handled at all. */
@RestControllerAdvice
class Faults {

    private static final Logger LOG = LoggerFactory.getLogger(Faults.class);

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    EditAnswer unreadable(HttpMessageNotReadableException e) {
        return refused("This request cannot be read: " + Optional.ofNullable(e.getMostSpecificCause().getMessage())
                .flatMap(message -> message.lines().findFirst()).orElse("something in it is missing"));
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

    /** An id, an address or a word of the request that is none. */
    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    EditAnswer noSuchThing(IllegalArgumentException e) {
        LOG.info("A request makes no sense: {}", e.getMessage());
        return refused("This request makes no sense: " + e.getMessage());
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    @ResponseStatus(HttpStatus.SERVICE_UNAVAILABLE)
    EditAnswer database(RuntimeException e) {
        LOG.error("The database does not answer", e);
        return refused("The database does not answer; nothing was changed. Try again in a moment");
    }

    private static EditAnswer refused(String message) {
        return new EditAnswer(0, List.of(Problem.of(message)));
    }
}
