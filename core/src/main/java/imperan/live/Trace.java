package imperan.live;

import imperan.osc.OscArgument;
import imperan.phrasebook.Vocabulary;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * The path of the last touch or test of a control, cell by cell. Cells after the one where it stopped are empty.
 *
 * @param position the control's position, 0 to 1
 * @param shaping  what came out of the steps of each argument that is shaped
 * @param phrase   of the line, as the phrasebook of its target has it; empty where it has none
 * @param line     what was made of it
 * @param wire     how it left
 * @param answer   what came back
 * @param stopped  why it ended before its answer, or why that is none
 */
public record Trace(
        PartId control,
        double position,
        List<Stages> shaping,
        Optional<Vocabulary.Known> phrase,
        Optional<Line> line,
        Optional<Wire> wire,
        Optional<Answer> answer,
        Optional<Reason> stopped) {

    /** Of a control that nobody touched yet. */
    static Trace none(PartId control, double position) {
        return new Trace(
                control,
                position,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** The same path with a reason why it goes no further. */
    Trace stopped(Reason reason) {
        return new Trace(control, position, shaping, phrase, line, wire, answer, Optional.of(reason));
    }

    /** The arguments of the line as the target reads them; empty where it reads them as they are sent. */
    public Optional<String> reads() {
        return line.flatMap(said -> phrase.flatMap(known -> FarEnd.reads(said, known.phrase())));
    }

    /** The same path with what came out of the shaping, and the phrase of what was said. */
    Trace shaped(List<Stages> stages, Optional<Vocabulary.Known> known) {
        return new Trace(control, position, stages, known, line, wire, answer, stopped);
    }

    /**
     * What came out of the steps of one argument last.
     *
     * @param send     of the control, from 0, and {@code argument} of it likewise
     * @param after    each step, as far as something came out
     */
    public record Stages(int send, int argument, List<Stage> after) {}

    /** @param number empty where it is a text */
    public record Stage(String text, Optional<Double> number) {}

    /** @param at when, in nanoseconds since 1970; {@code peer} as {@code host:port} */
    public record Wire(long at, int bytes, int ourPort, String peer) {}

    /** @param afterNanos after the message left, or after it was asked for */
    public record Answer(String address, List<OscArgument> said, long afterNanos, Fit fit) {
        public Answer {
            said = List.copyOf(said);
        }
    }

    /** What an answer is to what was sent. */
    public enum Fit {
        /** It says what was sent, within the tolerance. */
        AGREES,
        /** It does, and the target had said so before by itself: it proves nothing. */
        SAID_BEFORE,
        /** A value on the way to the final one. */
        ON_THE_WAY,
        /** It says something else. */
        DIFFERS
    }

    public enum Cell {
        TOUCH,
        SHAPING,
        MESSAGE,
        WIRE,
        ANSWER
    }
}
