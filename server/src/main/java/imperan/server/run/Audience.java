package imperan.server.run;

import imperan.show.PartId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Who looks at which show, which paths they watch, and what they have selected while they build. Belongs to the loop's turn. */
final class Audience {

    private record Viewer(String showId, Set<PartId> traces, Optional<Presence> presence) {}

    private final Map<Feed, Viewer> viewers = new LinkedHashMap<>();
    private volatile int size;

    /** Feeds at once; more than devices at any show. */
    static final int MOST = 500;

    /** @return false where its browser has gone already, or there are too many */
    boolean join(Feed feed, String showId) {
        if (!feed.isOpen()) {
            return false;
        } else if (viewers.size() >= MOST && !viewers.containsKey(feed)) {
            feed.refuse("There are " + MOST + " browsers here already; close some of them");
            return false;
        }
        viewers.put(feed, new Viewer(showId, Set.of(), Optional.empty()));
        size = viewers.size();
        return true;
    }

    void leave(Feed feed) {
        Viewer gone = viewers.remove(feed);
        size = viewers.size();
        if (gone != null && gone.presence().isPresent()) {
            tellPresences(gone.showId());
        }
    }

    /** How many look at any show; may be asked from any thread. */
    int size() {
        return size;
    }

    /** Who looks at a show. */
    List<Feed> of(String showId) {
        return viewers.entrySet().stream()
                .filter(e -> e.getValue().showId().equals(showId))
                .map(Map.Entry::getKey)
                .toList();
    }

    boolean isOf(Feed feed, String showId) {
        return viewers.containsKey(feed) && viewers.get(feed).showId().equals(showId);
    }

    /** From now on this browser shows the paths of these controls, and no others. */
    void watch(Feed feed, List<PartId> traces) {
        viewers.computeIfPresent(
                feed, (f, viewer) -> new Viewer(viewer.showId(), Set.copyOf(traces), viewer.presence()));
    }

    /** The controls whose path anybody watches. */
    Set<PartId> traces() {
        return viewers.values().stream()
                .flatMap(viewer -> viewer.traces().stream())
                .collect(Collectors.toSet());
    }

    /** Somebody has something else selected; all who look at the same show are told. */
    void selecting(Feed feed, Presence presence) {
        Viewer selecting = viewers.computeIfPresent(
                feed, (f, viewer) -> new Viewer(viewer.showId(), viewer.traces(), Optional.of(presence)));
        if (selecting != null) {
            tellPresences(selecting.showId());
        }
    }

    private void tellPresences(String showId) {
        List<Presence> presences = viewers.values().stream()
                .filter(viewer -> viewer.showId().equals(showId))
                .flatMap(viewer -> viewer.presence().stream())
                .filter(presence -> !presence.controls().isEmpty())
                .toList();
        of(showId).forEach(feed -> feed.presences(presences));
    }
}
