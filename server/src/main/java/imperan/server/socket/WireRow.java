package imperan.server.socket;

import imperan.live.WireRecord;
import imperan.osc.Decoded;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.osc.OscText;
import imperan.show.PartId;

import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/**
 * One packet as the Wire shows it.
 *
 * @param atMillis  when, in milliseconds since 1970
 * @param messages  what it says; a bundle may say several things
 * @param bundleTime when the bundle is due, in words; empty where it is no bundle
 * @param malformed why it says nothing
 * @param hex       its first bytes
 * @param answeredAfterMillis for an answer to something of ours: how long after it
 */
public record WireRow(long number, double atMillis, boolean out, Optional<PartId> target, String peer, int ourPort,
                      int bytes, String hex, List<Line> messages, String bundleTime, Optional<Malformed> malformed,
                      Optional<Double> answeredAfterMillis, String note) {

    private static final OscDecoder DECODER = OscDecoder.takingBareAddresses();
    private static final int MAX_HEX_BYTES = 256;
    private static final int MAX_LINES = 64;

    public record Line(String address, String typeTags, String arguments) {
    }

    public record Malformed(int offset, String reason) {
    }

    static WireRow of(WireRecord record) {
        Decoded decoded = DECODER.decode(record.bytes());
        List<Line> lines = new ArrayList<>();
        String bundleTime = "";
        if (decoded instanceof Decoded.Whole whole) {
            collect(whole.packet(), lines);
            bundleTime = whole.packet() instanceof OscBundle bundle
                    ? bundle.time().isImmediate() ? "immediately" : bundle.time().toInstant().toString() : "";
        }
        return new WireRow(record.number(), record.at() / 1e6, record.out(), record.target(), record.peer(),
                record.ourPort(), record.bytes().length,
                HexFormat.of().formatHex(record.bytes(), 0, Math.min(MAX_HEX_BYTES, record.bytes().length)), lines,
                bundleTime, decoded instanceof Decoded.Malformed m
                        ? Optional.of(new Malformed(m.offset(), m.reason())) : Optional.empty(),
                record.answeredAfterNanos().map(nanos -> nanos / 1e6), record.note());
    }

    private static void collect(OscPacket packet, List<Line> into) {
        if (into.size() >= MAX_LINES) {
            return;
        }
        if (packet instanceof OscMessage m) {
            into.add(new Line(m.address(), OscText.typeTags(m.arguments()), OscText.arguments(m.arguments())));
        } else if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> collect(element, into));
        }
    }
}
