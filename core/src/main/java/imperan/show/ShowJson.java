package imperan.show;

import com.fasterxml.jackson.annotation.Nulls;
import imperan.show.form.Form;
import imperan.show.form.Forms;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.EnumFeature;
import tools.jackson.databind.exc.InvalidTypeIdException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;

/** How parts and edits are written as JSON; one mapper for files, tables and browsers, so they cannot differ. */
public final class ShowJson {

    /** More than the deepest part, and far less than a stack. */
    private static final int MOST_NESTED = 200;
    /** The longest text: a table or an address space in a request. */
    private static final int LONGEST_TEXT = 32 << 20;

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxNestingDepth(MOST_NESTED)
                            .maxStringLength(LONGEST_TEXT)
                            .build())
                    .build())
            .enable(EnumFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES)
            // "0.5" is a text and no number, 0.5 is no whole number, and a list holds no nothing
            .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
            .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
            .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL))
            .registerSubtypes(subTypes(Body.class))
            .registerSubtypes(subTypes(Form.class))
            .build();

    private ShowJson() {}

    /** The classes of which an interface is one, with the names that they have in JSON; none of a type that says them itself, or has none. */
    public static NamedType[] subTypes(Class<?> type) {
        if (type == Body.class) {
            return Kinds.ALL.stream()
                    .map(kind -> new NamedType(kind.type(), kind.name()))
                    .toArray(NamedType[]::new);
        } else if (type == Form.class) {
            return Forms.ALL.entrySet().stream()
                    .map(form -> new NamedType(form.getValue(), form.getKey()))
                    .toArray(NamedType[]::new);
        }
        return new NamedType[0];
    }

    public static JsonMapper mapper() {
        return MAPPER;
    }

    /** Why a text cannot be read, in words for people: nothing of how it is read. */
    public static String reason(JacksonException e) {
        if (e instanceof StreamConstraintsException) {
            return "It is nested deeper than " + MOST_NESTED + " levels, or something in it is too long";
        } else if (e instanceof UnrecognizedPropertyException unknown) {
            return "“" + unknown.getPropertyName() + "” is no field here";
        } else if (e instanceof InvalidTypeIdException unknown) {
            return unknown.getTypeId() == null
                    ? "What kind it is, is missing"
                    : "“" + unknown.getTypeId() + "” is no kind that belongs here";
        } else if (e instanceof DatabindException) {
            return place(e).isEmpty()
                    ? "It is not of the form that belongs here"
                    : "“" + place(e).substring(1) + "” is missing, or of the wrong type";
        }
        return e.getOriginalMessage().lines().findFirst().orElse("something in it is missing");
    }

    /** Where it is wrong, as a JSON Pointer (RFC 6901); empty for the whole. */
    static String place(JacksonException e) {
        StringBuilder place = new StringBuilder();
        e.getPath().forEach(step -> place.append('/')
                .append(step.getPropertyName() != null ? step.getPropertyName() : String.valueOf(step.getIndex())));
        return place.toString();
    }
}
