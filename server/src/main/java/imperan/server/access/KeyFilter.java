package imperan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.function.LongSupplier;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Asks the show key of everybody who is not on this machine. Whoever showed it once carries a cookie that holds until the key is
 * changed; everything else is answered with the page that asks, or, for what a page asks in the background, with 401.
 */
@Component
@Order(2)
class KeyFilter extends OncePerRequestFilter {

    static final String COOKIE = "imperan-pass";
    static final String PATH = "/key";
    private static final Logger LOG = LoggerFactory.getLogger(KeyFilter.class);
    private static final int HALF_A_YEAR_SECONDS = 180 * 24 * 3600;

    private final ShowKeys keys;
    private final Predicate<String> thisMachine;
    private final LongSupplier clock;

    @Autowired
    KeyFilter(NetworkDoor door) {
        this(door.keys(), NetworkDoor::isThisMachine, System::nanoTime);
    }

    /** @param thisMachine whether an address is one of ours */
    KeyFilter(ShowKeys keys, Predicate<String> thisMachine, LongSupplier clock) {
        this.keys = keys;
        this.thisMachine = thisMachine;
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String from = request.getRemoteAddr();
        if (thisMachine.test(from) || hasPass(request)) {
            chain.doFilter(request, response);
        } else if (request.getRequestURI().equals(PATH) && request.getMethod().equals("POST")) {
            shown(from, request, response);
        } else if (request.getRequestURI().startsWith("/api")) {
            words(
                    response,
                    HttpServletResponse.SC_UNAUTHORIZED,
                    "Show the key of this Imperan first: open its address in a browser");
        } else {
            ask(response, HttpServletResponse.SC_OK, "");
        }
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

    private void shown(String from, HttpServletRequest request, HttpServletResponse response) throws IOException {
        ShowKeys.Shown shown = keys.show(from, key(request), clock.getAsLong());
        if (shown instanceof ShowKeys.Shown.Right right) {
            LOG.info("{} showed the key", from);
            response.addHeader(
                    "Set-Cookie",
                    COOKIE + "=" + right.pass() + "; Path=/; Max-Age=" + HALF_A_YEAR_SECONDS
                            + "; HttpOnly; Secure; SameSite=Strict");
            response.setStatus(HttpServletResponse.SC_SEE_OTHER);
            response.setHeader("Location", "/");
        } else if (shown instanceof ShowKeys.Shown.Wait wait) {
            long seconds = wait.nanos() / 1_000_000_000L + 1;
            response.setHeader("Retry-After", String.valueOf(seconds));
            ask(response, 429, "Too fast after a wrong key. Try again in " + seconds + " s.");
        } else {
            LOG.warn("{} showed a wrong key", from);
            ask(
                    response,
                    HttpServletResponse.SC_FORBIDDEN,
                    "This is not the key. It stands on the show computer: Rig, This machine.");
        }
    }

    /** Read here and not by the server's own reader of forms, which would wait for a slow sender as long as that likes. */
    private static String key(HttpServletRequest request) throws IOException {
        String form = new String(
                request.getInputStream().readNBytes((int) RequestLimits.MAX_KEY_BYTES), StandardCharsets.UTF_8);
        for (String field : form.split("&")) {
            if (field.startsWith("key=")) {
                try {
                    return URLDecoder.decode(field.substring(4), StandardCharsets.UTF_8);
                } catch (IllegalArgumentException e) {
                    return "";
                }
            }
        }
        return "";
    }

    private static void ask(HttpServletResponse response, int status, String trouble) throws IOException {
        try (InputStream page = KeyFilter.class.getResourceAsStream("/key.html")) {
            String text = new String(page.readAllBytes(), StandardCharsets.UTF_8).replace("{trouble}", trouble);
            response.setStatus(status);
            response.setContentType("text/html;charset=UTF-8");
            response.setHeader("Cache-Control", "no-store");
            response.getWriter().print(text);
        }
    }

    private static void words(HttpServletResponse response, int status, String text) throws IOException {
        response.setStatus(status);
        response.setContentType("text/plain;charset=UTF-8");
        response.getWriter().println(text);
    }
}
