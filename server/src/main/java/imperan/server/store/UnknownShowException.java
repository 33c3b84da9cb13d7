package imperan.server.store;

/** Somebody asked for a show that is not there. */
public final class UnknownShowException extends RuntimeException {

    public UnknownShowException(String showId) {
        super("There is no show “" + showId + "”");
    }
}
