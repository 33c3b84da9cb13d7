package imperan.live;

import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.phrasebook.Vocabulary;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Face;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Finger;
import imperan.show.form.Form;
import imperan.show.form.Pad;
import imperan.show.form.Position;
import java.lang.reflect.Field;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Named;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One control by itself: what it stands at in the terms of its target, what it keeps over an edit, and when it is due. */
class LiveControlTest {

    private static final PartId DESK = Shows.DESK;
    private static final PartId RACK = new PartId("rack");
    private static final PartId IT = new PartId("it");
    private static final Form FADER = Fader.plain(Fader.Direction.UP, Form.Grab.RELATIVE);

    private static Send send(Send.Phase on, String address, ArgumentSource... arguments) {
        return new Send(on, Optional.of(DESK), address, List.of(arguments));
    }

    private static Send level(ArgumentType type, double low, double high) {
        return send(Send.Phase.CHANGE, "/level", new ArgumentSource.Value(type, low, high));
    }

    private static Listen heard(PartId target, String address, double low, double high) {
        return Listen.value(Optional.of(target), address, 0, low, high);
    }

    private static Control control(Form form, List<Send> sends, Listen... listens) {
        return Control.plain("It", new Cells(0, 0, 1, 1), form, sends, List.of(listens));
    }

    private static LiveControl live(Control control) {
        return new LiveControl(IT, control);
    }

    /** A phrasebook of one phrase with one number. */
    private static Function<Optional<PartId>, Vocabulary> book(AnswerRule answer, ArgumentType type, String unit) {
        PartId book = new PartId("book");
        Phrase phrase = Phrase.plain(
                "/level",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        type, Optional.of(0.0), Optional.of(10.0), unit, List.of(), Optional.empty())),
                answer,
                "",
                "");
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), book, phrase));
        Show spoken = Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(
                        show,
                        DESK,
                        Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS)
                                .speaking(book)));
        return target ->
                target.filter(DESK::equals).map(id -> Vocabulary.of(spoken, id)).orElse(Vocabulary.NONE);
    }

    private static final Function<Optional<PartId>, Vocabulary> UNTOLD = target -> Vocabulary.NONE;

    // ---- in the terms of its target

    @Test
    void itIsShownAsItIsSentElseAsItIsHeardElseAsAShare() {
        LiveControl sent =
                live(control(FADER, List.of(level(ArgumentType.INT32, 0, 10)), heard(DESK, "/level", 0, 100)));
        sent.position = Position.of(0.26);
        assertThat(sent.value().text()).isEqualTo("3");
        LiveControl listening = live(control(FADER, List.of(), heard(DESK, "/level", 0, 100)));
        listening.position = Position.of(0.25);
        assertThat(listening.value().text()).startsWith("25");
        LiveControl alone = live(control(FADER, List.of()));
        alone.position = Position.of(0.25);
        assertThat(alone.value().text()).startsWith("0.25");
    }

    @Test
    void whatIsOnlyHeardIsWholeWhereItsPhraseSaysSoAndTheUnitIsThatOfItsPhrase() {
        LiveControl listening = live(control(FADER, List.of(), heard(DESK, "/level", 0, 10)));
        listening.position = Position.of(0.26);
        assertThat(listening.value().text()).isEqualTo("2.60");
        assertThat(listening.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32, "dB")))
                .as("shown otherwise now")
                .isTrue();
        assertThat(listening.value().text()).isEqualTo("3");
        assertThat(listening.value().unit()).isEqualTo("dB");
        assertThat(listening.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32, "dB")))
                .isFalse();
        assertThat(listening.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32, "%")))
                .isTrue();
        assertThat(listening.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.FLOAT32, "%")))
                .isTrue();
        LiveControl other = live(control(FADER, List.of(), heard(RACK, "/level", 0, 10)));
        assertThat(other.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32, "dB")))
                .as("another target")
                .isFalse();
    }

    @Test
    void theUnitOfAnotherAxisOrOfALabelIsNotItsOwn() {
        Listen label = Listen.label(Optional.of(DESK), "/level", 0);
        Listen second = Listen.value(Optional.of(DESK), "/level", 0, 0, 1, 1);
        LiveControl pad = live(control(new Pad(Form.Grab.RELATIVE, false), List.of(), label, second));
        pad.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32, "dB"));
        assertThat(pad.value().unit()).isEmpty();
        LiveControl far = live(control(FADER, List.of(), Listen.value(Optional.of(DESK), "/level", 1, 0, 1)));
        far.expect(book(AnswerRule.usual(AnswerRule.Kind.SAME), ArgumentType.INT32, "dB"));
        assertThat(far.value().unit()).as("the phrase has no second argument").isEmpty();
    }

    // ---- what agrees, and until when

    @Test
    void whatIsHeardAgreesWithinTheToleranceOfEachAxis() {
        LiveControl it = live(control(FADER, List.of(level(ArgumentType.INT32, 0, 10)), heard(DESK, "/level", 0, 10)));
        it.expect(UNTOLD);
        it.position = Position.of(0.5);
        assertThat(it.agrees(Position.of(0.549))).isTrue();
        assertThat(it.agrees(Position.of(0.56))).isFalse();
        assertThat(it.agrees(Position.unknown(FADER))).as("nothing was heard").isTrue();
    }

    @Test
    void anAnswerThatIsAskedForMayTakeUntilItIsAsked() {
        LiveControl it = live(control(FADER, List.of(level(ArgumentType.FLOAT32, 0, 1)), heard(DESK, "/level", 0, 1)));
        it.expect(UNTOLD);
        it.position = Position.of(1);
        it.echo = Position.of(0);
        assertThat(it.nextDue()).as("nothing was said").isEqualTo(DueQueue.NEVER);
        it.sentAt = 1_000;
        long limit = Expectation.UNTOLD.limitNanos();
        assertThat(it.nextDue()).isEqualTo(1_000 + limit);
        assertThat(it.isOverdue(1_000 + limit - 1)).isFalse();
        assertThat(it.isOverdue(1_000 + limit)).isTrue();
        it.expect(book(AnswerRule.usual(AnswerRule.Kind.QUERY), ArgumentType.FLOAT32, ""));
        assertThat(it.nextDue()).isGreaterThan(1_000 + Lane.SETTLE_NANOS);
        it.disputed = true;
        assertThat(it.nextDue()).as("it was told already").isEqualTo(DueQueue.NEVER);
    }

    @Test
    void itSpeaksToTheTargetsOfItsSendsAndMentionsThoseOfItsListensToo() {
        LiveControl it = live(control(FADER, List.of(level(ArgumentType.FLOAT32, 0, 1)), heard(RACK, "/level", 0, 1)));
        assertThat(it.speaksTo(Set.of(DESK))).isTrue();
        assertThat(it.speaksTo(Set.of(RACK))).isFalse();
        assertThat(it.mentions(Set.of(DESK))).isTrue();
        assertThat(it.mentions(Set.of(RACK))).isTrue();
        assertThat(it.mentions(Set.of(IT))).isFalse();
    }

    @Test
    void itSaysInThePhasesOfItsSends() {
        LiveControl it = live(control(FADER, List.of(level(ArgumentType.FLOAT32, 0, 1))));
        assertThat(it.says(Send.Phase.CHANGE)).isTrue();
        assertThat(it.says(Send.Phase.PRESS)).isFalse();
        assertThat(live(control(FADER, List.of())).says(Send.Phase.CHANGE)).isFalse();
    }

    @Test
    void whatWantsTwoTouchesIsOpenUntilItsTimeIsOver() {
        Control guarded = control(FADER, List.of())
                .behaving(new Behaviour(
                        Behaviour.Guard.TWO_STEPS, 0.2, Behaviour.PLAIN.whenLost(), Optional.empty(), ""));
        LiveControl it = live(guarded);
        assertThat(it.isOpen(0)).isFalse();
        it.openUntil = 100;
        assertThat(it.isOpen(99)).isTrue();
        assertThat(it.isOpen(100)).isFalse();
        assertThat(it.nextDue()).isEqualTo(100);
        assertThat(live(control(FADER, List.of())).isOpen(0)).isTrue();
    }

    // ---- over an edit, and over a restart

    private static LiveControl played() {
        Behaviour.Condition when = new Behaviour.Condition(Optional.of(DESK), "/on", 0, "1");
        LiveControl it = live(control(
                        FADER,
                        List.of(level(ArgumentType.FLOAT32, 0, 1)),
                        heard(DESK, "/level", 0, 1),
                        Listen.words(Optional.of(DESK), "/words", 0))
                .behaving(new Behaviour(Behaviour.Guard.NONE, 0.2, Behaviour.PLAIN.whenLost(), Optional.of(when), "")));
        it.position = Position.of(0.75);
        it.echo = Position.of(0.5);
        it.echoWords = Optional.of("half");
        it.words = "minus six";
        it.belief = Belief.KNOWN;
        it.enabled = false;
        it.unanswered = true;
        it.movedBy = "Ada";
        return it;
    }

    @Test
    void anEditOfItsLabelKeepsAll() {
        LiveControl before = played();
        LiveControl after = new LiveControl(before, before.control.labelled("Other"));
        assertThat(after.value()).isEqualTo(before.value());
        assertThat(after.enabled).isFalse();
    }

    @Test
    void anEditTakesAwayOnlyWhatItIsAbout() {
        LiveControl before = played();
        Control other = before.control
                .behaving(Behaviour.PLAIN)
                .withLines(List.of(level(ArgumentType.FLOAT32, 0, 2)), List.of(heard(DESK, "/level", 0, 1)));
        LiveControl after = new LiveControl(before, other);
        assertThat(after.enabled).as("nothing makes it impossible any more").isTrue();
        assertThat(after.words).as("nobody says it in words any more").isEmpty();
        assertThat(after.unanswered).as("that was of another send").isFalse();
        assertThat(after.position).isEqualTo(before.position);
        Control pad = control(new Pad(Form.Grab.RELATIVE, false), List.of());
        LiveControl padded = new LiveControl(before, pad);
        assertThat(padded.echo.isUnknown()).as("it has other axes").isTrue();
        assertThat(padded.value().echoText()).isEmpty();
        LiveControl fresh = live(control(FADER, List.of()));
        fresh.position = Position.of(0.3);
        assertThat(new LiveControl(fresh, control(Fader.plain(Fader.Direction.RIGHT, Form.Grab.RELATIVE), List.of()))
                        .position)
                .as("nobody knew where it stands")
                .isEqualTo(Position.of(0));
    }

    @Test
    void afterARestartNothingIsKnownAndOnlyTheSameAxesAreTaken() {
        SavedValue saved = played().saved();
        LiveControl it = live(control(FADER, List.of()));
        it.restore(saved);
        assertThat(it.position).isEqualTo(Position.of(0.75));
        assertThat(it.echo).isEqualTo(Position.of(0.5));
        assertThat(it.belief).isEqualTo(Belief.STALE);
        assertThat(it.movedBy).isEqualTo("Ada");
        it.restore(new SavedValue(IT, List.of(new ControlValue.Axis(1.5, Optional.empty())), Belief.ASSUMED, "Ben"));
        assertThat(it.position).as("within its way").isEqualTo(Position.of(1));
        assertThat(it.echo.isUnknown()).isTrue();
        assertThat(it.belief).isEqualTo(Belief.ASSUMED);
        it.restore(new SavedValue(IT, List.of(), Belief.ASSUMED, "Cyd"));
        assertThat(it.movedBy).isEqualTo("Ben");
    }

    // ---- what stays over an edit

    /** A control of which every kind of state can be held: it is greyed by a message, and is told words. */
    private static final Control HELD = control(
                    FADER,
                    List.of(level(ArgumentType.FLOAT32, 0, 1)),
                    new Listen(Optional.of(DESK), "/words", 0, Optional.empty(), Listen.Role.WORDS, 0))
            .behaving(new Behaviour(
                    Behaviour.Guard.NONE,
                    0.2,
                    new Behaviour.WhenLost(Behaviour.WhenLost.Goes.NOWHERE, 0),
                    Optional.of(new Behaviour.Condition(Optional.of(DESK), "/on", 0, "1")),
                    ""));

    /** Follows from the control and its phrasebook, and is made anew. */
    private static final Set<String> FROM_THE_CONTROL = Set.of("unit", "whole", "answerWindow");

    /** An edit of each field of a control that a hand goes on through. */
    private static Stream<Named<Control>> edits() {
        return Stream.of(
                Named.of("its label", HELD.labelled("Another")),
                Named.of("its place", HELD.at(new Cells(3, 3, 2, 2))),
                Named.of(
                        "its face",
                        HELD.faced(new Face(
                                "bell",
                                Optional.empty(),
                                Face.TextSize.NORMAL,
                                Face.TextPlace.BELOW,
                                Face.Meaning.NONE))),
                Named.of(
                        "its behaviour",
                        HELD.behaving(new Behaviour(
                                Behaviour.Guard.HOLD,
                                0.5,
                                new Behaviour.WhenLost(Behaviour.WhenLost.Goes.REST, 0),
                                HELD.behaviour().enabledWhen(),
                                "F5"))),
                Named.of(
                        "what it hears",
                        HELD.withLines(HELD.sends(), List.of(HELD.listens().get(0), heard(DESK, "/level", 0, 1)))));
    }

    private static Object held(Class<?> type) {
        Map<Class<?>, Object> each = Map.of(
                boolean.class,
                true,
                long.class,
                42L,
                int.class,
                7,
                String.class,
                "held",
                Optional.class,
                Optional.of("held"),
                Position.class,
                Position.of(0.25),
                Belief.class,
                Belief.KNOWN,
                LiveControl.Grip.class,
                new LiveControl.Grip(
                        Actor.of(Shows.ADA),
                        new Finger(true, 0, 0),
                        new Touch(IT, "1", Touch.Phase.PRESS, 0, 0, false, ""),
                        3,
                        true));
        return Optional.ofNullable(each.get(type)).orElseThrow(() -> new AssertionError("A value of " + type));
    }

    @ParameterizedTest
    @MethodSource("edits")
    void whateverIsHeldStaysWhileAFieldOfTheControlChanges(Control edited) throws IllegalAccessException {
        LiveControl before = live(HELD);
        List<Field> state = Arrays.stream(LiveControl.class.getDeclaredFields())
                .filter(field -> !Modifier.isStatic(field.getModifiers())
                        && !Modifier.isFinal(field.getModifiers())
                        && !FROM_THE_CONTROL.contains(field.getName()))
                .toList();
        assertThat(state).extracting(Field::getName).contains("typed", "steps", "tappedAt", "grip", "position");
        for (Field field : state) {
            field.setAccessible(true);
            field.set(before, field.getName().equals("enabled") ? Boolean.FALSE : held(field.getType()));
        }
        before.memory.flat(3, 4);
        LiveControl after = new LiveControl(before, edited);
        for (Field field : state) {
            assertThat(field.get(after)).as(field.getName()).isEqualTo(field.get(before));
        }
    }
}
