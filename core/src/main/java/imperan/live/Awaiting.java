package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** From a line that left to the answer that is awaited for it, or to the reason why none is. */
final class Awaiting {

    private final LiveState state;

    Awaiting(LiveState state) {
        this.state = state;
    }

    /** A line of a control left. Where a phrase tells the answer it is awaited whether or not the control listens; but without a listen nobody is asked. */
    void answerTo(LiveControl control, Link link, Outgoing outgoing) {
        Outgoing.Moved moved = outgoing.moved().orElseThrow();
        CompiledSend send = moved.send();
        Expectation expected = send.expectation();
        Optional<Reason.OfAnswer> none = none(link, expected);
        boolean opened = false;
        for (Listeners.Channel channel :
                none.isPresent() ? List.<Listeners.Channel>of() : channelsOf(control, link.id())) {
            List<Reading> readings = channel.readings(control, send);
            if (!readings.isEmpty() && expected.comesOn(channel.key.address())) {
                open(
                        link,
                        Optional.of(control.id),
                        outgoing.line().message(),
                        channel.key.address(),
                        expected.wanted(
                                readings, moved.position(), outgoing.line().arguments(), send),
                        expected,
                        Manner.USUAL,
                        question(outgoing.line(), send, expected));
                opened = true;
            }
        }
        if (!opened) {
            control.disputed = false;
        }
        if (!opened && none.isEmpty() && expected.address().isPresent() && !expected.isAsked()) {
            open(
                    link,
                    Optional.of(control.id),
                    outgoing.line().message(),
                    expected.address().get(),
                    expected.wanted(outgoing.line().arguments(), send.send().arguments()),
                    expected,
                    control.control.listens().isEmpty() ? Manner.USUAL : Manner.LISTENS_ELSEWHERE,
                    Optional.empty());
        } else if (!opened) {
            notExpected(
                    link,
                    Optional.of(control.id),
                    none.orElseGet(() -> control.control.listens().isEmpty()
                                    || expected.address().isEmpty()
                            ? new Reason.NoListen()
                            : new Reason.ListensElsewhere(expected.address().get())));
        }
    }

    /**
     * A message left that belongs to no control.
     *
     * @param ask whether it is asked for, too, where its target tells only when it is asked
     */
    void answerTo(Link link, OscMessage message, boolean ask) {
        Expectation told = Expectation.of(message.address(), link.vocabulary());
        if (asks(link, message, told)) {
            // its own address without arguments is a question, and whatever comes answers it
            open(
                    link,
                    Optional.empty(),
                    message,
                    message.address(),
                    new Wanted.Told(Map.of()),
                    told,
                    Manner.QUESTION,
                    Optional.empty());
            return;
        }
        Optional<Reason.OfAnswer> none = none(link, told);
        if (none.isEmpty() && told.address().isPresent() && (ask || !told.isAsked())) {
            open(
                    link,
                    Optional.empty(),
                    message,
                    told.address().get(),
                    told.wanted(message.arguments(), List.of()),
                    told,
                    Manner.USUAL,
                    question(message.address(), message.arguments(), List.of(), told));
        } else {
            notExpected(link, Optional.empty(), none.orElseGet(Reason.NoListen::new));
        }
    }

    private static boolean asks(Link link, OscMessage message, Expectation told) {
        return message.arguments().isEmpty()
                && link.target().answering() == Target.Answering.QUERIES
                && (told.address().isEmpty() || told.isAsked() || told.rule().kind() == AnswerRule.Kind.SAME);
    }

    /**
     * A line of a proof left. Its value is asked for where the target tells it to others only, and where no phrase says whether it is told.
     *
     * @param question where it is one that a phrase tells how to ask
     */
    void proofOf(Link link, Line line, Optional<Question> question) {
        Expectation told = Expectation.of(line.address(), link.vocabulary());
        if (question.isPresent() || asks(link, line.message(), told)) {
            open(
                    link,
                    line.control(),
                    question.map(Question::message).orElseGet(line::message),
                    question.map(Question::answeredOn).orElse(line.address()),
                    new Wanted.Told(question.map(Question::names).orElse(Map.of())),
                    question.map(Question::expected).orElse(told),
                    Manner.PROOF_QUESTION,
                    Optional.empty());
            return;
        }
        Expectation expected = (told.isToldToOthersOnly() || told.address().isEmpty())
                        && link.target().answering() == Target.Answering.QUERIES
                ? told.askedFor()
                : told;
        Optional<Reason.OfAnswer> none = none(link, expected);
        List<ArgumentSource> sources = sources(line);
        Optional<Listen> listened = line.control().map(state.controls::get).stream()
                .flatMap(control -> control.control.listens().stream())
                .filter(listen ->
                        listen.role() == Listen.Role.VALUE && listen.target().equals(line.target()))
                .findFirst();
        if (none.isEmpty() && expected.address().isPresent()) {
            open(
                    link,
                    line.control(),
                    line.message(),
                    expected.address().get(),
                    expected.wanted(line.arguments(), sources),
                    expected,
                    Manner.PROOF,
                    question(line.address(), line.arguments(), sources, expected));
        } else if (none.isEmpty() && listened.isPresent()) {
            // no phrase tells what comes: it is to come where the control listens
            open(
                    link,
                    line.control(),
                    line.message(),
                    listened.get().address(),
                    expected.wantedWhole(line.arguments(), sources),
                    expected,
                    Manner.PROOF,
                    Optional.empty());
        } else {
            notExpected(link, line.control(), none.orElseGet(Reason.NoListen::new));
        }
    }

    private List<ArgumentSource> sources(Line line) {
        return line.control().map(state.controls::get).stream()
                .flatMap(control -> control.control.sends().stream())
                .filter(send ->
                        send.address().equals(line.address()) && send.target().equals(line.target()))
                .findFirst()
                .map(Send::arguments)
                .orElse(List.of());
    }

    private static Optional<Reason.OfAnswer> none(Link link, Expectation expected) {
        return link.target().answering() == Target.Answering.NONE
                ? Optional.of(new Reason.NeverAnswers())
                : expected.isToldToOthersOnly()
                        ? Optional.of(new Reason.OnlyOthersTold())
                        : expected.isComing() ? Optional.empty() : Optional.of(new Reason.NothingComesBack());
    }

    private void notExpected(Link link, Optional<PartId> control, Reason.OfAnswer why) {
        state.happened(new LiveEvent.Ended(
                state.now(), state.cause(), 0, control, link.id(), new MessageResult.NotExpected(why)));
    }

    /** How an answer is awaited. */
    private enum Manner {
        USUAL,
        /** The control listens, and not where the answer comes. */
        LISTENS_ELSEWHERE,
        QUESTION,
        /** For longer than its limit. */
        PROOF,
        PROOF_QUESTION;

        private boolean isQuestion() {
            return this == QUESTION || this == PROOF_QUESTION;
        }

        private boolean isPatient() {
            return this == PROOF || this == PROOF_QUESTION;
        }
    }

    private static Optional<Question> question(Line line, CompiledSend send, Expectation expected) {
        return question(line.address(), line.arguments(), send.send().arguments(), expected);
    }

    /** How a target that tells only when it is asked is asked what it made of what was said. */
    private static Optional<Question> question(
            String address, List<OscArgument> sent, List<ArgumentSource> sources, Expectation expected) {
        return expected.isAsked() ? expected.question(address, sent, sources) : Optional.empty();
    }

    /**
     * @param sent     the message that is answered, or the question
     * @param question to be asked once the value has settled; where there is none, the address on which the answer comes is one
     */
    private void open(
            Link link,
            Optional<PartId> control,
            OscMessage sent,
            String address,
            Wanted wanted,
            Expectation expected,
            Manner manner,
            Optional<Question> question) {
        long now = state.now();
        boolean isAsked = expected.isAsked() && !manner.isQuestion();
        boolean saidBefore = !isAsked
                && link.target().answering() == Target.Answering.REPORTS
                && link.lastSaid().on(address).filter(wanted::agrees).isPresent();
        Exchange exchange = new Exchange(
                state.exchanges.nextNumber(),
                link.id(),
                control,
                address,
                wanted,
                sent,
                manner.isQuestion(),
                expected,
                manner.isPatient() ? expected.proofNanos(link.counts().slowest()) : expected.limitNanos(),
                isAsked ? Lane.SETTLE_NANOS : 0,
                saidBefore,
                now);
        exchange.rate = link.counts().rate(now);
        exchange.renewals = link.answerLog().renewals();
        state.exchanges.open(exchange, now);
        if (manner.isQuestion() || manner.isPatient() && !isAsked) {
            state.asked.note(link.id(), address, now);
        }
        link.answerLog().opened(exchange, link.isBundling());
        state.due.noLaterThan(Due.OfAll.ANSWERS, exchange.due);
        state.happened(new LiveEvent.Opened(
                now,
                state.cause(),
                exchange.number,
                control,
                link.id(),
                address,
                expected.limitNanos(),
                manner == Manner.LISTENS_ELSEWHERE));
        if (isAsked) {
            link.lane().askOnceSettled(question.orElseGet(() -> Question.plain(address, expected)), now);
        } else {
            link.asked(address, now);
        }
    }

    /** What a control listens to of a target, each once. */
    private List<Listeners.Channel> channelsOf(LiveControl control, PartId target) {
        List<Listeners.Channel> found = new ArrayList<>();
        for (Listen listen : control.control.listens()) {
            if (listen.target().filter(target::equals).isPresent()) {
                state.listeners
                        .channel(target, listen.address())
                        .filter(channel -> !found.contains(channel))
                        .ifPresent(found::add);
            }
        }
        return found;
    }
}
