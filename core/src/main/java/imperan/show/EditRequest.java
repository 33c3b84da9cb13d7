package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;

/**
 * What a person wants changed; all of it or nothing.
 *
 * @param title what it is, for people
 * @param steps in any order: the show is judged when all are done
 */
public record EditRequest(String title, List<Step> steps) {

    public EditRequest {
        steps = List.copyOf(steps);
    }

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "step")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Put.class, name = "put"),
        @JsonSubTypes.Type(value = Remove.class, name = "remove")
    })
    public sealed interface Step {}

    /**
     * A part is to be so.
     *
     * @param basedOn the version its author saw; 0 for a new part. Another version now means that somebody else was
     *                faster, and the request is refused
     */
    public record Put(Part part, long basedOn) implements Step {}

    /** A part is to go, with all that lies in it. */
    public record Remove(PartId id, long basedOn) implements Step {}
}
