package imperan.server.access;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** A tablet at 192.0.2.50; the show computer is 192.0.2.10. */
class KeyFilterTest {

    private final ShowKeys keys = new ShowKeys("12345678", new byte[] {7});
    private long now;
    private final KeyFilter filter = new KeyFilter(keys, "192.0.2.10"::equals);
    private final KeyForm form = new KeyForm(filter, keys, () -> now);
    private final MockFilterChain chain = new MockFilterChain();

    private MockHttpServletResponse ask(String from, String method, String path, String key, String pass)
            throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest(method, path);
        request.setRemoteAddr(from);
        if (!key.isEmpty()) {
            request.setContent(("key=" + key).getBytes(StandardCharsets.UTF_8));
        }
        if (!pass.isEmpty()) {
            request.setCookies(new Cookie(KeyFilter.COOKIE, pass));
        }
        MockHttpServletResponse response = new MockHttpServletResponse();
        filter.doFilter(request, response, (q, a) -> form.doFilter(q, a, chain));
        return response;
    }

    private boolean wasLetIn() {
        return chain.getRequest() != null;
    }

    @Test
    void thisMachineIsNotAsked() throws Exception {
        ask("192.0.2.10", "GET", "/api/shows", "", "");
        assertThat(wasLetIn()).isTrue();
    }

    @Test
    void othersSeeThePageThatAsksOrAreRefusedInWords() throws Exception {
        assertThat(ask("192.0.2.50", "GET", "/", "", "").getContentAsString()).contains("The show key");
        MockHttpServletResponse background = ask("192.0.2.50", "GET", "/api/live", "", "");
        assertThat(background.getStatus()).isEqualTo(401);
        assertThat(background.getContentAsString()).contains("Show the key");
        assertThat(ask("192.0.2.50", "GET", "/api/live", "", "nonsense").getStatus())
                .isEqualTo(401);
        assertThat(wasLetIn()).isFalse();
    }

    @Test
    void theRightKeyGivesACookieThatLetsIn() throws Exception {
        MockHttpServletResponse shown = ask("192.0.2.50", "POST", "/key", "1234-5678", "");
        assertThat(shown.getStatus()).isEqualTo(303);
        String cookie = shown.getHeader("Set-Cookie");
        assertThat(cookie).contains("HttpOnly", "Secure", "SameSite=Strict");
        String pass = cookie.replaceAll(".*" + KeyFilter.COOKIE + "=([^;]+);.*", "$1");
        ask("192.0.2.50", "GET", "/api/live", "", pass);
        assertThat(wasLetIn()).isTrue();
    }

    @Test
    void wrongKeysAreSaidAndSlowed() throws Exception {
        MockHttpServletResponse wrong = ask("192.0.2.50", "POST", "/key", "11111111", "");
        assertThat(wrong.getStatus()).isEqualTo(403);
        assertThat(wrong.getContentAsString()).contains("This is not the key");
        MockHttpServletResponse slowed = ask("192.0.2.50", "POST", "/key", "12345678", "");
        assertThat(slowed.getStatus()).isEqualTo(429);
        assertThat(slowed.getHeader("Retry-After")).isEqualTo("2");
        now += 1_000_000_000L;
        assertThat(ask("192.0.2.50", "POST", "/key", "12345678", "").getStatus())
                .isEqualTo(303);
    }
}
