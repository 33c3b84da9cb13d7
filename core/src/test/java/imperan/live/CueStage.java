package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.live.Stage.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.cue.Outcome;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Look;
import imperan.show.Outcome.Accepted;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.cue.CueAction;
import imperan.show.cue.FadeCurve;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A page with a few controls and a cue list, and a desk that reports. */
abstract class CueStage {

    static final PartId LIST = new PartId("list");
    static final PartId ONE = new PartId("one");
    static final PartId TWO = new PartId("two");
    static final PartId LOOK = new PartId("look");
    static final PartId LEVEL = new PartId("level");
    static final PartId OTHER = new PartId("other");

    Show show;
    Stage stage;

    void runs(Cue... cues) {
        runs(Shows.target("Desk"), cues);
    }

    void runs(Target desk, Cue... cues) {
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
                put(LEVEL, PAGE, fader("Level", 0, "/level")),
                put(OTHER, PAGE, fader("Other", 1, "/other")),
                put(
                        LOOK,
                        null,
                        new Look(
                                "Evening",
                                List.of(new Look.Stand(LEVEL, List.of(1.0)), new Look.Stand(OTHER, List.of(0.5))),
                                "")),
                put(
                        LIST,
                        null,
                        new CueList(
                                "Evening walk", 0.3, Optional.of(key(1)), Optional.of(key(2)), Optional.empty(), ""))));
        for (int i = 0; i < cues.length; i++) {
            steps.add(put(
                    List.of(ONE, TWO, new PartId("three"), new PartId("four")).get(i), LIST, cues[i]));
        }
        show = Shows.accepted(Shows.withPage(), Shows.ADA, steps.toArray(EditRequest.Step[]::new));
        stage = new Stage(show);
        stage.desk("/level", 0f);
        stage.desk("/other", 0f);
        stage.pass(100);
        stage.takeSent();
    }

    static Behaviour.Condition key(int number) {
        return new Behaviour.Condition(Optional.of(DESK), "/key/" + number, 0, "1");
    }

    static CueAction.SayLine say(double delay, String address, ArgumentSource... arguments) {
        return new CueAction.SayLine(delay, Optional.of(DESK), address, List.of(arguments));
    }

    static ArgumentSource fixed(String text) {
        return new ArgumentSource.Fixed(ArgumentType.FLOAT32, text);
    }

    static CueAction.BringControl bring(PartId control, double to, double seconds) {
        return new CueAction.BringControl(0, Optional.of(control), List.of(to), seconds, FadeCurve.EVEN);
    }

    static CueAction.FadeLine fade(
            String address, Optional<Double> from, double to, double seconds, CueAction.FadeLine.Unknown unknown) {
        return new CueAction.FadeLine(
                0,
                Optional.of(DESK),
                address,
                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0)),
                from,
                to,
                seconds,
                FadeCurve.EVEN,
                unknown);
    }

    Optional<Problem> order(Command.StepCues.Deed deed, PartId cue) {
        return stage.live.carryOut(
                new Command.StepCues(LIST, deed, Optional.ofNullable(cue)), Actor.of(ADA), stage.now);
    }

    void go() {
        assertThat(order(Command.StepCues.Deed.GO, null)).isEmpty();
    }

    CueListView view() {
        return stage.live.cueList(LIST).orElseThrow();
    }

    List<Outcome> outcomes() {
        FiredCue last = view().running().isEmpty()
                ? view().over().get(0)
                : view().running().get(view().running().size() - 1);
        return last.marks().stream().map(FiredCue.Mark::outcome).toList();
    }

    Optional<Reason> reason(int action) {
        return view().over().get(0).marks().get(action).reason();
    }

    void follow(EditRequest.Step step) {
        Accepted done = (Accepted) show.apply(new EditRequest("Edit", List.of(step)), Shows.ADA);
        show = done.show();
        stage.live.follow(show, done.edit(), stage.now);
    }
}
