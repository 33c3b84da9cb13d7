package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import imperan.show.Ranges;
import imperan.show.ShowJson;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * Phrases from and to OSCQuery JSON (the open proposal, from memory): a tree of nodes with FULL_PATH, CONTENTS, TYPE, RANGE, ACCESS
 * (1 read, 2 write, 3 both), UNIT and DESCRIPTION.
 */
public final class OscQuery {

    private static final JsonMapper JSON = ShowJson.mapper();
    private static final int READ = 1;
    private static final int WRITE = 2;

    private OscQuery() {
    }

    /** Reads a whole tree; each node that has a type or can be written is in the answer. */
    public static List<ReadRow> read(String text) {
        List<ReadRow> rows = new ArrayList<>();
        try {
            visit(JSON.readTree(text), "", rows, 0);
        } catch (JacksonException e) {
            return List.of(ReadRow.refused(e.getLocation() == null ? "/" : "line " + e.getLocation().getLineNr(), "This is not JSON: " + ShowJson.reason(e)));
        }
        return rows.isEmpty() ? List.of(ReadRow.refused("/", "There is no node with a type in it: is this OSCQuery JSON?")) : rows;
    }

    private static void visit(JsonNode node, String path, List<ReadRow> rows, int depth) {
        if (depth > 64) {
            rows.add(ReadRow.refused(path, "The tree goes deeper than any address does"));
            return;
        }
        JsonNode contents = node.path("CONTENTS");
        boolean leaf = node.has("TYPE") || node.has("ACCESS") && node.path("ACCESS").asInt(0) > 0 && contents.isEmpty();
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
        String tags = node.path("TYPE").asString("");
        for (int i = 0; i < tags.length(); i++) {
            Optional<ArgumentType> type = TypeTags.ofTag(tags.charAt(i));
            if (type.isEmpty()) {
                return ReadRow.refused(address, "The type “" + tags.charAt(i) + "” is not one that a control can send");
            }
            arguments.add(argument(type.get(), node.path("RANGE").path(i), node.path("UNIT").path(i).asString("")));
        }
        int access = node.path("ACCESS").asInt(READ | WRITE);
        Phrase.Direction direction = access == READ ? Phrase.Direction.IN : access == WRITE ? Phrase.Direction.OUT : Phrase.Direction.BOTH;
        Phrase.AnswerRule.Kind answer = direction == Phrase.Direction.OUT ? Phrase.AnswerRule.Kind.NONE : Phrase.AnswerRule.Kind.QUERY;
        return new ReadRow(address, node.has("ACCESS") ? ReadRow.Verdict.UNDERSTOOD : ReadRow.Verdict.GUESSED, Optional.of(new Phrase(
                written, direction, arguments, Phrase.AnswerRule.usual(answer), node.path("DESCRIPTION").asString(""), "")),
                node.has("ACCESS") ? "" : "no access is told: taken as both ways");
    }

    private static Phrase.PhraseArgument argument(ArgumentType type, JsonNode range, String unit) {
        List<String> choices = new ArrayList<>();
        range.path("VALS").forEach(choice -> choices.add(choice.asString("")));
        boolean ranged = range.path("MIN").isNumber() && range.path("MAX").isNumber()
                && range.path("MIN").asDouble() < range.path("MAX").asDouble()
                // a range as wide as the type is none: nobody can turn a knob from -1.8e308 to 1.8e308
                && Ranges.fits(type, range.path("MIN").asDouble(), range.path("MAX").asDouble());
        return Phrase.PhraseArgument.plain(type, ranged ? Optional.of(range.get("MIN").asDouble()) : Optional.empty(),
                ranged ? Optional.of(range.get("MAX").asDouble()) : Optional.empty(), unit, choices, Optional.empty());
    }

    /** The tree of all addresses that the phrases stand for; empty where they stand for more than {@link SlotAddress#MAX_COUNT}. */
    public static Optional<String> write(String name, Collection<Phrase> phrases) {
        if (phrases.stream().mapToLong(phrase -> SlotAddress.parseFreely(phrase.address()).count()).sum() > SlotAddress.MAX_COUNT) {
            return Optional.empty();
        }
        ObjectNode root = JSON.createObjectNode().put("FULL_PATH", "/").put("DESCRIPTION", name).put("ACCESS", 0);
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
            argument.fixed().map(List::of).orElse(argument.choices()).forEach(choice -> range.withArray("/VALS").add(choice));
            units.add(argument.unit());
        }
        if (!tags.isEmpty()) {
            node.put("TYPE", tags.toString()).set("RANGE", ranges);
            node.set("UNIT", units);
        }
        node.put("ACCESS", phrase.direction() == Phrase.Direction.IN ? READ
                : phrase.direction() == Phrase.Direction.OUT ? WRITE : READ | WRITE).put("DESCRIPTION", phrase.meaning());
    }
}
