package imperan.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.FilterChain;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class RequestLimitsTest {

    private final AtomicLong now = new AtomicLong(1);
    private final RequestLimits limits = new RequestLimits(2, now::get);

    private static MockHttpServletRequest request(String path, int bytes) {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", path);
        request.setContent(new byte[bytes]);
        return request;
    }

    @Test
    void aKeyIsShortAndAFileIsNot() throws Exception {
        MockHttpServletResponse key = new MockHttpServletResponse();
        limits.doFilter(request("/key", 2_000), key, (q, a) -> {
            throw new AssertionError("it is not read");
        });
        assertThat(key.getStatus()).isEqualTo(413);
        assertThat(key.getContentAsString()).contains("at most 1 KiB");
        MockHttpServletResponse file = new MockHttpServletResponse();
        limits.doFilter(request("/api/files", 3 << 20), file, (q, a) -> assertThat(
                        q.getInputStream().readAllBytes())
                .hasSize(3 << 20));
        assertThat(file.getStatus()).isEqualTo(200);
    }

    /** One byte at a time is no way to send a request: the whole has to arrive in time. */
    @Test
    void theWholeOfABodyHasToArriveInTime() {
        FilterChain slowly = (q, a) -> {
            for (int i = 0; i < 100; i++) {
                now.addAndGet(RequestLimits.PATIENCE_NANOS / 50);
                q.getInputStream().read();
            }
        };
        assertThatThrownBy(() -> limits.doFilter(request("/api/shows", 100), new MockHttpServletResponse(), slowly))
                .isInstanceOf(BodyLimit.class)
                .satisfies(e -> assertThat(BodyLimit.status(e)).hasValue(HttpStatus.REQUEST_TIMEOUT));
    }

    @Test
    void theWholeOfAnAnswerHasToBeTakenInTime() {
        FilterChain slowly = (q, a) -> {
            for (int i = 0; i < 100; i++) {
                a.getOutputStream().write(new byte[1_000]);
                now.addAndGet(RequestLimits.ANSWER_NANOS / 50);
            }
        };
        assertThatThrownBy(() ->
                        limits.doFilter(new MockHttpServletRequest("GET", "/"), new MockHttpServletResponse(), slowly))
                .isInstanceOf(BodyLimit.class);
    }

    @Test
    void noMoreBodiesAreReadAtOnceThanThereIsRoomFor() throws Exception {
        MockHttpServletResponse third = new MockHttpServletResponse();
        MockHttpServletResponse without = new MockHttpServletResponse();
        limits.doFilter(
                request("/api/shows", 10),
                new MockHttpServletResponse(),
                (q1, a1) -> limits.doFilter(request("/api/shows", 10), new MockHttpServletResponse(), (q2, a2) -> {
                    limits.doFilter(request("/api/shows", 10), third, (q3, a3) -> {
                        throw new AssertionError("it is not read");
                    });
                    limits.doFilter(new MockHttpServletRequest("GET", "/"), without, (q3, a3) -> {});
                }));
        assertThat(third.getStatus()).isEqualTo(503);
        assertThat(without.getStatus()).isEqualTo(200);
        MockHttpServletResponse after = new MockHttpServletResponse();
        limits.doFilter(request("/api/shows", 10), after, (q, a) -> {});
        assertThat(after.getStatus()).as("there is room again").isEqualTo(200);
    }
}
