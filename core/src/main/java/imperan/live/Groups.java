package imperan.live;

import imperan.show.PartId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Which buttons mind each other: those of one group in the same tray, or on the same page outside of trays. */
final class Groups {

    private record Key(PartId grid, String group) {}

    private final Map<PartId, Key> keys = new HashMap<>();
    private final Map<Key, Map<PartId, LiveControl>> members = new HashMap<>();

    /**
     * A control is there, or is another one than before.
     *
     * @param grid the page or the tray on which it lies
     */
    void put(LiveControl control, PartId grid) {
        String group = control.control.form().group();
        Key key = group.isEmpty() ? null : new Key(grid, group);
        if (key == null || !key.equals(keys.get(control.id))) {
            remove(control.id);
        }
        if (key != null) {
            keys.put(control.id, key);
            members.computeIfAbsent(key, k -> new TreeMap<>()).put(control.id, control);
        }
    }

    void remove(PartId control) {
        Key key = keys.remove(control);
        if (key != null) {
            Map<PartId, LiveControl> rest = members.get(key);
            rest.remove(control);
            if (rest.isEmpty()) {
                members.remove(key);
            }
        }
    }

    /** The other buttons of its group; empty for a control that has none. */
    List<LiveControl> othersOf(LiveControl control) {
        Key key = keys.get(control.id);
        return key == null
                ? List.of()
                : members.get(key).values().stream()
                        .filter(member -> member != control)
                        .toList();
    }
}
