package imperan.proof.run;

import imperan.live.Line;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** What the lines of a group move: each address, and where messages on it carry numbers beside the value, each of those apart. */
final class Places implements Iterable<Place> {

    private final Map<String, List<Place>> byAddress = new LinkedHashMap<>();
    private final Map<String, Place> byLine = new HashMap<>();
    private final List<Place> all = new ArrayList<>();

    Places(List<PlannedLine> lines) {
        for (PlannedLine line : lines) {
            byLine.put(line.id(), placeOf(line));
        }
        // what is let go may move something of which no line of this proof tells
        lines.forEach(line -> line.releases().stream()
                .filter(release -> on(release.address()).stream().noneMatch(place -> place.isMovedBy(release)))
                .forEach(release -> add(Place.untold(line, release.address()))));
    }

    private Place placeOf(PlannedLine line) {
        Place wanted = new Place(line);
        return on(line.send().address()).stream()
                .filter(place -> place.isSameAs(wanted))
                .findFirst()
                .orElseGet(() -> add(wanted));
    }

    private Place add(Place place) {
        byAddress.computeIfAbsent(place.address(), address -> new ArrayList<>()).add(place);
        all.add(place);
        return place;
    }

    Place of(PlannedLine line) {
        return byLine.get(line.id());
    }

    /** Which one a message of the group moves. */
    Place movedBy(Line said) {
        List<Place> here = on(said.address());
        return here.stream().filter(place -> place.isMovedBy(said)).findFirst().orElse(here.get(0));
    }

    List<Place> on(String address) {
        return byAddress.getOrDefault(address, List.of());
    }

    boolean isAnyOn(Predicate<String> address) {
        return byAddress.keySet().stream().anyMatch(address);
    }

    Stream<Place> stream() {
        return all.stream();
    }

    @Override
    public Iterator<Place> iterator() {
        return all.iterator();
    }
}
