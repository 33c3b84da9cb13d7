package imperan.proof;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.KeepAlive;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Phrasebook.LinkSheet;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Shows to ask about: four levels of a desk, and what its phrasebook says of them. */
final class Halls {

    static final Target DESK =
            Target.plain("Desk", Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, Target.Answering.REPORTS);
    /** Of a desk that is known: every level answers under its own address. */
    static final Phrase LEVEL = Phrase.plain(
            "/in/<ch:1..4>/level",
            Phrase.Direction.BOTH,
            List.of(Phrase.PhraseArgument.plain(
                    ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "", List.of(), Optional.empty())),
            AnswerRule.usual(AnswerRule.Kind.SAME),
            "",
            "");

    private static final PartId BOOK = new PartId("book");

    private Halls() {}

    static Control level(int channel) {
        return Shows.fader("Level " + channel, channel - 1, "/in/" + channel + "/level");
    }

    /** Controls “1” to “4”, of a desk that no phrasebook knows. */
    static Hall unknown(Target desk) {
        return new Hall(show(desk));
    }

    static Hall unknown() {
        return unknown(DESK);
    }

    /** The same, and what its phrasebook says. */
    static Hall known(Phrase... phrases) {
        return known(DESK, LinkSheet.unknown(), phrases);
    }

    static Hall known(Target desk, LinkSheet sheet, Phrase... phrases) {
        return new Hall(knownShow(desk, sheet, phrases));
    }

    static Show knownShow(Target desk, LinkSheet sheet, Phrase... phrases) {
        List<EditRequest.Step> steps = new ArrayList<>(List.of(Shows.put(BOOK, null, new Phrasebook("Desks", sheet))));
        for (int i = 0; i < phrases.length; i++) {
            steps.add(Shows.put(new PartId("phrase" + i), BOOK, phrases[i]));
        }
        Show show = Shows.accepted(show(desk), Shows.ADA, steps.toArray(EditRequest.Step[]::new));
        return Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, desk.speaking(BOOK)));
    }

    private static Show show(Target desk) {
        Show show = Shows.withPage();
        return Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, desk), put(1), put(2), put(3), put(4));
    }

    private static EditRequest.Step put(int channel) {
        return Shows.put(new PartId(String.valueOf(channel)), Shows.PAGE, level(channel));
    }

    /** One with another first control. */
    static Hall with(UnaryOperator<Control> first) {
        Show show = show(DESK);
        return new Hall(Shows.accepted(show, Shows.ADA, Shows.change(show, new PartId("1"), first.apply(level(1)))));
    }

    static Control guarded(Control control) {
        return control.behaving(
                new Behaviour(Behaviour.Guard.TWO_STEPS, 0.2, Behaviour.PLAIN.whenLost(), Optional.empty(), ""));
    }

    static Control enabledByDesk(Control control) {
        return control.behaving(
                Behaviour.PLAIN.enabledOnly(new Behaviour.Condition(Optional.of(Shows.DESK), "/ready", 0, "1")));
    }

    /** A line of text whose argument is a whole number. */
    static Control typed(Control control) {
        return Control.plain(
                "It",
                new Cells(0, 0, 1, 1),
                new TextLine(),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(Shows.DESK),
                        "/line",
                        List.of(new ArgumentSource.Typed(ArgumentType.INT32)))),
                List.of());
    }

    /** Most of its way is one whole number. */
    static Control whole(Control control) {
        return control.withLines(
                List.of(control.sends().get(0).saying(List.of(new ArgumentSource.Value(ArgumentType.INT32, 0, 1)))),
                control.listens());
    }

    static Control silent(Control control) {
        return control.withLines(control.sends(), List.of());
    }

    static Control listeningOn(Control control, String address) {
        return control.withLines(control.sends(), List.of(Listen.value(Optional.of(Shows.DESK), address, 0, 0, 1)));
    }

    static Target kept(double every) {
        return DESK.kept(KeepAlive.of("/alive", every, every * 3));
    }
}
