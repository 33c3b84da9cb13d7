package imperan.rig;

import java.util.Optional;

/** Port numbers (RFC 768: 16 bits; 0 means "none"). */
public final class Ports {

    public static final int MAX = 65_535;

    private Ports() {
    }

    /** One sentence where the number cannot be a port. */
    public static Optional<String> problem(int port) {
        return port >= 1 && port <= MAX ? Optional.empty()
                : Optional.of(port + " is not a port: ports run from 1 to " + MAX);
    }
}
