package imperan.show;

import imperan.show.form.PageKey;

import java.util.List;
import java.util.Optional;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static imperan.show.Shows.withPage;

/** A show with at least one of each kind of part that travels in files, with what may be there and what may be missing, each referring to what it can refer to. */
public final class OneOfEach {

    public static final PartId MAIN = new PartId("main");
    public static final PartId TRAY = new PartId("tray");

    private OneOfEach() {
    }

    public static Show show() {
        PartId book = new PartId("book");
        PartId rack = new PartId("rack");
        PartId host = new PartId("host");
        PartId front = new PartId("front");
        Target target = Target.plain("Rack", "192.0.2.9", 7105, 9205, Target.Answering.QUERIES).kept(KeepAlive.of("/stay", 3, 7))
                .over(Reach.TCP_SLIP).simulatedAt(new StandInEnd("127.0.0.1", 7105, true)).speaking(book)
                .startingWith(List.of("/wake 1"))
                .ticked(List.of(new Tick(LinkStep.SENT, "Ada", "2026-11-23T20:00:00Z", "")));
        Phrase phrase = Phrase.plain("/in/<ch:1..12>/level", Phrase.Direction.BOTH, List.of(Phrase.PhraseArgument.plain(
                ArgumentSource.ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME).settling(2), "level", "mute").doing(Phrase.Effect.VALUE).masked(List.of(Mask.other("/in/<ch:1..12>/solo", "1")))
                .proved(ProofRule.USUAL.within(0.2, 0.4).spaced(2).atMost(3));
        Behaviour.Condition ready = new Behaviour.Condition(Optional.of(rack), "/ready", 0, "1");
        return accepted(withPage(), ADA, put(book, null, new Phrasebook("Rack", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), book, phrase), put(rack, null, target),
                put(host, null, new Host("Router", "192.0.2.1", 24, Host.Addressing.FIXED, Host.Role.ROUTER,
                        Optional.of(new Host.GivenOut("192.0.2.100", "192.0.2.199")), "", "", "")),
                put(new PartId("ok"), null, new Acceptance("SAME_ADDRESS", host, "192.0.2.1", "meant")),
                put(new PartId("say"), null, new SavedMessage("Level", Optional.of(Shows.DESK), "/main ,f 0.5")),
                put(MAIN, PAGE, fader("Main", 0, "/main").behaving(Behaviour.PLAIN.enabledOnly(ready))),
                put(new PartId("mute"), PAGE, Shows.button("Mute “all”\n", 1, true, "/mute")),
                put(TRAY, PAGE, Tray.plain("Strip", new Cells(2, 0, 2, 4))),
                put(new PartId("in-tray"), TRAY, fader("In 1", 0, "/in/1/level")),
                put(new PartId("again"), PAGE, new Twin(MAIN, new Cells(5, 0, 1, 4))),
                put(front, Shows.LAYOUT, new Page("Front", 8, 8, Page.Screen.DESK, false, Optional.of(ready))),
                put(new PartId("key"), PAGE, Control.plain("Front", new Cells(6, 0, 2, 2), new PageKey(Optional.of(front)), List.of(), List.of())));
    }
}
