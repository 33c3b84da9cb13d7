package imperan.show;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeMap;

/** Which cues of a list have a number; made once for all cues of an edit. */
final class CueNumbers {

    static final Derivation<CueNumbers> IN_A_LIST = new Derivation<>() {
        @Override
        public CueNumbers of(SortedSet<Part> parts) {
            CueNumbers numbers = new CueNumbers();
            for (Part part : parts) {
                if (part.body() instanceof Cue cue) {
                    numbers.cues
                            .computeIfAbsent(cue.decimal(), first -> new ArrayList<>())
                            .add(part.id());
                }
            }
            return numbers;
        }

        @Override
        public CueNumbers following(CueNumbers before, SortedSet<Part> parts) {
            return of(parts);
        }
    };

    private final TreeMap<BigDecimal, List<PartId>> cues = new TreeMap<>();

    private CueNumbers() {}

    /** The cues of a number, in the order in which they lie in the list. */
    List<PartId> of(BigDecimal number) {
        return cues.getOrDefault(number, List.of());
    }

    /** The next whole one after the highest. */
    String free() {
        return cues.isEmpty()
                ? "1"
                : cues.lastKey().add(BigDecimal.ONE).toBigInteger().toString();
    }
}
