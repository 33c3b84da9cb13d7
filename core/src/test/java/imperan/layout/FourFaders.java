package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.arranging.Arranger;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;

/** A page with a row of four faders of one desk, on which arrangements are carried out. */
abstract class FourFaders {

    static final PartId BOOK = new PartId("book");
    static final PartId OTHER = new PartId("other");

    /** A desk that understands the levels of twelve inputs and says their names; four faders on a page. */
    Show show;

    @BeforeEach
    void fourFaders() {
        show = accepted(
                Shows.withPage(),
                ADA,
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(
                        new PartId("level"),
                        BOOK,
                        phrase("/in/<ch:1..12>/level", Direction.BOTH, ArgumentType.FLOAT32, Optional.of(1.0))),
                put(
                        new PartId("name"),
                        BOOK,
                        phrase("/in/<ch:1..12>/name", Direction.IN, ArgumentType.TEXT, Optional.empty())),
                put(
                        new PartId("mute"),
                        BOOK,
                        phrase("/in/<ch:1..12>/mute", Direction.BOTH, ArgumentType.INT32, Optional.of(1.0))),
                put(OTHER, null, Shows.target("Other")));
        show = accepted(show, ADA, change(show, DESK, Shows.target("Desk").speaking(BOOK)));
        for (int i = 1; i <= 4; i++) {
            show = accepted(
                    show, ADA, put(new PartId("f" + i), PAGE, fader("level " + i, i - 1, "/in/" + i + "/level")));
        }
    }

    static Phrase phrase(String address, Direction direction, ArgumentType type, Optional<Double> high) {
        return Phrase.plain(
                address,
                direction,
                List.of(PhraseArgument.plain(type, high.map(h -> 0.0), high, "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
    }

    static List<PartId> faders() {
        return List.of(new PartId("f1"), new PartId("f2"), new PartId("f3"), new PartId("f4"));
    }

    Outcome carryOut(Arrangement arrangement) {
        Outcome outcome = Arranger.carryOut(show, arrangement, ADA);
        if (outcome instanceof Outcome.Accepted done) {
            show = done.show();
        }
        return outcome;
    }

    void done(Arrangement arrangement) {
        assertThat(carryOut(arrangement)).isInstanceOf(Outcome.Accepted.class);
    }

    String refused(Arrangement arrangement) {
        return ((Outcome.Refused) carryOut(arrangement)).problems().get(0).message();
    }

    Control control(String id) {
        return (Control) show.part(new PartId(id)).orElseThrow().body();
    }

    List<String> addresses(List<PartId> ids) {
        return ids.stream()
                .map(id -> control(id.value()).sends().get(0).address())
                .toList();
    }
}
