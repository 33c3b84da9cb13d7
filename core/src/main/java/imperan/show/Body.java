package imperan.show;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/** What a part is. Its kind is its class, which is registered in {@link Kinds}; what it refers to are the {@link PartId}s in it, wherever they stand. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
public interface Body {

    /** What a person calls this part, for lists of edits and for messages. */
    String called();

    /** Where the arguments of its messages come from; none where it has no messages. */
    default Stream<ArgumentSource> sources() {
        return Stream.empty();
    }

    /** Tells what is wrong with it. */
    void check(PartRules rules);

    /**
     * What it is called in a comparison, where it has no name of its own.
     *
     * @param parts those that it may be called after
     */
    default String calledAmong(Function<PartId, Optional<Part>> parts) {
        return called();
    }

    /** What it is, in a few words, for who sees it come or go as a whole. */
    default String described() {
        return Kinds.of(this).name();
    }
}
