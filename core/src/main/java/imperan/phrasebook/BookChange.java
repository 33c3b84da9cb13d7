package imperan.phrasebook;

import imperan.address.AddressText;
import imperan.dialect.Osc;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Phrases that were read become a phrasebook of a show, beside those that are there, in their place, or among them. */
public final class BookChange {

    /** What to do where the show has a phrasebook of that name. */
    public enum OnSameName {
        /** Both stay; the new one gets another name. */
        KEEP_BOTH,
        /** What is not in the import goes. */
        REPLACE,
        /** What is not in the import stays; where both have an address, the import counts. */
        MERGE
    }

    /** How an import differs from the phrasebook that is there: addresses. */
    public record Difference(List<String> added, List<String> changed, List<String> gone, int same) {}

    private final Show show;
    private final String name;
    private final Optional<Phrasebook.LinkSheet> sheet;
    private final Map<String, Phrase> read = new LinkedHashMap<>();

    /** @param phrases as read; of two with one address the later counts */
    public BookChange(Show show, String name, List<Phrase> phrases) {
        this(show, name, phrases, Optional.empty());
    }

    /** @param sheet how such a target is reached, where the source of the phrases tells that, too */
    public BookChange(Show show, String name, List<Phrase> phrases, Optional<Phrasebook.LinkSheet> sheet) {
        this.show = show;
        this.sheet = sheet;
        this.name = name.strip();
        phrases.forEach(phrase -> read.put(phrase.address(), phrase));
    }

    private Optional<Part> there() {
        return show.all(Phrasebook.class).stream()
                .filter(part -> ((Phrasebook) part.body()).name().equals(name))
                .findFirst();
    }

    private Map<String, Held> phrasesOf(Part book) {
        Map<String, Held> phrases = new LinkedHashMap<>();
        show.children(book.id())
                .forEach(part ->
                        phrases.put(part.body().called(), show.held(part.id()).orElseThrow()));
        return phrases;
    }

    /** What would change; empty where no phrasebook has that name. */
    public Optional<Difference> difference() {
        return there().map(book -> {
            Map<String, Held> old = phrasesOf(book);
            List<String> added = read.keySet().stream()
                    .filter(address -> !old.containsKey(address))
                    .toList();
            List<String> changed = read.keySet().stream()
                    .filter(address -> old.containsKey(address)
                            && !old.get(address).part().body().equals(read.get(address)))
                    .toList();
            List<String> gone = old.keySet().stream()
                    .filter(address -> !read.containsKey(address))
                    .toList();
            return new Difference(added, changed, gone, read.size() - added.size() - changed.size());
        });
    }

    /** The edit that takes the phrases in. */
    public EditRequest edit(OnSameName onSameName) {
        Optional<Part> there = onSameName == OnSameName.KEEP_BOTH ? Optional.empty() : there();
        List<EditRequest.Step> steps = new ArrayList<>();
        PartId book = there.map(Part::id).orElseGet(PartId::random);
        if (there.isEmpty()) {
            int order = show.all(Phrasebook.class).stream()
                            .mapToInt(Part::order)
                            .max()
                            .orElse(-1)
                    + 1;
            steps.add(new EditRequest.Put(
                    new Part(
                            book,
                            Optional.empty(),
                            order,
                            new Phrasebook(freeName(), allowing(sheet.orElse(Phrasebook.LinkSheet.unknown())))),
                    0));
        } else {
            Held known = show.held(book).orElseThrow();
            Phrasebook body = (Phrasebook) known.part().body();
            // what is replaced is replaced whole; what is added to stays as it is reached
            Phrasebook.LinkSheet next =
                    allowing(onSameName == OnSameName.REPLACE ? sheet.orElse(body.sheet()) : body.sheet());
            if (!next.equals(body.sheet())) {
                steps.add(new EditRequest.Put(
                        new Part(book, Optional.empty(), known.part().order(), new Phrasebook(body.name(), next)),
                        known.version()));
            }
        }
        Map<String, Held> old = there.map(this::phrasesOf).orElse(Map.of());
        int order = old.values().stream()
                .mapToInt(held -> held.part().order())
                .max()
                .orElse(-1);
        for (Phrase phrase : read.values()) {
            Held known = old.get(phrase.address());
            if (known == null) {
                steps.add(new EditRequest.Put(new Part(PartId.random(), Optional.of(book), ++order, phrase), 0));
            } else if (!known.part().body().equals(phrase)) {
                steps.add(new EditRequest.Put(
                        new Part(
                                known.part().id(),
                                Optional.of(book),
                                known.part().order(),
                                phrase),
                        known.version()));
            }
        }
        if (onSameName == OnSameName.REPLACE) {
            old.forEach((address, held) -> {
                if (!read.containsKey(address)) {
                    steps.add(new EditRequest.Remove(held.part().id(), held.version()));
                }
            });
        }
        return new EditRequest("Import " + read.size() + " phrases as " + name, steps);
    }

    /** An address that lacks the slash at its start needs a way to speak that allows for it. */
    private Phrasebook.LinkSheet allowing(Phrasebook.LinkSheet given) {
        return given.spoken() == Osc.STRICT && read.keySet().stream().anyMatch(AddressText::isBare)
                ? given.in(Osc.BARE)
                : given;
    }

    private String freeName() {
        Set<String> names = new LinkedHashSet<>();
        show.all(Phrasebook.class).forEach(part -> names.add(((Phrasebook) part.body()).name()));
        String free = name;
        for (int number = 2; names.contains(free); number++) {
            free = name + " (" + number + ")";
        }
        return free;
    }
}
