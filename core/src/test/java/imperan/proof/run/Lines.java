package imperan.proof.run;

import imperan.osc.OscArgument;
import imperan.proof.Hall;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Effect;
import imperan.show.Phrasebook;
import imperan.show.Phrasebook.LinkSheet;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Lamp;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Lines, phrases and desks to be proved. */
final class Lines {

    static final Target DESK =
            Target.plain("Desk", Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, Target.Answering.QUERIES);
    static final Target STAND_IN = DESK.simulatedAt(new StandInEnd(Hall.DESK_HOST, Hall.DESK_PORT, true));
    static final PartId BOOK = new PartId("book");
    static final Conditions THRICE = new Conditions(3, false, Set.of());

    /** Decimals from 0 to 1 that answer under their own address. */
    static Phrase level(String address) {
        return Phrase.plain(
                        address,
                        Phrase.Direction.BOTH,
                        List.of(Phrase.PhraseArgument.plain(
                                ArgumentType.FLOAT32,
                                Optional.of(0.0),
                                Optional.of(1.0),
                                "",
                                List.of(),
                                Optional.empty())),
                        AnswerRule.usual(AnswerRule.Kind.SAME),
                        "",
                        "")
                .doing(Effect.VALUE);
    }

    /** On and off. */
    static Phrase mute(String address) {
        return level(address)
                .with(List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.INT32,
                        Optional.of(0.0),
                        Optional.of(1.0),
                        "",
                        List.of("0", "1"),
                        Optional.empty())));
    }

    static Phrase event(String address) {
        return Phrase.plain(
                        address,
                        Phrase.Direction.OUT,
                        List.of(),
                        AnswerRule.usual(AnswerRule.Kind.SAME).sayingAnything(),
                        "",
                        "")
                .doing(Effect.EVENT);
    }

    static Control fader(String address) {
        return Shows.fader(address, 0, address);
    }

    static Control sending(String address, Send.Phase on, ArgumentSource... arguments) {
        return Control.plain(
                address,
                fader(address).cells(),
                Button.plain(Button.Action.MOMENTARY),
                List.of(new Send(on, Optional.of(Shows.DESK), address, List.of(arguments))),
                List.of());
    }

    /** A lamp that is lit by an argument of what comes. */
    static Control listening(String address, int argument) {
        return Control.plain(
                address,
                fader(address).cells(),
                Lamp.PLAIN,
                List.of(),
                List.of(Listen.value(Optional.of(Shows.DESK), address, argument, 0, 1)));
    }

    static ProofHall hall(Target desk, List<Phrase> phrases, Control... controls) {
        List<EditRequest.Step> steps =
                new ArrayList<>(List.of(Shows.put(BOOK, null, new Phrasebook("Desks", LinkSheet.unknown()))));
        for (int i = 0; i < phrases.size(); i++) {
            steps.add(Shows.put(new PartId("phrase" + i), BOOK, phrases.get(i)));
        }
        for (int i = 0; i < controls.length; i++) {
            steps.add(Shows.put(new PartId("c" + i), Shows.PAGE, controls[i].at(new Cells(i % 8, i / 8 * 2, 1, 2))));
        }
        Show show = Shows.withPage();
        show = Shows.accepted(show, Shows.ADA, Shows.change(show, Shows.DESK, desk.speaking(BOOK)), steps.get(0));
        return new ProofHall(
                Shows.accepted(show, Shows.ADA, steps.subList(1, steps.size()).toArray(EditRequest.Step[]::new)));
    }

    static OscArgument f(double value) {
        return new OscArgument.Float32((float) value);
    }

    private Lines() {}
}
