package imperan.show;

import java.util.List;
import java.util.Optional;

/**
 * A piece of software or hardware that understands messages.
 *
 * @param name       what people call it
 * @param host       its IPv4 address, four decimal numbers with dots
 * @param port       the port it receives on, 1 to 65535
 * @param answerPort the port on which its answers reach us, 1 to 65535; also the port we send from
 * @param answering  what it says of itself
 * @param keepAlive  the message that keeps it talking to us, where it needs one
 * @param messagesPerSecond how many it can take; empty for as many as there are
 * @param bundles    whether messages that leave together leave as one bundle
 * @param transport  how messages travel
 * @param adapterAddress the address of ours that we speak from, where more than one could; empty lets the system choose
 * @param standIn    where its stand-in listens, where it has one
 * @param startsHeld whether nothing is sent to it until somebody lets it go
 * @param startList  what puts it into its known state: messages as lines of text, in order
 * @param phrasebook what it understands and says, where a phrasebook of the show tells
 * @param ticks      the steps to a proven link that people have ticked, at most one of each kind
 */
public record Target(
        String name,
        String host,
        int port,
        int answerPort,
        Answering answering,
        Optional<KeepAlive> keepAlive,
        Optional<Integer> messagesPerSecond,
        boolean bundles,
        Reach transport,
        Optional<String> adapterAddress,
        Optional<StandInEnd> standIn,
        boolean startsHeld,
        List<String> startList,
        Optional<PartId> phrasebook,
        List<Tick> ticks)
        implements Body {

    /** More than any target takes, so that a slip of the finger is noticed. */
    public static final int MAX_MESSAGES_PER_SECOND = 100_000;

    public Target {
        startList = List.copyOf(startList);
        ticks = List.copyOf(ticks);
    }

    /** What a target says without being one of its own controls. */
    public enum Answering {
        /** Nothing: it is one-way by nature. */
        NONE,
        /** It reports changes. */
        REPORTS,
        /** It reports changes, and answers an address without arguments with its present value. */
        QUERIES
    }

    /** A target over UDP without anything that is not said here. */
    public static Target plain(String name, String host, int port, int answerPort, Answering answering) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                Optional.empty(),
                Optional.empty(),
                false,
                Reach.UDP,
                Optional.empty(),
                Optional.empty(),
                false,
                List.of(),
                Optional.empty(),
                List.of());
    }

    public Target kept(KeepAlive keep) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                Optional.of(keep),
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    public Target paced(int perSecond) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                Optional.of(perSecond),
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    public Target bundling() {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                true,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    /** The same target, to which each message leaves alone. */
    public Target oneByOne() {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                false,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    public Target over(Reach other) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                other,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    public Target simulatedAt(StandInEnd end) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                Optional.of(end),
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    public Target startingWith(List<String> messages) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                messages,
                phrasebook,
                ticks);
    }

    public Target speaking(PartId book) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                Optional.of(book),
                ticks);
    }

    /** The same target as one that hears everything at once and says nothing: for a rehearsal without it. */
    public Target sayingNothing() {
        return new Target(
                name,
                host,
                port,
                answerPort,
                Answering.NONE,
                Optional.empty(),
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                false,
                startList,
                phrasebook,
                ticks);
    }

    /** The same target without a phrasebook. */
    public Target speakingFreely() {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                Optional.empty(),
                ticks);
    }

    /** The same target as a link sheet says that its kind is reached. A port that the sheet does not know stays,
     * and so does a start list of its own. */
    public Target reachedAsBy(Phrasebook.LinkSheet sheet) {
        return new Target(
                name,
                host,
                sheet.port().orElse(port),
                answerPort,
                sheet.answersTo() == Phrasebook.AnswersTo.NOBODY ? Answering.NONE : sheet.answering(),
                sheet.keepAlive(),
                sheet.messagesPerSecond(),
                bundles && sheet.takesBundles(),
                sheet.transport(),
                adapterAddress,
                standIn,
                startsHeld,
                startList.isEmpty() ? sheet.startList() : startList,
                phrasebook,
                ticks);
    }

    public Target ticked(List<Tick> now) {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                now);
    }

    public Target answeringTo(int ourPort) {
        return new Target(
                name,
                host,
                port,
                ourPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    /** The same target, from whichever address of ours the system chooses. */
    public Target fromAnyAdapter() {
        return new Target(
                name,
                host,
                port,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                Optional.empty(),
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    /** The same target with the end that is spoken to now in the place of its own. */
    public Target asReached() {
        return standIn.filter(StandInEnd::inUse)
                .map(end -> at(end.host(), end.port()))
                .orElse(this);
    }

    /** The same target with another address and port of the end that is spoken to now. */
    public Target reachedAt(String otherHost, int otherPort) {
        return standIn.filter(StandInEnd::inUse)
                .map(end -> simulatedAt(new StandInEnd(otherHost, otherPort, true)))
                .orElseGet(() -> at(otherHost, otherPort));
    }

    /** The same target at another address. */
    public Target at(String otherHost, int otherPort) {
        return new Target(
                name,
                otherHost,
                otherPort,
                answerPort,
                answering,
                keepAlive,
                messagesPerSecond,
                bundles,
                transport,
                adapterAddress,
                standIn,
                startsHeld,
                startList,
                phrasebook,
                ticks);
    }

    /** Whether the other one is spoken to in the same way and place: from and to the same ports, over the same protocol. */
    public boolean isReachedLike(Target other) {
        return host.equals(other.host)
                && port == other.port
                && answerPort == other.answerPort
                && transport == other.transport
                && adapterAddress.equals(other.adapterAddress);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.host("host", host);
        rules.port("port", port);
        rules.port("answerPort", answerPort);
        adapterAddress.ifPresent(address -> rules.host("adapterAddress", address));
        standIn.ifPresent(end -> {
            rules.host("standIn/host", end.host());
            rules.port("standIn/port", end.port());
        });
        rules.lines("startList", startList, Phrasebook.spokenWith(rules.show(), this));
        ticks.forEach(tick -> tick.check(rules));
        if (ticks.stream().map(Tick::step).distinct().count() < ticks.size()) {
            rules.problem("ticks", "A step is ticked once at most");
        }
        messagesPerSecond
                .filter(pace -> pace < 1 || pace > MAX_MESSAGES_PER_SECOND)
                .ifPresent(pace -> rules.problem(
                        "messagesPerSecond",
                        "The pace is 1 to " + MAX_MESSAGES_PER_SECOND + " messages a second, or none"));
        keepAlive.ifPresent(keep -> keep.check(rules, "keepAlive", Phrasebook.spokenWith(rules.show(), this)));
    }
}
