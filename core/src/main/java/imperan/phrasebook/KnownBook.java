package imperan.phrasebook;

import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import java.util.List;
import java.util.Optional;

/** A phrasebook with its phrases, out of the show that it lies in. */
public record KnownBook(Phrasebook book, List<Phrase> phrases) {

    public KnownBook {
        phrases = List.copyOf(phrases);
    }

    /** Empty where the part is no phrasebook, or gone. */
    public static Optional<KnownBook> of(Show show, PartId id) {
        return show.part(id)
                .map(Part::body)
                .filter(Phrasebook.class::isInstance)
                .map(book -> new KnownBook(
                        (Phrasebook) book,
                        show.children(id)
                                .map(Part::body)
                                .filter(Phrase.class::isInstance)
                                .map(Phrase.class::cast)
                                .toList()));
    }
}
