package imperan.show;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * What parts refer to. A reference is every {@link PartId} in a body, found by its type in records, optionals and lists, so a new field or a new kind of part
 * needs nothing to be found.
 */
public final class References {

    /** How a record is taken apart and put together. */
    private record Shape(List<MethodHandle> components, MethodHandle constructor) {}

    private static final MethodType READING = MethodType.methodType(Object.class, Object.class);

    private static final ClassValue<Shape> SHAPES = new ClassValue<>() {
        @Override
        protected Shape computeValue(Class<?> type) {
            MethodHandles.Lookup lookup = MethodHandles.lookup();
            try {
                List<MethodHandle> components = new ArrayList<>();
                for (RecordComponent component : type.getRecordComponents()) {
                    components.add(lookup.unreflect(component.getAccessor()).asType(READING));
                }
                Class<?>[] types = Arrays.stream(type.getRecordComponents())
                        .map(RecordComponent::getType)
                        .toArray(Class<?>[]::new);
                return new Shape(components, lookup.unreflectConstructor(type.getDeclaredConstructor(types)));
            } catch (ReflectiveOperationException e) {
                throw new IllegalArgumentException("A part is made of public records: " + type, e);
            }
        }
    };

    private References() {}

    /** What a body refers to, each once. */
    public static Set<PartId> of(Body body) {
        Set<PartId> found = new LinkedHashSet<>();
        each(body, found::add);
        return found;
    }

    private static void each(Object value, Consumer<PartId> found) {
        if (value instanceof PartId id) {
            found.accept(id);
        } else if (value instanceof Optional<?> optional) {
            optional.ifPresent(inner -> each(inner, found));
        } else if (value instanceof List<?> list) {
            list.forEach(inner -> each(inner, found));
        } else if (value instanceof Record) {
            for (MethodHandle component : SHAPES.get(value.getClass()).components()) {
                each(read(component, value), found);
            }
        }
    }

    /**
     * A body with other references. One that becomes nothing takes with it what cannot be without it, up to the entry of a list or to what need not be there.
     *
     * @param names what takes the place of a reference
     * @return empty where the body itself cannot be without
     */
    @SuppressWarnings("unchecked")
    public static <B extends Body> Optional<B> mapped(B body, Function<PartId, Optional<PartId>> names) {
        return (Optional<B>) value(body, names);
    }

    private static Optional<?> value(Object value, Function<PartId, Optional<PartId>> names) {
        if (value instanceof PartId id) {
            return names.apply(id);
        } else if (value instanceof Optional<?> optional) {
            return Optional.of(optional.flatMap(inner -> value(inner, names)));
        } else if (value instanceof List<?> list) {
            return Optional.of(
                    list.stream().flatMap(inner -> value(inner, names).stream()).toList());
        } else if (value instanceof Record) {
            return record(value, names);
        }
        return Optional.of(value);
    }

    private static Optional<?> record(Object value, Function<PartId, Optional<PartId>> names) {
        Shape shape = SHAPES.get(value.getClass());
        Object[] fields = new Object[shape.components().size()];
        boolean same = true;
        for (int i = 0; i < fields.length; i++) {
            Object before = read(shape.components().get(i), value);
            Optional<?> after = value(before, names);
            if (after.isEmpty()) {
                return Optional.empty();
            }
            fields[i] = after.get();
            same &= before.equals(fields[i]);
        }
        return Optional.of(same ? value : made(shape.constructor(), fields));
    }

    private static Object read(MethodHandle component, Object of) {
        try {
            return component.invokeExact(of);
        } catch (Throwable e) {
            throw new IllegalStateException("An accessor of a record does nothing but read", e);
        }
    }

    private static Object made(MethodHandle constructor, Object[] fields) {
        try {
            return constructor.invokeWithArguments(fields);
        } catch (Throwable e) {
            throw new IllegalStateException("A record takes what stood in one like it", e);
        }
    }
}
