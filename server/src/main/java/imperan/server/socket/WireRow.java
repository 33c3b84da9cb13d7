package imperan.server.socket;

import imperan.live.Cause;
import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.wire.Fate;
import imperan.wire.WireRecord;
import imperan.words.FateWords;
import imperan.words.ReasonWords;
import java.util.List;
import java.util.Optional;

/**
 * One packet as the Wire shows it.
 *
 * @param atMillis  when, in milliseconds since 1970
 * @param source    who is at the other end: the id of a target, else its address and port
 * @param messages  what it says; a bundle may say several things
 * @param more      messages that are not among these
 * @param bundleTime when the bundle is due, in words; empty where it is no bundle
 * @param malformed why it says nothing
 * @param actor     who is behind it; for a packet that arrived, nobody
 * @param origin    what kind of input led to it
 * @param answer    what became of its answer, or after how long it answers something of ours, in a few words
 * @param unanswered whether an answer was to come, and none came that agrees
 * @param pair      the number of the packet that answers it, or that it answers
 * @param note      why nothing came of it, or not all yet
 */
public record WireRow(
        long number,
        double atMillis,
        boolean out,
        Optional<PartId> target,
        String source,
        String peer,
        int ourPort,
        int bytes,
        List<Line> messages,
        int more,
        String bundleTime,
        Optional<Malformed> malformed,
        String actor,
        Cause.Origin origin,
        String answer,
        boolean unanswered,
        Optional<Long> pair,
        String note) {

    private static final int MAX_LINES = 16;
    /** Characters that a row has room for on the widest screen. */
    private static final int MOST_CHARACTERS = 400;

    public record Line(String address, String typeTags, String arguments) {}

    public record Malformed(int offset, String reason) {}

    /** The row as a list shows it, with what is long cut short. */
    public static WireRow of(WireRecord record) {
        return of(record, MAX_LINES, MOST_CHARACTERS);
    }

    /** Everything that the packet says. */
    public static WireRow whole(WireRecord record) {
        return of(record, Integer.MAX_VALUE, Integer.MAX_VALUE);
    }

    private static WireRow of(WireRecord record, int most, int longest) {
        List<OscMessage> messages = record.messages();
        List<Line> lines = messages.stream()
                .limit(most)
                .map(message -> line(message, longest))
                .toList();
        String bundleTime = record.says() instanceof Decoded.Whole packet && packet.packet() instanceof OscBundle bundle
                ? bundle.time().isImmediate()
                        ? "immediately"
                        : bundle.time().toInstant().toString()
                : "";
        return new WireRow(
                record.number(),
                record.at() / 1e6,
                record.out(),
                record.target(),
                record.source(),
                record.peer(),
                record.ourPort(),
                record.bytes().length,
                lines,
                messages.size() - lines.size(),
                bundleTime,
                record.says() instanceof Decoded.Malformed bad
                        ? Optional.of(new Malformed(bad.offset(), bad.reason()))
                        : Optional.empty(),
                record.out() ? record.cause().actor().name() : "",
                record.cause().origin(),
                record.answeredAfterNanos()
                        .map(FateWords::millis)
                        .or(() -> record.fate().map(FateWords::of))
                        .orElse(""),
                record.fate().filter(Fate::isUnanswered).isPresent(),
                record.pair(),
                record.reason().map(reason -> ReasonWords.of(reason).brief()).orElse(""));
    }

    private static Line line(OscMessage message, int longest) {
        String arguments = longest == Integer.MAX_VALUE
                ? OscText.arguments(message.arguments())
                : OscText.brief(message.arguments());
        return new Line(
                cut(message.address(), longest),
                cut(OscText.typeTags(message.arguments()), longest),
                cut(arguments, longest));
    }

    private static String cut(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest) + "…";
    }
}
