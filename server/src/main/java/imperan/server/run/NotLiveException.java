package imperan.server.run;

/** Something was wanted that only the show can give which owns the sockets. */
public final class NotLiveException extends RuntimeException {

    NotLiveException() {
        super("This show is not live, so nothing is heard or sent for it. Go live with it first");
    }
}
