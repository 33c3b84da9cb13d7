package imperan.live;

import imperan.show.PartId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The path of the last touch of each control, gathered from what happened. */
final class Paths {

    /**
     * @param cause the number of what led to it
     * @param first of the exchanges that the line of this path opened, {@code last} of them: their numbers follow each other. 0 before there is one
     */
    private record Path(Trace trace, long cause, long first, long last) {

        private Path(Trace trace, Cause cause) {
            this(trace, cause.number(), 0, 0);
        }

        private Path with(Trace other) {
            return new Path(other, cause, first, last);
        }

        private Path opening(long exchange) {
            return new Path(trace, cause, first == 0 ? exchange : first, exchange);
        }

        private boolean opened(long exchange) {
            return first > 0 && exchange >= first && exchange <= last;
        }
    }

    private final Map<PartId, Path> paths = new HashMap<>();

    /** Takes note; the control whose path is another one then. */
    Optional<PartId> happened(LiveEvent event) {
        if (event instanceof LiveEvent.LineLeft left) {
            return left.line()
                    .control()
                    .map(control -> put(
                            control,
                            new Path(
                                    new Trace(
                                            control,
                                            left.line().position(),
                                            List.of(),
                                            Optional.empty(),
                                            Optional.of(left.line()),
                                            Optional.of(new Trace.Wire(
                                                    left.at(), left.bytes(), left.ourPort(), left.peer())),
                                            Optional.empty(),
                                            Optional.empty()),
                                    left.cause())));
        } else if (event instanceof LiveEvent.Stopped stopped) {
            return stopped.control().map(control -> stop(control, stopped));
        } else if (event instanceof LiveEvent.Opened opened) {
            return opened.control().flatMap(control -> of(control).map(path -> {
                Path opening = path.opening(opened.exchange());
                return put(
                        control,
                        opened.listensElsewhere()
                                ? opening.with(path.trace.stopped(new Reason.ListensElsewhere(opened.address())))
                                : opening);
            }));
        } else if (event instanceof LiveEvent.Differed differed) {
            return shown(differed.control(), differed.exchange())
                    .map(path -> answer(
                            path,
                            new Trace.Answer(
                                    differed.address(),
                                    differed.said(),
                                    differed.afterNanos(),
                                    differed.onTheWay() ? Trace.Fit.ON_THE_WAY : Trace.Fit.DIFFERS),
                            Optional.empty()));
        } else if (event instanceof LiveEvent.Ended ended) {
            return ended(ended);
        }
        return Optional.empty();
    }

    private PartId stop(PartId control, LiveEvent.Stopped stopped) {
        Path before = paths.get(control);
        if (stopped.reason() instanceof Reason.KeptByStep
                && before != null
                && before.cause == stopped.cause().number()
                && before.trace.wire().isPresent()) {
            // another line of the same touch has left: that is the way that is seen
            return control;
        }
        boolean goesOn = stopped.reason() instanceof Reason.SameValue && before != null;
        Trace trace = goesOn
                ? before.trace.stopped(stopped.reason())
                : new Trace(
                        control,
                        stopped.position(),
                        List.of(),
                        Optional.empty(),
                        stopped.line(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.of(stopped.reason()));
        return put(control, goesOn ? before.with(trace) : new Path(trace, stopped.cause()));
    }

    private Optional<PartId> ended(LiveEvent.Ended ended) {
        if (ended.result() instanceof MessageResult.NotExpected none) {
            return ended.control()
                    .flatMap(this::of)
                    .map(path -> put(path.trace.control(), path.with(path.trace.stopped(none.why()))));
        }
        return shown(ended.control(), ended.exchange()).flatMap(path -> {
            if (ended.result() instanceof MessageResult.Agreed answered) {
                return Optional.of(answer(
                        path,
                        new Trace.Answer(
                                answered.evidence().address(),
                                answered.said(),
                                answered.afterNanos(),
                                answered instanceof MessageResult.ProvesNothing
                                        ? Trace.Fit.SAID_BEFORE
                                        : Trace.Fit.AGREES),
                        Optional.empty()));
            } else if (ended.result() instanceof MessageResult.Differed wrong) {
                return Optional.of(answer(
                        path,
                        new Trace.Answer(
                                wrong.address(), wrong.said(), wrong.after().orElse(0L), Trace.Fit.DIFFERS),
                        Optional.of(new Reason.WrongValue())));
            } else if (ended.result() instanceof MessageResult.NoAnswer none) {
                return Optional.of(put(
                        path.trace.control(),
                        path.with(path.trace.stopped(new Reason.NoAnswer(none.limitNanos(), none.arrivedAs())))));
            } else if (ended.result() instanceof MessageResult.NoNews none) {
                return Optional.of(
                        put(path.trace.control(), path.with(path.trace.stopped(new Reason.NoNews(none.limitNanos())))));
            }
            return Optional.empty();
        });
    }

    private PartId answer(Path path, Trace.Answer answer, Optional<Reason> stopped) {
        Trace trace = path.trace;
        return put(
                trace.control(),
                path.with(new Trace(
                        trace.control(),
                        trace.position(),
                        trace.shaping(),
                        trace.phrase(),
                        trace.line(),
                        trace.wire(),
                        Optional.of(answer),
                        stopped)));
    }

    private Optional<Path> of(PartId control) {
        return Optional.ofNullable(paths.get(control));
    }

    /** The path that an exchange belongs to, as long as it is the last one of its control. */
    private Optional<Path> shown(Optional<PartId> control, long exchange) {
        return control.flatMap(this::of).filter(path -> path.opened(exchange));
    }

    private PartId put(PartId control, Path path) {
        paths.put(control, path);
        return control;
    }

    Optional<Trace> trace(PartId control) {
        return of(control).map(Path::trace);
    }

    void forget(PartId control) {
        paths.remove(control);
    }
}
