package imperan.check;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Song;
import imperan.show.cue.CueAction;
import imperan.show.form.Knob;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;

/** A desk with a phrasebook and two pages, and checks that follow each edit. */
abstract class CheckedShow {

    static final PartId BOOK = new PartId("book");
    static final PartId LEVEL = new PartId("level");
    static final PartId A = new PartId("a");
    static final PartId B = new PartId("b");
    static final PartId OTHER_PAGE = new PartId("other-page");
    static final PartId LIST = new PartId("list");
    static final PartId CUE = new PartId("cue");
    static final PartId SET = new PartId("set");
    static final PartId SONG = new PartId("song");

    Show show;
    Checks checks;

    @BeforeEach
    void desk() {
        show = accepted(
                Shows.withPage(),
                ADA,
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(LEVEL, BOOK, level("/in/<ch:1..12>/level")),
                put(OTHER_PAGE, LAYOUT, Page.plain("Other", 8, 8)));
        show = accepted(show, ADA, change(show, DESK, Shows.target("Desk").speaking(BOOK)));
        checks = new Checks(show);
    }

    static Phrase level(String address) {
        return Phrase.plain(
                address,
                Direction.BOTH,
                List.of(PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
    }

    static Control knob(String label, int column, String address, ArgumentSource... arguments) {
        return Control.plain(
                label,
                new Cells(column, 0, 1, 1),
                Knob.restingAt(0),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), address, List.of(arguments))),
                List.of());
    }

    static Control level(String label, int column, int channel) {
        return knob(label, column, "/in/" + channel + "/level", new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
    }

    /** Makes an edit, and lets the checks follow it. */
    Set<PartId> edit(EditRequest.Step... steps) {
        return follow(show.apply(new EditRequest("Edit", List.of(steps)), ADA));
    }

    Set<PartId> follow(Outcome outcome) {
        Outcome.Accepted done = (Outcome.Accepted) outcome;
        show = done.show();
        Set<PartId> changed = checks.follow(done.edit(), show);
        assertThat(checks.all()).as("as if all of it were looked at now").isEqualTo(new Checks(show).all());
        return changed;
    }

    List<FindingKind> kinds(PartId part) {
        return checks.of(part).stream().map(Finding::kind).toList();
    }

    static Cue cue(CueAction... actions) {
        return Cue.plain("1", "Go", actions);
    }

    static CueAction.SayLine say(String address, ArgumentSource... arguments) {
        return new CueAction.SayLine(0, Optional.of(DESK), address, List.of(arguments));
    }

    static Song song(List<CueAction> ready, List<CueAction> onAir) {
        return new Song("Tide song", Optional.empty(), Optional.empty(), ready, onAir, "");
    }
}
