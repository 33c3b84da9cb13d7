package imperan.server.socket;

import imperan.live.Reason;
import imperan.live.Trace;
import imperan.show.PartId;
import imperan.words.ReasonWords;

import java.util.Optional;

/** The path of the last touch of a control, with words for why it ended. */
public record TraceView(PartId control, double position, Optional<Trace.Message> message, Optional<Trace.Wire> wire, Optional<Trace.Answer> answer,
                        Optional<Stop> stopped) {

    /**
     * @param cell      of the path, in which it ended
     * @param why       one sentence
     * @param mend      what to do about it, one sentence
     * @param arrivedAs the address under which the same value came instead of the one that is listened to; empty where none did
     */
    public record Stop(Trace.Cell cell, String why, String mend, Optional<String> arrivedAs) {
        private static Stop of(Reason reason) {
            ReasonWords words = ReasonWords.of(reason);
            return new Stop(reason.cell(), words.why(), words.mend(), reason instanceof Reason.NoAnswer none ? none.arrivedAs() : Optional.empty());
        }
    }

    static TraceView of(Trace trace) {
        return new TraceView(trace.control(), trace.position(), trace.message(), trace.wire(), trace.answer(), trace.stopped().map(Stop::of));
    }
}
