package imperan.layout.drafts;

import imperan.show.Body;
import imperan.show.Edit;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.References;
import imperan.show.Show;
import imperan.show.ShowJson;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/**
 * One thing that an edit would change, for people who want to see it first.
 *
 * @param part   what it is a part of, as people call it
 * @param field  what of it, such as {@code sends/0/address}; empty where it comes or goes as a whole
 * @param before empty where it comes
 * @param after  empty where it goes
 */
public record ChangeLine(String part, String field, String before, String after) {

    /**
     * All that an edit changes.
     *
     * @param show as it is once the edit is done, for the names of targets
     */
    public static List<ChangeLine> of(Edit edit, Show show) {
        return of(edit.changes(), show);
    }

    static List<ChangeLine> of(List<Edit.Change> changes, Show show) {
        List<ChangeLine> lines = new ArrayList<>();
        for (Edit.Change change : changes) {
            Optional<Body> before = change.before().map(Part::body);
            Optional<Body> after = change.after().map(Part::body);
            String called = after.or(() -> before)
                    .map(body -> body.calledAmong(id -> known(id, changes, show)))
                    .orElse("");
            if (before.isPresent() && after.isPresent()) {
                Set<String> named = Stream.of(before.get(), after.get())
                        .flatMap(body -> References.of(body).stream())
                        .map(PartId::value)
                        .collect(Collectors.toSet());
                compare(
                        called,
                        "",
                        ShowJson.mapper().valueToTree(before.get()),
                        ShowJson.mapper().valueToTree(after.get()),
                        named,
                        show,
                        lines);
                if (!change.before().get().parent().equals(change.after().get().parent())) {
                    lines.add(new ChangeLine(
                            called,
                            "lies in",
                            parent(change.before().get(), show),
                            parent(change.after().get(), show)));
                }
            } else {
                before.ifPresent(body -> lines.add(new ChangeLine(called, "", body.described(), "")));
                after.ifPresent(body -> lines.add(new ChangeLine(called, "", "", body.described())));
            }
        }
        return lines;
    }

    /** A part of the show, or one that goes with the edit. */
    private static Optional<Part> known(PartId id, List<Edit.Change> changes, Show show) {
        return show.part(id).or(() -> changes.stream()
                .filter(change -> change.id().equals(id))
                .flatMap(change -> change.before().stream())
                .findFirst());
    }

    private static String parent(Part part, Show show) {
        return part.parent().flatMap(show::part).map(p -> p.body().called()).orElse("");
    }

    /**
     * @param named the parts that the two refer to
     */
    private static void compare(
            String part,
            String field,
            JsonNode before,
            JsonNode after,
            Set<String> named,
            Show show,
            List<ChangeLine> lines) {
        if (before.equals(after)) {
            return;
        }
        boolean same = before.isObject() && after.isObject()
                || before.isArray() && after.isArray() && before.size() == after.size();
        if (!same) {
            lines.add(new ChangeLine(part, field, words(before, named, show), words(after, named, show)));
        } else if (before.isObject()) {
            after.properties()
                    .forEach(e -> compare(
                            part,
                            inside(field, e.getKey()),
                            before.path(e.getKey()),
                            e.getValue(),
                            named,
                            show,
                            lines));
        } else {
            for (int i = 0; i < after.size(); i++) {
                compare(part, inside(field, String.valueOf(i + 1)), before.get(i), after.get(i), named, show, lines);
            }
        }
    }

    private static String inside(String field, String step) {
        return field.isEmpty() ? step : field + " " + step;
    }

    private static String words(JsonNode value, Set<String> named, Show show) {
        if (value.isString() && named.contains(value.stringValue())) {
            return show.part(new PartId(value.stringValue()))
                    .map(part -> part.body().called())
                    .orElse("a part that is gone");
        }
        return value.isNull() || value.isMissingNode()
                ? "none"
                : value.isValueNode() ? value.asString() : value.toString();
    }
}
