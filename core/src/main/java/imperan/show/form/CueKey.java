package imperan.show.form;

import imperan.show.PartId;
import java.util.Optional;

/**
 * A key that steps or steers a cue list. It sends nothing itself.
 *
 * @param list  empty while none is chosen
 * @param order what it does with it
 * @param cue   for {@link CueOrder#FIRE} which; else empty
 */
public record CueKey(Optional<PartId> list, CueOrder order, Optional<PartId> cue) implements Form {

    /** What a key can do with a list. */
    public enum CueOrder {
        GO,
        BACK,
        /** Pauses what runs, and lets it go on. */
        PAUSE,
        STOP,
        /** Fires one cue, and leaves the next one as it is. */
        FIRE,
        RESET,
        /** Stops all lists. */
        STOP_ALL
    }

    @Override
    public String called() {
        return "cue key";
    }

    @Override
    public Optional<Needs> needs() {
        return order == CueOrder.STOP_ALL
                ? Optional.empty()
                : order == CueOrder.FIRE && list.isPresent()
                        ? Optional.of(new Needs("cue", cue))
                        : Optional.of(new Needs("cue list", list));
    }

    @Override
    public Optional<CueKey> listSteps() {
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
