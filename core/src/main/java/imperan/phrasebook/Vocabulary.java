package imperan.phrasebook;

import imperan.address.NearMiss;
import imperan.address.SlotAddress;
import imperan.show.Derivation;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Target;
import java.util.Comparator;
import java.util.Iterator;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** The phrases of one phrasebook, found by an address without reading them all. A value: where a phrase changes it becomes another one, at the cost of that phrase. */
public final class Vocabulary {

    /** Of a target without a phrasebook. */
    public static final Vocabulary NONE =
            new Vocabulary(new TreeSet<>(Part.IN_ORDER), AddressIndex.empty(), AddressIndex.empty());

    /** Kept by the show with the phrases of each phrasebook. */
    private static final Derivation<Vocabulary> OF_PHRASES = new Derivation<>() {
        @Override
        public Vocabulary of(SortedSet<Part> parts) {
            return NONE.with(parts);
        }

        @Override
        public Vocabulary following(Vocabulary before, SortedSet<Part> parts) {
            return before.with(parts);
        }
    };

    /**
     * A phrase that an address belongs to.
     *
     * @param numbers of its slots, by their names
     */
    public record Known(Phrase phrase, Map<String, Integer> numbers) {}

    private final SortedSet<Part> parts;
    private final AddressIndex<Part> byAddress;
    /** Under the addresses on which answers come that are not those of the phrase itself. */
    private final AddressIndex<PartId> byAnswer;
    /** Made when they are first asked: most shows have no address that is not known. */
    private volatile NearMiss nearSaid;

    private volatile NearMiss nearHeard;

    private Vocabulary(SortedSet<Part> parts, AddressIndex<Part> byAddress, AddressIndex<PartId> byAnswer) {
        this.parts = parts;
        this.byAddress = byAddress;
        this.byAnswer = byAnswer;
    }

    /** What a target of a show understands and says. */
    public static Vocabulary of(Show show, PartId target) {
        return show.part(target)
                .map(Part::body)
                .filter(Target.class::isInstance)
                .map(body -> of(show, (Target) body))
                .orElse(NONE);
    }

    /** The same of a target as it is described. */
    public static Vocabulary of(Show show, Target target) {
        return target.phrasebook().map(book -> show.derived(book, OF_PHRASES)).orElse(NONE);
    }

    /** Of these phrases, from those that are known: both are in order, so one walk along them finds what differs. */
    private Vocabulary with(SortedSet<Part> others) {
        AddressIndex<Part> addresses = byAddress;
        AddressIndex<PartId> answers = byAnswer;
        Iterator<Part> old = parts.iterator();
        Iterator<Part> fresh = others.iterator();
        Part gone = next(old);
        Part come = next(fresh);
        while (gone != null || come != null) {
            int order = gone == null ? 1 : come == null ? -1 : Part.IN_ORDER.compare(gone, come);
            boolean same = order == 0 && (gone == come || gone.equals(come));
            if (order <= 0 && !same) {
                addresses = addresses.without(address(gone), gone);
                answers = answers.without(answer(gone), gone.id());
            }
            if (order >= 0 && !same) {
                addresses = addresses.with(address(come), come);
                answers = answers.with(answer(come), come.id());
            }
            gone = order <= 0 ? next(old) : gone;
            come = order >= 0 ? next(fresh) : come;
        }
        return new Vocabulary(others, addresses, answers);
    }

    /** Null where there is no further one: what is compared here are neighbours, thousands of times. */
    private static Part next(Iterator<Part> parts) {
        return parts.hasNext() ? parts.next() : null;
    }

    private static SlotAddress address(Part part) {
        return SlotAddress.parseFreely(part.body() instanceof Phrase phrase ? phrase.address() : "");
    }

    private static SlotAddress answer(Part part) {
        return SlotAddress.parseFreely(
                part.body() instanceof Phrase phrase ? phrase.answer().address() : "");
    }

    /** All phrases in their order; it costs as much as there are. */
    public Stream<Phrase> phrases() {
        return parts.stream().map(Part::body).filter(Phrase.class::isInstance).map(Phrase.class::cast);
    }

    public boolean isEmpty() {
        return parts.isEmpty();
    }

    /** What we say on an address. */
    public Optional<Known> said(String address) {
        return find(address, phrase -> phrase.direction() != Phrase.Direction.IN);
    }

    /** The phrase by which it is known what we say on an address. */
    public Optional<PartId> phraseSaid(String address) {
        return found(address, phrase -> phrase.direction() != Phrase.Direction.IN)
                .map(found -> found.what().id());
    }

    /** What the target says on an address. */
    public Optional<Known> heard(String address) {
        return find(address, phrase -> phrase.direction() != Phrase.Direction.OUT);
    }

    /** What was probably meant by an address that we say and that is not known. */
    public Optional<NearMiss.Meant> saidInstead(String address) {
        NearMiss near = nearSaid;
        if (near == null) {
            near = near(Phrase.Direction.IN);
            nearSaid = near;
        }
        return near.of(address);
    }

    /** What was probably meant by an address that is listened to and that is not known. */
    public Optional<NearMiss.Meant> heardInstead(String address) {
        NearMiss near = nearHeard;
        if (near == null) {
            near = near(Phrase.Direction.OUT);
            nearHeard = near;
        }
        return near.of(address);
    }

    private NearMiss near(Phrase.Direction other) {
        return new NearMiss(phrases()
                .filter(phrase -> phrase.direction() != other)
                .map(phrase -> SlotAddress.parseFreely(phrase.address()))
                .toList());
    }

    /** Whether the target answers on this address to what is said on another one. */
    public boolean answers(String address) {
        return !byAnswer.matching(address).isEmpty();
    }

    /** The first in the order of the phrasebook. */
    private Optional<AddressIndex.Found<Part>> found(String address, Predicate<Phrase> wanted) {
        return byAddress.matching(address).stream()
                .filter(found -> wanted.test((Phrase) found.what().body()))
                .min(Comparator.comparing(AddressIndex.Found::what, Part.IN_ORDER));
    }

    private Optional<Known> find(String address, Predicate<Phrase> wanted) {
        return found(address, wanted)
                .map(found -> new Known((Phrase) found.what().body(), found.numbers()));
    }
}
