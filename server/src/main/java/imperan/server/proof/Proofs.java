package imperan.server.proof;

import imperan.live.Actor;
import imperan.live.LinkView;
import imperan.progress.Progress;
import imperan.proof.Facts;
import imperan.proof.Rank;
import imperan.proof.WhyNot;
import imperan.proof.report.LineResult;
import imperan.proof.report.Proved;
import imperan.proof.report.Report;
import imperan.proof.report.Which;
import imperan.proof.run.Conditions;
import imperan.proof.run.Outcome;
import imperan.proof.run.Planner;
import imperan.proof.run.Print;
import imperan.proof.run.ProofPlan;
import imperan.proof.run.ProofRun;
import imperan.proof.run.Scope;
import imperan.server.run.LiveFacts;
import imperan.server.run.LoopRuns;
import imperan.server.run.ProofWatcher;
import imperan.server.run.Readings;
import imperan.server.run.ShowClock;
import imperan.server.run.ShowLoop;
import imperan.server.store.Keeper;
import imperan.server.store.ProofStore;
import imperan.server.store.ProofStore.Kept;
import imperan.server.store.ShowStore;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Problem;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/** Proofs of the live show: planned, begun, written down while they run, and kept as reports. */
@Component
public class Proofs implements AutoCloseable {

    /** A plan that was looked at longer ago says nothing of the stage as it is. */
    static final Duration PLAN_HOLDS = Duration.ofMinutes(15);

    private static final int MOST_PLANS = 64;
    private static final long NANOS_OF_MILLI = 1_000_000L;

    private static final Logger LOG = LoggerFactory.getLogger(Proofs.class);

    /**
     * What somebody wants proved.
     *
     * @param within   a layout or a page; empty for all
     * @param target   only lines to this one; empty for all
     * @param lines    only these; empty for all
     * @param which    of all of those, only these, as their last proof tells
     * @param times    how often each line is said at least, 1 to {@value Conditions#MOST_TIMES}
     * @param attended whether somebody is there to be asked
     * @param venues   the names, as typed, of the targets whose venue end may be spoken to
     */
    public record Wish(
            Optional<PartId> within,
            Optional<PartId> target,
            Set<String> lines,
            Which which,
            int times,
            boolean attended,
            List<String> venues) {
        public Wish {
            lines = Set.copyOf(lines);
            venues = List.copyOf(venues);
        }
    }

    /**
     * A plan to be looked at.
     *
     * @param token names it where it is begun; it is another one as soon as the plan is
     */
    public record Planned(ProofPlan plan, String token) {}

    /**
     * A proof that runs, or the last one.
     *
     * @param outcomes what came of its lines so far
     * @param heard    what came of those that only listen
     * @param number   of its report; empty while it runs, and where none could be kept
     */
    public record Running(
            ProofRun run,
            ProofRun.Phase phase,
            String by,
            String chosen,
            long startedAt,
            List<Outcome> outcomes,
            List<LineResult> heard,
            Optional<ProofRun.Asking> asking,
            int said,
            Optional<Long> number,
            Optional<String> trouble) {}

    /** What is remembered of a run beside it. */
    private static final class Begun {
        private final ProofRun run;
        private final String showId;
        private final String showName;
        private final String by;
        private final String chosen;
        private final long startedAt;
        private volatile Optional<Long> number = Optional.empty();
        private volatile Optional<String> trouble = Optional.empty();

        private Begun(ProofRun run, String showId, String showName, String by, String chosen, long startedAt) {
            this.run = run;
            this.showId = showId;
            this.showName = showName;
            this.by = by;
            this.chosen = chosen;
            this.startedAt = startedAt;
        }
    }

    private final Keeper keeper;
    private final ShowStore shows;
    private final ShowLoop loop;
    private final LoopRuns runs;
    private final Readings readings;
    private final ProofStore store;
    private final ExecutorService writing = Executors.newSingleThreadExecutor(r -> new Thread(r, "proofs"));
    /** When plans were looked at, by the clock that nobody sets; the newest last. */
    private final Map<String, Long> looked = new LinkedHashMap<>();

    private volatile Optional<Begun> last = Optional.empty();

    Proofs(Keeper keeper, ShowStore shows, ShowLoop loop, LoopRuns runs, Readings readings, ProofStore store) {
        this.keeper = keeper;
        this.shows = shows;
        this.loop = loop;
        this.runs = runs;
        this.readings = readings;
        this.store = store;
    }

    // ---- before

    /**
     * What a proof would do. Nothing is sent for it.
     *
     * @throws Progress.Cancelled where it is ended
     */
    public Planned plan(String showId, Wish wish, Progress progress) {
        Planned planned = planNow(showId, wish, progress);
        synchronized (looked) {
            looked.remove(planned.token());
            looked.put(planned.token(), ShowClock.now());
            looked.keySet().stream()
                    .limit(Math.max(0, looked.size() - MOST_PLANS))
                    .toList()
                    .forEach(looked::remove);
        }
        return planned;
    }

    private Planned planNow(String showId, Wish wish, Progress progress) {
        if (wish.times() < 1 || wish.times() > Conditions.MOST_TIMES) {
            throw new IllegalArgumentException("A line is said 1 to " + Conditions.MOST_TIMES + " times");
        }
        Show show = keeper.show(showId).join();
        List<LinkView> links =
                loop.askLive(showId, (running, now) -> running.links()).join();
        Set<PartId> cleared = show.all(Target.class).stream()
                .filter(part -> wish.venues().contains(part.body().called()))
                .map(Part::id)
                .collect(Collectors.toSet());
        ProofPlan plan = Planner.plan(
                show,
                new Scope(wish.within(), wish.target(), lines(showId, show, wish)),
                new Conditions(wish.times(), wish.attended(), cleared),
                links,
                progress);
        String says = plan.lines().stream()
                        .map(line -> line.id() + line.print() + line.way())
                        .collect(Collectors.joining("\n"))
                + wish;
        return new Planned(plan, Integer.toHexString(Objects.hash(showId, says)) + "-" + plan.messages());
    }

    /** By their names; empty for all. */
    private Optional<Set<String>> lines(String showId, Show show, Wish wish) {
        Optional<Set<String>> named = wish.lines().isEmpty() ? Optional.empty() : Optional.of(wish.lines());
        if (wish.which() == Which.ALL) {
            return named;
        }
        Map<String, String> prints = Print.all(show);
        Map<String, Proved> proved = proved(showId, prints);
        return Optional.of(prints.keySet().stream()
                .filter(line -> named.map(some -> some.contains(line)).orElse(true))
                .filter(line -> wish.which().takes(Optional.ofNullable(proved.get(line))))
                .collect(Collectors.toSet()));
    }

    /**
     * Begins the proof that was looked at, or says why not.
     *
     * @param token of the plan
     */
    public Optional<Problem> begin(String showId, Wish wish, String token, Actor by) {
        Planned planned = planNow(showId, wish, Progress.NONE);
        Long seen;
        synchronized (looked) {
            seen = looked.get(token);
        }
        boolean venue = !planned.plan().conditions().cleared().isEmpty();
        if (!planned.token().equals(token) || seen == null) {
            return Optional.of(Problem.of("The plan is another one by now. Look at it again, then start"));
        } else if (venue && ShowClock.now() - seen > PLAN_HOLDS.toNanos()) {
            return Optional.of(
                    Problem.of("This plan was shown more than 15 minutes ago. Look at it again, then start"));
        } else if (planned.plan().lines().isEmpty() && planned.plan().listens().isEmpty()) {
            return Optional.of(Problem.of("There is no line to prove here. Choose others"));
        } else if (venue && by.name().isBlank()) {
            return Optional.of(Problem.of("Say who you are, at the top: who says that the stage is clear has a name"));
        } else if (store.leftover(showId).isPresent()) {
            // a proof that runs has noted what it is to put back: who comes second hears of that proof
            Optional<Problem> disturbs = runs.disturbing(showId).join();
            return disturbs.isPresent()
                    ? disturbs
                    : Optional.of(Problem.of(
                            isUnderWay(showId)
                                    ? "The last proof is just ending. Start again in a moment"
                                    : "The last proof left values that are not back. Choose what becomes of them, above,"
                                            + " then start"));
        }
        Begun begun = new Begun(
                new ProofRun(planned.plan(), by.name()),
                showId,
                shows.show(showId).name(),
                by.name(),
                chosen(planned.plan().show(), wish),
                System.currentTimeMillis());
        Optional<Problem> problem =
                runs.prove(showId, begun.run, new Watching(begun)).join();
        if (problem.isEmpty()) {
            last = Optional.of(begun);
        }
        return problem;
    }

    private static String chosen(Show show, Wish wish) {
        List<String> words = new ArrayList<>();
        words.add(
                switch (wish.which()) {
                    case ALL -> wish.lines().isEmpty()
                            ? "all lines"
                            : wish.lines().size() == 1 ? "1 line" : wish.lines().size() + " lines";
                    case OPEN -> "lines that were not proved";
                    case SHORT -> "lines that failed";
                    case CHANGED -> "lines that were changed or new";
                });
        wish.within()
                .flatMap(show::part)
                .ifPresent(part -> words.add("of " + part.body().called()));
        wish.target()
                .flatMap(show::part)
                .ifPresent(part -> words.add("to " + part.body().called()));
        return String.join(" ", words);
    }

    /** The targets of a plan that are spoken to at the venue. */
    public static List<Part> venues(ProofPlan plan) {
        Set<PartId> targets =
                plan.lines().stream().flatMap(line -> line.target().stream()).collect(Collectors.toSet());
        return plan.show().all(Target.class).stream()
                .filter(part -> targets.contains(part.id())
                        && ((Target) part.body())
                                .standIn()
                                .filter(StandInEnd::inUse)
                                .isEmpty())
                .toList();
    }

    // ---- meanwhile

    /** The one that runs in a show, or the last one that ran since the start. */
    public Optional<Running> running(String showId) {
        return last.filter(begun ->
                        begun.showId.equals(showId) && loop.liveShowId().equals(showId))
                .map(begun -> runs.proof(
                                showId,
                                run -> new Running(
                                        begun.run,
                                        // another show may have been live meanwhile: then it ended in the middle
                                        run.filter(begun.run::equals)
                                                .map(ProofRun::phase)
                                                .orElse(ProofRun.Phase.ENDED),
                                        begun.by,
                                        begun.chosen,
                                        begun.startedAt,
                                        begun.run.outcomes(),
                                        begun.run.heard(),
                                        begun.run.asking(),
                                        begun.run.said(),
                                        begun.number,
                                        begun.trouble))
                        .join());
    }

    /** Whether one runs, or has ended and is still being kept. */
    boolean isUnderWay(String showId) {
        return running(showId)
                .filter(run -> run.phase() != ProofRun.Phase.ENDED
                        || run.number().isEmpty() && run.trouble().isEmpty())
                .isPresent();
    }

    /** What a person wants of the proof that runs. */
    public enum Order {
        STOP,
        FREEZE,
        SEND,
        LEAVE_OUT,
        SEEN,
        NOT_SEEN
    }

    /** Does it, or says why it cannot be done. */
    public Optional<Problem> order(String showId, Order order) {
        return runs.proof(showId, found -> {
                    Optional<ProofRun> running = found.filter(run -> run.phase() != ProofRun.Phase.ENDED);
                    if (running.isEmpty()) {
                        return Optional.of(Problem.of("No proof is running"));
                    }
                    ProofRun run = running.get();
                    switch (order) {
                        case STOP -> run.stop();
                        case FREEZE -> run.freeze();
                        case SEND -> run.send();
                        case LEAVE_OUT -> run.leaveOut();
                        case SEEN, NOT_SEEN -> run.seen(order == Order.SEEN);
                    }
                    return Optional.<Problem>empty();
                })
                .join();
    }

    private final class Watching implements ProofWatcher {

        private final Begun begun;

        private Watching(Begun begun) {
            this.begun = begun;
        }

        @Override
        public void read(ProofRun run) {
            List<ProofRun.Old> old = run.toPutBack();
            writing.execute(() -> {
                try {
                    store.putOld(
                            begun.showId, LeftMessage.written(old, run.plan().show()));
                    runs.proof(begun.showId, running -> {
                        run.isWrittenDown();
                        return true;
                    });
                } catch (DataAccessException | TransactionException e) {
                    LOG.warn(
                            "What stands at the targets could not be written down, so the proof ends before it moves anything: {}",
                            e.getMessage());
                    begun.trouble = Optional.of(
                            "What stands could not be written into the database: nothing was sent that moves anything");
                    runs.proof(begun.showId, running -> {
                        run.stop();
                        return true;
                    });
                }
            });
        }

        @Override
        public void advanced(ProofRun run) {
            note(run.toPutBack());
        }

        private void note(List<ProofRun.Old> left) {
            writing.execute(() -> {
                try {
                    store.putOld(
                            begun.showId,
                            LeftMessage.written(left, begun.run.plan().show()));
                } catch (DataAccessException | TransactionException e) {
                    LOG.warn(
                            "What is back at the targets could not be noted: {}. What was noted before is offered",
                            e.getMessage());
                }
            });
        }

        @Override
        public void ended(ProofRun run) {
            List<Outcome> outcomes = run.outcomes();
            List<ProofRun.Old> left = run.toPutBack();
            Report plain = new Report(
                    begun.showName,
                    run.plan().show().version(),
                    begun.startedAt,
                    System.currentTimeMillis(),
                    begun.by,
                    begun.chosen,
                    run.wasStopped(),
                    Stream.concat(outcomes.stream().map(Outcome::result), run.heard().stream())
                            .toList(),
                    run.figures(),
                    Optional.empty());
            writing.execute(() -> keep(plain, outcomes, left));
        }

        private void keep(Report plain, List<Outcome> outcomes, List<ProofRun.Old> left) {
            try {
                Map<String, LineResult> caused =
                        causes(begun.showId, begun.run.plan().show(), outcomes);
                Report report = new Report(
                        plain.show(),
                        plain.version(),
                        plain.startedAt(),
                        plain.endedAt(),
                        plain.by(),
                        plain.chosen(),
                        plain.stopped(),
                        plain.lines().stream()
                                .map(line -> caused.getOrDefault(line.line(), line))
                                .toList(),
                        plain.targets(),
                        plain.signed());
                store.keepOld(
                        begun.showId, LeftMessage.written(left, begun.run.plan().show()));
                begun.number = Optional.of(store.keep(begun.showId, report));
            } catch (RuntimeException e) {
                LOG.error("The report of a proof could not be kept", e);
                begun.trouble = Optional.of("The report could not be kept: the database does not answer");
            }
        }

        @Override
        public void abandoned(ProofRun run) {
            List<ProofRun.Old> left = run.toPutBack();
            begun.trouble = Optional.of("Another show went live in the middle of it");
            note(left);
        }
    }

    /** What may be the cause, for each line that fell short; from what was seen then. */
    private Map<String, LineResult> causes(String showId, Show show, List<Outcome> outcomes) {
        LiveFacts live = readings.facts(showId).join();
        Map<String, LineResult> caused = new LinkedHashMap<>();
        for (Outcome outcome : outcomes) {
            LineResult result = outcome.result();
            outcome.certain()
                    .map(cause -> result.causedBy(Rank.CERTAIN, List.of(cause)))
                    .or(() -> outcome.seen()
                            .flatMap(seen -> Facts.of(show, seen, live.network(), loop.missed()))
                            .map(WhyNot::of)
                            .flatMap(diagnosis -> diagnosis.groups().stream().findFirst())
                            .map(group -> result.causedBy(group.rank(), group.suspects())))
                    .ifPresent(known -> caused.put(result.line(), known));
        }
        return caused;
    }

    // ---- afterwards

    public List<Kept> reports(String showId) {
        shows.show(showId);
        return store.reports(showId);
    }

    public Optional<Kept> report(String showId, long number) {
        return store.report(showId, number);
    }

    /** Somebody takes a report as it is; empty where there is none of this number. */
    public Optional<Report> sign(String showId, long number, String name, String note) {
        return store.report(showId, number).map(kept -> {
            Report signed = kept.report().signed(new Report.SignOff(name, note, System.currentTimeMillis()));
            store.sign(showId, number, signed);
            return signed;
        });
    }

    /** The names of the targets of a show. */
    public List<String> targets(String showId) {
        return keeper.show(showId).join().all(Target.class).stream()
                .map(part -> part.body().called())
                .toList();
    }

    /** What the reports of a show say of its lines as they are now. */
    public Map<String, Proved> proved(String showId) {
        return proved(showId, Print.all(keeper.show(showId).join()));
    }

    private Map<String, Proved> proved(String showId, Map<String, String> prints) {
        return Proved.of(store.reports(showId).stream().map(Kept::report).toList(), prints, away(showId));
    }

    /** When targets of a live show were lost last, or had their port closed, in milliseconds since 1970. */
    private Map<PartId, Long> away(String showId) {
        if (!loop.liveShowId().equals(showId)) {
            return Map.of();
        }
        return loop.askLive(showId, (running, now) -> running.links()).join().stream()
                .filter(link -> link.awayAt().isPresent())
                .collect(
                        Collectors.toMap(LinkView::target, link -> link.awayAt().get() / NANOS_OF_MILLI));
    }

    @Override
    public void close() {
        writing.shutdown();
    }
}
