package imperan.live;

import imperan.show.Control;
import imperan.show.Form;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which buttons mind each other: those of one group in the same tray, or on the same page outside of trays. */
final class Groups {

    private record Key(PartId grid, String group) {
    }

    private final Map<PartId, List<LiveControl>> members = new HashMap<>();

    /** Follows the show to a new version. */
    void index(Show show, Map<PartId, LiveControl> controls) {
        members.clear();
        Map<Key, List<LiveControl>> groups = new HashMap<>();
        for (LiveControl control : controls.values()) {
            if (control.control.form() instanceof Form.Button button && !button.group().isEmpty()) {
                PartId grid = show.part(control.id).flatMap(Part::parent).orElseThrow();
                List<LiveControl> group = groups.computeIfAbsent(new Key(grid, button.group()), key -> new ArrayList<>());
                group.add(control);
                members.put(control.id, group);
            }
        }
    }

    /** The other buttons of its group; empty for a control that has none. */
    List<LiveControl> othersOf(LiveControl control) {
        return members.getOrDefault(control.id, List.of()).stream().filter(member -> member != control).toList();
    }
}
