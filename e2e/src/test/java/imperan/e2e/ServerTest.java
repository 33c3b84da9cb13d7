package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.server.store.Keeper;
import imperan.server.store.ShowStore;
import imperan.show.Show;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.net.http.WebSocketHandshakeException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletionException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The server without a browser: who is let in, what is described, what is kept. */
class ServerTest {

    private static Installation imperan;
    private static final HttpClient HTTP = HttpClient.newHttpClient();

    @BeforeAll
    static void open() {
        imperan = Installation.fresh();
    }

    @AfterAll
    static void close() {
        imperan.close();
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) throws IOException, InterruptedException {
        return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
    }

    private static HttpRequest.Builder to(String path) {
        return HttpRequest.newBuilder(URI.create(imperan.url(path)));
    }

    private static HttpRequest.Builder edit(String body) {
        return to("/api/shows/" + imperan.show() + "/edits")
                .header("Imperan-Browser", "test")
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body));
    }

    @Test
    void isHealthy() throws Exception {
        assertThat(send(to("/api/health")).body())
                .isEqualTo("{\"status\":\"up\",\"shows\":1,\"liveShow\":\"" + imperan.show() + "\"}");
    }

    /** RFC 9110, section 8.4, "Content-Encoding"; RFC 8246, "immutable". */
    @Test
    void scriptsComeCompressedAndAreAskedForOnce() throws Exception {
        String index = send(to("/")).body();
        Matcher script = Pattern.compile("/assets/index-[^\"]+\\.js").matcher(index);
        assertThat(script.find()).isTrue();
        HttpResponse<String> packed = send(to(script.group()).header("Accept-Encoding", "gzip"));
        HttpResponse<String> plain = send(to(script.group()));
        assertThat(packed.headers().firstValue("Content-Encoding")).hasValue("gzip");
        assertThat(packed.headers().firstValue("Content-Type").orElseThrow()).startsWith("text/javascript");
        assertThat(plain.headers().firstValue("Content-Encoding")).isEmpty();
        assertThat(plain.body()).contains("import");
        assertThat(plain.headers().firstValue("Cache-Control").orElseThrow()).contains("immutable");
        assertThat(send(to("/")).headers().firstValue("Cache-Control").orElse(""))
                .doesNotContain("immutable");
    }

    @Test
    void pagesFromElsewhereAreNotLetIn() throws Exception {
        assertThat(send(to("/api/health").header("Origin", "http://elsewhere.example"))
                        .statusCode())
                .isEqualTo(403);
        assertThat(send(to("/api/health").header("Host", "elsewhere.example")).statusCode())
                .isEqualTo(403);
        assertThat(send(edit("{}").header("Origin", "http://127.0.0.1:1")).statusCode())
                .isEqualTo(403);
        assertThat(send(to("/api/health").header("Origin", imperan.url(""))).statusCode())
                .isEqualTo(200);
        assertThatThrownBy(() -> HTTP.newWebSocketBuilder()
                        .header("Origin", "http://elsewhere.example")
                        .buildAsync(
                                URI.create(imperan.url("/api/live").replace("http", "ws")), new WebSocket.Listener() {})
                        .join())
                .isInstanceOf(CompletionException.class)
                .hasCauseInstanceOf(WebSocketHandshakeException.class);
    }

    @Test
    void aFrameThatCannotBeReadIsRefusedInWordsAndTheConnectionStays() {
        try (RawBrowser browser = RawBrowser.open(URI.create(imperan.url("/api/live")), "ada")) {
            browser.say("{\"kind\":\"nonsense\"}");
            browser.waitForNotice("cannot be read");
            assertThat(browser.isOpen()).isTrue();
        }
    }

    /** Each is answered with a client's fault and a sentence: not a stack trace, not silence, and nothing is changed. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "null",
                "[]",
                "{}",
                "{\"what\": \"fly\"}",
                "{\"what\": \"move\"}",
                "{\"what\": \"move\", \"controls\": null, \"right\": 1, \"down\": 0}",
                "{\"what\": \"move\", \"controls\": [null], \"right\": 1, \"down\": 0}",
                "{\"what\": \"move\", \"controls\": [\"nobody\"], \"right\": 1, \"down\": 0}",
                "{\"what\": \"move\", \"controls\": [\"../x\"], \"right\": 1, \"down\": 0}",
                "{\"what\": \"move\", \"controls\": [\"level-1\"], \"right\": 1e99, \"down\": 0}",
                "{\"what\": \"align\", \"controls\": [\"level-1\", \"name-1\"], \"edge\": \"MIDDLE\"}",
                "{\"what\": \"add\", \"page\": \"sound\", \"id\": \"level-1\", \"kind\": \"FADER\", \"at\": null}",
                "{\"what\": \"add\", \"page\": \"sound\", \"id\": \"new\", \"kind\": \"FADER\", \"at\": {\"column\": -2147483648, \"row\": 2147483647}}",
                "{\"what\": \"paste\", \"page\": \"sound\", \"copies\": [{\"id\": \"new\", \"in\": null, \"body\": null}], \"at\": null, \"meaning\": \"SAME\", \"targets\": []}",
                "{\"what\": \"paste\", \"page\": \"sound\", \"copies\": [{\"id\": \"new\", \"in\": null, \"body\": {\"kind\": \"control\", \"label\": \"x\", \"cells\": {\"column\": 2147483647, \"row\": 0, \"width\": 2147483647, \"height\": -1}, \"form\": {\"kind\": \"readout\"}, \"face\": {\"icon\": \"\", \"picture\": null, \"textSize\": \"NORMAL\", \"textPlace\": \"BELOW\", \"meaning\": \"NONE\"}, \"behaviour\": {\"guard\": \"NONE\", \"repeatSeconds\": 0.2, \"whenLost\": {\"goes\": \"NOWHERE\", \"value\": 0}, \"enabledWhen\": null, \"key\": \"\"}, \"sends\": [], \"listens\": []}}], \"at\": null, \"meaning\": \"SAME\", \"targets\": []}",
                "{\"what\": \"paste\", \"page\": \"sound\", \"copies\": [{\"id\": \"new\", \"in\": null, \"body\": {\"kind\": \"control\", \"label\": \"x\", \"cells\": {\"column\": 0, \"row\": 0, \"width\": 1, \"height\": 1}, \"form\": {\"kind\": \"readout\"}, \"face\": {\"icon\": \"\", \"picture\": null, \"textSize\": \"NORMAL\", \"textPlace\": \"BELOW\", \"meaning\": \"NONE\"}, \"behaviour\": {\"guard\": \"NONE\", \"repeatSeconds\": 0.2, \"whenLost\": {\"goes\": \"NOWHERE\", \"value\": 0}, \"enabledWhen\": null, \"key\": \"\"}, \"sends\": null, \"listens\": [null]}}], \"at\": null, \"meaning\": \"SAME\", \"targets\": []}",
                "{\"what\": \"paste\", \"page\": \"sound\", \"copies\": [{\"id\": \"new\", \"in\": \"nowhere\", \"body\": {\"kind\": \"layout\", \"name\": \"x\"}}], \"at\": null, \"meaning\": \"SAME\", \"targets\": []}",
                "{\"what\": \"fill\", \"controls\": [], \"field\": \"LABEL\", \"text\": \"<1..8>\"}",
                "{\"what\": \"fill\", \"controls\": [\"level-1\"], \"field\": \"ADDRESS\", \"text\": \"<1..999999999>\"}",
                "{\"what\": \"fill\", \"controls\": [\"level-1\"], \"field\": \"ADDRESS\", \"text\": \"no slash\"}",
                "{\"what\": \"replace\", \"controls\": [], \"find\": \"\", \"put\": \"\", \"inAddresses\": true, \"inLabels\": true}",
                "{\"what\": \"swapTarget\", \"controls\": [\"level-1\"], \"from\": null, \"to\": \"level-1\"}",
                "{\"what\": \"gather\", \"controls\": [\"level-1\"], \"id\": \"level-1\", \"name\": \"\"}",
                "{\"what\": \"scatter\", \"tray\": \"level-1\"}",
                "{\"what\": \"learned\", \"pairs\": [{\"control\": \"level-1\", \"target\": \"nobody\", \"address\": \"\", \"argument\": -1, \"type\": \"FLOAT32\", \"low\": 0, \"high\": 1}]}",
                "{\"what\": \"duplicatePage\", \"page\": \"level-1\", \"id\": \"new\", \"screen\": null, \"shares\": true}",
                "{\"what\": \"ownLines\", \"twin\": \"level-1\", \"id\": \"new\"}",
                "{\"what\": \"copyLayout\", \"layout\": \"level-1\", \"id\": \"new\"}",
                "{\"what\": \"swapLayout\", \"draft\": \"wheelhouse\"}",
                "{\"what\": \"addPage\", \"id\": \"level-1\", \"beside\": null}"
            })
    void arrangementsThatMakeNoSenseAreAnsweredInWords(String body) throws Exception {
        long before = imperan.bean(Keeper.class).show(imperan.show()).join().version();
        HttpResponse<String> answer = send(to("/api/shows/" + imperan.show() + "/arrange")
                .header("Imperan-Browser", "test")
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
        assertThat(answer.statusCode()).as(answer.body()).isIn(400, 422);
        JsonNode problems = new JsonMapper().readTree(answer.body()).get("problems");
        assertThat(problems.get(0).get("message").stringValue()).isNotBlank().doesNotContain("Exception");
        assertThat(imperan.bean(Keeper.class).show(imperan.show()).join().version())
                .isEqualTo(before);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "POST | rig | {\"what\": \"moveHost\", \"host\": \"nobody\", \"address\": \"10.24.8.9\"} | no longer there",
                "POST | rig | {\"what\": \"moveHost\", \"host\": \"bellows\", \"address\": \"10.24.8.9\"} | no longer there",
                "POST | rig | {\"what\": \"moveHost\", \"host\": \"host-desk\", \"address\": \"10,24\"} | commas",
                "POST | rig | {\"what\": \"moveHost\", \"host\": \"host-desk\"} | cannot be read",
                "POST | rig | {\"what\": \"moveHost\", \"host\": \"a b\", \"address\": \"10.24.8.9\"} | A part id has",
                "POST | rig | {\"what\": \"tick\", \"target\": \"level-1\", \"step\": \"SENT\", \"fact\": \"\"} | no longer there",
                "POST | rig | {\"what\": \"tick\", \"target\": \"bellows\", \"step\": \"FLOWN\", \"fact\": \"\"} | cannot be read",
                "POST | rig | {\"what\": \"sail\"} | cannot be read",
                "POST | commands | {\"kind\": \"say\", \"target\": \"bellows\", \"line\": \"x\"} | begins with a slash",
                "POST | commands | {\"kind\": \"say\", \"target\": \"bellows\"} | cannot be read",
                "POST | commands | {\"kind\": \"say\", \"target\": \"nobody\", \"line\": \"/x\"} | no longer in the rig",
                "POST | commands | {\"kind\": \"fly\"} | cannot be read: “fly” is no kind that belongs here",
                "POST | commands | {} | cannot be read: What kind it is, is missing",
                "POST | commands | null | cannot be read: it has no body",
                "POST | commands | [] | cannot be read: It is not of the form",
                "POST | commands | {\"kind\": \"gate\", \"target\": null, \"gate\": \"SHUT\"} | cannot be read: “gate” is missing, or of the wrong type",
                "POST | phrasebooks/preview | {\"source\": \"HEARD\", \"name\": \"x\", \"text\": \"../x\", \"bare\": false, \"columns\": []} | is not valid",
                "POST | phrasebooks/preview | {\"source\": \"OTHER_SHOW\", \"name\": \"x\", \"text\": \"nowhere/desk\", \"bare\": false, \"columns\": []} | nowhere",
                "POST | phrasebooks/preview | {\"source\": \"TABLE\", \"name\": null, \"text\": \"\", \"bare\": false, \"columns\": []} | cannot be read",
                "POST | phrasebooks | {\"source\": \"TABLE\", \"name\": \"x\", \"text\": \"\", \"bare\": false, \"columns\": [], \"onSameName\": \"MERGE\"} | no phrase in it",
                "POST | phrasebooks | {\"source\": \"TABLE\", \"name\": \" \", \"text\": \"/a\", \"bare\": false, \"columns\": [], \"onSameName\": \"MERGE\"} | name is needed",
            })
    void rigRequestsThatMakeNoSenseAreAnsweredInWords(String method, String path, String body, String words)
            throws Exception {
        HttpResponse<String> answer = send(to("/api/shows/" + imperan.show() + "/" + path.replace(" ", "%20"))
                .header("Imperan-Browser", "test")
                .header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(body)));
        assertThat(answer.statusCode()).as(answer.body()).isIn(400, 404, 422);
        assertThat(new JsonMapper()
                        .readTree(answer.body())
                        .at("/problems/0/message")
                        .stringValue())
                .contains(words)
                .doesNotContain("Exception");
    }

    @Test
    void whatIsNotThereIsSaid() throws Exception {
        assertThat(send(to("/api/shows/nowhere/rig")).statusCode()).isEqualTo(404);
        assertThat(send(to("/api/network/certificate")).statusCode())
                .as("before the network was ever let in")
                .isEqualTo(404);
    }

    @Test
    void requestsThatMakeNoSenseAreAnsweredInWords() throws Exception {
        HttpResponse<String> broken = send(edit("{\"title\": "));
        assertThat(broken.statusCode()).isEqualTo(400);
        assertThat(broken.body()).contains("cannot be read").doesNotContain("Exception");
        HttpResponse<String> empty = send(edit("{\"title\": \"x\", \"steps\": []}"));
        assertThat(empty.statusCode()).isEqualTo(422);
        assertThat(empty.body()).contains("No changes");
        HttpResponse<String> noVersion = send(to("/api/shows/" + imperan.show() + "/restore/999")
                .header("Imperan-Browser", "test")
                .POST(HttpRequest.BodyPublishers.noBody()));
        assertThat(noVersion.statusCode()).isEqualTo(422);
        assertThat(noVersion.body()).contains("There is no version 999");
        HttpResponse<String> nowhere = send(
                to("/api/shows/none/undo").header("Imperan-Browser", "test").POST(HttpRequest.BodyPublishers.noBody()));
        assertThat(nowhere.statusCode()).isEqualTo(404);
        assertThat(nowhere.body()).contains("There is no show");
    }

    /** The web's types are made from this file; {@code npm run describe} in web brings it up to date. */
    @Test
    void theDescriptionInTheRepositoryIsThatOfTheServer() throws Exception {
        JsonNode served = new JsonMapper().readTree(send(to("/api/openapi")).body());
        JsonNode kept = new JsonMapper().readTree(Path.of("../web/openapi.json").toFile());
        List<String> differences = new ArrayList<>();
        compare("", kept, served, differences);
        assertThat(differences).as("web/openapi.json is up to date").isEmpty();
    }

    private static void compare(String place, JsonNode kept, JsonNode served, List<String> differences) {
        if (kept == null
                || served == null
                || kept.getNodeType() != served.getNodeType()
                || kept.size() != served.size()
                || kept.isValueNode() && !kept.equals(served)) {
            differences.add(place + ": " + kept + " is now " + served);
        } else if (kept.isObject()) {
            kept.properties()
                    .forEach(e -> compare(place + "/" + e.getKey(), e.getValue(), served.get(e.getKey()), differences));
        } else {
            for (int i = 0; i < kept.size(); i++) {
                compare(place + "/" + i, kept.get(i), served.get(i), differences);
            }
        }
    }

    @Test
    void whatIsCommittedIsInTheTables() throws Exception {
        HttpResponse<String> answer = send(
                edit(
                        """
                {"title": "Add a page", "steps": [{"step": "put", "basedOn": 0, "part": {"id": "extra",
                 "parent": "wheelhouse", "order": 9, "body": {"kind": "page", "name": "Extra", "columns": 4, "rows": 4,
                 "screen": {"kind": "DESK", "width": 1280, "height": 800}, "strip": false, "follows": null}}}]}"""));
        assertThat(answer.statusCode()).isEqualTo(200);
        ShowStore store = imperan.bean(ShowStore.class);
        Show kept = store.load(imperan.show());
        Show head = imperan.bean(Keeper.class).show(imperan.show()).join();
        assertThat(kept.parts()).containsExactlyElementsOf(head.parts());

        Show rebuilt = Show.empty();
        for (var edit : store.edits(imperan.show(), 1, Long.MAX_VALUE)) {
            rebuilt = rebuilt.replay(edit);
        }
        assertThat(rebuilt.parts()).containsExactlyElementsOf(kept.parts());
    }

    @Test
    void anImportThatIsCancelledLeavesNoShowBehind() throws Exception {
        String file = send(to("/api/shows/" + imperan.show() + "/file")).body();
        String shows = send(to("/api/shows")).body();
        assertThat(send(to("/api/work/mine").DELETE()).statusCode()).isEqualTo(204);
        HttpResponse<String> cancelled = send(carry("/api/files?onSameName=KEEP_BOTH", file));
        assertThat(cancelled.statusCode()).isEqualTo(409);
        assertThat(cancelled.body()).contains("Cancelled. No changes were made");
        assertThat(send(to("/api/shows")).body()).isEqualTo(shows);
        assertThat(send(to("/api/work/mine")).body()).as("it is over").isEqualTo("[]");
        assertThat(send(to("/api/work/" + "x".repeat(65)).DELETE()).statusCode())
                .isEqualTo(400);

        assertThat(send(carry("/api/files/preview", file)).statusCode())
                .as("the same id begins anew")
                .isEqualTo(200);
    }

    private static HttpRequest.Builder carry(String path, String file) {
        return to(path).header("Imperan-Browser", "test")
                .header("Imperan-Work", "mine")
                .header("Content-Type", "text/plain;charset=UTF-8")
                .POST(HttpRequest.BodyPublishers.ofString(file));
    }
}
