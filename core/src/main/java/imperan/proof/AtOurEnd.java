package imperan.proof;

import imperan.live.Gate;
import imperan.live.Reason;
import imperan.live.SocketState;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Why a message may never have left. All of it is seen here, so it is certain or it is not so. */
final class AtOurEnd {

    private final Facts facts;

    AtOurEnd(Facts facts) {
        this.facts = facts;
    }

    List<Case> cases() {
        return List.of(
                Case.of(Suspect.GUARDED)
                        .certain(stopped(reason ->
                                reason instanceof Reason.FirstOfTwoTouches || reason instanceof Reason.NotHeldYet)),
                Case.of(Suspect.ANOTHER_HAND)
                        .certain(stopped(reason ->
                                reason instanceof Reason.HeldByAnother || reason instanceof Reason.MovedByAnother)),
                Case.of(Suspect.DISABLED).certain(stopped(reason -> reason instanceof Reason.Disabled)),
                Case.of(Suspect.NO_MESSAGE)
                        .certain(stopped(reason -> reason instanceof Reason.NoSend
                                || reason instanceof Reason.NoTarget
                                || reason instanceof Reason.TargetGone
                                || reason instanceof Reason.NotTyped)),
                gate(Suspect.HELD, Gate.HELD),
                gate(Suspect.SILENCED, Gate.SILENT),
                gate(Suspect.REHEARSING, Gate.REHEARSING),
                Case.of(Suspect.SAME_VALUE)
                        .certain(stopped(reason -> reason instanceof Reason.SameValue)
                                .filter(seen -> !facts.isMissing())),
                Case.of(Suspect.OVERTAKEN).possible(waited()),
                Case.of(Suspect.QUEUE_FULL).likely(waited().filter(seen -> seen.dropped() > 0)),
                Case.of(Suspect.OUR_PORT_TAKEN).certain(socket(SocketState.Kind.PORT_TAKEN)),
                Case.of(Suspect.NO_WAY_OUT).certain(socket(SocketState.Kind.NO_WAY)),
                Case.of(Suspect.NOT_TAKEN).certain(stopped(reason -> reason instanceof Reason.NotTaken)));
    }

    private Optional<Evidence.WentNoFurther> stopped(Predicate<Reason> which) {
        return facts.stopped().filter(which).map(Evidence.WentNoFurther::new);
    }

    /** What stops a line now, or stopped it when it was said. */
    private Case gate(Suspect suspect, Gate gate) {
        boolean stops = facts.seen().link().gate() == gate;
        return Case.of(suspect)
                .certain(
                        stops
                                ? Optional.of(new Evidence.WentNoFurther(
                                        new Reason.Gated(facts.target().name(), gate)))
                                : Optional.empty());
    }

    private Optional<Evidence.Waited> waited() {
        return facts.seen().waiting()
                ? Optional.of(new Evidence.Waited(
                        facts.seen().link().merged(), facts.seen().link().dropped()))
                : Optional.empty();
    }

    private Optional<Evidence.WentNoFurther> socket(SocketState.Kind kind) {
        SocketState socket = facts.seen().link().socket();
        return socket.kind() == kind
                ? Optional.of(new Evidence.WentNoFurther(new Reason.SocketBroken(socket.trouble())))
                : Optional.empty();
    }
}
