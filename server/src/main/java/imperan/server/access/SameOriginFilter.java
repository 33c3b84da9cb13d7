package imperan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets in only who opened Imperan by an address of this machine. A page from elsewhere that a browser has open at the same
 * time could otherwise move faders: its requests carry its own Origin, and a name that was made to point here carries that
 * name as Host. Covers REST and the opening of the WebSocket alike.
 */
@Component
@Order(0)
class SameOriginFilter extends OncePerRequestFilter {

    private static final Set<String> OWN_NAMES = Set.of("127.0.0.1", "localhost", "[::1]");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        if (host == null
                || !OWN_NAMES.contains(withoutPort(host))
                        && !NetworkDoor.ownAddresses().contains(withoutPort(host))) {
            refuse(
                    request,
                    response,
                    "This address is not one of Imperan's: open it as http://127.0.0.1:" + request.getLocalPort());
        } else if (origin != null && !host.equals(authority(origin))) {
            refuse(request, response, "A page from " + origin + " may not use Imperan");
        } else {
            chain.doFilter(request, response);
        }
    }

    private static String withoutPort(String host) {
        return host.replaceFirst(":\\d+$", "");
    }

    private static String authority(String origin) {
        try {
            return String.valueOf(URI.create(origin).getAuthority());
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private static void refuse(HttpServletRequest request, HttpServletResponse response, String why)
            throws IOException {
        response.setStatus(HttpServletResponse.SC_FORBIDDEN);
        response.setContentType("text/plain;charset=UTF-8");
        response.setHeader("Connection", "close");
        response.getWriter().println(why);
        response.flushBuffer();
        RefusedBody.readAway(request);
    }
}
