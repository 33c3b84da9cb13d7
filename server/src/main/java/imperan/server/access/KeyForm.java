package imperan.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.function.LongSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Takes the show key from somebody who shows it. Comes after {@link RequestLimits}: who has no key yet has little time to say it. */
@Component
@Order(3)
class KeyForm extends OncePerRequestFilter {

    private static final Logger LOG = LoggerFactory.getLogger(KeyForm.class);
    private static final int HALF_A_YEAR_SECONDS = 180 * 24 * 3600;

    private final KeyFilter filter;
    private final ShowKeys keys;
    private final LongSupplier clock;

    @Autowired
    KeyForm(KeyFilter filter, NetworkDoor door) {
        this(filter, door.keys(), System::nanoTime);
    }

    KeyForm(KeyFilter filter, ShowKeys keys, LongSupplier clock) {
        this.filter = filter;
        this.keys = keys;
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (filter.showsKey(request)) {
            shown(request.getRemoteAddr(), request, response);
        } else {
            chain.doFilter(request, response);
        }
    }

    private void shown(String from, HttpServletRequest request, HttpServletResponse response) throws IOException {
        ShowKeys.Shown shown = keys.show(from, key(request), clock.getAsLong());
        if (shown instanceof ShowKeys.Shown.Right right) {
            LOG.info("{} showed the key", from);
            response.addHeader(
                    "Set-Cookie",
                    KeyFilter.COOKIE + "=" + right.pass() + "; Path=/; Max-Age=" + HALF_A_YEAR_SECONDS
                            + "; HttpOnly; Secure; SameSite=Strict");
            response.setStatus(HttpServletResponse.SC_SEE_OTHER);
            response.setHeader("Location", "/");
        } else if (shown instanceof ShowKeys.Shown.Wait wait) {
            long seconds = wait.nanos() / 1_000_000_000L + 1;
            response.setHeader("Retry-After", String.valueOf(seconds));
            KeyFilter.ask(response, 429, "Too fast after a wrong key. Try again in " + seconds + " s.");
        } else {
            LOG.warn("{} showed a wrong key", from);
            KeyFilter.ask(
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
}
