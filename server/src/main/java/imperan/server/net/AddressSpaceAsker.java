package imperan.server.net;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Flow;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Component;

/**
 * Asks a target over HTTP for what it understands (OSCQuery): the one whose address somebody has just typed, wherever that is, but never
 * Imperan itself.
 */
@Component
public final class AddressSpaceAsker {

    /** For the whole of an answer: one that comes byte by byte is none. */
    static final Duration PATIENCE = Duration.ofSeconds(6);

    static final int MAX_ANSWER_BYTES = 16 << 20;
    /** Targets that are asked at once. */
    static final int MOST_AT_ONCE = 4;

    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(PATIENCE).build();
    private final Semaphore asking = new Semaphore(MOST_AT_ONCE);
    private final OwnPorts own;

    AddressSpaceAsker(OwnPorts own) {
        this.own = own;
    }

    /** What came of asking. */
    public sealed interface Answer {
        record Text(String json) implements Answer {}

        /** @param why one sentence */
        record None(String why) implements Answer {}
    }

    /**
     * Over the network it is not told apart why one does not answer: that would show from outside what listens in this network.
     *
     * @param typed  the address of a page; {@code http://} may be left out
     * @param isHere whether somebody at this machine asks
     */
    public Answer ask(String typed, boolean isHere) {
        Answer answer = ask(typed);
        return isHere || answer instanceof Answer.Text
                ? answer
                : new Answer.None(
                        "No address space came from there. At the computer on which Imperan runs more is said");
    }

    private Answer ask(String typed) {
        if (!asking.tryAcquire()) {
            return new Answer.None("Other targets are being asked at this moment. Try again in a few seconds");
        }
        try {
            URI uri = URI.create(typed.contains("://") ? typed : "http://" + typed);
            if (!"http".equals(uri.getScheme()) || uri.getHost() == null) {
                return new Answer.None("An address such as http://192.0.2.41:7110/ is needed");
            }
            return own.isOne(uri) ? new Answer.None("Imperan itself listens at that port, and no target") : ask(uri);
        } catch (IllegalArgumentException e) {
            return new Answer.None("This is no address of a page: " + e.getMessage());
        } finally {
            asking.release();
        }
    }

    private Answer ask(URI uri) {
        CompletableFuture<HttpResponse<byte[]>> asked =
                http.sendAsync(HttpRequest.newBuilder(uri).timeout(PATIENCE).build(), info -> new Bounded());
        try {
            HttpResponse<byte[]> answer = asked.get(PATIENCE.toMillis(), TimeUnit.MILLISECONDS);
            return answer.statusCode() == 200
                    ? new Answer.Text(new String(answer.body(), StandardCharsets.UTF_8))
                    : new Answer.None("It answered with status " + answer.statusCode());
        } catch (TimeoutException e) {
            asked.cancel(true);
            return new Answer.None("Its answer was not complete within " + PATIENCE.toSeconds() + " s");
        } catch (ExecutionException e) {
            return new Answer.None(
                    e.getCause() instanceof TooLongException tooLong
                            ? tooLong.getMessage()
                            : "It does not answer"
                                    + (e.getCause().getMessage() == null
                                            ? ""
                                            : " (" + e.getCause().getMessage() + ")"));
        } catch (InterruptedException e) {
            asked.cancel(true);
            Thread.currentThread().interrupt();
            return new Answer.None("The server is ending");
        }
    }

    private static final class TooLongException extends IOException {
        TooLongException() {
            super("Its answer is longer than " + (MAX_ANSWER_BYTES >> 20) + " MiB");
        }
    }

    /** Takes a body up to a size. */
    private static final class Bounded implements HttpResponse.BodySubscriber<byte[]> {
        private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        private final CompletableFuture<byte[]> body = new CompletableFuture<>();
        private Flow.Subscription subscription;

        @Override
        public CompletionStage<byte[]> getBody() {
            return body;
        }

        @Override
        public void onSubscribe(Flow.Subscription subscribed) {
            subscription = subscribed;
            subscription.request(Long.MAX_VALUE);
        }

        @Override
        public void onNext(List<ByteBuffer> buffers) {
            for (ByteBuffer buffer : buffers) {
                if (bytes.size() + buffer.remaining() > MAX_ANSWER_BYTES) {
                    subscription.cancel();
                    body.completeExceptionally(new TooLongException());
                    return;
                }
                byte[] piece = new byte[buffer.remaining()];
                buffer.get(piece);
                bytes.writeBytes(piece);
            }
        }

        @Override
        public void onError(Throwable failure) {
            body.completeExceptionally(failure);
        }

        @Override
        public void onComplete() {
            body.complete(bytes.toByteArray());
        }
    }
}
