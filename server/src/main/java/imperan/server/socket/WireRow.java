package imperan.server.socket;

import imperan.dialect.Dialects;
import imperan.dialect.Osc;
import imperan.live.Cause;
import imperan.live.WireRecord;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.show.PartId;
import imperan.words.ReasonWords;

import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * One packet as the Wire shows it.
 *
 * @param atMillis  when, in milliseconds since 1970
 * @param messages  what it says; a bundle may say several things
 * @param bundleTime when the bundle is due, in words; empty where it is no bundle
 * @param malformed why it says nothing
 * @param hex       its first bytes
 * @param cut       whether something in it is shortened; the whole can be asked for by its number
 * @param actor     who is behind it; for a packet that arrived, nobody
 * @param origin    what kind of input led to it
 * @param answeredAfterMillis for an answer to something of ours: how long after it
 */
public record WireRow(long number, double atMillis, boolean out, Optional<PartId> target, String peer, int ourPort,
                      int bytes, String hex, List<Line> messages, String bundleTime, Optional<Malformed> malformed,
                      String actor, Cause.Origin origin, Optional<Double> answeredAfterMillis, String note, boolean cut) {

    private static final int MAX_HEX_BYTES = 256;
    private static final int MAX_LINES = 64;

    public record Line(String address, String typeTags, String arguments) {
    }

    public record Malformed(int offset, String reason) {
    }

    /** The row as a list shows it: no argument longer than {@link OscText#BRIEF}. */
    static WireRow of(WireRecord record) {
        return of(record, OscText::briefTags, OscText::brief, MAX_LINES, MAX_HEX_BYTES);
    }

    /** Everything that the packet holds. */
    public static WireRow whole(WireRecord record) {
        return of(record, OscText::typeTags, OscText::arguments, Integer.MAX_VALUE, Integer.MAX_VALUE);
    }

    private interface Written extends Function<List<OscArgument>, String> {
    }

    private static WireRow of(WireRecord record, Written tags, Written arguments, int mostLines, int mostHex) {
        Decoded decoded = Dialects.of(record.dialect()).orElse(Osc.STRICT).codec().read(record.bytes());
        List<Line> lines = new ArrayList<>();
        String bundleTime = "";
        if (decoded instanceof Decoded.Whole whole) {
            collect(whole.packet(), lines, tags, arguments, mostLines);
            bundleTime = whole.packet() instanceof OscBundle bundle
                    ? bundle.time().isImmediate() ? "immediately" : bundle.time().toInstant().toString() : "";
        }
        return new WireRow(record.number(), record.at() / 1e6, record.out(), record.target(), record.peer(),
                record.ourPort(), record.bytes().length,
                HexFormat.of().formatHex(record.bytes(), 0, Math.min(mostHex, record.bytes().length)), lines,
                bundleTime, decoded instanceof Decoded.Malformed m
                        ? Optional.of(new Malformed(m.offset(), m.reason())) : Optional.empty(),
                record.out() ? record.cause().actor().name() : "", record.cause().origin(),
                record.answeredAfterNanos().map(nanos -> nanos / 1e6), record.reason().map(reason -> ReasonWords.of(reason).brief()).orElse(""), record.bytes().length > mostHex);
    }

    private static void collect(OscPacket packet, List<Line> into, Written tags, Written arguments, int most) {
        if (into.size() >= most) {
            return;
        }
        if (packet instanceof OscMessage m) {
            String address = m.address().length() > OscText.BRIEF && most < Integer.MAX_VALUE ? m.address().substring(0, OscText.BRIEF) + "…" : m.address();
            into.add(new Line(address, tags.apply(m.arguments()), arguments.apply(m.arguments())));
        } else if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> collect(element, into, tags, arguments, most));
        }
    }
}
