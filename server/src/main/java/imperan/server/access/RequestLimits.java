package imperan.server.access;

import imperan.capture.CaptureFile;
import imperan.server.sound.Sounds;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.TimeUnit;
import java.util.function.LongSupplier;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * How much a request may bring, and how long it may take, in either direction and as a whole: a sender or reader that does one byte a second would
 * otherwise keep a thread for hours. Bodies beyond a quarter of a MiB are read one after the other for this machine, and for each address
 * on the network, so they never fill the memory together. Who may not ask at all has been sent away before.
 */
@Component
@Order(2)
class RequestLimits extends OncePerRequestFilter {

    /** A key of eight digits, in a form. */
    static final long MAX_KEY_BYTES = 1 << 10;
    /** A show file with all its pictures, or an address space. */
    static final long MAX_BYTES = 32L << 20;
    /** Sounds go to the disk as they come, so they may be large, and take long, without keeping others waiting. */
    private static final String SOUNDS = "/api/sounds";

    private static final Pattern CAPTURES = Pattern.compile("/api/shows/[^/]+/captures");
    private static final long LARGE_BYTES = 256 << 10;
    /** For the body of a small request, and for that of a large one. */
    static final long PATIENCE_NANOS = TimeUnit.SECONDS.toNanos(10);

    static final long LARGE_PATIENCE_NANOS = TimeUnit.SECONDS.toNanos(60);
    static final long SOUND_PATIENCE_NANOS = TimeUnit.MINUTES.toNanos(15);
    /** For an answer to be taken. */
    static final long ANSWER_NANOS = TimeUnit.SECONDS.toNanos(60);
    /** For somebody to say a key. */
    static final long KEY_PATIENCE_NANOS = TimeUnit.SECONDS.toNanos(2);
    /** Requests whose bodies are being read at once; the others are refused, so that there are threads left for those without a body. */
    static final int MAX_READING = 64;

    private static final int MAX_READING_OF_ONE = 16;
    private static final int MAX_READING_OF_NETWORK = 40;
    private static final int MAX_LARGE_OF_NETWORK = 2;
    private static final int MAX_KEYS_OF_ONE = 2;
    private static final int MAX_KEYS = 8;

    private static final long WAIT_SECONDS = 20;

    /** Of this machine, and of each address on the network: places to have a body read, one of more than a quarter of a MiB, and a key. */
    private record Room(Places reading, Places large, Places keys) {}

    private final Room here;
    private final Room network = new Room(
            new Places(MAX_READING_OF_ONE, MAX_READING_OF_NETWORK),
            new Places(1, MAX_LARGE_OF_NETWORK),
            new Places(MAX_KEYS_OF_ONE, MAX_KEYS));
    private final Predicate<String> thisMachine;
    private final LongSupplier clock;

    @Autowired
    RequestLimits() {
        this(MAX_READING, NetworkDoor::isThisMachine, System::nanoTime);
    }

    /**
     * @param atOnce      bodies of this machine that are read
     * @param thisMachine whether an address is one of ours
     * @param clock       in nanoseconds
     */
    RequestLimits(int atOnce, Predicate<String> thisMachine, LongSupplier clock) {
        this.thisMachine = thisMachine;
        this.here = new Room(new Places(atOnce, atOnce), new Places(1, 1), new Places(MAX_KEYS, MAX_KEYS));
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        // what becomes a WebSocket has limits of its own
        HttpServletResponse timed = request.getHeader("Upgrade") == null
                ? new TimedResponse(
                        response, request.getRequestURI().startsWith(SOUNDS) ? SOUND_PATIENCE_NANOS : ANSWER_NANOS)
                : response;
        long length = request.getContentLengthLong();
        boolean body = length > 0 || request.getHeader("Transfer-Encoding") != null;
        long most = request.getRequestURI().equals(KeyFilter.PATH)
                ? MAX_KEY_BYTES
                : request.getRequestURI().equals(SOUNDS)
                        ? Sounds.MOST_BYTES
                        : CAPTURES.matcher(request.getRequestURI()).matches() ? CaptureFile.MOST_BYTES : MAX_BYTES;
        if (!body) {
            chain.doFilter(request, timed);
            return;
        }
        String source = request.getRemoteAddr();
        boolean isHere = thisMachine.test(source);
        boolean isKey = request.getRequestURI().equals(KeyFilter.PATH);
        Room room = isHere ? here : network;
        Places places = isKey ? room.keys : room.reading;
        // all addresses of this machine are one
        source = isHere ? "" : source;
        if (length > most) {
            refuse(request, response, HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE, tooLarge(most));
        } else if (!places.take(source)) {
            refuse(
                    request,
                    response,
                    HttpServletResponse.SC_SERVICE_UNAVAILABLE,
                    "Too many requests at once. Try again in a moment");
        } else {
            try {
                withBody(request, timed, chain, length, most, room.large, source);
            } finally {
                places.leave(source);
            }
            RefusedBody.readAway(request);
        }
    }

    private void withBody(
            HttpServletRequest request,
            HttpServletResponse response,
            FilterChain chain,
            long length,
            long most,
            Places large,
            String source)
            throws ServletException, IOException {
        boolean isSound = request.getRequestURI().equals(SOUNDS);
        boolean isKey = request.getRequestURI().equals(KeyFilter.PATH);
        boolean isLarge = !isSound && !isKey && (length > LARGE_BYTES || length < 0);
        if (isLarge && !large.take(source, WAIT_SECONDS)) {
            refuse(
                    request,
                    response,
                    HttpServletResponse.SC_SERVICE_UNAVAILABLE,
                    "Another large file is being read. Try again in a moment");
            return;
        }
        try {
            long patience = isSound
                    ? SOUND_PATIENCE_NANOS
                    : isKey ? KEY_PATIENCE_NANOS : isLarge ? LARGE_PATIENCE_NANOS : PATIENCE_NANOS;
            chain.doFilter(new LimitedRequest(request, most, clock.getAsLong() + patience), response);
        } finally {
            if (isLarge) {
                large.leave(source);
            }
        }
    }

    private static String tooLarge(long most) {
        return "This is larger than what is taken: at most "
                + (most >= 1 << 20 ? (most >> 20) + " MiB" : (most >> 10) + " KiB");
    }

    private void refuse(HttpServletRequest request, HttpServletResponse response, int status, String why)
            throws IOException {
        response.setStatus(status);
        response.setContentType("application/json;charset=UTF-8");
        response.setHeader("Connection", "close");
        response.getOutputStream()
                .write(("{\"number\":0,\"problems\":[{\"part\":null,\"field\":\"\",\"message\":\"" + why
                                + "\",\"mend\":null}]}")
                        .getBytes(StandardCharsets.UTF_8));
        response.flushBuffer();
        RefusedBody.readAway(request);
    }

    private final class LimitedRequest extends HttpServletRequestWrapper {
        private final long most;
        private final long until;
        private Limited stream;
        private BufferedReader reader;

        LimitedRequest(HttpServletRequest request, long most, long until) {
            super(request);
            this.most = most;
            this.until = until;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            if (stream == null) {
                stream = new Limited(super.getInputStream(), most, until);
            }
            return stream;
        }

        @Override
        public BufferedReader getReader() throws IOException {
            if (reader == null) {
                reader = new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
            }
            return reader;
        }
    }

    private final class Limited extends ServletInputStream {
        private final ServletInputStream in;
        private final long most;
        private final long until;
        private long read;

        Limited(ServletInputStream in, long most, long until) {
            this.in = in;
            this.most = most;
            this.until = until;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] bytes, int offset, int length) throws IOException {
            if (clock.getAsLong() > until) {
                throw new BodyLimit(HttpStatus.REQUEST_TIMEOUT, "It took too long to arrive");
            }
            int count = in.read(bytes, offset, length);
            read += Math.max(0, count);
            if (read > most) {
                throw new BodyLimit(HttpStatus.CONTENT_TOO_LARGE, tooLarge(most));
            }
            return count;
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }

    private final class TimedResponse extends HttpServletResponseWrapper {
        private final long patience;
        private ServletOutputStream stream;

        TimedResponse(HttpServletResponse response, long patience) {
            super(response);
            this.patience = patience;
        }

        @Override
        public ServletOutputStream getOutputStream() throws IOException {
            if (stream == null) {
                stream = new Timed(super.getOutputStream(), patience);
            }
            return stream;
        }
    }

    /** The time begins with the first byte of the answer: until then it is ours. */
    private final class Timed extends ServletOutputStream {
        private static final int PIECE = 64 << 10;

        private final ServletOutputStream out;
        private final long patience;
        private long until;

        Timed(ServletOutputStream out, long patience) {
            this.out = out;
            this.patience = patience;
        }

        private void check() throws IOException {
            long now = clock.getAsLong();
            until = until == 0 ? now + patience : until;
            if (now > until) {
                throw new BodyLimit(HttpStatus.REQUEST_TIMEOUT, "The answer was not taken in time");
            }
        }

        @Override
        public void write(int one) throws IOException {
            check();
            out.write(one);
        }

        @Override
        public void write(byte[] bytes, int offset, int length) throws IOException {
            for (int from = 0; from < length; from += PIECE) {
                check();
                out.write(bytes, offset + from, Math.min(PIECE, length - from));
            }
        }

        @Override
        public void flush() throws IOException {
            out.flush();
        }

        @Override
        public void close() throws IOException {
            out.close();
        }

        @Override
        public boolean isReady() {
            return out.isReady();
        }

        @Override
        public void setWriteListener(WriteListener listener) {
            out.setWriteListener(listener);
        }
    }
}
