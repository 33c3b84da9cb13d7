package imperan.server.api;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.show.ShowJson;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Brings schemas to the shape that our records have in JSON: every field is there, an empty {@link Optional} is null, and a
 * sealed interface is one of its records, told apart by the name that Jackson writes.
 */
@SuppressWarnings("rawtypes")
final class SchemaShapes {

    private static final String REF = "#/components/schemas/";

    private final Map<String, Schema> schemas;
    private final Set<Class<?>> seen = new HashSet<>();

    SchemaShapes(Map<String, Schema> schemas) {
        this.schemas = schemas;
    }

    /** Adjusts the schema of a type and of all types it mentions. */
    void adjust(Class<?> type) {
        if (!seen.add(type) || !type.getName().startsWith("imperan.")) {
            return;
        }
        Map<String, Class<?>> subTypes = subTypes(type);
        if (!subTypes.isEmpty()) {
            union(type, subTypes);
        } else if (type.isRecord() && schemas.containsKey(type.getSimpleName())) {
            record(type, schemas.get(type.getSimpleName()));
        }
    }

    /** The records of which a type is one, by the names that Jackson writes; none of a record. */
    private static Map<String, Class<?>> subTypes(Class<?> type) {
        Map<String, Class<?>> named = new LinkedHashMap<>();
        JsonSubTypes annotated = type.getAnnotation(JsonSubTypes.class);
        Arrays.stream(ShowJson.subTypes(type)).forEach(subType -> named.put(subType.getName(), subType.getType()));
        if (annotated != null) {
            Arrays.stream(annotated.value()).forEach(subType -> named.put(subType.name(), subType.value()));
        }
        return named;
    }

    private void union(Class<?> type, Map<String, Class<?>> subTypes) {
        String tag = type.getAnnotation(JsonTypeInfo.class).property();
        Schema<?> union = new JsonSchema();
        Discriminator discriminator = new Discriminator().propertyName(tag);
        subTypes.forEach((tagged, subType) -> {
            String name = subType.getSimpleName();
            if (!schemas.containsKey(name)) {
                ModelConverters.getInstance()
                        .resolveAsResolvedSchema(new AnnotatedType(subType))
                        .referencedSchemas
                        .forEach(schemas::putIfAbsent);
            }
            Schema<?> whole = flat(schemas.get(name));
            Schema<?> tagSchema = new JsonSchema().typesItem("string");
            tagSchema.setConst(tagged);
            whole.getProperties().put(tag, tagSchema);
            schemas.put(name, whole);
            record(subType, whole);
            whole.addRequiredItem(tag);
            union.addOneOfItem(new JsonSchema().$ref(REF + name));
            discriminator.mapping(tagged, REF + name);
        });
        union.setDiscriminator(discriminator);
        schemas.put(type.getSimpleName(), union);
    }

    /** A record's own properties, without the inheritance that the generator makes of an interface. */
    private static Schema<?> flat(Schema<?> schema) {
        Schema<?> flat = new JsonSchema().typesItem("object");
        flat.setProperties(new LinkedHashMap<>());
        List<Schema> sources = new ArrayList<>(schema.getAllOf() == null ? List.of() : schema.getAllOf());
        sources.add(schema);
        for (Schema<?> source : sources) {
            if (source.getProperties() != null) {
                flat.getProperties().putAll(source.getProperties());
            }
        }
        return flat;
    }

    private void record(Class<?> type, Schema<?> schema) {
        List<String> required = new ArrayList<>();
        for (RecordComponent component : type.getRecordComponents()) {
            required.add(component.getName());
            if (component.getType() == Optional.class) {
                schema.getProperties()
                        .put(component.getName(), orNull(schema.getProperties().get(component.getName())));
            }
            mentioned(component.getGenericType());
        }
        schema.setRequired(required);
    }

    private void mentioned(Type type) {
        if (type instanceof Class<?> mentioned) {
            adjust(mentioned);
        } else if (type instanceof ParameterizedType generic) {
            for (Type argument : generic.getActualTypeArguments()) {
                mentioned(argument);
            }
        }
    }

    private static Schema<?> orNull(Schema<?> schema) {
        if (schema.get$ref() != null) {
            return new JsonSchema().addOneOfItem(schema).addOneOfItem(new JsonSchema().typesItem("null"));
        }
        return schema.typesItem("null");
    }
}
