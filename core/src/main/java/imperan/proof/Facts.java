package imperan.proof;

import imperan.check.Finding;
import imperan.check.FindingKind;
import imperan.check.LineChecks;
import imperan.check.Lined;
import imperan.check.NetworkFacts;
import imperan.check.RigCheck;
import imperan.check.Severity;
import imperan.live.Line;
import imperan.live.LinkState;
import imperan.live.Missed;
import imperan.live.Observed;
import imperan.live.Reason;
import imperan.live.Stray;
import imperan.live.Trace;
import imperan.phrasebook.Vocabulary;
import imperan.show.Host;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * All that a diagnosis rests on.
 *
 * @param target   as it is reached now
 * @param sheet    of its phrasebook; empty where it has none
 * @param phrase   of the line; empty where the phrasebook has none, or there is no line
 * @param mistakes what the phrasebook says against the line
 * @param rig      what is found of the target and of its host
 * @param strays   packets that nobody claims
 * @param lostHere packets that this machine did not handle in time
 * @param undelivered what came to ports of this machine without a program when the target was asked last; empty where it was not
 */
public record Facts(
        Observed seen,
        Target target,
        boolean standInUsed,
        boolean hasStandIn,
        Optional<Phrasebook.LinkSheet> sheet,
        Optional<Phrase> phrase,
        List<Finding> mistakes,
        List<Finding> rig,
        List<Stray> strays,
        long lostHere,
        Optional<Undelivered> undelivered) {

    /**
     * Datagrams for ports of this machine on which no program listens, as the system counts them. Three in the moment in which a target was asked three times are hardly chance.
     *
     * @param at when the target was asked, in nanoseconds since 1970
     */
    public record Undelivered(long datagrams, long at) {

        static final int ENOUGH = 3;
        /** As long as somebody looks at what came of asking. */
        static final long FRESH_NANOS = 60_000_000_000L;
    }

    /** Evidence that is older says nothing of now: longer than the keep-alives of most targets are apart. */
    static final long FRESH_NANOS = 10_000_000_000L;

    /** What came so long before the message left still tells that its target was there then: the time in which a program ends unnoticed. */
    private static final long BEFORE_NANOS = 3_000_000_000L;

    public Facts {
        mistakes = List.copyOf(mistakes);
        rig = List.copyOf(rig);
        strays = List.copyOf(strays);
    }

    /** What is known of a target, and of the line that was observed; empty where the target is no longer in the show. */
    public static Optional<Facts> of(Show show, Observed seen, NetworkFacts network, long lostHere) {
        PartId id = seen.link().target();
        return show.part(id)
                .map(Part::body)
                .filter(Target.class::isInstance)
                .map(Target.class::cast)
                .map(described -> {
                    Target target = described.asReached();
                    Vocabulary known = Vocabulary.of(show, described);
                    List<Finding> rig = RigCheck.findings(show, network).stream()
                            .filter(finding -> finding.accepted().isEmpty())
                            .filter(finding -> finding.about().equals(id) || isHostOf(show, finding.about(), target))
                            .toList();
                    return new Facts(
                            seen,
                            target,
                            described.standIn().filter(end -> end.inUse()).isPresent(),
                            described.standIn().isPresent(),
                            Phrasebook.of(show, described)
                                    .filter(book -> !known.isEmpty())
                                    .map(Phrasebook::sheet),
                            seen.line()
                                    .flatMap(line -> known.said(line.address()))
                                    .map(Vocabulary.Known::phrase),
                            seen.line().map(line -> mistakes(show, line)).orElse(List.of()),
                            rig,
                            network.strays(),
                            lostHere,
                            Optional.empty());
                });
    }

    /** The same with what the system counted while the target was asked. */
    public Facts with(Optional<Undelivered> counted) {
        return new Facts(
                seen, target, standInUsed, hasStandIn, sheet, phrase, mistakes, rig, strays, lostHere, counted);
    }

    private static boolean isHostOf(Show show, PartId about, Target target) {
        return show.part(about)
                .map(Part::body)
                .filter(Host.class::isInstance)
                .filter(host -> ((Host) host).address().equals(target.host()))
                .isPresent();
    }

    private static List<Finding> mistakes(Show show, Line line) {
        return line.control()
                .flatMap(show::part)
                .filter(part -> Lined.of(part.body()).isPresent())
                .map(part -> {
                    Lined lined = Lined.of(part.body()).orElseThrow();
                    List<Send> sends = lined.sends();
                    OptionalInt said = IntStream.range(0, sends.size())
                            .filter(i -> sends.get(i).address().equals(line.address())
                                    && sends.get(i).target().equals(line.target()))
                            .findFirst();
                    return LineChecks.of(show, part).stream()
                            .filter(finding -> said.isPresent()
                                    && finding.isOf(lined.field(said.getAsInt()))
                                    && finding.kind().severity() != Severity.NOTE)
                            .toList();
                })
                .orElse(List.of());
    }

    // ---- what is asked of them again and again

    Optional<Reason> stopped() {
        return seen.path().flatMap(Trace::stopped);
    }

    <R extends Reason> Optional<R> stopped(Class<R> kind) {
        return stopped().filter(kind::isInstance).map(kind::cast);
    }

    /** Whether an answer is missing: that of the line, or where no control is asked about any of the target. */
    boolean isMissing() {
        return seen.line().isEmpty()
                ? seen.link().state() != LinkState.ANSWERING && seen.link().state() != LinkState.SENDS_ONLY
                : seen.answers().missed().isPresent()
                        || stopped()
                                .filter(reason -> reason instanceof Reason.NoAnswer || reason instanceof Reason.NoNews)
                                .isPresent();
    }

    long ago(long at) {
        return Math.max(0, seen.now() - at);
    }

    private Optional<Long> lately(Optional<Long> at) {
        long left = seen.path().flatMap(Trace::wire).map(Trace.Wire::at).orElse(Long.MIN_VALUE + BEFORE_NANOS);
        return at.filter(when -> when >= left - BEFORE_NANOS).map(this::ago).filter(ago -> ago <= FRESH_NANOS);
    }

    /** It answered something a short time ago, or this in another way than it should. */
    Optional<Evidence> answered() {
        Optional<Evidence> otherwise = seen.answers().missed().flatMap(missed -> missed.arrivedAs()
                .<Evidence>map(Evidence.CameAs::new)
                .or(() -> missed.lateNanos().map(after -> new Evidence.CameLate(after, missed.limitNanos()))));
        return lately(seen.answers().ofTarget().lastAnsweredAt())
                .or(() -> lately(seen.arrivals().keptAliveAt()))
                .<Evidence>map(Evidence.Answered::new)
                .or(() -> otherwise);
    }

    /** It answered, or what it says of this came somewhere else: so it hears us. */
    Optional<Evidence> hearsUs() {
        return answered().or(() -> seen.answers()
                .missed()
                .flatMap(Missed::cameFrom)
                .filter(from -> from.host().equals(target.host()))
                .map(Evidence.CameElsewhere::new));
    }

    Optional<Evidence> heard() {
        return lately(seen.link().lastHeardAt()).map(Evidence.SpeaksUnasked::new);
    }

    /** Something is missing, and nothing else was answered. */
    Optional<Evidence> unanswered() {
        return isMissing() && hearsUs().isEmpty() && !isKnownClosed()
                ? heard().or(() -> Optional.of(
                        new Evidence.Silence(seen.link().lastHeardAt().map(this::ago))))
                : Optional.empty();
    }

    private boolean isKnownClosed() {
        return seen.link().state() == LinkState.PORT_CLOSED;
    }

    Optional<Evidence> silence() {
        return unanswered().filter(Evidence.Silence.class::isInstance);
    }

    Optional<Evidence> found(FindingKind kind) {
        return rig.stream()
                .filter(finding -> finding.kind() == kind)
                .findFirst()
                .map(finding -> new Evidence.Checked(finding.text()));
    }
}
