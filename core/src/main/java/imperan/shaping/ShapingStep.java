package imperan.shaping;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Optional;

/**
 * One step of a {@link Chain}: something becomes something else. What it says of itself hangs on what can come in, and that is known from the steps before it.
 * A step is a value; what one remembers while it works is its {@link Work}.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "step")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Scale.class, name = "scale"),
    @JsonSubTypes.Type(value = Clamp.class, name = "clamp"),
    @JsonSubTypes.Type(value = Flip.class, name = "flip"),
    @JsonSubTypes.Type(value = Power.class, name = "power"),
    @JsonSubTypes.Type(value = SCurve.class, name = "s-curve"),
    @JsonSubTypes.Type(value = Breakpoints.class, name = "breakpoints"),
    @JsonSubTypes.Type(value = Decibels.class, name = "decibels"),
    @JsonSubTypes.Type(value = Round.class, name = "round"),
    @JsonSubTypes.Type(value = Cut.class, name = "cut"),
    @JsonSubTypes.Type(value = Table.class, name = "table"),
    @JsonSubTypes.Type(value = DeadZone.class, name = "dead-zone"),
    @JsonSubTypes.Type(value = Add.class, name = "add"),
    @JsonSubTypes.Type(value = Multiply.class, name = "multiply"),
    @JsonSubTypes.Type(value = Wrap.class, name = "wrap"),
    @JsonSubTypes.Type(value = Hold.class, name = "hold"),
    @JsonSubTypes.Type(value = Smooth.class, name = "smooth"),
    @JsonSubTypes.Type(value = RateLimit.class, name = "rate-limit"),
    @JsonSubTypes.Type(value = AtMostEvery.class, name = "at-most-every"),
    @JsonSubTypes.Type(value = Threshold.class, name = "threshold"),
    @JsonSubTypes.Type(value = Edge.class, name = "edge"),
    @JsonSubTypes.Type(value = Toggle.class, name = "toggle")
})
public sealed interface ShapingStep permits NumberStep, Table {

    /** What is wrong with it, in a sentence with its mend; empty where nothing is. */
    Optional<String> problem(Span in);

    /** What can come out. */
    Span span(Span in);

    /** What comes out, once it has had the time it takes; empty where nothing does. */
    Optional<Signal> settled(Signal signal, Span in);

    /** Why nobody can tell from what comes out what went in; empty where it leads back. */
    default Optional<String> noWayBack(Span in) {
        return Optional.empty();
    }

    /** What went in, where it leads back; what never comes out is taken for the nearest that does, and empty where there is none. */
    Optional<Signal> back(Signal out, Span in);

    /** It, at work. */
    default Work work(Span in) {
        return (signal, now, event) -> settled(signal, in);
    }

    /** Whether what comes out goes on changing after what comes in does not. */
    default boolean takesTime() {
        return false;
    }
}
