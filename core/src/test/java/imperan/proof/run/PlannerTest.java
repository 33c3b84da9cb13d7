package imperan.proof.run;

import static imperan.proof.run.Lines.DESK;
import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.THRICE;
import static imperan.proof.run.Lines.event;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.listening;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.proof.report.Obstacle;
import imperan.proof.run.PlannedLine.Way;
import imperan.shaping.Edge;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.Layout;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.ProofRule;
import imperan.show.Send;
import imperan.show.SetList;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.Target;
import imperan.show.TextRule;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import imperan.show.form.Choice;
import imperan.show.form.Form;
import imperan.show.form.TextLine;
import imperan.show.form.Wheel;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What a proof is going to say, of which lines, and how long that takes. */
class PlannerTest {

    private static List<List<OscArgument>> says(Control control, Phrase... phrases) {
        return hall(STAND_IN, List.of(phrases), control).plan(THRICE).lines().get(0).says().stream()
                .map(Line::arguments)
                .toList();
    }

    private static Control formed(Form form, ArgumentSource argument) {
        return Control.plain(
                "/a",
                new Cells(0, 0, 2, 2),
                form,
                List.of(new Send(Send.Phase.CHANGE, Optional.of(Shows.DESK), "/a", List.of(argument))),
                List.of());
    }

    private static Phrase texts(String... choices) {
        return level("/a")
                .with(List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.TEXT,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        List.of(choices),
                        Optional.empty())));
    }

    // ---- what is said

    @Test
    void endsAndMiddleThenOddPointsAndSomeNearTheEndsWithoutSayingTheSameTwice() {
        List<Double> values = says(fader("/a")).stream()
                .map(arguments -> (double) ((OscArgument.Float32) arguments.get(0)).value())
                .toList();
        assertThat(values.subList(0, 3)).containsExactly(0.0, 0.5, 1.0);
        for (int steps : new int[] {4, 8, 10, 16, 20, 32}) {
            assertThat(values.subList(3, 7))
                    .as("some value tells that the range has only %d steps", steps)
                    .anyMatch(value -> Math.abs(value - Math.rint(value * steps) / steps) > 1 / 127.0);
        }
        assertThat(values.subList(3, 5))
                .as("no multiple of 1/64")
                .noneMatch(value -> Math.abs(value * 64 - Math.rint(value * 64)) < 0.05);
        assertThat(values.subList(5, 7)).allMatch(value -> value > 0 && value < 0.05 || value > 0.95 && value < 1);
        assertThat(says(sending("/a", Send.Phase.CHANGE, new ArgumentSource.Value(ArgumentType.INT32, 0, 1))))
                .containsExactly(List.of(new OscArgument.Int32(0)), List.of(new OscArgument.Int32(1)));
    }

    /** An edge says nothing at the lower end; what is said there would be no argument at all. */
    @Test
    void whatTheShapingKeepsIsNotSaid() {
        assertThat(says(sending(
                        "/a",
                        Send.Phase.CHANGE,
                        new ArgumentSource.Value(ArgumentType.INT32, List.of(new Edge(Edge.Way.RISING)), 0))))
                .containsExactly(List.of(new OscArgument.Int32(1)));
    }

    @Test
    void eachChoiceOnce() {
        assertThat(says(choice(3)))
                .containsExactly(
                        List.of(new OscArgument.Text("t0")),
                        List.of(new OscArgument.Text("t1")),
                        List.of(new OscArgument.Text("t2")));
        assertThat(says(choice(64))).hasSize(64).doesNotHaveDuplicates();
    }

    private static Control choice(int options) {
        return formed(
                new Choice(
                        IntStream.range(0, options)
                                .mapToObj(i -> new Choice.Option("o" + i, "t" + i))
                                .toList(),
                        Form.Direction.RIGHT),
                new ArgumentSource.Chosen(ArgumentType.TEXT));
    }

    @Test
    void anEndlessWheelIsTurnedBothWays() {
        assertThat(says(formed(new Wheel(24), new ArgumentSource.Steps(ArgumentType.INT32, 2))))
                .containsExactly(List.of(new OscArgument.Int32(2)), List.of(new OscArgument.Int32(-2)));
    }

    private static Phrase taking(int longest, TextRule.Characters characters) {
        Phrase any = texts();
        return any.with(List.of(any.arguments().get(0).taking(new TextRule(Optional.of(longest), characters))));
    }

    private static List<Integer> lengths(Phrase phrase) {
        return said(STAND_IN, phrase).stream().map(String::length).toList();
    }

    /** What is typed, at a venue where its phrase allows all of it. */
    private static List<String> said(Target end, Phrase phrase) {
        Control line = formed(new TextLine(), new ArgumentSource.Typed(ArgumentType.TEXT));
        return hall(end, List.of(phrase.proved(ProofRule.USUAL.sweeping())), line)
                .plan(ProofHall.cleared(3))
                .lines()
                .get(0)
                .says()
                .stream()
                .map(says -> ((OscArgument.Text) says.arguments().get(0)).value())
                .toList();
    }

    @Test
    void whatIsTypedIsWhatThePhraseChoosesFromOrTwoTextsWhereAnyWillDo() {
        Control line = formed(new TextLine(), new ArgumentSource.Typed(ArgumentType.TEXT));
        assertThat(says(line, texts("low", "high")))
                .containsExactly(List.of(new OscArgument.Text("low")), List.of(new OscArgument.Text("high")));
        assertThat(lengths(texts())).as("nobody says how long").containsExactly(1, 8, 33, 64);
        assertThat(lengths(taking(12, TextRule.Characters.PLAIN))).containsExactly(1, 8, 12);
        assertThat(lengths(taking(1, TextRule.Characters.PLAIN))).containsExactly(1, 1);
        assertThat(said(DESK, texts())).as("short and plain at a venue").containsExactly("Proof A", "Proof B");
        assertThat(said(DESK, taking(20, TextRule.Characters.ANY)))
                .hasSize(3)
                .anyMatch(text -> text.chars().anyMatch(c -> c > 127))
                .allMatch(text -> text.length() <= 20);
        assertThat(said(STAND_IN, taking(64, TextRule.Characters.UNKNOWN)))
                .allMatch(text -> text.chars().allMatch(c -> c < 128));
        PlannedLine unknown = hall(STAND_IN, List.of(texts().doing(Phrase.Effect.EVENT)), line)
                .plan(THRICE)
                .lines()
                .get(0);
        assertThat(unknown.because()).hasValue(Obstacle.NOTHING_TO_SAY);
        assertThat(unknown.way()).isEqualTo(Way.SKIPPED);
    }

    // ---- how often

    @Test
    void asOftenAsWishedAndAllThatCanBeSaidUnlessThePhraseAllowsLess() {
        PlannedLine value = hall(STAND_IN, List.of(level("/a")), fader("/a"))
                .plan(THRICE)
                .lines()
                .get(0);
        assertThat(ProofRun.times(value, THRICE)).isEqualTo(7);
        assertThat(ProofRun.times(value, new Conditions(1, false, Set.of()))).isEqualTo(7);
        assertThat(ProofRun.times(value, new Conditions(12, false, Set.of()))).isEqualTo(12);
        PlannedLine few = hall(STAND_IN, List.of(level("/a").proved(ProofRule.USUAL.atMost(2))), fader("/a"))
                .plan(THRICE)
                .lines()
                .get(0);
        assertThat(ProofRun.times(few, new Conditions(12, false, Set.of()))).isEqualTo(2);
        PlannedLine once = hall(STAND_IN, List.of(event("/a")), sending("/a", Send.Phase.PRESS))
                .plan(THRICE)
                .lines()
                .get(0);
        assertThat(ProofRun.times(once, new Conditions(12, false, Set.of()))).isEqualTo(1);
        PlannedLine chosen = hall(STAND_IN, List.of(texts().doing(Phrase.Effect.EVENT)), choice(4))
                .plan(THRICE)
                .lines()
                .get(0);
        assertThat(ProofRun.times(chosen, new Conditions(12, false, Set.of()))).isEqualTo(4);
    }

    // ---- which lines

    private static List<String> addresses(ProofHall hall, Scope scope) {
        return Planner.plan(hall.hall.show, scope, THRICE, hall.hall.live.links()).lines().stream()
                .map(line -> line.send().address())
                .toList();
    }

    @Test
    void ofALayoutAPageATargetOrThoseThatAreNamed() {
        ProofHall hall = hall(STAND_IN, List.of(level("/<n:1..2>")), fader("/1"), fader("/2"));
        assertThat(addresses(hall, Scope.ALL)).containsExactly("/1", "/2");
        assertThat(addresses(hall, new Scope(Optional.of(Shows.PAGE), Optional.empty(), Optional.empty())))
                .hasSize(2);
        assertThat(addresses(hall, new Scope(Optional.of(Shows.LAYOUT), Optional.of(Shows.DESK), Optional.empty())))
                .hasSize(2);
        assertThat(addresses(hall, new Scope(Optional.of(new PartId("elsewhere")), Optional.empty(), Optional.empty())))
                .isEmpty();
        assertThat(addresses(hall, new Scope(Optional.empty(), Optional.of(new PartId("elsewhere")), Optional.empty())))
                .isEmpty();
        String second = hall.plan(THRICE).lines().get(1).id();
        assertThat(addresses(hall, new Scope(Optional.empty(), Optional.empty(), Optional.of(Set.of(second)))))
                .containsExactly("/2");
        assertThat(addresses(hall, new Scope(Optional.empty(), Optional.empty(), Optional.of(Set.of()))))
                .as("none of them")
                .isEmpty();
    }

    @Test
    void whatIsOnlyListenedToIsChosenLikewiseAndACopyInWorkIsNotPlayed() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"), listening("/lamp", 0));
        assertThat(hall.plan(THRICE).listens())
                .extracting(listen -> listen.listen().address())
                .containsExactly("/lamp");
        assertThat(Planner.plan(
                                hall.hall.show,
                                new Scope(Optional.of(new PartId("elsewhere")), Optional.empty(), Optional.empty()),
                                THRICE,
                                hall.hall.live.links())
                        .listens())
                .isEmpty();
        PartId draft = new PartId("draft");
        PartId page = new PartId("draft-page");
        Show show = Shows.accepted(
                hall.hall.show,
                Shows.ADA,
                Shows.put(draft, null, new Layout("Copy", Optional.of(new Layout.Draft(Shows.LAYOUT, List.of())))),
                Shows.put(page, draft, Page.plain("Page", 8, 8)),
                Shows.put(new PartId("d1"), page, fader("/draft")),
                Shows.put(new PartId("d2"), page, listening("/draft-lamp", 0).at(new Cells(4, 0, 2, 2))));
        ProofPlan plan = Planner.plan(show, Scope.ALL, THRICE, hall.hall.live.links());
        assertThat(plan.lines()).extracting(line -> line.send().address()).containsExactly("/a");
        assertThat(plan.listens()).hasSize(1);
        assertThat(Print.all(show)).hasSize(2);
    }

    @Test
    void linesOfCuesAreProvedLikeOthers() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a"), level("/b")), fader("/a"));
        PartId list = new PartId("walk");
        CueAction say = new CueAction.SayLine(
                2,
                Optional.of(Shows.DESK),
                "/a",
                List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.FLOAT32, "0.25")));
        CueAction fade = new CueAction.FadeLine(
                0,
                Optional.of(Shows.DESK),
                "/b",
                List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, List.of(), 0)),
                Optional.empty(),
                1,
                4,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP);
        Show show = Shows.accepted(
                hall.hall.show,
                Shows.ADA,
                Shows.put(list, null, CueList.plain("Evening walk")),
                Shows.put(new PartId("cue"), list, Cue.plain("7", "Rise", say, fade)));
        ProofPlan plan = Planner.plan(
                show, new Scope(Optional.of(list), Optional.empty(), Optional.empty()), THRICE, hall.hall.live.links());
        assertThat(plan.lines())
                .extracting(PlannedLine::id, PlannedLine::page, PlannedLine::label, PlannedLine::way)
                .containsExactly(
                        tuple("cue:send:1", "Evening walk", "7 Rise", PlannedLine.Way.RUNS),
                        tuple("cue:send:2", "Evening walk", "7 Rise", PlannedLine.Way.RUNS));
        assertThat(plan.lines().get(0).says())
                .extracting(Line::arguments)
                .containsExactly(List.of(new OscArgument.Float32(0.25f)));
        assertThat(plan.lines().get(1).says())
                .as("what fades is said where it ends")
                .extracting(Line::arguments)
                .containsExactly(List.of(new OscArgument.Float32(1)));
        assertThat(Print.all(show)).containsKeys("cue:send:1", "cue:send:2");
        ProofPlan all = Planner.plan(show, Scope.ALL, THRICE, hall.hall.live.links());
        assertThat(all.groups().get(0).lines())
                .as("a fader and a cue that move the same take turns")
                .hasSize(2);
    }

    @Test
    void linesOfSongsAreProvedLikeOthers() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"));
        PartId set = new PartId("evening");
        CueAction say = new CueAction.SayLine(
                0,
                Optional.of(Shows.DESK),
                "/a",
                List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.FLOAT32, "0.25")));
        Show show = Shows.accepted(
                hall.hall.show,
                Shows.ADA,
                Shows.put(set, null, SetList.plain("Evening")),
                Shows.put(
                        new PartId("song"),
                        set,
                        new Song("Tide song", Optional.empty(), Optional.empty(), List.of(), List.of(say), "")));
        ProofPlan plan = Planner.plan(
                show, new Scope(Optional.of(set), Optional.empty(), Optional.empty()), THRICE, hall.hall.live.links());
        assertThat(plan.lines())
                .extracting(PlannedLine::id, PlannedLine::page, PlannedLine::label, PlannedLine::way)
                .containsExactly(tuple("song:send:1", "Evening", "Tide song", PlannedLine.Way.RUNS));
        assertThat(plan.lines().get(0).says())
                .extracting(Line::arguments)
                .containsExactly(List.of(new OscArgument.Float32(0.25f)));
    }

    // ---- what is told of it before

    @Test
    void howManyMessagesItTakesAtMostAndHowLong() {
        ProofPlan told = hall(
                        STAND_IN,
                        List.of(level("/<n:1..8>")),
                        IntStream.rangeClosed(1, 8)
                                .mapToObj(n -> fader("/" + n))
                                .toArray(Control[]::new))
                .plan(THRICE);
        // each seven times, once between and once back; and asked twice for each value, and once more for the last
        assertThat(told.messages()).isEqualTo(8 * (9 + 15));
        assertThat(told.seconds()).as("eight at once").isCloseTo(0.48, within(1e-9));
        assertThat(told.count(Way.RUNS)).isEqualTo(8);
        assertThat(told.count(Way.SKIPPED)).isZero();
        ProofPlan paced = hall(
                        STAND_IN.paced(10),
                        List.of(level("/<n:1..8>")),
                        IntStream.rangeClosed(1, 8)
                                .mapToObj(n -> fader("/" + n))
                                .toArray(Control[]::new))
                .plan(THRICE);
        assertThat(paced.seconds()).as("no faster than it takes them").isCloseTo(19.2, within(1e-9));
        ProofPlan venue = hall(
                        DESK,
                        List.of(level("/<n:1..8>")),
                        IntStream.rangeClosed(1, 8)
                                .mapToObj(n -> fader("/" + n))
                                .toArray(Control[]::new))
                .plan(ProofHall.cleared(3));
        assertThat(venue.seconds()).as("one by one").isGreaterThan(0.5);
        ProofPlan spaced = hall(STAND_IN, List.of(level("/a").proved(ProofRule.USUAL.spaced(2))), fader("/a"))
                .plan(THRICE);
        assertThat(spaced.seconds()).isCloseTo(14.48, within(1e-9));
    }

    @Test
    void aTargetThatIsGoneIsNone() {
        ProofHall hall = hall(STAND_IN, List.of(level("/a")), fader("/a"));
        ProofPlan plan = Planner.plan(hall.hall.show, Scope.ALL, THRICE, List.of());
        assertThat(plan.lines().get(0).because()).hasValue(Obstacle.NO_TARGET);
        assertThat(plan.groups()).isEmpty();
        assertThat(plan.messages()).isZero();
        assertThat(plan.seconds()).isZero();
    }
}
