package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.BEN;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.button;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Touch.Phase;
import imperan.show.Behaviour;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Tray;
import imperan.show.form.Button;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Buttons of which one at most is on. */
class GroupsTest {

    private static final PartId TRAY = new PartId("tray");

    private static Control grouped(Button.Action action, int column, String group) {
        return button("B" + column, column, true, "/b/" + column).formed(new Button(action, group));
    }

    private static Control latching(int column) {
        return grouped(Button.Action.LATCHING, column, "solo");
    }

    private static Show show(Control... controls) {
        Show show = Shows.withPage();
        for (int i = 0; i < controls.length; i++) {
            show = accepted(show, Shows.ADA, put(new PartId("b" + i), PAGE, controls[i]));
        }
        return show;
    }

    private static void press(Stage stage, Person person, int button) {
        stage.touch(person, "b" + button, Phase.PRESS, 0.5);
    }

    private static void release(Stage stage, Person person, int button) {
        stage.touch(person, "b" + button, Phase.RELEASE, 0.5);
    }

    private static void tap(Stage stage, Person person, int button) {
        press(stage, person, button);
        release(stage, person, button);
    }

    private static List<Integer> on(Stage stage) {
        return stage.live.values().stream()
                .filter(value -> value.axes().get(0).position() >= 0.5)
                .map(value -> Integer.parseInt(value.control().value().substring(1)))
                .toList();
    }

    @Test
    void theOneThatWasOnGoesOffBeforeTheNextGoesOn() {
        Stage stage = new Stage(show(latching(0), latching(1), latching(2)));
        tap(stage, ADA, 0);
        tap(stage, BEN, 2);
        assertThat(stage.takeSent()).containsExactly("/b/0 1", "/b/0 0", "/b/2 1");
        assertThat(on(stage)).containsExactly(2);
        assertThat(stage.value("b0").movedBy()).isEqualTo("Ben");
        tap(stage, ADA, 2);
        assertThat(stage.takeSent())
                .as("the one that is on can go off by itself")
                .containsExactly("/b/2 0");
        assertThat(on(stage)).isEmpty();
    }

    @Test
    void oneThatIsHeldIsLetGo() {
        Control held = grouped(Button.Action.MOMENTARY, 0, "solo");
        List<Send> sends = Stream.concat(
                        held.sends().stream(),
                        Stream.of(
                                new Send(Send.Phase.RELEASE, Optional.of(DESK), "/gone", List.of()),
                                new Send(Send.Phase.HELD, Optional.of(DESK), "/more", List.of())))
                .toList();
        Stage stage = new Stage(show(held.withLines(sends, held.listens()), latching(1)));
        press(stage, ADA, 0);
        press(stage, BEN, 1);
        assertThat(stage.takeSent()).containsExactly("/b/0 1", "/b/0 0", "/gone", "/b/1 1");
        stage.pass(1_000);
        release(stage, ADA, 0);
        assertThat(stage.takeSent())
                .as("the finger that still lies there holds nothing")
                .isEmpty();
    }

    @Test
    void oneThatSaysTheSameEachTimeLetsTheOthersGoOff() {
        Stage stage = new Stage(show(latching(0), grouped(Button.Action.ONE_SHOT, 1, "solo")));
        tap(stage, ADA, 0);
        tap(stage, ADA, 1);
        assertThat(stage.takeSent()).containsExactly("/b/0 1", "/b/0 0", "/b/1 1");
        assertThat(on(stage)).isEmpty();
    }

    @Test
    void theTargetSaysWhatIsOnAndNothingIsSentBecauseOfIt() {
        Stage stage = new Stage(show(latching(0), latching(1)));
        stage.desk("/b/0", 1f);
        stage.desk("/b/1", 1f);
        assertThat(stage.takeSent()).isEmpty();
        assertThat(on(stage)).containsExactly(0, 1);
    }

    @Test
    void otherGroupsOtherTraysAndThoseWithoutAGroupMindNothing() {
        Show show =
                show(latching(0), grouped(Button.Action.LATCHING, 1, "other"), grouped(Button.Action.LATCHING, 2, ""));
        show = accepted(
                show,
                Shows.ADA,
                put(TRAY, PAGE, Tray.plain("Tray", new Cells(0, 0, 4, 2))),
                put(new PartId("b3"), TRAY, latching(0).at(new Cells(0, 0, 1, 1))),
                put(new PartId("b4"), TRAY, latching(1).at(new Cells(1, 0, 1, 1))));
        Stage stage = new Stage(show);
        IntStream.range(0, 4).forEach(button -> tap(stage, ADA, button));
        assertThat(on(stage)).containsExactlyInAnyOrder(0, 1, 2, 3);
        tap(stage, ADA, 4);
        assertThat(on(stage)).containsExactlyInAnyOrder(0, 1, 2, 4);
    }

    @Test
    void anEditThatTakesAButtonOutOfItsGroupCountsAtOnce() {
        Show show = show(latching(0), latching(1));
        Stage stage = new Stage(show);
        tap(stage, ADA, 0);
        stage.live.load(
                accepted(show, Shows.ADA, Shows.change(show, new PartId("b0"), grouped(Button.Action.LATCHING, 0, ""))),
                stage.now);
        tap(stage, ADA, 1);
        assertThat(on(stage)).containsExactlyInAnyOrder(0, 1);
    }

    @Test
    void whateverHandsDoTwoAreNeverOnHereOrAtTheTarget() {
        Button.Action[] actions = Button.Action.values();
        for (int seed = 0; seed < 50; seed++) {
            Random random = new Random(seed);
            Control[] controls = IntStream.range(0, 5)
                    .mapToObj(column -> grouped(actions[random.nextInt(actions.length)], column, "solo"))
                    .toArray(Control[]::new);
            Stage stage = new Stage(show(controls));
            boolean[] there = new boolean[controls.length];
            for (int step = 0; step < 100; step++) {
                Person person = random.nextBoolean() ? ADA : BEN;
                int button = random.nextInt(controls.length);
                if (random.nextBoolean()) {
                    press(stage, person, button);
                } else {
                    release(stage, person, button);
                }
                assertThat(on(stage)).as("seed %d, step %d", seed, step).hasSizeLessThan(2);
                for (String said : stage.takeSent()) {
                    int which = said.charAt(3) - '0';
                    // what says the same each time is no state
                    there[which] =
                            said.endsWith("1") && ((Button) controls[which].form()).action() != Button.Action.ONE_SHOT;
                    List<Integer> lit = new ArrayList<>();
                    IntStream.range(0, there.length).filter(i -> there[i]).forEach(lit::add);
                    assertThat(lit).as("seed %d, step %d", seed, step).hasSizeLessThan(2);
                }
            }
        }
    }

    @Test
    void theNameOfAGroupHasALimit() {
        assertThat(Shows.refused(
                        show(),
                        Shows.ADA,
                        put(new PartId("it"), PAGE, grouped(Button.Action.LATCHING, 0, "x".repeat(81)))))
                .singleElement()
                .satisfies(problem -> assertThat(problem.field()).isEqualTo("form/group"));
    }

    @Test
    void aGuardedButtonLetsTheOthersGoOnlyWhenItGoesOn() {
        Behaviour twoSteps =
                new Behaviour(Behaviour.Guard.TWO_STEPS, 0.2, Behaviour.PLAIN.whenLost(), Optional.empty(), "");
        Stage stage = new Stage(show(latching(0), latching(1).behaving(twoSteps)));
        tap(stage, ADA, 0);
        tap(stage, ADA, 1);
        assertThat(on(stage)).containsExactly(0);
        tap(stage, ADA, 1);
        assertThat(on(stage)).containsExactly(1);
    }

    @Test
    void aButtonThatChangesItsGroupOrIsRemovedBelongsToItNoMore() {
        Show show = show(latching(0), latching(1), latching(2));
        Stage stage = new Stage(show);
        press(stage, ADA, 0);
        release(stage, ADA, 0);
        Edit edit = ((Outcome.Accepted) Shows.apply(
                        show,
                        Shows.ADA,
                        Shows.change(show, new PartId("b0"), grouped(Button.Action.LATCHING, 0, "other")),
                        Shows.remove(show, new PartId("b2"))))
                .edit();
        stage.live.follow(show.replay(edit), edit, stage.now);
        press(stage, ADA, 1);
        release(stage, ADA, 1);
        assertThat(stage.value("b0").position())
                .as("it is in another group now")
                .isEqualTo(1);
        assertThat(stage.value("b1").position()).isEqualTo(1);
    }
}
