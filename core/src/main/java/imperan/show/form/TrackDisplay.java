package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * Shows where a track is.
 *
 * @param track empty while none is chosen
 */
public record TrackDisplay(Optional<PartId> track) implements Form {

    @Override
    public String called() {
        return "track display";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(new Needs("track", track));
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
