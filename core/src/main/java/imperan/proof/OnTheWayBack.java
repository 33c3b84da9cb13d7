package imperan.proof;

import imperan.live.AnswerTally;
import imperan.live.Missed;
import imperan.live.Observed;
import imperan.live.Reason;
import imperan.live.Spelling;
import imperan.live.Stray;
import imperan.live.Trace;
import imperan.show.AnswerRule;
import imperan.show.Phrase;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Why nothing is seen of an answer, though the target may have done what was wanted. */
final class OnTheWayBack {

    /** So many of a kind before it is more than chance. */
    private static final int ENOUGH = 3;

    private final Facts facts;
    private final Observed seen;
    private final Optional<Missed> missed;

    OnTheWayBack(Facts facts) {
        this.facts = facts;
        this.seen = facts.seen();
        this.missed = seen.answers().missed();
    }

    List<Case> cases() {
        Optional<Evidence> answered = facts.answered();
        return List.of(
                Case.of(Suspect.ONE_WAY)
                        .certain(stopped(reason ->
                                reason instanceof Reason.NeverAnswers || reason instanceof Reason.NothingComesBack)),
                Case.of(Suspect.ALL_BUT_THE_MOVER)
                        .certain(stopped(reason -> reason instanceof Reason.OnlyOthersTold))
                        .possible(othersTold()),
                Case.of(Suspect.NOT_LISTENED)
                        .certain(stopped(reason ->
                                reason instanceof Reason.NoListen || reason instanceof Reason.ListensElsewhere)),
                Case.of(Suspect.OTHER_ADDRESS)
                        .likely(missed.flatMap(Missed::arrivedAs).map(Evidence.CameAs::new)),
                Case.of(Suspect.OTHER_TYPE).certain(came().filter(instead -> !isSameKind(instead))),
                Case.of(Suspect.OTHER_VALUE).certain(came().filter(OnTheWayBack::isSameKind)),
                Case.of(Suspect.LATE).certain(missed.flatMap(late -> late.lateNanos()
                        .map(after -> new Evidence.CameLate(after, late.limitNanos())))),
                Case.of(Suspect.OTHER_PORT)
                        .certain(elsewhere(this::isAtOtherPort))
                        .likely(stray().or(this::undelivered))
                        .possible(facts.silence()
                                .filter(silent -> !facts.target().transport().isConnection()))
                        .excludedBy(answered),
                Case.of(Suspect.OTHER_SOURCE)
                        .likely(elsewhere(from -> from.claimed().isEmpty() && !isAtOtherPort(from))),
                Case.of(Suspect.TAKEN_FOR_ANOTHER)
                        .certain(missed.flatMap(Missed::cameFrom)
                                .filter(from -> from.claimed().isPresent() && !isAtOtherPort(from))
                                .map(Evidence.CameElsewhere::new)),
                Case.of(Suspect.MALFORMED)
                        .likely(lately(seen.arrivals().malformedAt()).map(Evidence.Unreadable::new)),
                Case.of(Suspect.FOR_LATER)
                        .likely(lately(seen.arrivals().forLaterAt()).map(Evidence.ForLater::new)),
                Case.of(Suspect.LAPSED).likely(afterRenewal()).possible(keptAlive()),
                Case.of(Suspect.OUR_DROPS)
                        .possible(
                                facts.isMissing() && facts.lostHere() > 0
                                        ? Optional.of(new Evidence.LostHere(facts.lostHere()))
                                        : Optional.empty()),
                Case.of(Suspect.LOSS).likely(intermittent()),
                Case.of(Suspect.PHRASE_WRONG).likely(othersAnswer(ENOUGH)).possible(othersAnswer(1)));
    }

    private Optional<Evidence> stopped(Predicate<Reason> which) {
        return facts.stopped().filter(which).map(Evidence.WentNoFurther::new);
    }

    private Optional<Evidence> undelivered() {
        return facts.silence().isEmpty() || facts.target().transport().isConnection()
                ? Optional.empty()
                : facts.undelivered()
                        .filter(counted -> counted.datagrams() >= Facts.Undelivered.ENOUGH
                                && facts.ago(counted.at()) <= Facts.Undelivered.FRESH_NANOS)
                        .map(counted -> new Evidence.NoProgram(counted.datagrams(), facts.ago(counted.at())));
    }

    private Optional<Long> lately(Optional<Long> at) {
        return facts.isMissing() ? at.map(facts::ago).filter(ago -> ago <= Facts.FRESH_NANOS) : Optional.empty();
    }

    /** What came instead of the answer. */
    private Optional<Evidence.Came> came() {
        return facts.stopped(Reason.WrongValue.class)
                .flatMap(wrong -> seen.path())
                .flatMap(Trace::answer)
                .map(answer -> new Evidence.Came(
                        answer.said(),
                        seen.path()
                                .flatMap(Trace::line)
                                .map(line -> line.arguments())
                                .orElse(List.of())));
    }

    /** Whether numbers came for numbers, and texts for texts. */
    private static boolean isSameKind(Evidence.Came instead) {
        return !instead.said().isEmpty() && Spelling.isSameKind(instead.sent(), instead.said());
    }

    private Optional<Evidence> elsewhere(Predicate<Missed.CameFrom> which) {
        return missed.flatMap(Missed::cameFrom).filter(which).map(Evidence.CameElsewhere::new);
    }

    private boolean isAtOtherPort(Missed.CameFrom from) {
        return from.host().equals(facts.target().host())
                && from.ourPort() != facts.target().answerPort();
    }

    /** Packets from its machine that reach us on another port than the one they should. */
    private Optional<Evidence> stray() {
        return facts.unanswered().flatMap(silent -> facts.strays().stream()
                .filter(stray -> stray.host().equals(facts.target().host())
                        && stray.ourPort() != facts.target().answerPort()
                        && facts.ago(stray.lastAt()) <= Facts.FRESH_NANOS)
                .findFirst()
                .map(this::of));
    }

    private Evidence of(Stray stray) {
        return new Evidence.Strays(
                stray.host(), stray.port(), stray.ourPort(), stray.count(), facts.ago(stray.lastAt()));
    }

    private Optional<Evidence> othersTold() {
        boolean untold = facts.phrase()
                .map(Phrase::answer)
                .filter(answer -> answer.told() == AnswerRule.Told.UNKNOWN)
                .isPresent();
        return untold && facts.target().answering() == Target.Answering.REPORTS ? othersAnswer(1) : Optional.empty();
    }

    /** It answers after each keep-alive, and later it does not. */
    private Optional<Evidence> afterRenewal() {
        Observed.Recoveries recoveries = seen.answers().recoveries();
        return recoveries.now() && recoveries.renewed() >= ENOUGH && recoveries.otherwise() == 0
                ? Optional.of(new Evidence.AfterRenewal(recoveries.renewed()))
                : Optional.empty();
    }

    private Optional<Evidence> keptAlive() {
        return facts.isMissing()
                        && facts.target().keepAlive().isPresent()
                        && seen.answers().ofLine().answered() > 0
                ? Optional.of(
                        new Evidence.KeptAlive(seen.arrivals().keptAliveAt().map(facts::ago)))
                : Optional.empty();
    }

    /** It comes and goes, by itself, and more than once: not because it was away for a time. */
    private Optional<Evidence> intermittent() {
        Observed.Recoveries recoveries = seen.answers().recoveries();
        AnswerTally line = seen.answers().ofLine();
        AnswerTally tally = line.isIntermittent() ? line : seen.answers().ofTarget();
        return recoveries.now() && recoveries.otherwise() >= 2 && line.answered() > 0
                ? Optional.of(new Evidence.SomeAnswered(tally))
                : Optional.empty();
    }

    private Optional<Evidence> othersAnswer(int least) {
        AnswerTally here = seen.answers().ofLine();
        return facts.isMissing()
                        && facts.phrase().isPresent()
                        && here.answered() == 0
                        && here.judged() >= least
                        && seen.answers().othersAnswered() > 0
                ? Optional.of(new Evidence.OthersAnswer(seen.answers().othersAnswered(), here))
                : Optional.empty();
    }
}
