package imperan.dialect;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.Set;

/** All dialects that this Imperan speaks. */
public final class Dialects {

    private static final Map<String, Dialect> ALL = new LinkedHashMap<>();

    static {
        for (Dialect osc : Osc.values()) {
            ALL.put(osc.id(), osc);
        }
        ServiceLoader.load(Dialect.class).forEach(other -> ALL.putIfAbsent(other.id(), other));
    }

    private Dialects() {}

    /** Empty where there is none of that name. */
    public static Optional<Dialect> of(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    /** Their names, as show files say them. */
    public static Set<String> ids() {
        return Set.copyOf(ALL.keySet());
    }
}
