package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static imperan.show.Shows.remove;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Touch.Phase;
import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Layout;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Whatever changes under a hand is let go first: no device is left with a button down. */
class LetGoTest {

    private static final PartId TALK = new PartId("talk");
    private static final PartId LEVEL = new PartId("level");

    /** Says 1 when it is pressed and 0 when it is let go, and that by two sends of its own, too. */
    private static Control talk() {
        Control plain = Shows.button("Talk", 0, false, "/talk");
        List<Send> sends = new ArrayList<>(plain.sends());
        sends.add(new Send(
                Send.Phase.RELEASE,
                Optional.of(DESK),
                "/talk/over",
                List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, "7"))));
        return plain.withLines(sends, plain.listens());
    }

    private static Show show() {
        return Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(TALK, PAGE, talk()),
                put(LEVEL, PAGE, Shows.fader("Level", 1, "/level")));
    }

    private static Show edited(Show show, EditRequest.Step step) {
        return Shows.accepted(show, Shows.BEN, step);
    }

    private static Arguments edit(String what, Function<Show, EditRequest.Step> step) {
        return Arguments.of(what, (UnaryOperator<Show>) show -> edited(show, step.apply(show)));
    }

    static Stream<Arguments> whatEndsAHold() {
        return Stream.of(
                edit("removed", show -> remove(show, TALK)),
                edit(
                        "made latching",
                        show -> change(
                                show,
                                TALK,
                                talk().formed(Shows.button("Talk", 0, true, "/talk")
                                        .form()))),
                edit(
                        "made a fader",
                        show -> change(
                                show,
                                TALK,
                                talk().formed(Shows.fader("Talk", 0, "/talk").form()))),
                edit(
                        "given another address",
                        show -> change(
                                show,
                                TALK,
                                talk().withLines(
                                                Shows.button("", 0, false, "/elsewhere")
                                                        .sends(),
                                                List.of()))),
                edit("its page goes", show -> remove(show, PAGE)),
                edit("its layout goes", show -> remove(show, LAYOUT)),
                edit(
                        "its layout becomes a copy in work",
                        show -> change(
                                show,
                                LAYOUT,
                                new Layout("Layout", Optional.of(new Layout.Draft(new PartId("other"), List.of()))))),
                edit("its target goes", show -> remove(show, DESK)),
                edit(
                        "its target moves to another port",
                        show -> change(
                                show, DESK, Target.plain("Desk", "127.0.0.1", 7999, 9201, Target.Answering.REPORTS))),
                edit(
                        "its target answers elsewhere",
                        show -> change(
                                show, DESK, Target.plain("Desk", "127.0.0.1", 7101, 9299, Target.Answering.REPORTS))));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("whatEndsAHold")
    void aHeldButtonSaysItsReleaseBeforeItChanges(String what, UnaryOperator<Show> edit) {
        Stage stage = new Stage(show());
        stage.touch(ADA, "talk", Phase.PRESS, 0.5);
        assertThat(stage.takeSent()).containsExactly("/talk 1");

        stage.live.load(edit.apply(show()), stage.now);
        assertThat(stage.takeSent()).containsExactly("/talk 0", "/talk/over 7");
        // the finger that is still down does nothing any more
        stage.touch(ADA, "talk", Phase.MOVE, 0.6);
        stage.touch(ADA, "talk", Phase.RELEASE, 0.6);
        assertThat(stage.takeSent()).isEmpty();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("whatEndsAHold")
    void aKeyThatHoldsLetsGoToo(String what, UnaryOperator<Show> edit) {
        Stage stage = new Stage(show());
        Asking.touch(stage.live, new Touch(TALK, "key", Phase.PRESS, 0, 0, false, ""), ADA, stage.now);
        stage.takeSent();
        stage.live.load(edit.apply(show()), stage.now);
        assertThat(stage.takeSent()).containsExactly("/talk 0", "/talk/over 7");
    }

    @Test
    void whatIsNotTouchedByAnEditGoesOnUnderItsFinger() {
        Stage stage = new Stage(show());
        stage.touch(ADA, "talk", Phase.PRESS, 0.5);
        stage.takeSent();
        Show labelled = edited(
                show(),
                change(
                        show(),
                        TALK,
                        talk().labelled("Talkback")
                                .at(Shows.button("", 5, false, "/x").cells())));
        stage.live.load(labelled, stage.now);
        stage.live.load(edited(labelled, remove(labelled, LEVEL)), stage.now);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(stage.value("talk").holderName()).isEqualTo("Ada");
        stage.touch(ADA, "talk", Phase.RELEASE, 0.5);
        assertThat(stage.takeSent()).containsExactly("/talk 0", "/talk/over 7");
    }

    @Test
    void aGateThatClosesLetsGoFirst() {
        for (Gate gate : List.of(Gate.HELD, Gate.REHEARSING)) {
            Stage stage = new Stage(show());
            stage.touch(ADA, "talk", Phase.PRESS, 0.5);
            stage.takeSent();
            Asking.gateAll(stage.live, gate, stage.now);
            assertThat(stage.takeSent()).containsExactly("/talk 0", "/talk/over 7");
            assertThat(stage.value("talk").holder()).isEmpty();
        }
    }

    @Test
    void aReleaseThatWaitsForItsTurnLeavesBeforeTheGateCloses() {
        Show paced = edited(show(), change(show(), DESK, Shows.target("Desk").paced(1)));
        Stage stage = new Stage(paced);
        stage.touch(ADA, "talk", Phase.PRESS, 0.5);
        stage.touch(ADA, "talk", Phase.RELEASE, 0.5);
        stage.takeSent();
        Asking.gate(stage.live, DESK, Gate.HELD, stage.now);
        assertThat(stage.takeSent()).endsWith("/talk 0", "/talk/over 7");
    }

    @Test
    void aReleaseThatWaitsForItsTurnLeavesBeforeItsTargetGoes() {
        Show paced = edited(show(), change(show(), DESK, Shows.target("Desk").paced(1)));
        for (Show next : List.of(
                edited(paced, remove(paced, DESK)),
                edited(paced, change(paced, DESK, Shows.target("Desk").paced(2))))) {
            Stage stage = new Stage(paced);
            stage.touch(ADA, "talk", Phase.PRESS, 0.5);
            stage.touch(ADA, "talk", Phase.RELEASE, 0.5);
            stage.takeSent();
            stage.live.load(next, stage.now);
            assertThat(stage.takeSent()).endsWith("/talk 0", "/talk/over 7");
        }
    }

    @Test
    void everyHandLetsGoBeforeAnotherShowGetsTheSockets() {
        Stage stage = new Stage(show());
        stage.touch(ADA, "talk", Phase.PRESS, 0.5);
        stage.takeSent();
        stage.live.letGoOfAll(stage.now);
        assertThat(stage.takeSent()).containsExactly("/talk 0", "/talk/over 7");
    }

    /** Property, 50 seeds: with random hands, gates and edits, the last thing that is said is a release. */
    @Test
    void noPressIsEverLeftWithoutItsRelease() {
        for (int seed = 0; seed < 50; seed++) {
            Random random = new Random(seed);
            Stage stage = new Stage(show());
            Show now = show();
            for (int step = 0; step < 200; step++) {
                switch (random.nextInt(6)) {
                    case 0, 1 -> stage.touch(ADA, "talk", Phase.PRESS, 0.5);
                    case 2 -> stage.touch(ADA, "talk", Phase.RELEASE, 0.5);
                    case 3 -> Asking.gateAll(stage.live, random.nextBoolean() ? Gate.HELD : Gate.OPEN, stage.now);
                    case 4 -> {
                        Show before = now;
                        boolean there = before.part(TALK).isPresent();
                        now = edited(
                                before,
                                there
                                        ? random.nextBoolean()
                                                ? remove(before, TALK)
                                                : change(before, TALK, talk().labelled("Talk " + step))
                                        : put(TALK, PAGE, talk()));
                        stage.live.load(now, stage.now);
                    }
                    default -> stage.pass(random.nextInt(3) * 10);
                }
            }
            stage.live.letGoOfAll(stage.now);
            List<String> said = stage.takeSent();
            assertThat(said).as("seed " + seed).contains("/talk 1");
            assertThat(said.lastIndexOf("/talk 0")).as("seed " + seed).isGreaterThan(said.lastIndexOf("/talk 1"));
        }
    }
}
