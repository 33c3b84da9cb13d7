package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * The address and port of a target, to be changed from a page: where the far end has another address tonight, all that is sent to it goes there. It sends nothing itself.
 *
 * @param target whose; empty while none is chosen
 */
public record TargetEnd(Optional<PartId> target) implements Form {
    @Override
    public String called() {
        return "target address";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(new Needs("target", target));
    }

    @Override
    public Optional<PartId> addressOf() {
        return target;
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
        return new Size(PHONE_COLUMNS, 3);
    }
}
