package imperan.layout.placing;

import imperan.address.SlotAddress;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Phrases of a phrasebook that belong to one thing of which there are several, such as all that an input understands.
 *
 * @param prefix  their addresses up to the last slot, and that slot; empty for the phrases without one
 * @param count   how many of the thing there are; 1 without a slot
 * @param phrases in the order of the phrasebook
 * @param strip   those of them that make a strip: a name, a meter, a fader and a key; empty where there is less than a fader and one more
 */
public record PhraseFamily(String prefix, int count, List<Member> phrases, List<PartId> strip) {

    /** What a strip has, at most one of each. */
    private static final Set<String> STRIP = Set.of("readout", "meter", "fader", "button");

    public PhraseFamily {
        phrases = List.copyOf(phrases);
        strip = List.copyOf(strip);
    }

    /** @param form the word for the control that fits it */
    public record Member(PartId phrase, String address, Phrase.Direction direction, String form, String meaning) {}

    /** The families of what a target understands; none where it has no phrasebook. */
    public static List<PhraseFamily> of(Show show, PartId target) {
        Map<String, List<Part>> byPrefix = new LinkedHashMap<>();
        show.part(target)
                .map(Part::body)
                .filter(Target.class::isInstance)
                .flatMap(body -> ((Target) body).phrasebook())
                .ifPresent(book -> show.children(book)
                        .filter(part -> part.body() instanceof Phrase)
                        .forEach(part -> byPrefix.computeIfAbsent(
                                        prefix(part.body().called()), p -> new ArrayList<>())
                                .add(part)));
        return byPrefix.entrySet().stream()
                .map(entry -> family(entry.getKey(), entry.getValue()))
                .toList();
    }

    private static String prefix(String address) {
        int end = address.lastIndexOf('>');
        return end < 0 ? "" : address.substring(0, end + 1);
    }

    private static PhraseFamily family(String prefix, List<Part> parts) {
        List<Member> members = new ArrayList<>();
        Map<String, PartId> strip = new LinkedHashMap<>();
        for (Part part : parts) {
            Phrase phrase = (Phrase) part.body();
            Form form = new PhraseControl(phrase).form();
            members.add(new Member(part.id(), phrase.address(), phrase.direction(), form.called(), phrase.meaning()));
            if (STRIP.contains(form.called())) {
                strip.putIfAbsent(form.called(), part.id());
            }
        }
        boolean strips = !prefix.isEmpty() && strip.containsKey("fader") && strip.size() > 1;
        return new PhraseFamily(
                prefix,
                prefix.isEmpty()
                        ? 1
                        : SlotAddress.parseFreely(parts.get(0).body().called()).count(),
                members,
                strips ? List.copyOf(strip.values()) : List.of());
    }
}
