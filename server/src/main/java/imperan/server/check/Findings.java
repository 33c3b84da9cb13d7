package imperan.server.check;

import imperan.check.Finding;
import imperan.check.NetworkFacts;
import imperan.live.MaskedControl;
import imperan.server.run.Readings;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.show.Edit;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Checks the shows that somebody asked for, on a thread of its own: after each edit what that can have changed, and every second what the network tells.
 * Browsers are told that there is something new, and read it.
 */
@Component
public class Findings implements Keeper.Listener, AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(Findings.class);
    private static final long LOOK_SECONDS = 1;
    /** Shows that are checked at once; the one that was asked for longest ago makes room. */
    private static final int MOST_SHOWS = 32;
    /** Controls that the loop is asked about in one turn, so that no hand waits for it. */
    private static final int ASKED_AT_ONCE = 200;

    /**
     * What is found.
     *
     * @param number of these findings; with it the next ones are asked for
     * @param whole  whether these are all of them; else those of the parts whose findings changed
     * @param parts  the findings of each, the worst first; none where all are gone
     * @param inCopies those of the parts that lie in a copy of a layout on which somebody works
     */
    public record Since(long number, boolean whole, Map<PartId, List<Finding>> parts, Set<PartId> inCopies) {}

    private final Keeper keeper;
    private final ShowLoop loop;
    private final Readings readings;
    private final ScheduledExecutorService worker =
            Executors.newSingleThreadScheduledExecutor(r -> new Thread(r, "checks"));
    /** Used by the worker only. */
    private final Map<String, Board> boards = new LinkedHashMap<>(16, 0.75f, true);

    Findings(Keeper keeper, ShowLoop loop, Readings readings) {
        this.keeper = keeper;
        this.loop = loop;
        this.readings = readings;
        keeper.listen(this);
        worker.scheduleWithFixedDelay(this::lookAtNetwork, LOOK_SECONDS, LOOK_SECONDS, TimeUnit.SECONDS);
    }

    @Override
    public void committed(String showId, Edit edit, Show show, long bytes) {
        try {
            worker.execute(() -> {
                Board board = boards.get(showId);
                if (board == null) {
                    // who looks at it asks again
                    loop.findings(showId, System.currentTimeMillis());
                } else {
                    guarded(showId, () -> tell(showId, board, board.follow(edit, show)));
                }
            });
        } catch (RejectedExecutionException e) {
            LOG.debug("An edit came while the server ended");
        }
    }

    /** What changed since the findings of this number; all of them where that is not known. */
    public CompletableFuture<Since> since(String showId, long known) {
        return with(showId, board -> {
            Set<PartId> parts = board.since(known);
            Show show = board.checks().show();
            return new Since(
                    board.number(),
                    !board.knows(known),
                    parts.stream().collect(Collectors.toMap(Function.identity(), board.checks()::of)),
                    parts.stream()
                            .filter(part ->
                                    show.part(part).filter(show::inDraft).isPresent())
                            .collect(Collectors.toSet()));
        });
    }

    /** All findings of a show, the worst first. */
    public CompletableFuture<List<Finding>> all(String showId) {
        return with(showId, board -> board.checks().all());
    }

    private <T> CompletableFuture<T> with(String showId, Function<Board, T> reading) {
        // before the worker's turn: it must not wait for other shows
        return keeper.show(showId).thenApplyAsync(show -> reading.apply(board(showId, show)), worker);
    }

    private Board board(String showId, Show show) {
        Board known = boards.get(showId);
        // edits that were committed after it was read, and before the board was made, come here later and are followed
        // then
        if (known == null) {
            known = new Board(show, System.currentTimeMillis());
            boards.put(showId, known);
            if (boards.size() > MOST_SHOWS) {
                boards.remove(boards.keySet().iterator().next());
            }
            known.noted(now(showId, known));
        }
        return known;
    }

    private void lookAtNetwork() {
        String live = loop.liveShowId();
        // without counting as asked for
        boards.entrySet().stream()
                .filter(entry -> entry.getKey().equals(live))
                .findFirst()
                .ifPresent(entry -> guarded(
                        live,
                        () -> tell(live, entry.getValue(), entry.getValue().noted(now(live, entry.getValue())))));
    }

    /** The parts of which the network tells something else now. */
    private Set<PartId> now(String showId, Board board) {
        NetworkFacts facts = readings.facts(showId).join().network();
        List<PartId> asked = List.copyOf(board.checks().maskable());
        List<MaskedControl> masked = new ArrayList<>();
        for (int from = 0; from < asked.size(); from += ASKED_AT_ONCE) {
            List<PartId> some = asked.subList(from, Math.min(asked.size(), from + ASKED_AT_ONCE));
            masked.addAll(loop.ask(showId, (running, now) -> running.masked(some), List.<MaskedControl>of())
                    .join());
        }
        return board.checks().now(facts, masked);
    }

    private void tell(String showId, Board board, boolean changed) {
        if (changed) {
            loop.findings(showId, board.number());
        }
    }

    /** A check that fails is left out, and the show is looked at anew when it is asked for again. */
    private void guarded(String showId, Runnable look) {
        try {
            look.run();
        } catch (RuntimeException e) {
            LOG.error("The checks of show {} failed", showId, e);
            boards.remove(showId);
            loop.findings(showId, System.currentTimeMillis());
        }
    }

    @Override
    public void close() {
        worker.shutdownNow();
    }
}
