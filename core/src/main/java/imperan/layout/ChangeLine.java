package imperan.layout;

import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.Part;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.ShowJson;
import imperan.show.Target;
import imperan.show.Twin;
import tools.jackson.databind.JsonNode;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

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
            String called = after.or(() -> before).map(body -> called(body, changes, show)).orElse("");
            if (before.isPresent() && after.isPresent()) {
                compare(called, "", ShowJson.mapper().valueToTree(before.get()), ShowJson.mapper().valueToTree(after.get()), show, lines);
                if (!change.before().get().parent().equals(change.after().get().parent())) {
                    lines.add(new ChangeLine(called, "lies in", parent(change.before().get(), show), parent(change.after().get(), show)));
                }
            } else {
                before.ifPresent(body -> lines.add(new ChangeLine(called, "", words(body), "")));
                after.ifPresent(body -> lines.add(new ChangeLine(called, "", "", words(body))));
            }
        }
        return lines;
    }

    /** A twin is called like the control that it shows again, which may go with it. */
    private static String called(Body body, List<Edit.Change> changes, Show show) {
        if (!(body instanceof Twin twin)) {
            return body.called();
        }
        return show.part(twin.of()).or(() -> changes.stream().filter(change -> change.id().equals(twin.of())).flatMap(change -> change.before().stream())
                .findFirst()).map(part -> part.body().called() + ", ").orElse("") + twin.called();
    }

    private static String parent(Part part, Show show) {
        return part.parent().flatMap(show::part).map(p -> p.body().called()).orElse("");
    }

    private static void compare(String part, String field, JsonNode before, JsonNode after, Show show, List<ChangeLine> lines) {
        if (before.equals(after)) {
            return;
        }
        boolean same = before.isObject() && after.isObject() || before.isArray() && after.isArray() && before.size() == after.size();
        if (!same) {
            lines.add(new ChangeLine(part, field, words(field, before, show), words(field, after, show)));
        } else if (before.isObject()) {
            after.properties().forEach(e -> compare(part, inside(field, e.getKey()), before.path(e.getKey()), e.getValue(), show, lines));
        } else {
            for (int i = 0; i < after.size(); i++) {
                compare(part, inside(field, String.valueOf(i + 1)), before.get(i), after.get(i), show, lines);
            }
        }
    }

    private static String inside(String field, String step) {
        return field.isEmpty() ? step : field + " " + step;
    }

    private static String words(String field, JsonNode value, Show show) {
        if (field.endsWith("target") && value.isString()) {
            return show.all(Target.class).stream().filter(p -> p.id().value().equals(value.stringValue())).map(p -> p.body().called()).findFirst()
                    .orElse("a target that is not in the rig");
        }
        return value.isNull() || value.isMissingNode() ? "none" : value.isValueNode() ? value.asString() : value.toString();
    }

    private static String words(Body body) {
        return body instanceof Control control ? control.form().called() + control.sends().stream().map(Send::address).distinct()
                .map(address -> " " + address).collect(Collectors.joining()) : ShowJson.mapper().valueToTree(body).path("kind").asString("");
    }
}
