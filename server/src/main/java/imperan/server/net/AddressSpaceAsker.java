package imperan.server.net;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;

/** Asks a target over HTTP for what it understands (OSCQuery). */
public final class AddressSpaceAsker {

    private static final Duration PATIENCE = Duration.ofSeconds(4);
    private static final int MAX_ANSWER_BYTES = 16 << 20;

    private final HttpClient http = HttpClient.newBuilder().connectTimeout(PATIENCE).build();

    /** What came of asking. */
    public sealed interface Answer {
        record Text(String json) implements Answer {
        }

        /** @param why one sentence */
        record None(String why) implements Answer {
        }
    }

    /** @param typed the address of a page; {@code http://} may be left out */
    public Answer ask(String typed) {
        try {
            URI uri = URI.create(typed.contains("://") ? typed : "http://" + typed);
            if (!"http".equals(uri.getScheme()) || uri.getHost() == null) {
                return new Answer.None("An address such as http://192.0.2.41:7110/ is needed");
            }
            HttpResponse<InputStream> answer = http.send(HttpRequest.newBuilder(uri).timeout(PATIENCE).build(),
                    HttpResponse.BodyHandlers.ofInputStream());
            try (InputStream body = answer.body()) {
                byte[] bytes = body.readNBytes(MAX_ANSWER_BYTES + 1);
                if (answer.statusCode() != 200) {
                    return new Answer.None("It answered with status " + answer.statusCode());
                }
                return bytes.length > MAX_ANSWER_BYTES ? new Answer.None("Its answer is longer than " + MAX_ANSWER_BYTES + " bytes")
                        : new Answer.Text(new String(bytes, StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            return new Answer.None("It does not answer" + (e.getMessage() == null ? "" : " (" + e.getMessage() + ")"));
        } catch (IllegalArgumentException e) {
            return new Answer.None("This is no address of a page: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return new Answer.None("The server is ending");
        }
    }
}
