package imperan.watch;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.Line;
import imperan.live.SocketState;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.proof.Hall;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.words.WatchWords;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** On a running show whose desk answers, or does not. */
class WatchTest {

    private static final PartId FADER = new PartId("fader");

    private Hall hall;
    private Watch watch;

    @BeforeEach
    void aDeskThatAnswers() {
        Show show = Shows.withPage();
        show = Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(
                        show,
                        Shows.DESK,
                        Target.plain(
                                "Desk", Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, Target.Answering.QUERIES)),
                Shows.put(FADER, Shows.PAGE, Shows.fader("Level", 0, "/level")));
        hall = new Hall(show);
        watch = new Watch(hall.now);
        hall.told = watch::happened;
    }

    private void move(double to) {
        hall.move(FADER.value(), to);
    }

    @Test
    void whatIsAnsweredIsNoIncident() {
        move(0.3);
        assertThat(watch.incidents()).isEmpty();
    }

    @Test
    void whatIsNotAnsweredIsOneIncidentHoweverOftenAndIsOverOnceItIsAnswered() {
        move(0.3);
        hall.does(Hall.MUTE);
        move(0.4);
        move(0.5);
        assertThat(watch.incidents()).first().satisfies(incident -> {
            assertThat(incident.kind()).isEqualTo(Incident.Kind.NO_ANSWER);
            assertThat(incident.control()).hasValue(FADER);
            assertThat(incident.about()).isEqualTo("/level");
            assertThat(incident.count()).isEqualTo(2);
            assertThat(incident.over()).isEmpty();
        });
        hall.does(Hall.ECHO);
        move(0.6);
        assertThat(watch.incidents())
                .allSatisfy(incident -> assertThat(incident.over()).isPresent());
    }

    @Test
    void anotherValueThanTheOneThatWasSaid() {
        hall.does((message, bundled, says) -> says.accept(message.address(), List.of(new OscArgument.Float32(0.9f))));
        move(0.3);
        assertThat(watch.incidents()).singleElement().satisfies(incident -> {
            assertThat(incident.kind()).isEqualTo(Incident.Kind.WRONG_VALUE);
            assertThat(incident.detail()).contains("0.9");
        });
    }

    @Test
    void whatThisMachineCannotSend() {
        hall.live.socket(Shows.DESK, SocketState.noWay("the adapter is gone"), hall.now);
        move(0.3);
        assertThat(watch.incidents()).anySatisfy(incident -> {
            assertThat(incident.kind()).isEqualTo(Incident.Kind.NOT_SENT);
            assertThat(WatchWords.says(incident)).isEqualTo("The adapter is gone");
        });
    }

    @Test
    void aTargetThatIsLostIsOneIncidentUntilItIsBack() {
        move(0.3);
        hall.does(Hall.MUTE);
        move(0.4);
        hall.pass(10_000);
        assertThat(watch.incidents())
                .filteredOn(incident -> incident.kind() == Incident.Kind.LINK_LOST)
                .singleElement()
                .satisfies(incident -> {
                    assertThat(incident.target()).hasValue(Shows.DESK);
                    assertThat(incident.over()).isEmpty();
                });
        hall.does(Hall.ECHO);
        move(0.6);
        assertThat(watch.incidents())
                .filteredOn(incident -> incident.kind() == Incident.Kind.LINK_LOST)
                .singleElement()
                .satisfies(incident -> assertThat(incident.over()).isPresent());
    }

    @Test
    void aPortThatNobodyHasOpenUntilSomebodyHas() {
        hall.live.portClosed(Shows.DESK, hall.now);
        assertThat(watch.incidents()).singleElement().satisfies(incident -> {
            assertThat(incident.kind()).isEqualTo(Incident.Kind.PORT_CLOSED);
            assertThat(incident.over()).isEmpty();
        });
        move(0.3);
        assertThat(watch.incidents()).singleElement().satisfies(incident -> assertThat(incident.over())
                .isPresent());
    }

    @Test
    void whatTheSystemDoesNotTake() {
        hall.systemRefuses();
        move(0.3);
        assertThat(watch.incidents()).anySatisfy(incident -> {
            assertThat(incident.kind()).isEqualTo(Incident.Kind.NOT_SENT);
            assertThat(incident.about()).isEqualTo("/level");
            assertThat(incident.control()).hasValue(FADER);
        });
    }

    @Test
    void packetsThatAreNone() {
        hall.live.received(
                Hall.ANSWER_PORT,
                Hall.DESK_HOST,
                Hall.DESK_PORT,
                new byte[] {1, 2, 3},
                new OscDecoder().decode(new byte[] {1, 2, 3}),
                hall.now);
        assertThat(watch.incidents()).singleElement().satisfies(incident -> assertThat(incident.kind())
                .isEqualTo(Incident.Kind.MALFORMED));
    }

    @Test
    void whatAProofSaysIsJudgedByTheProof() {
        hall.does(Hall.MUTE);
        hall.live.carryOut(
                new Command.Prove(
                        new Line(
                                Optional.of(FADER),
                                0,
                                Optional.of(Shows.DESK),
                                "Desk",
                                "/level",
                                List.of(new OscArgument.Float32(0.2f))),
                        Optional.empty()),
                Actor.proof("Ada"),
                hall.now);
        hall.run();
        hall.pass(5_000);
        assertThat(watch.incidents()).extracting(Incident::kind).containsOnly(Incident.Kind.LINK_LOST);
    }

    @Test
    void itBeginsAnew() {
        hall.does(Hall.MUTE);
        move(0.4);
        assertThat(watch.incidents()).isNotEmpty();
        watch.begin(hall.now);
        assertThat(watch.incidents()).isEmpty();
        assertThat(watch.since()).isEqualTo(hall.now);
    }

    @Test
    void aTargetThatIsStillNotThereStaysWhenItBeginsAnew() {
        hall.live.portClosed(Shows.DESK, hall.now);
        watch.begin(hall.now);
        assertThat(watch.incidents()).extracting(Incident::kind).containsExactly(Incident.Kind.PORT_CLOSED);
        move(0.3);
        watch.begin(hall.now);
        assertThat(watch.incidents()).isEmpty();
        hall.live.portClosed(Shows.DESK, hall.now);
        watch.forget(hall.now);
        assertThat(watch.incidents()).as("another show runs").isEmpty();
    }

    /** Memory is bounded, however many different things go wrong. */
    @Test
    void theOneThatIsLongestAgoMakesRoom() {
        for (int i = 0; i < Watch.MOST + 10; i++) {
            hall.live.received(
                    Hall.ANSWER_PORT,
                    Hall.DESK_HOST,
                    1_000 + i,
                    new byte[] {1},
                    new OscDecoder().decode(new byte[] {1}),
                    hall.now);
        }
        assertThat(watch.incidents()).hasSize(Watch.MOST);
        assertThat(watch.incidents().get(0).about()).endsWith(":" + (1_000 + Watch.MOST + 9));
    }

    @ParameterizedTest
    @EnumSource(Incident.Kind.class)
    void eachKindHasWords(Incident.Kind kind) {
        assertThat(WatchWords.word(kind)).isNotBlank();
        assertThat(WatchWords.says(
                        new Incident(kind, Optional.empty(), Optional.empty(), "/a", "", 0, 0, 1, Optional.empty())))
                .isNotNull();
    }
}
