package imperan.rig;

import java.util.Optional;

/** Port numbers (RFC 768: 16 bits; 0 means "none"). */
public final class Ports {

    public static final int MAX = 65_535;

    /** Ports below are for services of the system; programs need special rights to open them (RFC 6335 section 6). */
    public static final int FIRST_USER = 1024;

    /** Ports from here on are given to whoever asks for any, so a program may find its own taken (RFC 6335 section 6). */
    public static final int FIRST_DYNAMIC = 49_152;

    private Ports() {
    }

    /** One sentence where the number cannot be a port. */
    public static Optional<String> problem(int port) {
        return port >= 1 && port <= MAX ? Optional.empty()
                : Optional.of(port + " is not a port: ports run from 1 to " + MAX);
    }
}
