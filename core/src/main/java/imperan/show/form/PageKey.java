package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * A key that goes to another page, or shows and hides a tray.
 *
 * @param goesTo the page or the tray; empty while none is chosen
 */
public record PageKey(Optional<PartId> goesTo) implements Form {
    @Override
    public String called() {
        return "page key";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(new Needs("page", goesTo));
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
    public boolean takesFingers() {
        return true;
    }

    @Override
    public Size onPhone() {
        return new Size(2, 1);
    }
}
