package imperan.server.access;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.concurrent.TimeUnit;

/**
 * What somebody goes on sending although the answer is written already. It is read away for a moment, else the answer might never reach a
 * sender that is still sending; and no thread waits for it meanwhile.
 */
final class RefusedBody {

    static final long MOST_BYTES = 64L << 20;
    static final long MOST_MILLIS = TimeUnit.SECONDS.toMillis(2);

    private RefusedBody() {}

    /** @param request whose answer is written whole, and which nobody reads from any more */
    static void readAway(HttpServletRequest request) throws IOException {
        boolean body = request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
        if (!body || !request.isAsyncSupported() || request.isAsyncStarted()) {
            return;
        }
        ServletInputStream in = request.getInputStream();
        if (in.isFinished()) {
            return;
        }
        AsyncContext later = request.startAsync();
        later.setTimeout(MOST_MILLIS);
        later.addListener(new Timeout(later));
        in.setReadListener(new Away(in, later));
    }

    private record Timeout(AsyncContext later) implements AsyncListener {
        @Override
        public void onTimeout(AsyncEvent event) {
            later.complete();
        }

        @Override
        public void onComplete(AsyncEvent event) {
            // the connection ends with it
        }

        @Override
        public void onError(AsyncEvent event) {
            later.complete();
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // nobody starts it again
        }
    }

    private static final class Away implements ReadListener {
        private final ServletInputStream in;
        private final AsyncContext later;
        private final byte[] buffer = new byte[16 << 10];
        private long read;

        private Away(ServletInputStream in, AsyncContext later) {
            this.in = in;
            this.later = later;
        }

        @Override
        public void onDataAvailable() throws IOException {
            while (in.isReady() && !in.isFinished()) {
                int count = in.read(buffer);
                if (count < 0) {
                    return;
                }
                read += count;
                if (read > MOST_BYTES) {
                    later.complete();
                    return;
                }
            }
        }

        @Override
        public void onAllDataRead() {
            later.complete();
        }

        @Override
        public void onError(Throwable gone) {
            later.complete();
        }
    }
}
