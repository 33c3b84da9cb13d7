package imperan.live;

import imperan.show.PartId;
import java.util.Optional;

/**
 * How a set list stands.
 *
 * @param ready the song that is made ready; empty where none is
 * @param onAir the song that is on air
 * @param next  the song that becomes ready with <em>next</em>; empty at the end
 */
public record SetView(PartId set, Optional<PartId> ready, Optional<PartId> onAir, Optional<PartId> next) {}
