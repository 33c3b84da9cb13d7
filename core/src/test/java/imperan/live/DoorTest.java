package imperan.live;

import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static imperan.show.Shows.withPage;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.CueList;
import imperan.show.KeepAlive;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Target;
import imperan.show.Track;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.FieldSource;
import org.junit.jupiter.params.provider.MethodSource;

class DoorTest {

    private static final PartId LEVEL = new PartId("level");
    private static final PartId LIST = new PartId("list");
    private static final PartId TRACK = new PartId("track");
    private static final PartId SET = new PartId("set");

    /** One of each command. */
    static final List<Command> EACH = List.of(
            new Touch(LEVEL, "1", Touch.Phase.SET, 0, 0.5, false, ""),
            new Command.TestFire(LEVEL, 0),
            new Command.Rest(List.of(LEVEL)),
            new Command.SetGate(Optional.of(Stage.DESK), Gate.HELD),
            new Command.SendStartList(Stage.DESK),
            new Command.LeaveAsItIs(Stage.DESK),
            new Command.Refresh(Stage.DESK),
            new Command.FindOut(Stage.DESK),
            new Command.Say(Stage.DESK, "/x"),
            new Command.SayBytes(Stage.DESK, "2f78 0000 2c000000"),
            new Command.Prove(
                    new Line(Optional.empty(), 0, Optional.of(Stage.DESK), "Desk", "/x", List.of()), Optional.empty()),
            new Command.Learn(true),
            new Command.StepCues(LIST, Command.StepCues.Deed.RESET, Optional.empty()),
            new Command.StepTrack(TRACK, Command.StepTrack.Deed.PLAY, Optional.empty(), Optional.empty()),
            new Command.StepSongs(SET, Command.StepSongs.Deed.NEXT, Optional.empty()),
            new Command.StopAll());

    private final Stage stage = new Stage(accepted(
            withPage(),
            Shows.ADA,
            put(LEVEL, PAGE, fader("Level", 0, "/level")),
            put(LIST, null, CueList.plain("List")),
            put(TRACK, null, Track.silent("Tide", 60)),
            put(SET, null, SetList.plain("Evening")),
            put(new PartId("song"), SET, Song.blank("Blank"))));

    @Test
    void noCommandIsForgotten() {
        assertThat(EACH.stream().map(Object::getClass).collect(Collectors.toSet()))
                .isEqualTo(Set.copyOf(Arrays.asList(Command.class.getPermittedSubclasses())));
    }

    @ParameterizedTest
    @FieldSource("EACH")
    void isDoneForWhoMayAndRefusedInWordsForWhoMayNot(Command command) {
        Actor may = new Actor(Actor.Kind.PERSON, "b1", "Ada", EnumSet.of(command.needs()));
        Actor mayNot = new Actor(Actor.Kind.PERSON, "b1", "Ada", EnumSet.complementOf(EnumSet.of(command.needs())));
        stage.takeSent();
        assertThat(stage.live.carryOut(command, mayNot, stage.now).map(Problem::message))
                .hasValue("Ada may not do this");
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.live.carryOut(command, may, stage.now)).isEmpty();
    }

    /** The keep-alive, though it is not due, and a few questions; nothing that moves anything, and nothing to a target that is silent. */
    @Test
    void findingOutAsksWhatChangesNothing() {
        Target desk = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES)
                .kept(KeepAlive.of("/alive", 3, 9));
        Show show = accepted(
                withPage(),
                Shows.ADA,
                change(withPage(), Shows.DESK, desk),
                put(LEVEL, PAGE, fader("Level", 0, "/level")),
                put(new PartId("a"), PAGE, fader("A", 1, "/a")),
                put(new PartId("b"), PAGE, fader("B", 2, "/b")),
                put(new PartId("c"), PAGE, fader("C", 3, "/c")));
        Stage asked = new Stage(show);
        asked.pass(1_000);
        asked.takeSent();
        Actor ada = Actor.of(Shows.ADA);
        assertThat(asked.live.carryOut(new Command.FindOut(Stage.DESK), ada, asked.now))
                .isEmpty();
        assertThat(asked.takeSent()).containsExactly("/alive", "/a", "/b", "/c");
        asked.live.carryOut(new Command.SetGate(Optional.empty(), Gate.SILENT), ada, asked.now);
        asked.live.carryOut(new Command.FindOut(Stage.DESK), ada, asked.now);
        assertThat(asked.takeSent()).isEmpty();
        assertThat(asked.live.carryOut(new Command.FindOut(new PartId("gone")), ada, asked.now))
                .isPresent();
    }

    @Test
    void aLineThatIsNoMessageIsRefusedBesideItsField() {
        Actor ada = Actor.of(Shows.ADA);
        assertThat(stage.live.carryOut(new Command.Say(Stage.DESK, "level"), ada, stage.now))
                .hasValueSatisfying(problem -> {
                    assertThat(problem.field()).isEqualTo("line");
                    assertThat(problem.message()).contains("slash");
                    assertThat(problem.mend()).hasValue("/level");
                });
        assertThat(stage.live.carryOut(new Command.Say(Stage.DESK, ""), ada, stage.now))
                .isPresent();
        assertThat(stage.live
                        .carryOut(new Touch(LEVEL, "1", Touch.Phase.SET, 0, Double.NaN, false, ""), ada, stage.now)
                        .map(Problem::message))
                .hasValue("A touch needs finite numbers");
    }

    /** What a command makes leave has left when it is carried out, and tells why it left. */
    @ParameterizedTest
    @MethodSource
    void whatItSaysLeavesAtOnce(Command command, Cause.Origin origin, List<String> leaves) {
        Target desk = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES)
                .startingWith(List.of("/ready 1"));
        Stage asked = new Stage(accepted(
                withPage(),
                Shows.ADA,
                change(withPage(), Shows.DESK, desk),
                put(LEVEL, PAGE, fader("Level", 0, "/level"))));
        asked.pass(1_000);
        asked.takeSent();
        asked.events.clear();
        assertThat(asked.live.carryOut(command, Actor.of(Shows.ADA), asked.now)).isEmpty();
        assertThat(asked.takeSent()).isEqualTo(leaves);
        List<LiveEvent> packets = asked.events.stream()
                .filter(LiveEvent.PacketOut.class::isInstance)
                .toList();
        assertThat(packets)
                .as("%s", asked.events)
                .hasSameSizeAs(leaves)
                .extracting(event -> event.cause().origin())
                .containsOnly(origin);
        assertThat(asked.events)
                .extracting(event -> event.cause().actor().name())
                .contains("Ada");
    }

    static List<Arguments> whatItSaysLeavesAtOnce() {
        return List.of(
                Arguments.of(
                        new Touch(LEVEL, "1", Touch.Phase.SET, 0, 0.5, false, ""),
                        Cause.Origin.HAND,
                        List.of("/level 0.5")),
                Arguments.of(new Command.TestFire(LEVEL, 0), Cause.Origin.TEST, List.of("/level 0.25")),
                Arguments.of(new Command.SendStartList(Stage.DESK), Cause.Origin.START_LIST, List.of("/ready 1")),
                Arguments.of(new Command.Refresh(Stage.DESK), Cause.Origin.QUESTION, List.of("/level")),
                Arguments.of(new Command.FindOut(Stage.DESK), Cause.Origin.QUESTION, List.of("/level")),
                Arguments.of(new Command.Say(Stage.DESK, "/x 1"), Cause.Origin.SAY, List.of("/x 1")),
                Arguments.of(new Command.SayBytes(Stage.DESK, "2f780000 2c000000"), Cause.Origin.SAY, List.of("/x")),
                Arguments.of(
                        new Command.Prove(
                                new Line(Optional.empty(), 0, Optional.of(Stage.DESK), "Desk", "/x", List.of()),
                                Optional.empty()),
                        Cause.Origin.PROOF,
                        List.of("/x")));
    }

    @ParameterizedTest
    @MethodSource
    void whatIsGoneIsSaidSo(Command command, String words) {
        assertThat(stage.live.carryOut(command, Actor.of(Shows.ADA), stage.now).map(Problem::message))
                .hasValue(words);
    }

    static List<Arguments> whatIsGoneIsSaidSo() {
        PartId gone = new PartId("gone");
        return List.of(
                Arguments.of(new Command.TestFire(gone, 0), "This control is no longer in the live show"),
                Arguments.of(new Command.TestFire(LEVEL, 1), "“Level” has no such send"),
                Arguments.of(new Command.TestFire(LEVEL, -1), "“Level” has no such send"),
                Arguments.of(new Command.SetGate(Optional.of(gone), Gate.HELD), "This target is no longer in the rig"),
                Arguments.of(new Command.SendStartList(gone), "This target is no longer in the rig"),
                Arguments.of(new Command.LeaveAsItIs(gone), "This target is no longer in the rig"),
                Arguments.of(new Command.Say(gone, "/x"), "This target is no longer in the rig"),
                Arguments.of(new Command.SayBytes(gone, "2f780000 2c000000"), "This target is no longer in the rig"),
                Arguments.of(
                        new Command.Prove(
                                new Line(Optional.empty(), 0, Optional.of(gone), "", "/x", List.of()),
                                Optional.empty()),
                        "This target is no longer in the rig"),
                Arguments.of(
                        new Command.Prove(
                                new Line(Optional.empty(), 0, Optional.empty(), "", "/x", List.of()), Optional.empty()),
                        "A line of a proof has a target"),
                Arguments.of(
                        new Command.StepCues(gone, Command.StepCues.Deed.RESET, Optional.empty()),
                        "This cue list is no longer in the live show"),
                Arguments.of(
                        new Command.StepTrack(gone, Command.StepTrack.Deed.PLAY, Optional.empty(), Optional.empty()),
                        "This track is no longer in the live show"),
                Arguments.of(
                        new Command.StepSongs(gone, Command.StepSongs.Deed.NEXT, Optional.empty()),
                        "This set list is no longer in the live show"));
    }

    /** What is held lets go first: the release is said while it still can be. */
    @Test
    void aGateIsToldOfAndClosesOnlyAfterHandsHaveLetGo() {
        Stage held =
                new Stage(accepted(withPage(), Shows.ADA, put(LEVEL, PAGE, Shows.button("Flash", 0, false, "/flash"))));
        Actor ada = Actor.of(Shows.ADA);
        held.touch(Shows.ADA, "level", Touch.Phase.PRESS, 0.5);
        assertThat(held.takeSent()).containsExactly("/flash 1");
        held.events.clear();
        assertThat(held.live.carryOut(new Command.SetGate(Optional.of(Stage.DESK), Gate.HELD), ada, held.now))
                .isEmpty();
        assertThat(held.takeSent()).containsExactly("/flash 0");
        assertThat(held.events).anySatisfy(event -> assertThat(event)
                .isInstanceOfSatisfying(LiveEvent.LinkChanged.class, changed -> assertThat(changed.target())
                        .isEqualTo(Stage.DESK)));
        assertThat(held.link().gate()).isEqualTo(Gate.HELD);
        held.events.clear();
        assertThat(held.live.carryOut(new Command.SetGate(Optional.empty(), Gate.OPEN), ada, held.now))
                .isEmpty();
        assertThat(held.link().gate()).isEqualTo(Gate.OPEN);
        assertThat(held.events).anyMatch(LiveEvent.LinkChanged.class::isInstance);
    }

    @Test
    void whatIsDoneWithAStartListIsTold() {
        Target desk = Shows.target("Desk").startingWith(List.of("/ready 1"));
        Actor ada = Actor.of(Shows.ADA);
        for (Command command : List.of(new Command.SendStartList(Stage.DESK), new Command.LeaveAsItIs(Stage.DESK))) {
            Stage back = new Stage(accepted(withPage(), Shows.ADA, change(withPage(), Shows.DESK, desk)));
            back.desk("/hello");
            back.pass(100);
            assertThat(back.link().startOffered()).isTrue();
            back.events.clear();
            assertThat(back.live.carryOut(command, ada, back.now)).isEmpty();
            assertThat(back.link().startOffered()).isFalse();
            assertThat(back.events).anyMatch(LiveEvent.LinkChanged.class::isInstance);
        }
    }

    @Test
    void whoLearnsIsForgottenInTime() {
        stage.pass(100_000);
        long before = stage.live.nextDue();
        assertThat(stage.live.carryOut(new Command.Learn(true), Actor.of(Shows.ADA), stage.now))
                .isEmpty();
        assertThat(stage.live.nextDue()).isLessThan(before).isEqualTo(stage.now + 10_000 * Stage.MS);
    }
}
