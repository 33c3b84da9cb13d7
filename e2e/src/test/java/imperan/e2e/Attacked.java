package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.server.store.Keeper;
import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInfo;

/**
 * What a stranger, a broken device or a bad day does to a running show. After each of them a touch still arrives at another target, and
 * whatever was refused was refused in words.
 */
abstract class Attacked {

    static final Person ADA = new Person("ada", "Ada");
    static final PartId TARGET = new PartId("far-end");
    static final PartId VICTIM = new PartId("victim");
    static final PartId HIT = new PartId("hit");
    static final PartId LEVEL = new PartId("attack-level");
    static final HttpClient HTTP = HttpClient.newHttpClient();

    static Installation imperan;
    static Probe probe;
    static Probe victim;
    static int victimAnswers;

    @BeforeAll
    static void open(TestInfo tests) {
        imperan = Installation.of(tests.getTestClass().orElseThrow());
        int answers = Ports.one();
        victimAnswers = answers + 1;
        probe = new Probe(answers);
        victim = new Probe(victimAnswers);
        edit(
                put(
                        TARGET,
                        null,
                        Target.plain("Far end", "127.0.0.1", probe.port(), answers, Target.Answering.REPORTS)),
                put(
                        VICTIM,
                        null,
                        Target.plain("Victim", "127.0.0.1", victim.port(), victimAnswers, Target.Answering.REPORTS)),
                put(new PartId("attack"), null, Layout.plain("Attack")),
                put(new PartId("attack-page"), new PartId("attack"), Page.plain("Attack", 40, 40)),
                put(HIT, new PartId("attack-page"), button()),
                put(LEVEL, new PartId("attack-page"), fader(1, "/far/level", TARGET)));
    }

    @AfterAll
    static void close() {
        probe.close();
        victim.close();
        imperan.close();
    }

    static Control button() {
        return Control.plain(
                "Hit",
                new Cells(0, 0, 1, 1),
                Button.plain(Button.Action.MOMENTARY),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(TARGET),
                        "/far/hit",
                        List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.INT32, 0, 1)))),
                List.of());
    }

    static Control fader(int column, String address, PartId target) {
        return Control.plain(
                "Level",
                new Cells(column, 0, 1, 1),
                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(target),
                        address,
                        List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1)))),
                List.of(Listen.value(Optional.of(target), address, 0, 0, 1)));
    }

    static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(
                new Part(id, Optional.ofNullable(parent), 0, body),
                imperan.bean(Keeper.class)
                        .show(imperan.show())
                        .join()
                        .held(id)
                        .map(Held::version)
                        .orElse(0L));
    }

    static void edit(EditRequest.Step... steps) {
        Outcome outcome = imperan.bean(Keeper.class)
                .edit(imperan.show(), new EditRequest("Attack", List.of(steps)), ADA)
                .join();
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
    }

    static void remove(PartId id) {
        edit(new EditRequest.Remove(
                id,
                imperan.bean(Keeper.class)
                        .show(imperan.show())
                        .join()
                        .held(id)
                        .orElseThrow()
                        .version()));
    }

    static RawBrowser browser(String name) {
        return RawBrowser.open(URI.create(imperan.url("/api/live")), name);
    }

    /** A touch of somebody else arrives: the show goes on. */
    static void goesOn() {
        try (RawBrowser other = browser("other")) {
            probe.forget();
            other.set(LEVEL.value(), 0.25);
            other.set(LEVEL.value(), 0.75);
            probe.waitForLast(OscMessage.of("/far/level", new OscArgument.Float32(0.75f)));
        }
    }

    static HttpResponse<String> post(String path, String type, String body) throws Exception {
        return HTTP.send(
                HttpRequest.newBuilder(URI.create(imperan.url(path)))
                        .header("Imperan-Browser", "attack")
                        .header("Content-Type", type)
                        .POST(HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    static int serverPort() {
        return URI.create(imperan.url("")).getPort();
    }
}
