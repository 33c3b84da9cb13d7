package imperan.phrasebook;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a column of a message list can hold. */
public enum TableColumn {
    ADDRESS(
            "address",
            "path",
            "osc address",
            "osc path",
            "message",
            "command",
            "phrase",
            "osc",
            "osc message",
            "osc command"),
    TYPES(
            "data type",
            "datatype",
            "format",
            "payload",
            "osc type",
            "types",
            "type",
            "type tags",
            "typetags",
            "tags",
            "arguments",
            "argument",
            "args",
            "arg",
            "parameter",
            "parameters",
            "value type"),
    LOW("min value", "minimum value", "lower", "low", "min", "minimum", "from", "lowest"),
    HIGH("max value", "maximum value", "upper", "high", "max", "maximum", "to", "highest"),
    RANGE(
            "range",
            "ranges",
            "values",
            "value",
            "limits",
            "value range",
            "range of values",
            "valid range",
            "allowed values",
            "valid values",
            "possible values"),
    UNIT("unit", "units"),
    CHOICES("choices", "choice", "options", "enum", "enumeration", "one of", "states"),
    FIXED("fixed", "constant", "constants", "first"),
    DIRECTION("direction", "access", "way", "in/out", "read/write", "r/w", "dir", "sent by", "mode"),
    ANSWER("answer", "reply", "response", "feedback", "returns"),
    MEANING(
            "meaning",
            "description",
            "what it does",
            "notes",
            "note",
            "comment",
            "comments",
            "function",
            "details",
            "purpose",
            "remark",
            "remarks",
            "explanation",
            "information",
            "usage"),
    TOLERANCE("tolerance", "within"),
    SECONDS("seconds", "time", "time limit", "answers within"),
    MASKED("masked by", "masked", "needs"),
    MARKS("marks", "scale"),
    WORDS("words", "words in argument"),
    SAYS("answer says", "answer value", "reply value"),
    PLACES("answer in", "answer arguments"),
    FINAL("final seconds", "final within"),
    TOLD("told", "who is told"),
    EFFECT("effect", "kind of effect"),
    MASKS("masks", "masked while"),
    PROOF("proof"),
    READS("far end", "read as"),
    ASKED("asked on", "asked by", "query address"),
    TEXTS("texts", "characters"),
    /** Nobody reads it. */
    IGNORED;

    /** Characters of a title; what is longer is none. */
    private static final int MOST_TITLE = 100;

    private final List<String> titles;

    TableColumn(String... titles) {
        this.titles = List.of(titles);
    }

    /** As we title it. */
    String title() {
        return titles.get(0);
    }

    /** What a title names, in whatever case, with whatever stands in brackets left out; empty where it names none of these. */
    static Optional<TableColumn> titled(String title) {
        if (title.length() > MOST_TITLE) {
            return Optional.empty();
        }
        String plain = title.toLowerCase(Locale.ROOT)
                .replaceAll("[\\[(].*[\\])]", "")
                .replaceAll("[\\s_-]+", " ")
                .replaceAll("[*`:]", "")
                .strip();
        return Arrays.stream(values())
                .filter(column -> column.titles.contains(plain))
                .findFirst();
    }
}
