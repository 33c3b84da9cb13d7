package imperan.show;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;

/** JSON in the one form that RFC 8785 (JSON Canonicalization Scheme) allows: the same content gives the same bytes. */
final class CanonicalJson {

    private CanonicalJson() {}

    static String write(JsonNode node) {
        StringBuilder out = new StringBuilder();
        write(node, out);
        return out.toString();
    }

    private static void write(JsonNode node, StringBuilder out) {
        switch (node.getNodeType()) {
            case OBJECT -> {
                // String compares by UTF-16 code units, as section 3.2.3 asks
                TreeMap<String, JsonNode> sorted = new TreeMap<>();
                node.properties().forEach(entry -> sorted.put(entry.getKey(), entry.getValue()));
                char before = '{';
                for (var entry : sorted.entrySet()) {
                    out.append(before);
                    string(entry.getKey(), out);
                    out.append(':');
                    write(entry.getValue(), out);
                    before = ',';
                }
                out.append(sorted.isEmpty() ? "{}" : "}");
            }
            case ARRAY -> {
                out.append('[');
                for (int i = 0; i < node.size(); i++) {
                    out.append(i == 0 ? "" : ",");
                    write(node.get(i), out);
                }
                out.append(']');
            }
            case STRING -> string(node.stringValue(), out);
            case NUMBER -> out.append(number(node.doubleValue()));
            case BOOLEAN -> out.append(node.booleanValue());
            case NULL -> out.append("null");
            default -> throw new IllegalArgumentException("Not JSON: " + node.getNodeType());
        }
    }

    /** Section 3.2.2.2: the short escapes where there are some, lower-case hexadecimal for other controls, else as it is. */
    private static void string(String text, StringBuilder out) {
        out.append('"');
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '"' -> out.append("\\\"");
                case '\\' -> out.append("\\\\");
                case '\b' -> out.append("\\b");
                case '\t' -> out.append("\\t");
                case '\n' -> out.append("\\n");
                case '\f' -> out.append("\\f");
                case '\r' -> out.append("\\r");
                default -> out.append(c < ' ' ? "\\u00%02x".formatted((int) c) : String.valueOf(c));
            }
        }
        out.append('"');
    }

    /** Section 3.2.2.3: the shortest decimal that reads back as the same double, set out as ECMAScript does. */
    static String number(double value) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("JSON has no " + value);
        }
        if (value == 0) {
            return "0";
        }
        BigDecimal shortest = shortest(Math.abs(value));
        String digits = shortest.unscaledValue().toString();
        // the decimal point stands behind this many digits
        int point = digits.length() - shortest.scale();
        String sign = value < 0 ? "-" : "";
        if (point > 21 || point < -5) {
            String exponent = (point > 0 ? "e+" : "e-") + Math.abs(point - 1);
            return sign + digits.charAt(0) + (digits.length() > 1 ? "." + digits.substring(1) : "") + exponent;
        } else if (point <= 0) {
            return sign + "0." + "0".repeat(-point) + digits;
        } else if (digits.length() <= point) {
            return sign + digits + "0".repeat(point - digits.length());
        }
        return sign + digits.substring(0, point) + "." + digits.substring(point);
    }

    /** Java 17's own text of a double is not always the shortest, so fewer digits are tried first. */
    private static BigDecimal shortest(double value) {
        BigDecimal exact = new BigDecimal(value);
        for (int digits = 1; digits < 17; digits++) {
            BigDecimal rounded = exact.round(new MathContext(digits, RoundingMode.HALF_EVEN));
            if (rounded.doubleValue() == value) {
                return rounded.stripTrailingZeros();
            }
        }
        return exact.round(new MathContext(17, RoundingMode.HALF_EVEN)).stripTrailingZeros();
    }
}
