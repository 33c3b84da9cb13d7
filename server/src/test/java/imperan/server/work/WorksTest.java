package imperan.server.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import imperan.progress.Progress;
import imperan.progress.Progress.Stage;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Long requests by their ids. */
class WorksTest {

    private static final Optional<String> MINE = Optional.of("mine");

    private final Works works = new Works();

    @Test
    void saysHowFarItIsAsLongAsItGoesOn() {
        assertThat(works.state("mine")).isEmpty();
        String done = works.doing(MINE, progress -> {
            assertThat(works.state("mine")).as("not begun").isEmpty();
            progress.at(Stage.READING, 3, 8);
            assertThat(works.state("mine")).contains(new Works.WorkState(Stage.READING, 3, 8));
            return "done";
        });
        assertThat(done).isEqualTo("done");
        assertThat(works.state("mine")).as("over").isEmpty();
    }

    @Test
    void endsAtTheNextPieceOnceItIsCancelled() {
        assertThatThrownBy(() -> works.doing(MINE, progress -> {
                    progress.at(Stage.READING, 0, 2);
                    works.cancel("another");
                    progress.at(Stage.READING, 1, 2);
                    works.cancel("mine");
                    progress.at(Stage.SAVING, 0, 1);
                    return "done";
                }))
                .isInstanceOf(Progress.Cancelled.class);
        assertThat(works.<String>doing(MINE, progress -> {
                    progress.at(Stage.READING, 0, 1);
                    return "again";
                }))
                .as("the same id begins anew")
                .isEqualTo("again");
    }

    @Test
    void isCancelledBeforeItArrivedWhole() {
        works.cancel("mine");
        assertThatThrownBy(() -> works.doing(MINE, progress -> {
                    progress.at(Stage.READING, 0, 1);
                    return "done";
                }))
                .isInstanceOf(Progress.Cancelled.class);
    }

    @Test
    void isCancelledOnAnotherThread() {
        works.cancel("mine");
        assertThatThrownBy(() ->
                        works.doing(MINE, progress -> CompletableFuture.runAsync(() -> progress.at(Stage.SAVING, 0, 1))
                                .join()))
                .isInstanceOf(Progress.Cancelled.class);
        assertThatThrownBy(() -> works.doing(MINE, progress -> CompletableFuture.runAsync(() -> {
                            throw new IllegalStateException("broken");
                        })
                        .join()))
                .isInstanceOf(CompletionException.class)
                .hasRootCauseMessage("broken");
    }

    @Test
    void remembersSoManyAndNoMore() {
        IntStream.range(0, 10 * Works.MOST).forEach(i -> works.cancel("other " + i));
        String done = works.doing(MINE, progress -> {
            progress.at(Stage.READING, 1, 2);
            IntStream.range(0, Works.MOST - 1).forEach(i -> works.cancel("another " + i));
            assertThat(works.state("mine")).isPresent();
            works.cancel("one too many");
            assertThat(works.state("mine")).isEmpty();
            progress.at(Stage.READING, 2, 2);
            return "carried out all the same";
        });
        assertThat(done).isEqualTo("carried out all the same");
        assertThatThrownBy(() -> works.cancel("x".repeat(Works.MOST_CHARACTERS + 1)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
