package imperan.words;

import imperan.osc.OscPiece;
import java.util.EnumMap;
import java.util.Map;

/** What the bytes of a packet are, in a word or two. */
public final class PieceWords {

    private static final Map<OscPiece.Kind, String> WORDS = new EnumMap<>(Map.ofEntries(
            Map.entry(OscPiece.Kind.BUNDLE_MARK, "bundle"),
            Map.entry(OscPiece.Kind.TIME_TAG, "time tag"),
            Map.entry(OscPiece.Kind.ELEMENT_SIZE, "size of the element"),
            Map.entry(OscPiece.Kind.ADDRESS, "address"),
            Map.entry(OscPiece.Kind.TYPE_TAGS, "type tags"),
            Map.entry(OscPiece.Kind.INT32, "int"),
            Map.entry(OscPiece.Kind.FLOAT32, "float"),
            Map.entry(OscPiece.Kind.STRING, "string"),
            Map.entry(OscPiece.Kind.SYMBOL, "symbol"),
            Map.entry(OscPiece.Kind.BLOB_SIZE, "size of the blob"),
            Map.entry(OscPiece.Kind.BLOB, "blob"),
            Map.entry(OscPiece.Kind.INT64, "int64"),
            Map.entry(OscPiece.Kind.FLOAT64, "double"),
            Map.entry(OscPiece.Kind.TIME, "time"),
            Map.entry(OscPiece.Kind.CHARACTER, "character"),
            Map.entry(OscPiece.Kind.COLOUR, "colour"),
            Map.entry(OscPiece.Kind.MIDI, "MIDI"),
            Map.entry(OscPiece.Kind.PADDING, "padding"),
            Map.entry(OscPiece.Kind.UNTYPED, "arguments"),
            Map.entry(OscPiece.Kind.NOT_READ, "not readable")));

    private PieceWords() {}

    public static String of(OscPiece.Kind kind) {
        return WORDS.get(kind);
    }
}
