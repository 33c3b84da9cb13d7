package imperan.show;

import imperan.picture.Picture;
import imperan.picture.Pictures;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamReadException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A show as a file: JSON in canonical form (RFC 8785), without times and without the ids of the installation it came from, so
 * the same show gives the same bytes and two files can be compared line by line. Its schema is docs/show-file.schema.json.
 *
 * <p>Parts stand in document order: phrasebooks with their phrases, hosts, targets, accepted findings, then each layout with its
 * pages, each page with its controls and its trays, each tray with its controls. Each has a handle
 * that holds within the file, such as {@code page-2}. The pictures of controls come along, in the order of their hashes.
 */
public final class ShowFile {

    public static final String FORMAT = "imperan-show";
    public static final int VERSION = 8;

    /** A show of thousands of controls with all its pictures needs a quarter of it. */
    public static final int MOST_CHARACTERS = 32 << 20;

    /** The fields of a body that name another part. */
    private static final List<String> REFERENCES = List.of("target", "about", "phrasebook", "goesTo", "of", "copy", "original");

    private static final JsonMapper JSON = ShowJson.mapper();

    private ShowFile() {
    }

    /** What came of reading a file. */
    public sealed interface Read {
        /**
         * @param parts    with fresh ids, parents before what lies in them
         * @param pictures that controls name
         */
        record Good(String format, String name, List<Part> parts, List<Picture> pictures) implements Read {
        }

        /**
         * @param place  where in the file, such as {@code line 3, column 7} or {@code parts/12/body/host}
         * @param reason one sentence
         */
        record Bad(String place, String reason) implements Read {
        }
    }

    /** The file of a show. */
    public static String write(String name, Show show, Pictures pictures) {
        return write(FORMAT, name, show, pictures);
    }

    /** The same of a part of a show, as a format of its own. */
    public static String write(String format, String name, Show show, Pictures pictures) {
        List<Part> parts = inDocumentOrder(show);
        Map<String, String> handles = new HashMap<>();
        Map<String, Integer> counts = new HashMap<>();
        for (Part part : parts) {
            String kind = JSON.valueToTree(part.body()).get("kind").stringValue();
            handles.put(part.id().value(), kind + "-" + counts.merge(kind, 1, Integer::sum));
        }
        ObjectNode file = JSON.createObjectNode();
        file.put("format", format).put("version", VERSION).put("name", name);
        ArrayNode list = file.putArray("parts");
        for (Part part : parts) {
            ObjectNode node = list.addObject();
            node.put("handle", handles.get(part.id().value()));
            node.put("parent", part.parent().map(parent -> handles.get(parent.value())).orElse(null));
            JsonNode body = JSON.valueToTree(part.body() instanceof Layout layout ? layout.among(id -> handles.containsKey(id.value())) : part.body());
            eachReference(body, id -> Optional.ofNullable(handles.get(id)));
            node.set("body", body);
        }
        addPictures(show, pictures, file);
        return CanonicalJson.write(file) + "\n";
    }

    private static void addPictures(Show show, Pictures pictures, ObjectNode file) {
        List<Picture> named = show.all(Control.class).stream().flatMap(part -> ((Control) part.body()).face().picture().stream()).distinct().sorted()
                .flatMap(hash -> pictures.get(hash).stream()).toList();
        if (!named.isEmpty()) {
            ArrayNode list = file.putArray("pictures");
            named.forEach(picture -> list.addObject().put("hash", picture.hash()).put("data", Base64.getEncoder().encodeToString(picture.bytes())));
        }
    }

    /** Reads a file whole or says why not. Whether the parts fit together is judged when they are applied to a show. */
    public static Read read(String text) {
        return read(text, "show file", List.of(FORMAT));
    }

    /**
     * The same of a file that holds a part of a show.
     *
     * @param called  what people call such a file
     * @param formats one of which it has to be
     */
    public static Read read(String text, String called, List<String> formats) {
        if (text.length() > MOST_CHARACTERS) {
            return new Read.Bad("the file", "It has more than " + (MOST_CHARACTERS >> 20) + " MiB");
        }
        JsonNode file;
        try {
            file = JSON.readTree(text);
        } catch (StreamReadException e) {
            return new Read.Bad("line " + e.getLocation().getLineNr() + ", column " + e.getLocation().getColumnNr(),
                    "This is not JSON: " + e.getOriginalMessage());
        } catch (JacksonException e) {
            return new Read.Bad("the file", "This cannot be read: " + ShowJson.reason(e));
        }
        if (!file.isObject() || !formats.contains(file.path("format").asString(""))) {
            return new Read.Bad("format", "This is not a " + called + ": its format is not “" + String.join("” or “", formats) + "”");
        }
        int version = file.path("version").asInt(0);
        if (version < 1 || version > VERSION) {
            return new Read.Bad("version", "The file is of version " + file.path("version") + "; this Imperan reads versions 1 to "
                    + VERSION);
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
        return parts(file.get("format").stringValue(), name, file.get("parts"), pictures);
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
        return picture.hash().equals(node.path("hash").asString("")) ? "" : "The picture is another one than its hash says";
    }

    private static Read parts(String format, String name, JsonNode list, List<Picture> pictures) {
        if (list.size() > PartRules.MOST_CHANGES) {
            return new Read.Bad("parts", "The file holds " + list.size() + " parts; at most " + PartRules.MOST_CHANGES + " are taken");
        }
        Map<String, PartId> ids = new LinkedHashMap<>();
        for (int i = 0; i < list.size(); i++) {
            String handle = list.get(i).path("handle").asString("");
            if (handle.isEmpty() || ids.put(handle, PartId.random()) != null) {
                return new Read.Bad("parts/" + i + "/handle", handle.isEmpty() ? "The part has no handle"
                        : "The handle " + handle + " stands twice");
            }
        }
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            JsonNode node = list.get(i);
            String parent = node.path("parent").isNull() ? "" : node.path("parent").asString("");
            if (!parent.isEmpty() && !ids.containsKey(parent)) {
                return new Read.Bad("parts/" + i + "/parent", "There is no part " + parent);
            }
            JsonNode body = node.path("body").deepCopy();
            List<String> unknown = new ArrayList<>();
            eachReference(body, handle -> {
                PartId id = ids.get(handle);
                if (id == null) {
                    unknown.add(handle);
                }
                return Optional.ofNullable(id).map(PartId::value);
            });
            if (!unknown.isEmpty()) {
                return new Read.Bad("parts/" + i + "/body", "It names " + unknown.get(0) + ", which is not in the file");
            }
            try {
                parts.add(new Part(ids.get(node.get("handle").stringValue()),
                        parent.isEmpty() ? Optional.empty() : Optional.of(ids.get(parent)), i,
                        JSON.treeToValue(body, Body.class)));
            } catch (JacksonException e) {
                return new Read.Bad("parts/" + i + "/body" + path(e), reason(e, body.at(path(e))));
            }
        }
        return new Read.Good(format, name, parts, pictures);
    }

    private static String path(JacksonException e) {
        StringBuilder path = new StringBuilder();
        e.getPath().forEach(step -> path.append('/')
                .append(step.getPropertyName() != null ? step.getPropertyName() : String.valueOf(step.getIndex())));
        return path.toString();
    }

    /** @param found what stands there */
    private static String reason(JacksonException e, JsonNode found) {
        if (e instanceof UnrecognizedPropertyException unknown) {
            return "“" + unknown.getPropertyName() + "” is no field here";
        } else if (e instanceof InvalidTypeIdException unknown) {
            return "“" + unknown.getTypeId() + "” is no kind that belongs here";
        } else if (found.isValueNode() && !found.isNull()) {
            return "“" + found.asString() + "” does not fit here";
        }
        return "A value is missing here, or of the wrong type";
    }

    private interface Renaming {
        Optional<String> of(String reference);
    }

    /** Renames every reference to a part within a body; one that has no new name becomes none. */
    private static void eachReference(JsonNode node, Renaming renaming) {
        if (node instanceof ObjectNode object) {
            for (String field : REFERENCES) {
                if (object.path(field).isString()) {
                    object.put(field, renaming.of(object.get(field).stringValue()).orElse(null));
                }
            }
        }
        node.forEach(child -> eachReference(child, renaming));
    }

    /** All parts but the lock, which belongs to an evening. */
    private static List<Part> inDocumentOrder(Show show) {
        List<Part> parts = new ArrayList<>();
        List<Part> phrases = show.all(Phrase.class);
        for (Part book : show.all(Phrasebook.class)) {
            parts.add(book);
            parts.addAll(lyingIn(book, phrases));
        }
        parts.addAll(show.all(Host.class));
        parts.addAll(show.all(Target.class));
        // what was accepted of a part that is gone means nothing any more
        show.all(Acceptance.class).stream().filter(part -> show.part(((Acceptance) part.body()).about()).isPresent())
                .forEach(parts::add);
        List<Part> pages = show.all(Page.class);
        // a twin of what is gone shows nothing
        List<Part> laidParts = show.all(Laid.class).stream().filter(part -> !(part.body() instanceof Twin twin) || show.part(twin.of()).isPresent()).toList();
        for (Part layout : show.all(Layout.class)) {
            parts.add(layout);
            for (Part page : lyingIn(layout, pages)) {
                parts.add(page);
                for (Part laid : lyingIn(page, laidParts)) {
                    parts.add(laid);
                    parts.addAll(lyingIn(laid, laidParts));
                }
            }
        }
        return parts;
    }

    private static List<Part> lyingIn(Part parent, List<Part> parts) {
        return parts.stream().filter(part -> part.parent().filter(parent.id()::equals).isPresent()).toList();
    }
}
