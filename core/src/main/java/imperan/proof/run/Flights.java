package imperan.proof.run;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LinkState;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.MessageResult;
import imperan.proof.run.Flight.For;
import java.util.HashMap;
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
                .ifPresent(problem -> flight.lands(new MessageResult.NotJudged()));
        inHand = Optional.empty();
        if (!flight.isAwaited()) {
            // neither awaited nor stopped: nothing will tell what came of it
            flight.lands(new MessageResult.NotJudged());
        }
        return flight;
    }

    void happened(LiveEvent event, long missed) {
        boolean ours = event.cause().actor().kind() == Actor.Kind.PROOF && inHand.isPresent();
        if (ours && event instanceof LiveEvent.Opened opened) {
            awaited.put(opened.exchange(), inHand.get());
            inHand.get().opened();
        } else if (ours && event instanceof LiveEvent.Stopped stop) {
            inHand.get().lands(new MessageResult.NotSent(stop.reason()));
        } else if (event instanceof LiveEvent.Ended ended && ended.exchange() == 0) {
            inHand.filter(flight -> ours).ifPresent(flight -> flight.lands(ended.result()));
        } else if (event instanceof LiveEvent.Ended ended) {
            Optional.ofNullable(awaited.remove(ended.exchange())).ifPresent(flight -> {
                flight.lands(result(flight, ended.result(), missed));
                landed.landed(flight, ended.at());
            });
        } else if (event instanceof LiveEvent.LinkTurned turned && turned.state() == LinkState.PORT_CLOSED) {
            awaited.values().stream()
                    .filter(flight ->
                            flight.line.target().filter(turned.target()::equals).isPresent())
                    .forEach(Flight::meetsClosedPort);
        }
    }

    /** What became of it for a proof, which waits longer than the limit and knows what else went on. */
    private static MessageResult result(Flight flight, MessageResult result, long missed) {
        // what came while this machine stood still may have been there in time
        boolean stoodStill = missed > flight.missed;
        if (result instanceof MessageResult.Answered answered && answered.afterNanos() > flight.limitNanos) {
            return stoodStill
                    ? new MessageResult.ProvesNothing(
                            MessageResult.ProvesNothing.Why.WE_WERE_LATE, answered.evidence(), answered.afterNanos())
                    : new MessageResult.Late(answered.evidence(), answered.afterNanos());
        } else if (result instanceof MessageResult.NoAnswer none
                && none.arrivedAs().isEmpty()) {
            return flight.metClosedPort()
                    ? new MessageResult.PortClosed()
                    : stoodStill ? new MessageResult.NotJudged() : none;
        }
        return result;
    }
}
