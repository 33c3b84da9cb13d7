package imperan.trial;

import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.cue.Outcome;
import imperan.export.TrialCsv;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.Command.StepCues.Deed;
import imperan.live.FiredCue;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscDecoder;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import imperan.trial.TrialReport.End;
import imperan.trial.TrialReport.Standing;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A list played through: in a running show whose desk answers a millisecond later, and in a copy that nobody hears. */
class TrialTest {

    private static final long MS = 1_000_000L;
    private static final PartId DESK = new PartId("desk");
    private static final PartId LIST = new PartId("list");
    private static final PartId OTHERS = new PartId("others");
    private static final Actor ADA = Actor.of(new Person("b1", "Ada"));

    private final List<String> left = new ArrayList<>();
    private boolean answers = true;
    private long now = 1_000_000 * MS;

    /** A desk that says each level again, a millisecond later. */
    private final class Hall implements LiveSink {
        private final LiveShow live = new LiveShow(this);
        private final Trial trial;
        private final List<OscMessage> waiting = new ArrayList<>();

        private Hall(Show show, TrialSpeed speed) {
            trial = new Trial(show, LIST, speed, false, ADA);
            live.load(show, now);
            live.socket(DESK, SocketState.open("127.0.0.1"), now);
        }

        @Override
        public boolean datagram(PartId target, byte[] packet) {
            OscMessage message = (OscMessage) ((Decoded.Whole) new OscDecoder().decode(packet)).packet();
            left.add((now / MS - 1_000_000) + " " + message.address());
            if (answers && message.address().startsWith("/level")) {
                waiting.add(message);
            }
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            trial.happened(event);
        }

        private void turn() {
            live.takeDue(now);
            trial.act(live, now);
        }

        private void pass(long millis) {
            for (long end = now + millis * MS; now < end; now += MS) {
                List<OscMessage> answers = List.copyOf(waiting);
                waiting.clear();
                answers.forEach(message ->
                        live.received(9201, "127.0.0.1", 7101, new byte[0], new Decoded.Whole(message), now));
                turn();
            }
        }
    }

    private static CueAction.SayLine say(double delay, String address) {
        return new CueAction.SayLine(
                delay, Optional.of(DESK), address, List.of(new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5")));
    }

    private static CueAction.FadeLine fade(String address, Optional<Double> from, double seconds) {
        return new CueAction.FadeLine(
                0,
                Optional.of(DESK),
                address,
                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                from,
                1,
                seconds,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP);
    }

    private static Show show(Target desk, Cue... cues) {
        PartId book = new PartId("book");
        Phrase phrase = Phrase.plain(
                "/level",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), book, phrase),
                Shows.change(Shows.withPage(), DESK, desk.speaking(book)),
                put(LIST, null, CueList.plain("Evening walk")),
                put(OTHERS, null, CueList.plain("Others"))));
        for (Cue cue : cues) {
            steps.add(put(new PartId("c" + cue.number()), cue.number().equals("90") ? OTHERS : LIST, cue));
        }
        return Shows.accepted(Shows.withPage(), Shows.ADA, steps.toArray(EditRequest.Step[]::new));
    }

    private static List<String> numbers(TrialReport report) {
        return report.fired().stream().map(each -> each.cue().cue().number()).toList();
    }

    private static List<Outcome> outcomes(TrialReport report) {
        return report.fired().stream()
                .flatMap(each -> each.cue().marks().stream())
                .map(FiredCue.Mark::outcome)
                .toList();
    }

    private static final Cue[] WALK = {
        Cue.plain("0", "Zero"),
        Cue.plain("1", "Sound", say(0, "/level"), say(1, "/free")).followed(CueFollow.after(2)),
        Cue.plain("2", "Rise", fade("/level", Optional.of(0.0), 4)),
        Cue.plain("3", "End", say(0, "/level")).followed(CueFollow.answered(1, false))
    };

    @Test
    void everyCueIsFiredInItsOrderAndTime() {
        Show show = show(Shows.target("Desk"), WALK);
        Hall hall = new Hall(show, TrialSpeed.OWN);
        hall.live.carryOut(new Command.StepCues(LIST, Deed.JUMP, Optional.of(new PartId("c2"))), ADA, now);
        hall.pass(10_000);
        TrialReport report = hall.trial.report();
        assertThat(report.end()).contains(End.LAST);
        assertThat(numbers(report)).containsExactly("0", "1", "2", "3");
        assertThat(outcomes(report))
                .containsExactly(Outcome.ANSWERED, Outcome.DONE, Outcome.ANSWERED, Outcome.ANSWERED);
        assertThat(report.left()).isEmpty();
        // the guard of the zero cue, then what the cues say themselves
        assertThat(left).first().isEqualTo("300 /level");
        assertThat(left).contains("1300 /free");
        assertThat(left.stream().filter(line -> line.endsWith("/level")).skip(1).findFirst())
                .as("it follows 2 s after cue 1")
                .hasValueSatisfying(
                        line -> assertThat(Long.parseLong(line.split(" ")[0])).isBetween(2300L, 2320L));
        assertThat(report.late()).isNotEmpty().allMatch(late -> late <= 2 * MS);
        assertThat(hall.live.cueList(LIST).orElseThrow().next())
                .as("the list points where it did")
                .contains(new PartId("c2"));
        assertThat(report.fired().get(1).cue().by()).isEqualTo("Ada (trial)");
    }

    @ParameterizedTest
    @EnumSource(TrialSpeed.class)
    void itTakesAsLongAsItsSpeedSays(TrialSpeed speed) {
        Hall hall = new Hall(show(Shows.target("Desk"), WALK), speed);
        hall.pass(10_000);
        TrialReport report = hall.trial.report();
        assertThat(numbers(report)).containsExactly("0", "1", "2", "3");
        long took = (report.endedAt() - report.startedAt()) / MS;
        // two guards of 0.3 s, 2 s until cue 2 follows, 4 s of fade; a few milliseconds for answers
        assertThat((double) took).isBetween(6300 / speed.times(), 6300 / speed.times() + 350 / speed.times() + 12);
        assertThat(hall.live.cueList(LIST).orElseThrow().next()).contains(new PartId("c0"));
        hall.live.carryOut(new Command.StepCues(LIST, Deed.JUMP, Optional.of(new PartId("c2"))), ADA, now);
        hall.live.carryOut(new Command.StepCues(LIST, Deed.GO, Optional.empty()), ADA, now);
        hall.pass(3900);
        assertThat(hall.live.cueList(LIST).orElseThrow().running())
                .as("afterwards it plays as ever")
                .hasSize(1);
    }

    @Test
    void whatIsNotAnsweredFellShort() {
        answers = false;
        Hall hall = new Hall(
                show(Shows.target("Desk"), Cue.plain("1", "Sound", say(0, "/level"), say(0, "/free"))),
                TrialSpeed.FASTEST);
        hall.pass(4000);
        TrialReport report = hall.trial.report();
        assertThat(outcomes(report)).containsExactly(Outcome.FELL_SHORT, Outcome.DONE);
        assertThat(report.count(Standing.SHORT)).isEqualTo(1);
        assertThat(report.count(Standing.WELL)).isEqualTo(1);
        assertThat(TrialCsv.write(report))
                .isEqualTo(
                        "at s,list,cue,name,action,outcome,says,late ms\r\n"
                                + "0.000,Evening walk,1,Sound,Desk /level 0.5,fell short,No answer within 500 ms,0.000\r\n0.000,Evening walk,1,Sound,Desk /free 0.5,done,,0.000\r\n");
    }

    @Test
    void whoStopsTheListStopsTheTrial() {
        for (Command stop : List.of(
                new Command.StopAll(),
                new Command.StepCues(LIST, Deed.STOP, Optional.empty()),
                new Command.StepCues(LIST, Deed.RESET, Optional.empty()))) {
            Hall hall = new Hall(show(Shows.target("Desk"), WALK), TrialSpeed.OWN);
            hall.pass(3000);
            hall.live.carryOut(stop, ADA, now);
            hall.pass(10);
            assertThat(hall.trial.report().end()).as("%s", stop).contains(End.STOPPED);
            assertThat(hall.trial.report().left()).as("%s", stop).containsExactly(new PartId("c3"));
            assertThat(outcomes(hall.trial.report())).as("%s", stop).contains(Outcome.STOPPED);
            left.clear();
            hall.pass(3000);
            assertThat(left).isEmpty();
        }
    }

    @Test
    void aHandThatPausesIsWaitedForAndACueThatDoesIsNot() {
        Cue pauses = Cue.plain(
                "1",
                "",
                new CueAction.SteerList(0.5, Optional.of(LIST), CueAction.SteerList.Deed.PAUSE),
                say(1, "/free"));
        Hall hall = new Hall(show(Shows.target("Desk"), pauses), TrialSpeed.OWN);
        hall.pass(600);
        hall.live.carryOut(new Command.StepCues(LIST, Deed.PAUSE, Optional.empty()), ADA, now);
        hall.pass(5000);
        assertThat(hall.trial.isEnded()).isFalse();
        hall.live.carryOut(new Command.StepCues(LIST, Deed.RESUME, Optional.empty()), ADA, now);
        hall.pass(1000);
        assertThat(hall.trial.report().end()).contains(End.LAST);
    }

    @Test
    void listsThatItStepsBelongToIt() {
        Cue steps = Cue.plain("1", "", new CueAction.SteerList(0, Optional.of(OTHERS), CueAction.SteerList.Deed.GO));
        Show show = show(Shows.target("Desk"), steps, Cue.plain("90", "Rain", say(0.5, "/level")));
        assertThat(TrialScope.of(show, LIST)).isEqualTo(new TrialScope(Set.of(LIST, OTHERS), Set.of(DESK)));
        Hall hall = new Hall(show, TrialSpeed.FOUR_TIMES);
        hall.pass(1000);
        assertThat(numbers(hall.trial.report())).containsExactly("1", "90");
        assertThat(left).containsExactly("125 /level");
    }

    @Test
    void aRingIsEnded() {
        Cue round = Cue.plain(
                "1",
                "",
                new CueAction.SteerList(0, Optional.of(LIST), CueAction.SteerList.Deed.RESET),
                say(0, "/free"));
        Cue first = Cue.plain("0", "").followed(CueFollow.together());
        TrialReport report = Rehearsal.of(
                show(Shows.target("Desk"), first, round), LIST, TrialSpeed.OWN, List.of(), List.of(), ADA, now);
        assertThat(report.end()).contains(End.ROUND);
    }

    @Test
    void aRehearsalNeedsNobody() {
        Show show = show(
                Shows.target("Desk").paced(10),
                Cue.plain("0", "Zero"),
                Cue.plain("1", "Sound", say(0, "/level"), say(0, "/free"), say(0, "/a"))
                        .followed(CueFollow.answered(3, false)),
                Cue.plain("2", "Rise", fade("/level", Optional.empty(), 3600)));
        assertThat(Rehearsal.lookedUp(show, LIST)).containsExactly(new Rehearsal.Place(DESK, "/level"));
        TrialReport unknown = Rehearsal.of(show, LIST, TrialSpeed.OWN, List.of(), List.of(), ADA, now);
        assertThat(outcomes(unknown)).containsExactly(Outcome.DONE, Outcome.DONE, Outcome.DONE, Outcome.SKIPPED);
        TrialReport report = Rehearsal.of(
                show,
                LIST,
                TrialSpeed.OWN,
                List.of(),
                List.of(new Rehearsal.Known(DESK, "/level", List.of(new OscArgument.Float32(0)))),
                ADA,
                now);
        assertThat(outcomes(report)).containsExactly(Outcome.DONE, Outcome.DONE, Outcome.DONE, Outcome.DONE);
        assertThat(report.rehearsed()).isTrue();
        assertThat(report.end()).contains(End.LAST);
        assertThat((report.endedAt() - report.startedAt()) / MS)
                .as("an hour of fade")
                .isBetween(3_600_000L, 3_602_000L);
        assertThat(report.late())
                .as("ten a second: the third of three lines leaves 0.2 s later")
                .contains(200 * MS);
    }

    /** What a line says of what a target said is the same as in the show, though nobody answers. */
    @Test
    void aRehearsalKnowsWhatTheTargetsSaid() {
        CueAction repeats = new CueAction.SayLine(
                0,
                Optional.of(DESK),
                "/free",
                List.of(new ArgumentSource.Said(ArgumentType.FLOAT32, Optional.of(DESK), "/told", 0, List.of())));
        Show show = show(Shows.target("Desk"), Cue.plain("1", "Again", repeats));
        assertThat(Rehearsal.lookedUp(show, LIST)).containsExactly(new Rehearsal.Place(DESK, "/told"));
        TrialReport unknown = Rehearsal.of(show, LIST, TrialSpeed.OWN, List.of(), List.of(), ADA, now);
        assertThat(outcomes(unknown)).containsExactly(Outcome.FELL_SHORT);
        TrialReport known = Rehearsal.of(
                show,
                LIST,
                TrialSpeed.OWN,
                List.of(),
                List.of(new Rehearsal.Known(DESK, "/told", List.of(new OscArgument.Float32(0.25f)))),
                ADA,
                now);
        assertThat(outcomes(known)).containsExactly(Outcome.DONE);
    }

    /** Whoever may not operate gets no further, and the loop is not kept busy with it. */
    @Test
    void whatIsRefusedIsTriedAgainALittleLater() {
        Actor nobody = new Actor(Actor.Kind.PERSON, "b9", "Nobody", Set.of());
        Show show = show(Shows.target("Desk"), WALK);
        Hall hall = new Hall(show, TrialSpeed.OWN);
        Trial refused = new Trial(show, LIST, TrialSpeed.OWN, false, nobody);
        refused.act(hall.live, now);
        assertThat(refused.isEnded()).isFalse();
        assertThat(refused.nextDue() - now).isEqualTo(100 * MS);
        assertThat(left).isEmpty();
    }

    /** Two hundred fades of an hour would be many minutes of reckoning, while somebody waits. */
    @Test
    void aRehearsalThatWouldSayTooMuchEndsAndSaysSo() {
        Cue many = Cue.plain("1", "")
                .doing(IntStream.range(0, 200)
                        .mapToObj(i -> (CueAction) fade("/many/" + i, Optional.of(0.0), 3600))
                        .toList());
        TrialReport report = Rehearsal.of(
                show(Shows.target("Desk"), many, Cue.plain("2", "", say(0, "/free"))),
                LIST,
                TrialSpeed.OWN,
                List.of(),
                List.of(),
                ADA,
                now);
        assertThat(report.end()).contains(End.ENDLESS);
        assertThat(report.left()).containsExactly(new PartId("c2"));
    }

    @Test
    void itSaysAtWhichCueItIs() {
        Cue steps = Cue.plain("2", "", new CueAction.SteerList(0, Optional.of(OTHERS), CueAction.SteerList.Deed.GO));
        Show show = show(
                Shows.target("Desk"),
                Cue.plain("1", "", say(2, "/free")).followed(CueFollow.after(1)),
                steps,
                Cue.plain("3", "", say(2, "/free")),
                Cue.plain("90", "Rain", say(1, "/free")));
        Hall hall = new Hall(show, TrialSpeed.OWN);
        assertThat(hall.trial.scope()).isEqualTo(TrialScope.of(show, LIST));
        hall.live.carryOut(new Command.StepCues(LIST, Deed.FIRE, Optional.of(new PartId("c3"))), ADA, now);
        now += 100 * MS;
        assertThat(hall.trial.at(hall.live)).as("before it began").isEmpty();
        hall.pass(10);
        assertThat(hall.trial.at(hall.live))
                .as("cue 3 was fired before it, and is waited for")
                .isEmpty();
        hall.pass(2_000);
        assertThat(hall.trial.at(hall.live)).hasValue("1");
        hall.pass(1_100);
        assertThat(hall.trial.at(hall.live))
                .as("cue 1 runs on, and 90 is none of the list")
                .hasValue("2");
        hall.pass(1_400);
        assertThat(hall.trial.at(hall.live)).hasValue("3");
        hall.pass(3_000);
        assertThat(hall.trial.report().end()).contains(End.LAST);
        assertThat(hall.trial.at(hall.live)).as("over").hasValue("3");
        assertThat(numbers(hall.trial.report()))
                .as("what was fired before is none of its business")
                .containsExactly("1", "2", "90", "3");
    }

    @Test
    void aListThatIsRemovedIsGone() {
        Show show = show(Shows.target("Desk"), WALK);
        Hall hall = new Hall(show, TrialSpeed.FOUR_TIMES);
        hall.pass(400);
        EditRequest away = new EditRequest("Remove", List.of(Shows.remove(show, LIST)));
        imperan.show.Outcome.Accepted done = (imperan.show.Outcome.Accepted) show.apply(away, Shows.ADA);
        hall.live.follow(done.show(), done.edit(), now);
        hall.pass(10);
        assertThat(hall.trial.report().end()).contains(End.GONE);
        assertThat(hall.trial.nextDue()).isEqualTo(Long.MAX_VALUE);
        left.clear();
        hall.pass(5_000);
        assertThat(left).isEmpty();
    }

    @Test
    void whoIsAbandonedGetsNoTurnAndKeepsHowItEnded() {
        Hall hall = new Hall(show(Shows.target("Desk"), WALK), TrialSpeed.OWN);
        hall.pass(400);
        hall.trial.abandon();
        assertThat(hall.trial.report().end()).contains(End.GONE);
        assertThat(hall.trial.nextDue()).isEqualTo(Long.MAX_VALUE);
        Hall over = new Hall(show(Shows.target("Desk"), Cue.plain("1", "")), TrialSpeed.OWN);
        over.pass(1_000);
        over.trial.abandon();
        assertThat(over.trial.report().end()).as("it had ended before").contains(End.LAST);
    }

    /**
     * Cue 1 pauses its own list half a second after it began; a hand that has paused, too, is waited for, and who
     * resumes lets it go on.
     */
    @Test
    void aPauseOfACueIsResumedAtOnceAndOneOfAHandNever() {
        Cue pauses = Cue.plain(
                "1",
                "",
                new CueAction.SteerList(0.5, Optional.of(LIST), CueAction.SteerList.Deed.PAUSE),
                say(1, "/free"));
        Hall hall = new Hall(show(Shows.target("Desk"), pauses, Cue.plain("2", "", say(0, "/level"))), TrialSpeed.OWN);
        hall.pass(2_000);
        assertThat(left).as("nobody pauses for long").containsExactly("1000 /free", "1000 /level");
        assertThat(hall.trial.report().end()).contains(End.LAST);
        left.clear();
        Hall held = new Hall(show(Shows.target("Desk"), WALK), TrialSpeed.OWN);
        held.pass(500);
        held.live.carryOut(new Command.StepCues(LIST, Deed.PAUSE, Optional.empty()), ADA, now);
        held.pass(60_000);
        assertThat(held.trial.isEnded()).isFalse();
        assertThat(left).containsExactly("2300 /level");
        // a list that is none of its own may be paused, stopped and reset meanwhile
        held.live.carryOut(new Command.StepCues(OTHERS, Deed.STOP, Optional.empty()), ADA, now);
        held.live.carryOut(new Command.StepCues(LIST, Deed.RESUME, Optional.empty()), ADA, now);
        held.pass(10_000);
        assertThat(held.trial.report().end()).contains(End.LAST);
        assertThat(numbers(held.trial.report())).containsExactly("0", "1", "2", "3");
    }

    @Test
    void whatItStopsIsInTheReportOnceInTheOrderInWhichItWasFired() {
        Show show = show(
                Shows.target("Desk"),
                Cue.plain("1", "", say(5, "/free")).followed(CueFollow.after(0.5)),
                Cue.plain("2", "", say(3, "/free")),
                Cue.plain("3", ""));
        Hall hall = new Hall(show, TrialSpeed.FOUR_TIMES);
        hall.pass(400);
        hall.trial.stop();
        assertThat(hall.trial.nextDue()).as("with its next turn").isLessThanOrEqualTo(now);
        hall.pass(2);
        assertThat(numbers(hall.trial.report())).containsExactly("1", "2");
        assertThat(outcomes(hall.trial.report())).containsExactly(Outcome.STOPPED, Outcome.STOPPED);
        assertThat(hall.live.cueList(LIST).orElseThrow().running()).isEmpty();
        long ended = hall.trial.report().endedAt();
        hall.pass(100);
        assertThat(hall.trial.report().endedAt()).as("it gets no turn any more").isEqualTo(ended);
    }

    private static TrialReport report(boolean rehearsed, End end, List<PartId> left, Outcome... outcomes) {
        FiredCue cue = new FiredCue(
                1,
                new PartId("c1"),
                WALK[0],
                "Ada",
                0,
                Optional.empty(),
                0,
                Arrays.stream(outcomes)
                        .map(outcome -> new FiredCue.Mark(outcome, Optional.empty(), Optional.empty()))
                        .toList());
        return new TrialReport(
                show(Shows.target("Desk"), WALK),
                LIST,
                TrialSpeed.OWN,
                rehearsed,
                "Ada",
                0,
                1,
                Optional.ofNullable(end),
                List.of(new TrialReport.Fired(LIST, cue)),
                left);
    }

    /** What a script is told, outcome by outcome. */
    @ParameterizedTest
    @EnumSource(Outcome.class)
    void aScriptIsToldByANumber(Outcome outcome) {
        int wanted = outcome == Outcome.FELL_SHORT ? 1 : outcome.isWell() ? 0 : 3;
        TrialReport sent = report(false, End.LAST, List.of(), Outcome.ANSWERED, outcome);
        assertThat(sent.code(false)).isEqualTo(wanted);
        assertThat(sent.code(true)).isEqualTo(Math.min(1, wanted));
        assertThat(report(true, End.LAST, List.of(), Outcome.DONE, outcome).code(false))
                .as("rehearsed: it ended")
                .isEqualTo(outcome.isFinal() && outcome != Outcome.FELL_SHORT ? 0 : 1);
        assertThat(report(false, End.STOPPED, List.of(), outcome).code(false)).isEqualTo(2);
        assertThat(report(false, null, List.of(), outcome).code(true))
                .as("it goes on")
                .isEqualTo(2);
    }

    @Test
    void aCueThatWasNotFiredIsNoSuccess() {
        List<PartId> left = List.of(new PartId("c3"));
        assertThat(report(false, End.LAST, left, Outcome.ANSWERED).code(false)).isEqualTo(3);
        assertThat(report(false, End.LAST, left, Outcome.ANSWERED).code(true)).isEqualTo(1);
        assertThat(report(true, End.LAST, left, Outcome.DONE).code(false)).isEqualTo(1);
    }
}
