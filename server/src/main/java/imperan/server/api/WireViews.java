package imperan.server.api;

import imperan.address.MessageLine;
import imperan.osc.OscDissection;
import imperan.osc.OscPiece;
import imperan.server.socket.WireRow;
import imperan.show.PartId;
import imperan.wire.AddressRow;
import imperan.wire.Addresses;
import imperan.wire.Found;
import imperan.wire.PlotLine;
import imperan.wire.Search;
import imperan.wire.WireFilter;
import imperan.wire.WireRecord;
import imperan.words.PieceWords;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What the Wire is asked for, and what it answers. */
final class WireViews {

    private WireViews() {}

    /** Which way packets went. */
    enum Way {
        BOTH,
        OUT,
        IN
    }

    /**
     * Which packets are looked for.
     *
     * @param source  the id of a target, the address and port of a stranger, {@code strangers} for all of them; empty for everybody
     * @param text    an address pattern, or a piece of text; empty for all
     * @param types   type tag letters of which a message has one; empty for any
     * @param muted   what is left out
     * @param repeats whether what comes again and again is among the rows
     */
    record WireQuery(
            String source,
            Way way,
            String text,
            String types,
            WireFilter.Only only,
            List<WireFilter.Mute> muted,
            boolean repeats) {

        private static final int MOST_MUTED = 500;

        /** @param search what its text was read as */
        WireFilter filter(Search search) {
            return new WireFilter(
                    source,
                    way == Way.BOTH ? Optional.empty() : Optional.of(way == Way.OUT),
                    search,
                    types,
                    only,
                    Set.copyOf(muted.subList(0, Math.min(MOST_MUTED, muted.size()))),
                    repeats);
        }
    }

    /**
     * @param since  the change up to which the rows are known; 0 for none
     * @param before only packets older than this one
     */
    record WireAsked(WireQuery query, long since, Optional<Long> before) {}

    /**
     * @param more    that were looked for, too, and have no room here
     * @param problem what is wrong with the text that is looked for
     */
    record AddressesFound(List<AddressRow> rows, int more, Optional<String> problem) {
        static AddressesFound of(Addresses found) {
            return new AddressesFound(found.rows(), found.more(), Optional.empty());
        }
    }

    /** @param sinceMillis only what was said after it, in milliseconds since 1970 */
    record AddressesAsked(WireQuery query, double sinceMillis) {}

    /**
     * @param rows    that are new, or otherwise, oldest first
     * @param leftOut how many more pass that are older
     * @param change  to ask with the next time
     * @param repeating what comes again and again, where it is not among the rows
     * @param problem what is wrong with the text that is looked for
     */
    record WireFound(
            List<WireRow> rows, long leftOut, long change, List<RepeatingRow> repeating, Optional<String> problem) {
        static WireFound of(Found found) {
            return new WireFound(
                    found.packets().stream().map(WireRow::of).toList(),
                    found.leftOut(),
                    found.change(),
                    found.repeating().stream()
                            .map(all -> new RepeatingRow(WireRow.of(all.last()), all.count(), all.perSecond()))
                            .toList(),
                    Optional.empty());
        }

        static WireFound faulty(String problem) {
            return new WireFound(List.of(), 0, 0, List.of(), Optional.of(problem));
        }
    }

    /**
     * @param last  the newest of them
     * @param count how many are kept
     */
    record RepeatingRow(WireRow last, long count, double perSecond) {}

    /**
     * A packet taken apart.
     *
     * @param pieces from its first byte to its last; of a very long one the first
     * @param pair   the packet that answers it, or that it answers, as long as it is kept
     * @param line   its first message as one line of text that can be sent; empty where it holds none, or a very long one
     */
    record WirePacket(WireRow packet, List<WirePiece> pieces, int morePieces, Optional<WireRow> pair, String line) {

        private static final int MOST_PIECES = 2_000;

        static WirePacket of(WireRecord record, Optional<WireRecord> pair) {
            List<OscPiece> pieces = OscDissection.of(record.bytes());
            return new WirePacket(
                    WireRow.whole(record),
                    pieces.stream()
                            .limit(MOST_PIECES)
                            .map(piece -> WirePiece.of(piece, record.bytes()))
                            .toList(),
                    Math.max(0, pieces.size() - MOST_PIECES),
                    pair.map(WireRow::of),
                    record.messages().stream()
                            .findFirst()
                            .map(MessageLine::of)
                            .filter(text -> text.length() <= MessageLine.MAX_LENGTH)
                            .orElse(""));
        }
    }

    /**
     * @param depth in how many bundles it lies
     * @param what  it is, in a word or two
     * @param hex   its first bytes
     */
    record WirePiece(int offset, int length, int depth, OscPiece.Kind kind, String what, String meaning, String hex) {

        private static final int MOST_BYTES = 4_096;

        static WirePiece of(OscPiece piece, byte[] bytes) {
            return new WirePiece(
                    piece.offset(),
                    piece.length(),
                    piece.depth(),
                    piece.kind(),
                    PieceWords.of(piece.kind()),
                    piece.meaning(),
                    HexFormat.of()
                            .formatHex(bytes, piece.offset(), piece.offset() + Math.min(MOST_BYTES, piece.length())));
        }
    }

    /** The control that is to send and hear what a packet says. */
    record GivenTo(PartId control) {}

    /** @param seconds how far back */
    record PlotAsked(List<PlotLine> lines, int seconds) {}

    /** @param nowMillis when it was looked, in milliseconds since 1970 */
    record Plotted(double nowMillis, List<List<PlotLine.Point>> lines) {}
}
