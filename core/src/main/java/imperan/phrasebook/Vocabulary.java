package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** The phrases of one phrasebook, found by an address without reading them all. */
public final class Vocabulary {

    /** Of a target without a phrasebook. */
    public static final Vocabulary NONE = new Vocabulary(List.of());

    /**
     * A phrase that an address belongs to.
     *
     * @param numbers of its slots, by their names
     */
    public record Known(Phrase phrase, Map<String, Integer> numbers) {
    }

    private record Entry(Phrase phrase, SlotAddress address) {
    }

    /** All addresses of a slotted phrase differ in digits only, so their shape without them leads to it. */
    private static final Pattern DIGITS = Pattern.compile("\\d+");

    private final List<Phrase> phrases;
    private final Map<String, List<Entry>> byShape = new HashMap<>();

    public Vocabulary(List<Phrase> phrases) {
        this.phrases = List.copyOf(phrases);
        for (Phrase phrase : phrases) {
            SlotAddress address = SlotAddress.parseFreely(phrase.address());
            if (address.problem().isEmpty()) {
                byShape.computeIfAbsent(shape(address.first()), s -> new ArrayList<>(1)).add(new Entry(phrase, address));
            }
        }
    }

    /** What a target of a show understands and says. */
    public static Vocabulary of(Show show, PartId target) {
        return show.part(target).map(Part::body).filter(Target.class::isInstance).flatMap(body -> ((Target) body).phrasebook())
                .map(book -> new Vocabulary(show.children(book).map(Part::body).filter(Phrase.class::isInstance).map(Phrase.class::cast).toList()))
                .orElse(NONE);
    }

    public List<Phrase> phrases() {
        return phrases;
    }

    /** What we say on an address. */
    public Optional<Known> said(String address) {
        return find(address, Phrase.Direction.IN);
    }

    /** What the target says on an address. */
    public Optional<Known> heard(String address) {
        return find(address, Phrase.Direction.OUT);
    }

    private Optional<Known> find(String address, Phrase.Direction except) {
        for (Entry entry : byShape.getOrDefault(shape(address), List.of())) {
            Optional<Map<String, Integer>> numbers = entry.phrase.direction() == except ? Optional.empty()
                    : entry.address.match(address);
            if (numbers.isPresent()) {
                return Optional.of(new Known(entry.phrase, numbers.get()));
            }
        }
        return Optional.empty();
    }

    private static String shape(String address) {
        return DIGITS.matcher(address).replaceAll("#");
    }
}
