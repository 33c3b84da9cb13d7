package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * Shows of a cue list which cue is next, or what runs with the time that remains.
 *
 * @param list empty while none is chosen
 */
public record CueDisplay(Optional<PartId> list, Shown shows) implements Form {

    public enum Shown {
        NEXT,
        RUNNING
    }

    @Override
    public String called() {
        return "cue display";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(new Needs("cue list", list));
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
