package imperan.proof;

import imperan.check.FindingKind;
import imperan.live.AnswerTally;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.Missed;
import imperan.live.Observed;
import imperan.live.Reason;
import imperan.rig.AddressUse;
import imperan.rig.Ipv4;
import imperan.show.Phrase;
import imperan.show.Phrasebook.LinkSheet;
import java.util.List;
import java.util.Optional;

/** Why a message that left may not have arrived, or was not understood, or did nothing. Silence excludes nothing; an answer to anything excludes much. */
final class AtTheFarEnd {

    /** So many of a kind before it is more than chance. */
    private static final int ENOUGH = 3;
    /** What a target said of a mask longer ago may no longer be so: long enough for it to be said at a scene change. */
    private static final long MASK_NANOS = 60_000_000_000L;

    private final Facts facts;
    private final Observed seen;
    private final LinkView link;

    AtTheFarEnd(Facts facts) {
        this.facts = facts;
        this.seen = facts.seen();
        this.link = seen.link();
    }

    List<Case> cases() {
        Optional<Evidence> answered = facts.hearsUs();
        Optional<Evidence> unanswered = facts.unanswered();
        return List.of(
                Case.of(Suspect.OUTSIDE_OUR_NETWORKS)
                        .likely(facts.found(FindingKind.OUTSIDE_OUR_NETWORKS))
                        .excludedBy(answered),
                Case.of(Suspect.WRONG_ADAPTER)
                        .likely(facts.found(FindingKind.ADAPTER_GONE))
                        .excludedBy(answered),
                Case.of(Suspect.HOST_SILENT)
                        .certain(nobodyHasAddress())
                        .possible(facts.silence().filter(silent -> !isHere()))
                        .excludedBy(facts.heard().or(() -> answered)),
                Case.of(Suspect.PORT_CLOSED).certain(portClosed()).excludedBy(answered.filter(answer -> portClosed()
                        .isEmpty())),
                Case.of(Suspect.SAME_ADDRESS)
                        .likely(facts.found(FindingKind.SAME_ADDRESS).filter(found -> facts.isMissing())),
                Case.of(Suspect.DEAF).possible(unanswered).excludedBy(answered),
                Case.of(Suspect.STAND_IN_INSTEAD)
                        .possible(switched(true).filter(end -> facts.standInUsed() && facts.isMissing()))
                        .excludedBy(answered),
                Case.of(Suspect.VENUE_INSTEAD)
                        .possible(switched(false)
                                .filter(end -> facts.hasStandIn() && !facts.standInUsed() && facts.isMissing()))
                        .excludedBy(answered),
                Case.of(Suspect.FRAMING)
                        .possible(unanswered.filter(
                                silent -> facts.target().transport().isConnection()
                                        && link.socket().works()))
                        .excludedBy(answered),
                Case.of(Suspect.SWITCH_OFF)
                        .likely(bookMasks().filter(book -> unanswered
                                .filter(Evidence.SpeaksUnasked.class::isInstance)
                                .isPresent()))
                        .possible(unanswered)
                        .excludedBy(answered),
                Case.of(Suspect.TOO_MANY_PARTNERS)
                        .likely(facts.found(FindingKind.TOO_MANY_PARTNERS).filter(found -> facts.isMissing()))
                        .possible(unanswered)
                        .excludedBy(answered),
                Case.of(Suspect.ADDRESS_UNKNOWN)
                        .likely(mistakes(false))
                        .possible(unwritten())
                        .excludedBy(lineAnswered()),
                Case.of(Suspect.WRONG_ARGUMENTS).likely(mistakes(true)).excludedBy(lineAnswered()),
                Case.of(Suspect.BUNDLES)
                        .likely(neverInBundles())
                        .likely(facts.found(FindingKind.BUNDLES_NOT_TAKEN).filter(found -> facts.isMissing()))
                        .possible(bundled().filter(tally -> seen.answers()
                                .missed()
                                .filter(Missed::bundled)
                                .isPresent()))
                        .excludedBy(answeredInBundles()),
                Case.of(Suspect.OVER_PACE).likely(hurried()).likely(tooFast()),
                Case.of(Suspect.MASKED).likely(masked(true)).possible(masked(false)),
                Case.of(Suspect.ALREADY_THERE)
                        .likely(facts.stopped(Reason.NoNews.class).map(Evidence.WentNoFurther::new)));
    }

    private Optional<Evidence> nobodyHasAddress() {
        return link.silentHost()
                ? Optional.of(new Evidence.NobodyHasAddress(facts.target().host()))
                : Optional.empty();
    }

    /** This very machine is on. */
    private boolean isHere() {
        return Ipv4.of(facts.target().host()).use() == AddressUse.LOOPBACK;
    }

    private Optional<Evidence> portClosed() {
        return link.state() == LinkState.PORT_CLOSED
                ? Optional.of(new Evidence.PortClosed(facts.ago(link.since())))
                : Optional.empty();
    }

    private static Optional<Evidence> switched(boolean toStandIn) {
        return Optional.of(new Evidence.Switched(toStandIn));
    }

    /** Only the phrasebook knows of a switch at the far end. */
    private Optional<Evidence> bookMasks() {
        return facts.phrase()
                .map(Phrase::maskedBy)
                .filter(words -> !words.isBlank())
                .or(() -> facts.sheet()
                        .map(LinkSheet::steps)
                        .filter(steps -> !steps.isEmpty())
                        .map(steps -> steps.get(0)))
                .map(Evidence.BookSays::new);
    }

    private Optional<Evidence> lineAnswered() {
        return seen.answers()
                .ofLine()
                .lastAnsweredAt()
                .map(facts::ago)
                .filter(ago -> ago <= Facts.FRESH_NANOS)
                .map(Evidence.Answered::new);
    }

    /** @param ofArguments whether of its arguments, else of its address */
    private Optional<Evidence> mistakes(boolean ofArguments) {
        boolean known = facts.phrase().isPresent();
        return facts.isMissing() && facts.sheet().isPresent() && known == ofArguments
                ? facts.mistakes().stream().findFirst().map(mistake -> new Evidence.Checked(mistake.text()))
                : Optional.empty();
    }

    /** Nobody wrote down what it understands, and it answers other things. */
    private Optional<Evidence> unwritten() {
        return facts.isMissing()
                        && facts.phrase().isEmpty()
                        && seen.answers().ofLine().answered() == 0
                        && seen.answers().othersAnswered() > 0
                ? Optional.of(new Evidence.OthersAnswer(
                        seen.answers().othersAnswered(), seen.answers().ofLine()))
                : Optional.empty();
    }

    private Optional<Evidence.InBundles> bundled() {
        return Optional.of(new Evidence.InBundles(
                        seen.answers().bundled(), seen.answers().alone()))
                .filter(tally -> tally.bundled().judged() > 0);
    }

    private Optional<Evidence.InBundles> neverInBundles() {
        return bundled()
                .filter(tally -> tally.bundled().latest() >= ENOUGH
                        && tally.bundled().latestAnswered() == 0
                        && tally.alone().latestAnswered() > 0);
    }

    private Optional<Evidence> answeredInBundles() {
        return bundled().filter(tally -> tally.bundled().latestAnswered() > 0).map(tally -> (Evidence) tally);
    }

    /** What was said slowly was answered each time, and what was said fast was not. */
    private Optional<Evidence> hurried() {
        AnswerTally fast = seen.answers().fast();
        AnswerTally slow = seen.answers().slow();
        return fast.judged() - fast.answered() >= 2 && slow.latest() >= ENOUGH && slow.latestAnswered() == slow.latest()
                ? Optional.of(new Evidence.Hurried(fast, slow))
                : Optional.empty();
    }

    private Optional<Evidence> tooFast() {
        return facts.sheet()
                .flatMap(LinkSheet::messagesPerSecond)
                .filter(allowed -> facts.isMissing() && seen.busiest().messages() > allowed)
                .map(allowed -> new Evidence.TooFast(seen.busiest().messages(), allowed));
    }

    private Optional<Evidence> masked(boolean fresh) {
        return seen.masks().stream()
                .filter(mask -> facts.ago(mask.at()) <= MASK_NANOS == fresh)
                .findFirst()
                .map(mask -> new Evidence.Stands(mask.address(), mask.text(), facts.ago(mask.at())));
    }
}
