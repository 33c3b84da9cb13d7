package imperan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.function.Predicate;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Asks the show key of everybody who is not on this machine. Whoever showed it once carries a cookie that holds until the key is
 * changed; everything else is answered with the page that asks, or, for what a page asks in the background, with 401. That is judged by
 * the head of a request: what is refused takes no place from those that are not.
 */
@Component
@Order(1)
class KeyFilter extends OncePerRequestFilter {

    static final String COOKIE = "imperan-pass";
    static final String PATH = "/key";

    private final ShowKeys keys;
    private final Predicate<String> thisMachine;

    @Autowired
    KeyFilter(NetworkDoor door) {
        this(door.keys(), NetworkDoor::isThisMachine);
    }

    /** @param thisMachine whether an address is one of ours */
    KeyFilter(ShowKeys keys, Predicate<String> thisMachine) {
        this.keys = keys;
        this.thisMachine = thisMachine;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isIn(request) || showsKey(request)) {
            chain.doFilter(request, response);
        } else if (request.getRequestURI().startsWith("/api")) {
            words(
                    response,
                    HttpServletResponse.SC_UNAUTHORIZED,
                    "Show the key of this Imperan first: open its address in a browser");
            RefusedBody.readAway(request);
        } else {
            ask(response, HttpServletResponse.SC_OK, "");
            RefusedBody.readAway(request);
        }
    }

    private boolean isIn(HttpServletRequest request) {
        return thisMachine.test(request.getRemoteAddr()) || hasPass(request);
    }

    /** Whether this is somebody's try to show the key. */
    boolean showsKey(HttpServletRequest request) {
        return request.getRequestURI().equals(PATH) && request.getMethod().equals("POST") && !isIn(request);
    }

    private boolean hasPass(HttpServletRequest request) {
        if (request.getCookies() != null) {
            for (Cookie cookie : request.getCookies()) {
                if (cookie.getName().equals(COOKIE) && keys.admits(cookie.getValue())) {
                    return true;
                }
            }
        }
        return false;
    }

    static void ask(HttpServletResponse response, int status, String trouble) throws IOException {
        try (InputStream page = KeyFilter.class.getResourceAsStream("/key.html")) {
            String text = new String(page.readAllBytes(), StandardCharsets.UTF_8).replace("{trouble}", trouble);
            response.setStatus(status);
            response.setContentType("text/html;charset=UTF-8");
            response.setHeader("Cache-Control", "no-store");
            response.getWriter().print(text);
            response.flushBuffer();
        }
    }

    private static void words(HttpServletResponse response, int status, String text) throws IOException {
        response.setStatus(status);
        response.setContentType("text/plain;charset=UTF-8");
        response.setHeader("Connection", "close");
        response.getWriter().println(text);
        response.flushBuffer();
    }
}
