package imperan.server.socket;

import imperan.live.Line;
import imperan.live.Reason;
import imperan.live.Trace;
import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.words.LineWords;
import imperan.words.ReasonWords;
import java.util.List;
import java.util.Optional;

/** The path of the last touch of a control, in words. */
public record TraceView(
        PartId control,
        double position,
        List<Trace.Stages> shaping,
        Optional<Message> message,
        Optional<Wire> wire,
        Optional<Answer> answer,
        Optional<Stop> stopped) {

    /** What was made of it; {@code reads} is what the target reads, where that is something else, {@code means} what it means to it. */
    public record Message(
            String target,
            String address,
            String typeTags,
            String arguments,
            Optional<String> reads,
            Optional<String> means) {
        private static Message of(Line line, Trace trace) {
            return new Message(
                    line.targetName(),
                    line.address(),
                    OscText.typeTags(line.arguments()),
                    OscText.arguments(line.arguments()),
                    trace.reads(),
                    trace.phrase().flatMap(known -> LineWords.of(line, known)));
        }
    }

    /** @param at when, in nanoseconds since 1970; {@code route} as "our port to host:port" */
    public record Wire(long at, int bytes, String route) {
        private static Wire of(Trace.Wire wire) {
            return new Wire(wire.at(), wire.bytes(), wire.ourPort() + " → " + wire.peer());
        }
    }

    /** @param fit what it is to what was sent */
    public record Answer(String address, String arguments, long afterNanos, Trace.Fit fit) {
        private static Answer of(Trace.Answer answer) {
            return new Answer(answer.address(), OscText.brief(answer.said()), answer.afterNanos(), answer.fit());
        }
    }

    /**
     * @param cell      of the path, in which it ended
     * @param why       one sentence
     * @param mend      what to do about it, one sentence
     * @param arrivedAs the address under which the same value came instead of the one that is awaited; empty where none did
     */
    public record Stop(Trace.Cell cell, String why, String mend, Optional<String> arrivedAs) {
        private static Stop of(Reason reason) {
            ReasonWords words = ReasonWords.of(reason);
            return new Stop(
                    reason.cell(),
                    words.why(),
                    words.mend(),
                    reason instanceof Reason.NoAnswer none ? none.arrivedAs() : Optional.empty());
        }
    }

    static TraceView of(Trace trace) {
        return new TraceView(
                trace.control(),
                trace.position(),
                trace.shaping(),
                trace.line().map(line -> Message.of(line, trace)),
                trace.wire().map(Wire::of),
                trace.answer().map(Answer::of),
                trace.stopped().map(Stop::of));
    }
}
