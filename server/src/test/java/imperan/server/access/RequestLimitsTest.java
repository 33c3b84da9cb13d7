package imperan.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class RequestLimitsTest {

    private final AtomicLong now = new AtomicLong(1);
    private final RequestLimits limits = new RequestLimits(2, "127.0.0.1"::equals, now::get);

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

    private static MockHttpServletRequest from(String address, String path, int bytes) {
        MockHttpServletRequest request = request(path, bytes);
        request.setRemoteAddr(address);
        return request;
    }

    /** One address on the network cannot take the places of others, and the network not those of this machine. */
    @Test
    void placesAreCountedForEachSource() throws Exception {
        fill("192.0.2.50", 0, () -> {
            MockHttpServletResponse more = new MockHttpServletResponse();
            limits.doFilter(from("192.0.2.50", "/api/shows", 10), more, (q, a) -> {
                throw new AssertionError("it is not read");
            });
            assertThat(more.getStatus()).isEqualTo(503);
            for (String other : new String[] {"192.0.2.51", "127.0.0.1"}) {
                MockHttpServletResponse answer = new MockHttpServletResponse();
                limits.doFilter(from(other, "/api/shows", 10), answer, (q, a) -> {});
                assertThat(answer.getStatus()).as(other).isEqualTo(200);
            }
        });
    }

    private interface Meanwhile {
        void run() throws ServletException, IOException;
    }

    /** All places that one address can have are taken meanwhile. */
    private void fill(String address, int taken, Meanwhile meanwhile) throws ServletException, IOException {
        MockHttpServletResponse answer = new MockHttpServletResponse();
        boolean[] read = {false};
        limits.doFilter(from(address, "/api/shows", 10), answer, (q, a) -> {
            read[0] = true;
            fill(address, taken + 1, meanwhile);
        });
        if (!read[0]) {
            assertThat(taken).isEqualTo(16);
            meanwhile.run();
        }
    }

    /** A large file of one address waits for no large file of another. */
    @Test
    void largeFilesAreCountedForEachSource() throws Exception {
        int large = 300 << 10;
        int[] read = {0};
        limits.doFilter(
                from("192.0.2.50", "/api/files", large),
                new MockHttpServletResponse(),
                (q1, a1) -> limits.doFilter(
                        from("192.0.2.51", "/api/files", large),
                        new MockHttpServletResponse(),
                        (q2, a2) -> limits.doFilter(
                                from("127.0.0.1", "/api/files", large),
                                new MockHttpServletResponse(),
                                (q3, a3) -> read[0]++)));
        assertThat(read[0]).isOne();
    }
}
