package imperan.osc;

/**
 * Some bytes of a packet, and what they mean. The pieces of a packet follow each other without a gap, from its first byte to its last.
 *
 * @param offset  from the start of the packet, in bytes
 * @param length  in bytes
 * @param depth   in how many bundles it lies
 * @param kind    what it is
 * @param meaning its value as a person reads it; empty for padding
 */
public record OscPiece(int offset, int length, int depth, Kind kind, String meaning) {

    /** What bytes of a packet can be (OSC 1.0, "OSC Packets", "OSC Messages", "OSC Bundles"). */
    public enum Kind {
        BUNDLE_MARK,
        TIME_TAG,
        ELEMENT_SIZE,
        ADDRESS,
        TYPE_TAGS,
        INT32,
        FLOAT32,
        STRING,
        SYMBOL,
        BLOB_SIZE,
        BLOB,
        INT64,
        FLOAT64,
        TIME,
        CHARACTER,
        COLOUR,
        MIDI,
        /** NUL bytes up to the next multiple of 4, the one that ends a text among them. */
        PADDING,
        /** Arguments of a message without type tags. */
        UNTYPED,
        /** What cannot be read. */
        NOT_READ
    }
}
