package imperan.proof.run;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LinkState;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.MessageResult;
import imperan.live.Reason;
import imperan.live.Spelling;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Verdict;
import imperan.proof.run.Flight.For;
import imperan.proof.run.Flight.Landing;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is said for a proof by the door of the running show, and what came of it, as the show's events tell. */
final class Flights {

    /** Is told what came of something that was to be answered. */
    interface Landed {
        void landed(Flight flight, long now);
    }

    private final Actor actor;
    private final Landed landed;
    private final Map<Long, Flight> awaited = new HashMap<>();
    private Optional<Flight> inHand = Optional.empty();
    private int said;

    /** @param by who started it */
    Flights(String by, Landed landed) {
        this.actor = Actor.proof(by);
        this.landed = landed;
    }

    Actor actor() {
        return actor;
    }

    /** How many were said so far. */
    int said() {
        return said;
    }

    /** @param missed packets that this machine did not handle in time, so far */
    Flight say(Saying saying, For why, long limitNanos, LiveShow live, long missed, long now) {
        Flight flight = new Flight(saying, why, limitNanos, missed);
        said++;
        saying.line()
                .target()
                .flatMap(live::linkState)
                .filter(state -> state == LinkState.PORT_CLOSED)
                .ifPresent(state -> flight.meetsClosedPort());
        inHand = Optional.of(flight);
        live.carryOut(new Command.Prove(saying.line(), saying.question()), actor, now)
                .ifPresent(problem -> flight.lands(Landing.of(Verdict.NOT_JUDGED)));
        inHand = Optional.empty();
        if (!flight.isAwaited()) {
            // neither awaited nor stopped: nothing will tell what came of it
            flight.lands(Landing.of(Verdict.NOT_JUDGED));
        }
        return flight;
    }

    void happened(LiveEvent event, long missed) {
        boolean ours = event.cause().actor().kind() == Actor.Kind.PROOF && inHand.isPresent();
        if (ours && event instanceof LiveEvent.Opened opened) {
            awaited.put(opened.exchange(), inHand.get());
            inHand.get().opened();
        } else if (ours && event instanceof LiveEvent.Stopped stop) {
            inHand.get().lands(stopped(stop.reason()));
        } else if (event instanceof LiveEvent.Ended ended && ended.exchange() == 0) {
            inHand.filter(flight -> ours).ifPresent(flight -> flight.lands(Landing.of(Verdict.ONE_WAY)));
        } else if (event instanceof LiveEvent.Ended ended) {
            Optional.ofNullable(awaited.remove(ended.exchange())).ifPresent(flight -> {
                flight.lands(landing(flight, ended, missed));
                landed.landed(flight, ended.at());
            });
        } else if (event instanceof LiveEvent.LinkTurned turned && turned.state() == LinkState.PORT_CLOSED) {
            awaited.values().stream()
                    .filter(flight ->
                            flight.line.target().filter(turned.target()::equals).isPresent())
                    .forEach(Flight::meetsClosedPort);
        }
    }

    private static Landing stopped(Reason reason) {
        Optional<Obstacle> because = reason instanceof Reason.Gated
                ? Optional.of(Obstacle.HELD)
                : reason instanceof Reason.SocketBroken ? Optional.of(Obstacle.NO_WAY_OUT) : Optional.empty();
        return new Landing(
                because.isPresent() ? Verdict.SKIPPED : Verdict.NOT_JUDGED,
                Optional.empty(),
                Optional.empty(),
                List.of(),
                because);
    }

    private static Landing landing(Flight flight, LiveEvent.Ended ended, long missed) {
        MessageResult result = ended.result();
        if (result instanceof MessageResult.Answered answered) {
            boolean late = answered.afterNanos() > flight.limitNanos;
            // what came while this machine stood still may have been there in time
            Verdict verdict = !answered.news() || late && missed > flight.missed
                    ? Verdict.NOT_JUDGED
                    : late ? Verdict.LATE : Verdict.CONFIRMED;
            return new Landing(
                    verdict,
                    Optional.of(answered.afterNanos()),
                    Optional.of(answered.address()),
                    answered.said(),
                    Optional.empty());
        } else if (result instanceof MessageResult.Differed wrong) {
            return new Landing(
                    Spelling.isSameKind(flight.line.arguments(), wrong.said())
                            ? Verdict.WRONG_VALUE
                            : Verdict.WRONG_TYPE,
                    Optional.of(wrong.afterNanos()),
                    Optional.of(wrong.address()),
                    wrong.said(),
                    Optional.empty());
        } else if (result instanceof MessageResult.NoAnswer none) {
            return Landing.of(
                    none.arrivedAs().isPresent()
                            ? Verdict.OTHER_ADDRESS
                            : flight.metClosedPort()
                                    ? Verdict.PORT_CLOSED
                                    : missed > flight.missed ? Verdict.NOT_JUDGED : Verdict.NO_ANSWER);
        }
        return Landing.of(Verdict.NOT_JUDGED);
    }
}
