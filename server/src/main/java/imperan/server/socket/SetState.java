package imperan.server.socket;

import imperan.live.SetView;
import imperan.show.PartId;
import java.util.Optional;

/**
 * How a set list stands.
 *
 * @param ready the song that is made ready; {@code onAir} the one that is on air; {@code next} the one that becomes ready with next
 */
public record SetState(PartId set, Optional<PartId> ready, Optional<PartId> onAir, Optional<PartId> next) {

    public static SetState of(SetView view) {
        return new SetState(view.set(), view.ready(), view.onAir(), view.next());
    }
}
