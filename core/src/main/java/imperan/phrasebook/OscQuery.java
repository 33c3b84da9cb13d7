package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import imperan.show.Ranges;
import imperan.show.ShowJson;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Phrases from and to OSCQuery JSON (the open proposal, from memory): a tree of nodes with FULL_PATH, CONTENTS, TYPE, RANGE, ACCESS
 * (1 read, 2 write, 3 both), UNIT and DESCRIPTION.
 */
public final class OscQuery {

    private static final JsonMapper JSON = ShowJson.mapper();
    private static final Map<String, String> UNITS = Map.ofEntries(
            Map.entry("degree", "°"),
            Map.entry("radian", "rad"),
            Map.entry("db", "dB"),
            Map.entry("db-raw", "dB"),
            Map.entry("second", "s"),
            Map.entry("frequency", "Hz"),
            Map.entry("samples", "samples"),
            Map.entry("linear", ""),
            Map.entry("cents", "cents"),
            Map.entry("midinote", "note"),
            Map.entry("percent", "%"));
    private static final int MOST_UNIT = 8;
    private static final int READ = 1;
    private static final int WRITE = 2;

    private OscQuery() {}

    /** Reads a whole tree; each node that has a type or can be written is in the answer. */
    public static List<ReadRow> read(String text) {
        List<ReadRow> rows = new ArrayList<>();
        try {
            visit(JSON.readTree(text), "", rows, 0);
        } catch (JacksonException e) {
            return List.of(ReadRow.refused(
                    e.getLocation() == null ? "/" : "line " + e.getLocation().getLineNr(),
                    "This is not JSON: " + ShowJson.reason(e)));
        }
        return rows.isEmpty()
                ? List.of(ReadRow.refused("/", "There is no node with a type in it: is this OSCQuery JSON?"))
                : rows;
    }

    private static void visit(JsonNode node, String path, List<ReadRow> rows, int depth) {
        if (depth > 64) {
            rows.add(ReadRow.refused(path, "The tree goes deeper than any address does"));
            return;
        }
        JsonNode contents = node.path("CONTENTS");
        boolean leaf =
                node.has("TYPE") || node.has("ACCESS") && node.path("ACCESS").asInt(0) > 0 && contents.isEmpty();
        if (leaf) {
            rows.add(row(node, node.path("FULL_PATH").asString(path)));
        }
        contents.properties().forEach(child -> visit(child.getValue(), path + "/" + child.getKey(), rows, depth + 1));
    }

    private static ReadRow row(JsonNode node, String address) {
        // a literal < in an address is no slot
        String written = address.replace("<", "<<");
        Optional<String> problem = SlotAddress.parse(written).problem();
        if (problem.isPresent()) {
            return ReadRow.refused(address, problem.get());
        }
        List<Phrase.PhraseArgument> arguments = new ArrayList<>();
        List<String> guesses = new ArrayList<>();
        Optional<String> refusal =
                arguments(node.path("TYPE").asString(""), node.path("RANGE"), node.path("UNIT"), arguments, guesses);
        if (refusal.isPresent()) {
            return ReadRow.refused(address, refusal.get());
        }
        if (!node.has("ACCESS")) {
            guesses.add("no access is told: taken as both ways");
        }
        int access = node.path("ACCESS").asInt(READ | WRITE);
        Phrase.Direction direction =
                access == READ ? Phrase.Direction.IN : access == WRITE ? Phrase.Direction.OUT : Phrase.Direction.BOTH;
        AnswerRule.Kind answer = direction == Phrase.Direction.OUT ? AnswerRule.Kind.NONE : AnswerRule.Kind.QUERY;
        return new ReadRow(
                address,
                guesses.isEmpty() ? ReadRow.Verdict.UNDERSTOOD : ReadRow.Verdict.GUESSED,
                Optional.of(Phrase.plain(written, direction, arguments, AnswerRule.usual(answer), meaning(node), "")),
                String.join("; ", guesses));
    }

    /**
     * The arguments of a type tag string. Arrays are taken apart, ranges and units with them, whether these are nested as the types are or follow each other.
     *
     * @return why a control cannot send them; empty where it can
     */
    private static Optional<String> arguments(
            String tags, JsonNode ranges, JsonNode units, List<Phrase.PhraseArgument> arguments, List<String> guesses) {
        List<JsonNode> eachRange = flat(ranges);
        List<JsonNode> eachUnit = flat(units);
        if (tags.contains("[")) {
            guesses.add("its array is sent as arguments one after the other");
        }
        for (char tag : tags.toCharArray()) {
            Optional<ArgumentType> type =
                    tag == 'S' || tag == 'c' ? Optional.of(ArgumentType.TEXT) : TypeTags.ofTag(tag);
            if (tag == '[' || tag == ']') {
                continue;
            } else if (tag == 'N' || tag == 'I') {
                guesses.add(
                        tag == 'N' ? "its nil is left out" : "its impulse is sent as a message without an argument");
                continue;
            } else if (type.isEmpty()) {
                return Optional.of("The type “" + tag + "” is not one that a control can send");
            }
            if (tag == 'S' || tag == 'c') {
                guesses.add("“" + tag + "” taken as a text");
            }
            int place = arguments.size();
            arguments.add(argument(
                    type.get(),
                    place < eachRange.size() ? eachRange.get(place) : JSON.missingNode(),
                    place < eachUnit.size() ? unit(eachUnit.get(place).asString("")) : ""));
        }
        return Optional.empty();
    }

    /** What lies in an array and in the arrays in it, in order; a node that is none is itself all of it. */
    private static List<JsonNode> flat(JsonNode node) {
        if (!node.isArray()) {
            return node.isMissingNode() || node.isNull() ? List.of() : List.of(node);
        }
        List<JsonNode> all = new ArrayList<>();
        node.forEach(each -> {
            if (each.isArray()) {
                all.addAll(flat(each));
            } else {
                all.add(each);
            }
        });
        return all;
    }

    /** The short sign of a unit; the proposal names them by what they measure and the unit, such as gain.db. */
    private static String unit(String told) {
        String last = told.substring(told.lastIndexOf('.') + 1);
        return UNITS.getOrDefault(last.toLowerCase(Locale.ROOT), last.length() <= MOST_UNIT ? last : "");
    }

    /** The description, and what the target does with values beyond its range. */
    private static String meaning(JsonNode node) {
        String described = node.path("DESCRIPTION").asString("");
        List<String> modes = flat(node.path("CLIPMODE")).stream()
                .map(mode -> mode.asString("").toLowerCase(Locale.ROOT))
                .distinct()
                .toList();
        String clipped = modes.size() != 1
                ? ""
                : switch (modes.get(0)) {
                    case "both" -> "keeps to its range";
                    case "low" -> "goes beyond its range at the top";
                    case "high" -> "goes beyond its range at the bottom";
                    case "none" -> "goes beyond its range";
                    default -> "";
                };
        return described.isEmpty() || clipped.isEmpty() ? described + clipped : described + "; " + clipped;
    }

    private static Phrase.PhraseArgument argument(ArgumentType type, JsonNode range, String unit) {
        List<String> choices = new ArrayList<>();
        range.path("VALS").forEach(choice -> choices.add(choice.asString("")));
        boolean ranged = range.path("MIN").isNumber()
                && range.path("MAX").isNumber()
                && range.path("MIN").asDouble() < range.path("MAX").asDouble()
                // a range as wide as the type is none: nobody can turn a knob from -1.8e308 to 1.8e308
                && Ranges.fits(
                        type, range.path("MIN").asDouble(), range.path("MAX").asDouble());
        return Phrase.PhraseArgument.plain(
                type,
                ranged ? Optional.of(range.get("MIN").asDouble()) : Optional.empty(),
                ranged ? Optional.of(range.get("MAX").asDouble()) : Optional.empty(),
                unit,
                choices,
                Optional.empty());
    }

    /** The tree of all addresses that the phrases stand for; empty where they stand for more than {@link SlotAddress#MAX_COUNT}. */
    public static Optional<String> write(String name, Collection<Phrase> phrases) {
        if (phrases.stream()
                        .mapToLong(phrase ->
                                SlotAddress.parseFreely(phrase.address()).count())
                        .sum()
                > SlotAddress.MAX_COUNT) {
            return Optional.empty();
        }
        ObjectNode root = JSON.createObjectNode()
                .put("FULL_PATH", "/")
                .put("DESCRIPTION", name)
                .put("ACCESS", 0);
        for (Phrase phrase : phrases) {
            for (String address : SlotAddress.parse(phrase.address()).expand()) {
                fill(node(root, address), phrase);
            }
        }
        return Optional.of(JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n");
    }

    private static ObjectNode node(ObjectNode root, String address) {
        ObjectNode at = root;
        StringBuilder path = new StringBuilder();
        for (String step : address.substring(1).split("/")) {
            path.append('/').append(step);
            JsonNode contents = at.has("CONTENTS") ? at.get("CONTENTS") : at.putObject("CONTENTS");
            ObjectNode next = (ObjectNode) contents.get(step);
            at = next != null ? next : ((ObjectNode) contents).putObject(step).put("FULL_PATH", path.toString());
        }
        return at;
    }

    private static void fill(ObjectNode node, Phrase phrase) {
        StringBuilder tags = new StringBuilder();
        ArrayNode ranges = JSON.createArrayNode();
        ArrayNode units = JSON.createArrayNode();
        for (Phrase.PhraseArgument argument : phrase.arguments()) {
            tags.append(TypeTags.tag(argument.type()));
            ObjectNode range = ranges.addObject();
            argument.low().ifPresent(low -> range.put("MIN", low));
            argument.high().ifPresent(high -> range.put("MAX", high));
            argument.fixed().map(List::of).orElse(argument.choices()).forEach(choice -> range.withArray("/VALS")
                    .add(choice));
            units.add(argument.unit());
        }
        if (!tags.isEmpty()) {
            node.put("TYPE", tags.toString()).set("RANGE", ranges);
            node.set("UNIT", units);
        }
        node.put(
                        "ACCESS",
                        phrase.direction() == Phrase.Direction.IN
                                ? READ
                                : phrase.direction() == Phrase.Direction.OUT ? WRITE : READ | WRITE)
                .put("DESCRIPTION", phrase.meaning());
    }
}
