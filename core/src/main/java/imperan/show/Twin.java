package imperan.show;

import java.util.Optional;
import java.util.function.Function;

/**
 * A control that is shown once more in another place, such as on the page for a phone: it has no lines of its own, so what is moved or
 * changed at one place is moved and changed at the other.
 *
 * @param of the control; where it is gone, nothing is shown and the place says so
 */
public record Twin(PartId of, Cells cells) implements Laid {

    @Override
    public Twin at(Cells place) {
        return new Twin(of, place);
    }

    @Override
    public String called() {
        return "shown again";
    }

    @Override
    public String calledAmong(Function<PartId, Optional<Part>> parts) {
        return parts.apply(of).map(part -> part.body().called() + ", ").orElse("") + called();
    }

    @Override
    public void check(PartRules rules) {
        rules.place(this);
    }
}
