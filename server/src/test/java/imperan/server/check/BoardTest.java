package imperan.server.check;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.form.Knob;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What a browser is told of the findings of a show. */
class BoardTest {

    private static final Person ADA = new Person("b", "Ada");
    private static final PartId LAYOUT = new PartId("layout");
    private static final PartId PAGE = new PartId("page");
    private static final PartId ONE = new PartId("one");
    private static final PartId TWO = new PartId("two");
    private static final long FIRST = 1_000;

    private Show show = Show.empty();
    private Board board;

    private static EditRequest.Step put(PartId id, Optional<PartId> parent, Body body) {
        return new EditRequest.Put(new Part(id, parent, 0, body), 0);
    }

    /** It has no target, which is found. */
    private static EditRequest.Step knob(PartId id, int column) {
        return put(
                id,
                Optional.of(PAGE),
                Control.plain(
                        id.value(),
                        new Cells(column, 0, 1, 1),
                        Knob.restingAt(0),
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.empty(),
                                "/x",
                                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                        List.of()));
    }

    private Outcome.Accepted edit(EditRequest.Step... steps) {
        Outcome.Accepted done = (Outcome.Accepted) show.apply(new EditRequest("Edit", List.of(steps)), ADA);
        show = done.show();
        return done;
    }

    @BeforeEach
    void page() {
        edit(
                put(LAYOUT, Optional.empty(), Layout.plain("Layout")),
                put(PAGE, Optional.of(LAYOUT), Page.plain("Page", 8, 8)),
                knob(ONE, 0));
        board = new Board(show, FIRST);
    }

    @Test
    void whoKnowsNothingIsToldAllAndWhoKnowsSomethingIsToldWhatIsNew() {
        assertThat(board.knows(0)).isFalse();
        assertThat(board.since(0)).containsExactly(ONE);
        long known = board.number();
        assertThat(board.since(known)).isEmpty();
        Outcome.Accepted second = edit(knob(TWO, 1));
        assertThat(board.follow(second.edit(), show)).isTrue();
        assertThat(board.number()).isGreaterThan(known);
        assertThat(board.knows(known)).isTrue();
        assertThat(board.since(known)).containsExactly(TWO);
        assertThat(board.since(0)).isEqualTo(Set.of(ONE, TWO));
    }

    @Test
    void whatIsGoneIsToldToo() {
        long known = board.number();
        Outcome.Accepted gone =
                edit(new EditRequest.Remove(ONE, show.held(ONE).orElseThrow().version()));
        board.follow(gone.edit(), show);
        assertThat(board.since(known)).containsExactly(ONE);
        assertThat(board.checks().of(ONE)).isEmpty();
        assertThat(board.since(0)).isEmpty();
    }

    @Test
    void anEditThatChangesNoFindingAndOneThatIsKnownAreNoNews() {
        Outcome.Accepted plain = edit(put(new PartId("other"), Optional.of(LAYOUT), Page.plain("Other", 8, 8)));
        assertThat(board.follow(plain.edit(), show)).isFalse();
        assertThat(board.number()).isEqualTo(FIRST);
        assertThat(board.follow(plain.edit(), show)).isFalse();
    }

    @Test
    void aNumberOfAnEarlierBoardOrOfLaterIsNotKnown() {
        assertThat(board.knows(FIRST - 1)).isFalse();
        assertThat(board.knows(FIRST + 1)).isFalse();
        assertThat(board.knows(FIRST)).isTrue();
    }
}
