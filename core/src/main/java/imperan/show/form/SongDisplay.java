package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * Shows which song of a set list is on air, or which one comes next.
 *
 * @param set empty while none is chosen
 */
public record SongDisplay(Optional<PartId> set, Shown shows) implements Form {

    public enum Shown {
        ON_AIR,
        /** The one that is ready; where none is, the one after that on air. */
        NEXT
    }

    @Override
    public String called() {
        return "song display";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(new Needs("set list", set));
    }

    @Override
    public boolean wantsLines() {
        return false;
    }

    @Override
    public boolean takesHands() {
        return false;
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS, 2);
    }
}
