package imperan.server.run;

import imperan.wire.WireRecord;
import java.util.List;

/**
 * The packets that are kept, at one moment.
 *
 * @param packets oldest first
 * @param change  how often something became of one so far
 * @param now     in nanoseconds since 1970
 */
public record WireNow(List<WireRecord> packets, long change, long now) {

    static final WireNow NONE = new WireNow(List.of(), 0, 0);
}
