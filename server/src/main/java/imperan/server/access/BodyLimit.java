package imperan.server.access;

import java.io.IOException;
import java.util.Optional;
import org.springframework.http.HttpStatus;

/** What is read of a body, or written of an answer, ends here: it is too large, or takes too long. The message says which. */
public final class BodyLimit extends IOException {

    private final transient HttpStatus status;

    BodyLimit(HttpStatus status, String message) {
        super(message);
        this.status = status;
    }

    public HttpStatus status() {
        return status;
    }

    /** The status for a request that failed because of a limit; empty where it failed for another reason. */
    public static Optional<HttpStatus> status(Throwable failure) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof BodyLimit limit) {
                return Optional.of(limit.status());
            }
        }
        return Optional.empty();
    }
}
