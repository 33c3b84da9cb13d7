package imperan.layout;

import static imperan.show.Shows.PAGE;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.Cell;
import imperan.show.Cells;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Room on a page that grows, and where it ends. */
class RoomTest {

    private static Room room() {
        Show show = Shows.withPage();
        return Room.on(new Grids(show), show.held(PAGE).orElseThrow());
    }

    /** What no page can hold is looked for nowhere: the search would not end. */
    @ParameterizedTest
    @CsvSource({
        "2147483647, 0, 2147483647, 1",
        "0, 2147483647, 1, 2147483647",
        "0, 0, 65, 1",
        "0, 0, 1, 65",
        "0, 0, 1, -1",
        "0, 0, 0, 0",
        "-1, 0, 1, 1"
    })
    @Timeout(10)
    void whatNoPageHoldsHasNoRoom(int column, int row, int width, int height) {
        Room room = room();
        assertThat(room.take(List.of(new Cells(0, 0, 9, 9), new Cells(column, row, width, height)), Optional.empty()))
                .isEmpty();
        assertThat(room.growth()).isEmpty();
    }

    @Test
    void whatAPageCanHoldMakesItLarger() {
        Room room = room();
        assertThat(room.take(List.of(new Cells(0, 0, 64, 64)), Optional.empty()))
                .hasValue(new Cell(0, 0));
        assertThat(room.growth()).isPresent();
        assertThat(room.words()).isEqualTo("; the page has 64 × 64 cells now");
        assertThat(room.take(List.of(new Cells(0, 0, 1, 1)), Optional.empty())).isEmpty();
    }
}
