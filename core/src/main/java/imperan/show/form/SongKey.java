package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * A key that makes a song of a set list ready, or puts the one that is ready on air. It sends nothing itself.
 *
 * @param set   the set list; empty while none is chosen
 * @param order what it does
 * @param song  for {@link SongOrder#READY} which; else empty
 */
public record SongKey(Optional<PartId> set, SongOrder order, Optional<PartId> song) implements Form {

    /** What a key can do with a set list. */
    public enum SongOrder {
        /** Makes the next song ready. */
        NEXT,
        /** Makes the one before ready. */
        PREVIOUS,
        /** Makes one song ready. */
        READY,
        /** Puts the song that is ready on air. */
        ON_AIR
    }

    @Override
    public String called() {
        return "song key";
    }

    @Override
    public Optional<Needs> needs() {
        return Optional.of(
                order == SongOrder.READY && set.isPresent() ? new Needs("song", song) : new Needs("set list", set));
    }

    @Override
    public Optional<SongKey> songSteps() {
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
