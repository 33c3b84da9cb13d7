package imperan.show;

import imperan.picture.Picture;
import imperan.picture.Pictures;
import imperan.progress.Progress;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * A show as a file: JSON in canonical form (RFC 8785), without times and without the ids of the installation it came from, so
 * the same show gives the same bytes and two files can be compared line by line. Its schema is docs/show-file.schema.json.
 *
 * <p>Parts stand in document order: those that lie in the show itself in the order of {@link Kinds}, each followed by what lies in it. Each has a handle
 * that holds within the file, such as {@code page-2}. The pictures of controls come along, in the order of their hashes.
 */
public final class ShowFile {

    public static final String FORMAT = "imperan-show";
    public static final int VERSION = 17;

    /** A show of thousands of controls with all its pictures needs a quarter of it. */
    public static final int MOST_CHARACTERS = 32 << 20;

    private static final JsonMapper JSON = ShowJson.mapper();

    private ShowFile() {}

    /** What came of reading a file. */
    public sealed interface Read {
        /**
         * @param parts    with fresh ids, parents before what lies in them
         * @param pictures that controls name
         */
        record Good(String format, String name, List<Part> parts, List<Picture> pictures) implements Read {}

        /**
         * @param place  where in the file, such as {@code line 3, column 7} or {@code parts/12/body/host}
         * @param reason one sentence
         */
        record Bad(String place, String reason) implements Read {}
    }

    /** The file of a show. */
    public static String write(String name, Show show, Pictures pictures) {
        return write(FORMAT, name, show, pictures);
    }

    /** The same of a part of a show, as a format of its own. */
    public static String write(String format, String name, Show show, Pictures pictures) {
        List<Part> parts = inDocumentOrder(show);
        Map<PartId, PartId> handles = new HashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (Part part : parts) {
            String kind = Kinds.of(part.body()).name();
            handles.put(part.id(), new PartId(kind + "-" + counts.merge(kind, 1, Integer::sum)));
        }
        ObjectNode file = JSON.createObjectNode();
        file.put("format", format).put("version", VERSION).put("name", name);
        ArrayNode list = file.putArray("parts");
        for (Part part : parts) {
            ObjectNode node = list.addObject();
            node.put("handle", handles.get(part.id()).value());
            node.put(
                    "parent",
                    part.parent().map(parent -> handles.get(parent).value()).orElse(null));
            node.set(
                    "body",
                    JSON.valueToTree(References.mapped(part.body(), id -> Optional.ofNullable(handles.get(id)))
                            .orElseThrow()));
        }
        addPictures(show, pictures, file);
        return CanonicalJson.write(file) + "\n";
    }

    private static void addPictures(Show show, Pictures pictures, ObjectNode file) {
        List<Picture> named = show.all(Control.class).stream()
                .flatMap(part -> ((Control) part.body()).face().picture().stream())
                .distinct()
                .sorted()
                .flatMap(hash -> pictures.get(hash).stream())
                .toList();
        if (!named.isEmpty()) {
            ArrayNode list = file.putArray("pictures");
            named.forEach(picture -> list.addObject()
                    .put("hash", picture.hash())
                    .put("data", Base64.getEncoder().encodeToString(picture.bytes())));
        }
    }

    /** Reads a file whole or says why not. Whether the parts fit together is judged when they are applied to a show. */
    public static Read read(String text) {
        return read(text, Progress.NONE);
    }

    /** @throws Progress.Cancelled where it is ended */
    public static Read read(String text, Progress progress) {
        return read(text, "show file", List.of(FORMAT), progress);
    }

    /**
     * The same of a file that holds a part of a show.
     *
     * @param called  what people call such a file
     * @param formats one of which it has to be
     */
    public static Read read(String text, String called, List<String> formats, Progress progress) {
        if (text.length() > MOST_CHARACTERS) {
            return new Read.Bad("the file", "It has more than " + (MOST_CHARACTERS >> 20) + " MiB");
        }
        JsonNode file;
        try {
            file = JSON.readTree(text);
        } catch (StreamReadException e) {
            return new Read.Bad(
                    "line " + e.getLocation().getLineNr() + ", column "
                            + e.getLocation().getColumnNr(),
                    "This is not JSON: " + e.getOriginalMessage());
        } catch (JacksonException e) {
            return new Read.Bad("the file", "This cannot be read: " + ShowJson.reason(e));
        }
        if (!file.isObject() || !formats.contains(file.path("format").asString(""))) {
            return new Read.Bad(
                    "format",
                    "This is not a " + called + ": its format is not “" + String.join("” or “", formats) + "”");
        }
        int version = file.path("version").asInt(0);
        if (version < 1 || version > VERSION) {
            return new Read.Bad(
                    "version",
                    "The file is of version " + file.path("version") + "; this Imperan reads versions 1 to " + VERSION);
        }
        String name = file.path("name").asString("");
        if (name.isBlank()) {
            return new Read.Bad("name", "The show has no name");
        }
        if (!file.path("parts").isArray()) {
            return new Read.Bad("parts", "The list of parts is missing");
        }
        file.get("parts").forEach(part -> Upgrade.body(version, part.path("body")));
        List<Picture> pictures = new ArrayList<>();
        for (int i = 0; i < file.path("pictures").size(); i++) {
            String wrong = picture(file.path("pictures").get(i), pictures);
            if (!wrong.isEmpty()) {
                return new Read.Bad("pictures/" + i, wrong);
            }
        }
        return parts(file.get("format").stringValue(), name, file.get("parts"), pictures, progress);
    }

    /** Adds a picture of a file; answers with what is wrong with it, or nothing. */
    private static String picture(JsonNode node, List<Picture> pictures) {
        byte[] bytes;
        try {
            bytes = Base64.getDecoder().decode(node.path("data").asString(""));
        } catch (IllegalArgumentException e) {
            return "The data of the picture are not written in Base64";
        }
        Picture.Read read = Picture.read(bytes);
        if (read instanceof Picture.Read.Bad bad) {
            return bad.reason();
        }
        Picture picture = ((Picture.Read.Good) read).picture();
        pictures.add(picture);
        return picture.hash().equals(node.path("hash").asString(""))
                ? ""
                : "The picture is another one than its hash says";
    }

    private static Read parts(String format, String name, JsonNode list, List<Picture> pictures, Progress progress) {
        if (list.size() > PartRules.MOST_CHANGES) {
            return new Read.Bad(
                    "parts",
                    "The file holds " + list.size() + " parts; at most " + PartRules.MOST_CHANGES + " are taken");
        }
        Map<String, PartId> ids = new LinkedHashMap<>();
        for (int i = 0; i < list.size(); i++) {
            String handle = list.get(i).path("handle").asString("");
            if (handle.isEmpty() || ids.put(handle, PartId.random()) != null) {
                return new Read.Bad(
                        "parts/" + i + "/handle",
                        handle.isEmpty() ? "The part has no handle" : "The handle " + handle + " stands twice");
            }
        }
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            progress.at(Progress.Stage.READING, i, list.size());
            JsonNode node = list.get(i);
            String parent =
                    node.path("parent").isNull() ? "" : node.path("parent").asString("");
            if (!parent.isEmpty() && !ids.containsKey(parent)) {
                return new Read.Bad("parts/" + i + "/parent", "There is no part " + parent);
            }
            Body body;
            try {
                body = JSON.treeToValue(node.path("body"), Body.class);
            } catch (JacksonException e) {
                return new Read.Bad(
                        "parts/" + i + "/body" + ShowJson.place(e),
                        reason(e, node.path("body").at(ShowJson.place(e))));
            }
            Optional<PartId> unknown = References.of(body).stream()
                    .filter(handle -> !ids.containsKey(handle.value()))
                    .findFirst();
            if (unknown.isPresent()) {
                return new Read.Bad("parts/" + i + "/body", "It names " + unknown.get() + ", which is not in the file");
            }
            parts.add(new Part(
                    ids.get(node.get("handle").stringValue()),
                    parent.isEmpty() ? Optional.empty() : Optional.of(ids.get(parent)),
                    i,
                    References.mapped(body, handle -> Optional.of(ids.get(handle.value())))
                            .orElseThrow()));
        }
        return new Read.Good(format, name, parts, pictures);
    }

    /** @param found what stands there */
    private static String reason(JacksonException e, JsonNode found) {
        if (e instanceof UnrecognizedPropertyException || e instanceof InvalidTypeIdException) {
            return ShowJson.reason(e);
        } else if (found.isValueNode() && !found.isNull()) {
            return "“" + found.asString() + "” does not fit here";
        }
        return "A value is missing here, or of the wrong type";
    }

    /** All parts that travel, each before what lies in it. What refers to a part that is gone, and cannot be without, means nothing any more and stays behind. */
    private static List<Part> inDocumentOrder(Show show) {
        List<Part> parts = new ArrayList<>();
        Kinds.ALL.stream()
                .filter(kind -> kind.liesIn().isEmpty() && kind.inFiles())
                .forEach(kind -> show.all(kind.type()).forEach(part -> addWithContents(part, show, parts)));
        return parts;
    }

    private static void addWithContents(Part part, Show show, List<Part> parts) {
        if (References.mapped(part.body(), id -> show.part(id).map(Part::id)).isPresent()) {
            parts.add(part);
            show.children(part.id()).forEach(child -> addWithContents(child, show, parts));
        }
    }
}
