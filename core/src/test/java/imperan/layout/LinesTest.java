package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.FillAcross;
import imperan.layout.Arrangement.FindAndReplace;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.PasteControls.Copy;
import imperan.layout.Arrangement.PasteControls.Meaning;
import imperan.layout.Arrangement.SwapTarget;
import imperan.layout.Arrangement.TakeLearned;
import imperan.layout.arranging.Arranger;
import imperan.layout.drafts.ChangeLine;
import imperan.line.FillStart;
import imperan.line.LineEdit;
import imperan.shaping.Power;
import imperan.shaping.Scale;
import imperan.shaping.Smooth;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Listen;
import imperan.show.Lock;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.TargetEnd;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is done with the lines of many controls at once. */
class LinesTest extends FourFaders {

    // ---- pasting

    private List<PartId> paste(Meaning meaning, PartId... originals) {
        List<Copy> copies = new ArrayList<>();
        for (PartId original : originals) {
            copies.add(new Copy(
                    PartId.random(),
                    Optional.empty(),
                    show.part(original).orElseThrow().body()));
        }
        done(new PasteControls(PAGE, copies, Optional.empty(), meaning, List.of()));
        return copies.stream().map(Copy::id).toList();
    }

    @Test
    void copiesGoOnBehindTheNumbersOfWhatWasCopied() {
        List<PartId> copies = paste(Meaning.NEXT_NUMBERS, faders().toArray(PartId[]::new));
        assertThat(addresses(copies)).containsExactly("/in/5/level", "/in/6/level", "/in/7/level", "/in/8/level");
        assertThat(copies)
                .extracting(id -> control(id.value()).label())
                .containsExactly("level 5", "level 6", "level 7", "level 8");
        assertThat(control(copies.get(3).value()).listens().get(0).address()).isEqualTo("/in/8/level");
    }

    @Test
    void theSameLinesAgainStayTheSame() {
        assertThat(addresses(paste(Meaning.SAME, new PartId("f2")))).containsExactly("/in/2/level");
    }

    @Test
    void thereIsNoThirteenthOfTwelve() {
        show = accepted(show, ADA, change(show, new PartId("f4"), fader("level 12", 3, "/in/12/level")));
        Copy copy = new Copy(PartId.random(), Optional.empty(), control("f4"));
        assertThat(refused(new PasteControls(PAGE, List.of(copy), Optional.empty(), Meaning.NEXT_NUMBERS, List.of())))
                .isEqualTo("/in/<ch:1..12>/level ends at 12: there is no 13");
    }

    @Test
    void fixedValuesGoOnWhereTheAddressStays() {
        Control scene = Control.plain(
                "Scene 3",
                new Cells(0, 6, 1, 1),
                Button.plain(Button.Action.ONE_SHOT),
                List.of(new Send(
                        Send.Phase.PRESS,
                        Optional.of(OTHER),
                        "/scene",
                        List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "3")))),
                List.of());
        show = accepted(show, ADA, put(new PartId("scene"), PAGE, scene));
        Control copy =
                control(paste(Meaning.NEXT_VALUES, new PartId("scene")).get(0).value());
        assertThat(copy.sends().get(0).address()).isEqualTo("/scene");
        assertThat(copy.sends().get(0).arguments()).containsExactly(new ArgumentSource.Fixed(ArgumentType.INT32, "4"));
        assertThat(copy.label()).isEqualTo("Scene 4");
    }

    @Test
    void withoutAPhrasebookTheLastNumberOfTheAddressCounts() {
        show = accepted(
                show,
                ADA,
                put(
                        new PartId("lamp"),
                        PAGE,
                        fader("Lamp", 5, "/b2/lamp/07/level")
                                .withLines(
                                        List.of(new Send(
                                                Send.Phase.CHANGE, Optional.of(OTHER), "/b2/lamp/07/level", List.of())),
                                        List.of())));
        assertThat(addresses(paste(Meaning.NEXT_NUMBERS, new PartId("lamp")))).containsExactly("/b2/lamp/08/level");
    }

    @Test
    void linesToAStrangerGoToWhoIsMeant() {
        Control stranger = fader("Far", 0, "/far")
                .withLines(
                        List.of(new Send(Send.Phase.CHANGE, Optional.of(new PartId("gone")), "/far", List.of())),
                        List.of());
        PartId copy = PartId.random();
        done(new PasteControls(
                PAGE,
                List.of(new Copy(copy, Optional.empty(), stranger)),
                Optional.empty(),
                Meaning.SAME,
                List.of(new PasteControls.Meant(new PartId("gone"), OTHER))));
        assertThat(control(copy.value()).sends().get(0).target()).hasValue(OTHER);
    }

    // ---- runs, find and replace, swap

    @Test
    void aRunFillsARowInReadingOrder() {
        done(new FillAcross(
                List.of(new PartId("f3"), new PartId("f1"), new PartId("f2")),
                LineEdit.Field.ADDRESS,
                "/in/<7..9>/level"));
        assertThat(addresses(faders())).containsExactly("/in/7/level", "/in/8/level", "/in/9/level", "/in/4/level");
        assertThat(control("f2").listens().get(0).address())
                .as("what shared the address goes on sharing it")
                .isEqualTo("/in/8/level");
        done(new FillAcross(faders(), LineEdit.Field.LABEL, "In <01..04>"));
        assertThat(control("f4").label()).isEqualTo("In 04");
        done(new FillAcross(faders(), LineEdit.Field.LABEL, "Same"));
        assertThat(control("f1").label()).isEqualTo("Same");
        assertThat(refused(new FillAcross(faders(), LineEdit.Field.LABEL, "<1..")))
                .startsWith("A run is written");
    }

    @Test
    void fillingBeginsWithWhatTheFirstOfTheRowHas() {
        assertThat(FillStart.of(new Grids(show).row(List.of(new PartId("f3"), new PartId("f2"), new PartId("f4")))))
                .isEqualTo(new FillStart("/in/<2..4>/level", "level <2..4>", "<1..3>"));
        assertThat(FillStart.of(new Grids(show).row(List.of(new PartId("gone")))))
                .isEqualTo(new FillStart("/address/<1..1>", "<1..1>", "<1..1>"));
    }

    @Test
    void aTextIsReplacedWhereItStandsAndNowhereElse() {
        done(new FindAndReplace(List.of(), "/in/", "/mix/", true, false));
        assertThat(addresses(faders())).containsExactly("/mix/1/level", "/mix/2/level", "/mix/3/level", "/mix/4/level");
        done(new FindAndReplace(List.of(new PartId("f1")), "level", "Level", false, true));
        assertThat(control("f1").label()).isEqualTo("Level 1");
        assertThat(control("f2").label()).isEqualTo("level 2");
        assertThat(refused(new FindAndReplace(List.of(), "nowhere", "", true, true)))
                .contains("stands nowhere");
        assertThat(refused(new FindAndReplace(List.of(), "/", "", true, false)))
                .contains("An address begins with a slash");
    }

    @Test
    void linesGoToAnotherTarget() {
        done(new SwapTarget(faders().subList(0, 2), Optional.of(DESK), OTHER));
        assertThat(control("f2").sends().get(0).target()).hasValue(OTHER);
        assertThat(control("f2").listens().get(0).target()).hasValue(OTHER);
        assertThat(control("f3").sends().get(0).target()).hasValue(DESK);
        assertThat(refused(new SwapTarget(faders().subList(0, 2), Optional.empty(), OTHER)))
                .contains("go to Other already");
    }

    @Test
    void whatWasLearnedIsTakenAsThePhrasebookHasItElseAsItWasSeen() {
        done(new TakeLearned(List.of(
                new TakeLearned.Pairing(new PartId("f1"), DESK, "/in/9/level", 0, ArgumentType.FLOAT32, 0.2, 0.4),
                new TakeLearned.Pairing(new PartId("f2"), OTHER, "/pan", 1, ArgumentType.INT32, -64, 63))));
        assertThat(control("f1").sends().get(0).arguments())
                .containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
        assertThat(control("f2").sends().get(0).arguments())
                .containsExactly(new ArgumentSource.Value(ArgumentType.INT32, -64, 63));
        assertThat(control("f2").listens()).containsExactly(Listen.value(Optional.of(OTHER), "/pan", 1, -64, 63));
    }

    @Test
    void whatLiesBetweenHandAndArgumentOutlastsWhatIsLearned() {
        Control f1 = control("f1");
        show = Shows.accepted(
                show,
                ADA,
                Shows.change(
                        show,
                        new PartId("f1"),
                        f1.withLines(
                                List.of(f1.sends()
                                        .get(0)
                                        .saying(List.of(new ArgumentSource.Value(
                                                ArgumentType.FLOAT32,
                                                List.of(new Power(2), new Scale(0, 1), new Smooth(0.25)),
                                                0)))),
                                f1.listens())));
        done(new TakeLearned(
                List.of(new TakeLearned.Pairing(new PartId("f1"), OTHER, "/pan", 0, ArgumentType.FLOAT32, -64, 63))));
        assertThat(((ArgumentSource.Value)
                                control("f1").sends().get(0).arguments().get(0))
                        .shaping())
                .containsExactly(new Power(2), new Scale(-64, 63), new Smooth(0.25));
    }

    @Test
    void whatWouldChangeIsSaidLineByLine() {
        Outcome outcome = Arranger.carryOut(show, new SwapTarget(faders().subList(0, 1), Optional.empty(), OTHER), ADA);
        Outcome.Accepted done = (Outcome.Accepted) outcome;
        assertThat(ChangeLine.of(done.edit(), done.show()))
                .containsExactly(
                        new ChangeLine("level 1", "sends 1 target", "Desk", "Other"),
                        new ChangeLine("level 1", "listens 1 target", "Desk", "Other"));
    }

    // ---- the lock

    @Test
    void aLockedShowIsOperatedAndNotChanged() {
        show = accepted(show, ADA, put(Lock.ID, null, new Lock("Ada")));
        assertThat(refused(new MoveControls(faders().subList(3, 4), 1, 0))).contains("locked by Ada");
        assertThat(((Outcome.Refused) show.become(List.of(), Shows.BEN, "Restore"))
                        .problems()
                        .get(0)
                        .message())
                .contains("locked");
        assertThat(Shows.refused(show, ADA, put(new PartId("second"), null, new Lock("Ada")))
                        .get(0)
                        .message())
                .contains("locked");
        Show open = accepted(show, Shows.BEN, Shows.remove(show, Lock.ID));
        assertThat(open.part(Lock.ID)).isEmpty();
    }

    /** An Address control is for the moment in which a machine has another address tonight. */
    @Test
    void whereATargetIsReachedIsOperatedFromAPageThatHasItsAddress() {
        show = accepted(show, ADA, put(Lock.ID, null, new Lock("Ada")));
        Target desk = (Target) show.part(DESK).orElseThrow().body();
        EditRequest.Step moved = change(show, DESK, desk.at("127.0.0.9", 7109));
        assertThat(Shows.refused(show, ADA, moved).get(0).message()).contains("locked");
        Show open = accepted(show, ADA, Shows.remove(show, Lock.ID));
        Control address =
                Control.plain("", new Cells(6, 6, 2, 2), new TargetEnd(Optional.of(DESK)), List.of(), List.of());
        open = accepted(open, ADA, put(new PartId("address"), PAGE, address));
        show = accepted(open, ADA, put(Lock.ID, null, new Lock("Ada")));
        Show there = accepted(show, ADA, change(show, DESK, desk.at("127.0.0.9", 7109)));
        assertThat(((Target) there.part(DESK).orElseThrow().body()).port()).isEqualTo(7109);
        assertThat(Shows.refused(show, ADA, change(show, DESK, desk.at("127,0,0,9", 7109)))
                        .get(0)
                        .message())
                .as("what is no address is refused as ever")
                .doesNotContain("locked");
        assertThat(Shows.refused(
                                show,
                                ADA,
                                change(show, DESK, desk.at("127.0.0.9", 7109).paced(5)))
                        .get(0)
                        .message())
                .as("nothing else of it")
                .contains("locked");
    }
}
