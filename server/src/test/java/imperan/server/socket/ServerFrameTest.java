package imperan.server.socket;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.Edit;
import imperan.show.Layout;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ServerFrameTest {

    private static Edit edit(long number, int changes) {
        return new Edit(
                number,
                new Person("b", "Ada"),
                "Edit",
                IntStream.range(0, changes)
                        .mapToObj(i -> new Edit.Change(
                                new PartId("p" + i),
                                Optional.empty(),
                                Optional.of(new Part(new PartId("p" + i), Optional.empty(), i, Layout.plain("L")))))
                        .toList(),
                new Edit.Role(Edit.Role.Kind.FRESH, 0));
    }

    private static ServerFrame frame(Edit... edits) {
        return new ServerFrame(
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                List.of(edits),
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                7,
                List.of());
    }

    @Test
    void aFrameThatIsSmallStaysOne() {
        ServerFrame frame = frame(edit(1, 3), edit(2, 5));
        assertThat(frame.inPieces()).containsExactly(frame);
    }

    @Test
    void aLargeEditComesInPiecesThatAreTheWholeAgain() {
        List<ServerFrame> pieces = frame(edit(1, 2), edit(2, 1000), edit(3, 0)).inPieces();
        assertThat(pieces).allSatisfy(piece -> assertThat(
                        piece.edits().stream().mapToInt(e -> e.changes().size()).sum())
                .isLessThanOrEqualTo(400));
        List<Edit> whole = new ArrayList<>();
        List<Edit.Change> unfinished = new ArrayList<>();
        for (ServerFrame piece : pieces) {
            for (Edit edit : piece.edits()) {
                unfinished.addAll(edit.changes());
                if (!piece.goesOn()) {
                    whole.add(
                            new Edit(edit.number(), edit.author(), edit.title(), List.copyOf(unfinished), edit.role()));
                    unfinished.clear();
                }
            }
        }
        assertThat(whole).containsExactly(edit(1, 2), edit(2, 1000), edit(3, 0));
        assertThat(pieces.get(pieces.size() - 1).goesOn()).isFalse();
    }
}
