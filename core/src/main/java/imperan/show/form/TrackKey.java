package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * A key that plays a track or places it. It sends nothing itself.
 *
 * @param track empty while none is chosen
 * @param order what it does with it
 * @param mark  for {@link TrackOrder#MARK} and {@link TrackOrder#LOOP} which; else empty
 */
public record TrackKey(Optional<PartId> track, TrackOrder order, Optional<PartId> mark) implements Form {

    /** What a key can do with a track. */
    public enum TrackOrder {
        /** Plays, and pauses what plays. */
        PLAY,
        /** Goes to the start. */
        START,
        /** Goes to a mark. */
        MARK,
        /** Plays a section again and again. */
        LOOP,
        /** Plays what is looped to its end, and goes on. */
        LEAVE
    }

    /** Whether it is of no use without a mark. */
    public boolean needsMark() {
        return order == TrackOrder.MARK || order == TrackOrder.LOOP;
    }

    @Override
    public String called() {
        return "track key";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(needsMark() && track.isPresent() ? new Needs("mark", mark) : new Needs("track", track));
    }

    @Override
    public Optional<TrackKey> trackSteps() {
        return Optional.of(this);
    }

    @Override
    public boolean wantsLines() {
        return false;
    }

    @Override
    public boolean restsOnDemand() {
        return false;
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 2);
    }
}
