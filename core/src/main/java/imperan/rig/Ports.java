package imperan.rig;

import java.util.Optional;

/** Port numbers (RFC 768: 16 bits; 0 means "none"). */
public final class Ports {

    public static final int MAX = 65_535;

    /** Ports below are for services of the system; programs need special rights to open them (RFC 6335 section 6). */
    public static final int FIRST_USER = 1024;

    /** Ports from here on are what Linux itself takes for outgoing connections (ip(7), "ip_local_port_range"): none of them is ever proposed. */
    public static final int FIRST_OUTGOING = 32_768;

    private Ports() {}

    /** One sentence where the number cannot be a port. */
    public static Optional<String> problem(int port) {
        return port >= 1 && port <= MAX
                ? Optional.empty()
                : Optional.of(port + " is not a port: ports run from 1 to " + MAX);
    }
}
