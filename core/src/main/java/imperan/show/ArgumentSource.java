package imperan.show;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** Where an argument of a send comes from. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "from")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ArgumentSource.Value.class, name = "value"),
    @JsonSubTypes.Type(value = ArgumentSource.Fixed.class, name = "fixed")
})
public sealed interface ArgumentSource {

    ArgumentType type();

    /**
     * The control's position, scaled: 0 gives {@code low} and 1 gives {@code high}, which may be the smaller one. Whole
     * numbers are rounded, not cut; {@link ArgumentType#BOOLEAN} is true from the middle of the control upwards.
     */
    record Value(ArgumentType type, double low, double high) implements ArgumentSource {
    }

    /** The same every time, such as a channel number before the value. */
    record Fixed(ArgumentType type, String text) implements ArgumentSource {
    }

    /** The types a person chooses from. */
    enum ArgumentType { FLOAT32, INT32, FLOAT64, INT64, TEXT, BOOLEAN }
}
