package imperan.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Actor;
import imperan.progress.Progress;
import imperan.proof.Suspect;
import imperan.proof.report.LineResult;
import imperan.proof.report.Report;
import imperan.proof.report.Verdict;
import imperan.proof.report.Which;
import imperan.proof.run.ProofRun;
import imperan.server.proof.Proofs;
import imperan.server.proof.Proofs.Wish;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.show.AnswerRule;
import imperan.show.AnswerRule.Tolerance;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Devices that were not made by us, on bare sockets: what is wrong with each comes out as it is. */
class ForeignTest {

    private static final Person ADA = new Person("ada", "Ada");
    private static final PartId PAGE = new PartId("foreign-page");

    private final List<EditRequest.Step> steps = new ArrayList<>();

    private void put(String id, String parent, Body body) {
        steps.add(new EditRequest.Put(
                new Part(new PartId(id), Optional.ofNullable(parent).map(PartId::new), 0, body), 0));
    }

    private static String name(Responder.Way way) {
        return way.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Decimals from 0 to 1. */
    private static Phrase level(String address, AnswerRule answer) {
        return Phrase.plain(
                        address,
                        Phrase.Direction.BOTH,
                        List.of(PhraseArgument.plain(
                                ArgumentType.FLOAT32,
                                Optional.of(0.0),
                                Optional.of(1.0),
                                "",
                                List.of(),
                                Optional.empty())),
                        answer,
                        "",
                        "")
                .doing(Phrase.Effect.VALUE);
    }

    private void device(Responder.Way way, int port, int answerPort) {
        boolean asked = way == Responder.Way.ONLY_ASKED;
        String id = name(way);
        AnswerRule answer = AnswerRule.usual(asked ? AnswerRule.Kind.QUERY : AnswerRule.Kind.SAME);
        Phrase phrase = level(
                "/" + id + "/level",
                way == Responder.Way.COARSER ? answer.near(new Tolerance(Tolerance.Unit.STEP, 0.3)) : answer);
        put("book-" + id, null, new Phrasebook(id, Phrasebook.LinkSheet.unknown()));
        put("phrase-" + id, "book-" + id, phrase);
        put(
                id,
                null,
                Target.plain(
                                id,
                                "127.0.0.1",
                                port,
                                answerPort,
                                asked ? Target.Answering.QUERIES : Target.Answering.REPORTS)
                        .simulatedAt(new StandInEnd("127.0.0.1", port, true))
                        .speaking(new PartId("book-" + id)));
        put(
                "level-" + id,
                PAGE.value(),
                Control.plain(
                        id,
                        new Cells(2 * way.ordinal(), 0, 2, 6),
                        Fader.plain(Form.Direction.UP, Form.Grab.JUMP),
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(new PartId(id)),
                                "/" + id + "/level",
                                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                        List.of()));
    }

    @Test
    void whatIsWrongWithEachComesOutAsItIs() {
        Map<Responder.Way, Responder> devices = new EnumMap<>(Responder.Way.class);
        Arrays.stream(Responder.Way.values()).forEach(way -> devices.put(way, new Responder(way)));
        try (Installation imperan = Installation.fresh()) {
            put("foreign-layout", null, Layout.plain("Foreign"));
            put(PAGE.value(), "foreign-layout", Page.plain("Foreign", 2 * devices.size(), 6));
            devices.forEach((way, device) -> device(way, device.port(), Ports.one()));
            Outcome outcome = imperan.bean(Keeper.class)
                    .change(imperan.show(), show -> show.apply(new EditRequest("Put foreign devices", steps), ADA))
                    .join();
            assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
            // where this machine stands still some are not judged: enough are left
            Report report = proved(imperan, 24);
            assertThat(report.lines()).hasSize(devices.size());
            for (LineResult line : report.lines()) {
                Responder.Way way = Arrays.stream(Responder.Way.values())
                        .filter(each -> name(each).equals(line.targetName()))
                        .findFirst()
                        .orElseThrow();
                assertThat(line.verdict()).as("%s", line).isEqualTo(verdict(way));
                assertThat(line.suspects())
                        .as("%s", line)
                        .containsAll(cause(way).stream().toList());
            }
        } finally {
            devices.values().forEach(Responder::close);
        }
    }

    /**
     * Source: oscdump of Debian's liblo-tools, an implementation of OSC that is not ours. It hears, writes down, and never answers: so says
     * the verdict, and so do its notes.
     */
    @Test
    void whatHearsAndNeverAnswersIsNoAnswerAndHasHeardAllOfIt() throws Exception {
        int port = Ports.one();
        Path heard = Files.createTempFile("heard", ".txt");
        Process dump = new ProcessBuilder("stdbuf", "-oL", "oscdump", String.valueOf(port))
                .redirectErrorStream(true)
                .redirectOutput(heard.toFile())
                .start();
        try (Installation imperan = Installation.fresh()) {
            put("foreign-layout", null, Layout.plain("Foreign"));
            put(PAGE.value(), "foreign-layout", Page.plain("Foreign", 2, 6));
            device(Responder.Way.SAME, port, Ports.one());
            Outcome outcome = imperan.bean(Keeper.class)
                    .change(imperan.show(), show -> show.apply(new EditRequest("Put a foreign device", steps), ADA))
                    .join();
            assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
            Report report = proved(imperan, 12);
            assertThat(report.lines()).singleElement().satisfies(line -> {
                assertThat(line.verdict()).isEqualTo(Verdict.NO_ANSWER);
                assertThat(line.suspects())
                        .as("it is there, for its port is open and its machine is this one")
                        .doesNotContain(Suspect.PORT_CLOSED);
            });
            Desk.waitUntil("it has written both ends and the middle down", () -> linesOf(heard).stream()
                    .filter(line -> line.contains("/same/level f "))
                    .map(line -> Double.valueOf(line.substring(line.lastIndexOf(' ') + 1)))
                    .collect(Collectors.toSet())
                    .containsAll(Set.of(0.0, 0.5, 1.0)));
        } finally {
            dump.destroy();
            dump.waitFor();
            Files.delete(heard);
        }
    }

    /** The zoo of the core, forty of it, over sockets: what is confirmed was taken, and what can be known of an honest one is confirmed. */
    @Test
    void fortyLiesOverSocketsAreNotBelieved() {
        try (Installation imperan = Installation.fresh();
                Liars asked = new Liars(true);
                Liars quiet = new Liars(false)) {
            put("foreign-layout", null, Layout.plain("Foreign"));
            put(PAGE.value(), "foreign-layout", Page.plain("Foreign", 4, 6));
            put("book-zoo", null, new Phrasebook("zoo", Phrasebook.LinkSheet.unknown()));
            put("phrase-zoo", "book-zoo", level("/zoo/<n:0..99>/level", AnswerRule.usual(AnswerRule.Kind.SAME)));
            liars("asked", asked, Target.Answering.QUERIES, 0);
            liars("quiet", quiet, Target.Answering.REPORTS, 2);
            Outcome outcome = imperan.bean(Keeper.class)
                    .change(imperan.show(), show -> show.apply(new EditRequest("Put liars", steps), ADA))
                    .join();
            assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
            Report report = proved(imperan, 9);
            assertThat(report.lines()).hasSize(2 * Liars.count());
            for (LineResult line : report.lines()) {
                int number = Integer.parseInt(line.address().split("/")[2]);
                boolean isAsked = line.targetName().equals("asked");
                if (line.verdict() == Verdict.CONFIRMED) {
                    assertThat((isAsked ? asked : quiet).deceived(number))
                            .as("%s", line)
                            .isFalse();
                }
                if (isAsked && Liars.takes(number) == Liars.Takes.ALL) {
                    assertThat(line.verdict()).as("%s", line).isEqualTo(Verdict.CONFIRMED);
                }
            }
        }
    }

    private void liars(String id, Liars device, Target.Answering answering, int column) {
        put(
                id,
                null,
                Target.plain(id, "127.0.0.1", device.port(), Ports.one(), answering)
                        .simulatedAt(new StandInEnd("127.0.0.1", device.port(), true))
                        .speaking(new PartId("book-zoo")));
        put(
                "levels-" + id,
                PAGE.value(),
                Control.plain(
                        id,
                        new Cells(column, 0, 2, 6),
                        Fader.plain(Form.Direction.UP, Form.Grab.JUMP),
                        IntStream.range(0, Liars.count())
                                .mapToObj(number -> new Send(
                                        Send.Phase.CHANGE,
                                        Optional.of(new PartId(id)),
                                        Liars.address(number),
                                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1))))
                                .toList(),
                        List.of()));
    }

    private static List<String> linesOf(Path file) {
        try {
            return Files.readAllLines(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The report of a proof of the foreign page. */
    private static Report proved(Installation imperan, int times) {
        ShowLoop loop = imperan.bean(ShowLoop.class);
        Desk.waitUntil(
                "their sockets are open", () -> loop.askLive(imperan.show(), (running, now) -> running.links().stream()
                                .allMatch(link -> link.socket().works()))
                        .join());
        Proofs proofs = imperan.bean(Proofs.class);
        Wish wish = new Wish(Optional.of(PAGE), Optional.empty(), Set.of(), Which.ALL, times, false, List.of());
        assertThat(proofs.begin(
                        imperan.show(),
                        wish,
                        proofs.plan(imperan.show(), wish, Progress.NONE).token(),
                        Actor.of(ADA)))
                .isEmpty();
        assertThat(Desk.comes(Duration.ofMinutes(2), () -> proofs.running(imperan.show())
                        .filter(run -> run.phase() == ProofRun.Phase.ENDED
                                && run.number().isPresent())
                        .isPresent()))
                .isTrue();
        return proofs.report(
                        imperan.show(),
                        proofs.running(imperan.show()).orElseThrow().number().orElseThrow())
                .orElseThrow()
                .report();
    }

    private static Verdict verdict(Responder.Way way) {
        return switch (way) {
                // the only target of its host on its answer port is believed from another port, too; but what it says
                // may be an echo
            case SAME, OTHER_PORT -> Verdict.RETURNED;
                // it says the value in steps of its own, or is asked
            case COARSER, ONLY_ASKED -> Verdict.CONFIRMED;
            case COARSER_THAN_TOLD -> Verdict.COARSER;
            case WHOLE -> Verdict.WRONG_TYPE;
            case LATE -> Verdict.LATE;
            case PREFIX -> Verdict.OTHER_ADDRESS;
            case LOSES -> Verdict.LOST;
        };
    }

    private static Optional<Suspect> cause(Responder.Way way) {
        return switch (way) {
            case SAME, COARSER, COARSER_THAN_TOLD, ONLY_ASKED, OTHER_PORT -> Optional.empty();
            case LATE -> Optional.of(Suspect.LATE);
            case WHOLE -> Optional.of(Suspect.OTHER_TYPE);
            case PREFIX -> Optional.of(Suspect.OTHER_ADDRESS);
            case LOSES -> Optional.of(Suspect.LOSS);
        };
    }
}
