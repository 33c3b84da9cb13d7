package imperan.show;

import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What must hold of all texts in a part, whatever its kind: how much there may be, and of which characters. */
final class PartText {

    /** The JSON of one part: a matrix with all its lines needs a tenth of it. */
    static final int MOST_BYTES = 256 << 10;

    private static final JsonMapper JSON = ShowJson.mapper();

    private PartText() {}

    /** @param field the path of the field at fault; empty where it is the whole part */
    record Fault(String field, String message) {}

    /** What is wrong with the texts of a part; empty where nothing is. */
    static Optional<Fault> fault(Body body) {
        byte[] bytes;
        try {
            bytes = JSON.writerFor(Body.class).writeValueAsBytes(body);
        } catch (JacksonException e) {
            return Optional.of(new Fault("", "A text in it holds half a character: delete it, or type the text anew"));
        }
        if (bytes.length > MOST_BYTES) {
            return Optional.of(new Fault(
                    "",
                    "“" + shortened(body.called()) + "” takes " + bytes.length / 1024 + " KiB; a part has at most "
                            + MOST_BYTES / 1024));
        }
        return mayHoldControl(bytes) ? control(JSON.valueToTree(body), "") : Optional.empty();
    }

    private static String shortened(String text) {
        return text.length() <= 80 ? text : text.substring(0, 80) + "…";
    }

    /** JSON writes control characters with a backslash (RFC 8259, section 7), so a look at the bytes tells whether there can be one. */
    private static boolean mayHoldControl(byte[] json) {
        for (int i = 0; i + 1 < json.length; i++) {
            if (json[i] == 0x7F
                    || json[i] == (byte) 0xED && (json[i + 1] & 0xFF) >= 0xA0
                    || json[i] == (byte) 0xE2 && (json[i + 1] == (byte) 0x80 || json[i + 1] == (byte) 0x81)) {
                // the second are the bytes of half a character, the third those of what turns text round, and of some
                // that do not
                return true;
            } else if (json[i] == '\\') {
                i++;
                if (json[i] != '"' && json[i] != '\\' && json[i] != 'n' && json[i] != 't' && json[i] != '/') {
                    return true;
                }
            }
        }
        return false;
    }

    private static Optional<Fault> control(JsonNode node, String path) {
        if (node.isString()) {
            // whole characters by their codes: half a one stays as it is
            return node.stringValue()
                    .codePoints()
                    .filter(c -> isControl(c) || Characters.isHalf(c))
                    .boxed()
                    .findFirst()
                    .map(c -> new Fault(
                            path,
                            "This text holds "
                                    + (isControl(c)
                                            ? "a character that cannot be shown (code " + c + ")"
                                            : "half a character")
                                    + ": delete it, or type the text anew"));
        }
        for (Map.Entry<String, JsonNode> child : node.properties()) {
            Optional<Fault> found =
                    control(child.getValue(), path.isEmpty() ? child.getKey() : path + "/" + child.getKey());
            if (found.isPresent()) {
                return found;
            }
        }
        for (int i = 0; node.isArray() && i < node.size(); i++) {
            Optional<Fault> found = control(node.get(i), path + "/" + i);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** Line ends and tabs belong to a text of several lines. */
    private static boolean isControl(int c) {
        return c < ' ' && c != '\n' && c != '\t' && c != '\r' || c == 0x7F || Characters.turnsRound(c);
    }
}
