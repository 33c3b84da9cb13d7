package imperan.server.trial;

import imperan.live.Actor;
import imperan.live.LiveShow;
import imperan.live.SavedValue;
import imperan.server.run.LoopRuns;
import imperan.server.run.ShowClock;
import imperan.server.run.ShowLoop;
import imperan.server.run.TrialWatcher;
import imperan.server.store.Keeper;
import imperan.server.store.TrialStore;
import imperan.show.CueList;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import imperan.trial.Rehearsal;
import imperan.trial.Trial;
import imperan.trial.TrialReport;
import imperan.trial.TrialScope;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Trials of cue lists: begun, stopped, and the last one of each list since the start. */
@Component
public class Trials implements AutoCloseable {

    /** What is known of where controls and targets stand. */
    private record Standing(List<SavedValue> values, List<Rehearsal.Known> known) {}

    private static final Logger LOG = LoggerFactory.getLogger(Trials.class);

    private record Place(String show, PartId list) {}

    /** A trial that runs or ran on the loop, or the report of a rehearsal. */
    private record Held(Optional<Trial> trial, Optional<TrialReport> report) {}

    private final Keeper keeper;
    private final ShowLoop loop;
    private final LoopRuns runs;
    private final TrialStore store;
    private final ExecutorService writing = Executors.newSingleThreadExecutor(r -> new Thread(r, "trials"));
    private final Map<Place, Held> last = new ConcurrentHashMap<>();

    Trials(Keeper keeper, ShowLoop loop, LoopRuns runs, TrialStore store) {
        this.store = store;
        this.keeper = keeper;
        this.loop = loop;
        this.runs = runs;
    }

    /** The targets that a list speaks to at the venue. */
    public List<Part> venues(String showId, PartId list) {
        Show show = keeper.show(showId).join();
        return venues(show, TrialScope.of(show, list));
    }

    private static List<Part> venues(Show show, TrialScope scope) {
        return show.all(Target.class).stream()
                .filter(part -> scope.targets().contains(part.id())
                        && ((Target) part.body())
                                .standIn()
                                .filter(StandInEnd::inUse)
                                .isEmpty())
                .toList();
    }

    /** Begins a trial, or says why not. A rehearsal is over when this returns. */
    public Optional<Problem> begin(String showId, PartId list, TrialWish wish, Actor by) {
        Show show = keeper.show(showId).join();
        if (show.part(list).filter(part -> part.body() instanceof CueList).isEmpty()) {
            return Optional.of(Problem.of("This cue list is no longer there"));
        } else if (CueList.cues(show, list).isEmpty()) {
            return Optional.of(Problem.of("There is no cue in this list yet: add one first"));
        } else if (wish.rehearsed()) {
            Standing standing = loop.ask(
                            showId, (running, now) -> standing(running, show, list), new Standing(List.of(), List.of()))
                    .join();
            last.put(
                    new Place(showId, list),
                    new Held(
                            Optional.empty(),
                            Optional.of(Rehearsal.of(
                                    show,
                                    list,
                                    wish.speed(),
                                    standing.values(),
                                    standing.known(),
                                    by,
                                    ShowClock.now()))));
            return Optional.empty();
        }
        Trial trial = new Trial(show, list, wish.speed(), false, by);
        Optional<Part> uncleared = venues(show, trial.scope()).stream()
                .filter(venue -> !wish.venues().contains(venue.body().called()))
                .findFirst();
        if (uncleared.isPresent()) {
            return Optional.of(
                    Problem.of(
                            "“" + uncleared.get().body().called()
                                    + "” is spoken to at the venue: say that its stage is clear, switch it to its stand-in, or rehearse"));
        }
        Optional<Problem> problem = runs.tryOut(showId, trial, new Kept(showId, list.value(), by.name()))
                .join();
        if (problem.isEmpty()) {
            last.put(new Place(showId, list), new Held(Optional.of(trial), Optional.empty()));
        }
        return problem;
    }

    /** Keeps where a trial is, in case the server ends before it. */
    private final class Kept implements TrialWatcher {
        private final String show;
        private final String list;
        private final String by;

        private Kept(String show, String list, String by) {
            this.show = show;
            this.list = list;
            this.by = by;
        }

        @Override
        public void at(String number) {
            write(() -> store.at(show, list, by, number));
        }

        @Override
        public void ended() {
            write(() -> store.ends(show, list));
        }

        /** A database that is away costs the trial nothing. */
        private void write(Runnable note) {
            writing.execute(() -> {
                try {
                    note.run();
                } catch (RuntimeException e) {
                    LOG.warn("Where the trial of {} is could not be kept: {}", list, e.getMessage());
                }
            });
        }
    }

    private static Standing standing(LiveShow running, Show show, PartId list) {
        Set<Rehearsal.Place> places = Rehearsal.lookedUp(show, list);
        return new Standing(
                running.savedValues(running.controls()),
                places.stream()
                        .flatMap(place -> running
                                .said(place.target(), place.address())
                                .map(said -> new Rehearsal.Known(place.target(), place.address(), said))
                                .stream())
                        .toList());
    }

    /** The last one of a list, where the end of a server cut it off and none was begun since. */
    public Optional<TrialStore.CutTrial> cut(String showId, PartId list) {
        return last.containsKey(new Place(showId, list)) ? Optional.empty() : store.cut(showId, list.value());
    }

    @Override
    public void close() {
        writing.shutdown();
    }

    /** Stops the trial of a list, where one runs. */
    public Optional<Problem> stop(String showId, PartId list) {
        Optional<Trial> running =
                Optional.ofNullable(last.get(new Place(showId, list))).flatMap(Held::trial);
        boolean stopped = loop.ask(
                        showId,
                        (live, now) -> {
                            boolean runs =
                                    running.filter(trial -> !trial.isEnded()).isPresent();
                            running.filter(trial -> runs).ifPresent(Trial::stop);
                            return runs;
                        },
                        false)
                .join();
        return stopped ? Optional.empty() : Optional.of(Problem.of("No trial of this list is running"));
    }

    /** The last one of a list, be it still running; empty where there was none since the start. */
    public Optional<TrialReport> report(String showId, PartId list) {
        // another show that is live by now has ended it
        return Optional.ofNullable(last.get(new Place(showId, list)))
                .map(held -> held.report().orElseGet(() -> loop.ask(
                                showId,
                                (live, now) -> held.trial().map(Trial::report),
                                held.trial().filter(Trial::isEnded).map(Trial::report))
                        .join()
                        .orElseThrow()));
    }
}
