package imperan.wire;

import imperan.layout.Arrangement.TakeLearned;
import imperan.layout.arranging.Arranger;
import imperan.live.Learning;
import imperan.osc.OscMessage;
import imperan.phrasebook.BookChange;
import imperan.phrasebook.Collector;
import imperan.phrasebook.Vocabulary;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What can be made of a message that was seen on the wire: a phrase, or the lines of a control. Its range is what was seen of its address in the packets that are kept. */
public final class FromWire {

    private final Show show;
    private final List<WireRecord> packets;
    private final Person author;

    /** @param packets that are kept, oldest first */
    public FromWire(Show show, List<WireRecord> packets, Person author) {
        this.show = show;
        this.packets = packets;
        this.author = author;
    }

    /** Adds its address to the phrasebook of its target, which gets one where it has none. */
    public Outcome phrase(WireRecord record) {
        Optional<PartId> target =
                record.target().filter(id -> show.part(id).map(Part::body).orElse(null) instanceof Target);
        Optional<OscMessage> first = record.messages().stream().findFirst();
        if (target.isEmpty() || first.isEmpty()) {
            return Outcome.Refused.because(
                    first.isEmpty()
                            ? "It holds no message"
                            : "No target of the rig sent this; add its sender as a target first");
        }
        String address = first.get().address();
        Vocabulary vocabulary = Vocabulary.of(show, target.get());
        Optional<Phrase> known =
                vocabulary.said(address).or(() -> vocabulary.heard(address)).map(found -> found.phrase());
        if (known.isPresent()) {
            return Outcome.Refused.because(
                    "The phrasebook has it already, as " + known.get().address());
        }
        Collector collector = new Collector();
        alike(record, address).forEach(collector::heard);
        if (collector.phrases().isEmpty()) {
            return Outcome.Refused.because(
                    "No phrase can be made of it: a control can neither send nor read all of its arguments");
        }
        boolean out = ways(target.get(), address, true);
        boolean in = ways(target.get(), address, false);
        Phrase phrase = collector
                .phrases()
                .get(0)
                .going(out && in ? Phrase.Direction.BOTH : out ? Phrase.Direction.OUT : Phrase.Direction.IN);
        return show.apply(added(target.get(), phrase), author);
    }

    private boolean ways(PartId target, String address, boolean out) {
        return packets.stream()
                .anyMatch(other -> other.out() == out
                        && other.target().equals(Optional.of(target))
                        && other.messages().stream()
                                .anyMatch(message -> message.address().equals(address)));
    }

    private EditRequest added(PartId id, Phrase phrase) {
        Part part = show.part(id).orElseThrow();
        Target target = (Target) part.body();
        Optional<Part> book = target.phrasebook().flatMap(show::part);
        EditRequest taken = new BookChange(
                        show, book.map(of -> of.body().called()).orElse(target.name()), List.of(phrase))
                .edit(book.isPresent() ? BookChange.OnSameName.MERGE : BookChange.OnSameName.KEEP_BOTH);
        List<EditRequest.Step> steps = new ArrayList<>(taken.steps());
        if (book.isEmpty()) {
            taken.steps().stream()
                    .filter(step ->
                            step instanceof EditRequest.Put put && put.part().body() instanceof Phrasebook)
                    .map(step -> ((EditRequest.Put) step).part().id())
                    .findFirst()
                    .ifPresent(fresh -> steps.add(new EditRequest.Put(
                            new Part(id, part.parent(), part.order(), target.speaking(fresh)),
                            show.held(id).orElseThrow().version())));
        }
        return new EditRequest("Add " + phrase.address() + " to the phrasebook of " + target.name(), steps);
    }

    /** Gives its address to a control: what the control sends and hears from then on. */
    public Outcome lines(WireRecord record, PartId control) {
        Optional<OscMessage> first = record.messages().stream().findFirst();
        if (record.target().isEmpty() || first.isEmpty()) {
            return Outcome.Refused.because(
                    first.isEmpty()
                            ? "It holds no message"
                            : "No target of the rig sent this; add its sender as a target first");
        }
        Learning learning = new Learning();
        learning.listen(true);
        alike(record, first.get().address())
                .forEach(message -> learning.heard(record.target().get(), message));
        return learning.learned().stream()
                .findFirst()
                .map(learned -> Arranger.carryOut(
                        show,
                        new TakeLearned(List.of(new TakeLearned.Pairing(
                                control,
                                learned.target(),
                                learned.address(),
                                learned.argument(),
                                learned.type(),
                                learned.low().orElse(0.0),
                                learned.high().orElse(1.0)))),
                        author))
                .orElseGet(() -> Outcome.Refused.because("It has too many arguments for a control"));
    }

    /** What was said on the address of a packet, by the same end, the packet's own message among it. */
    private List<OscMessage> alike(WireRecord record, String address) {
        List<OscMessage> messages = new ArrayList<>(packets.stream()
                .filter(other -> other.number() != record.number()
                        && other.out() == record.out()
                        && other.source().equals(record.source()))
                .flatMap(other -> other.messages().stream())
                .filter(message -> message.address().equals(address))
                .toList());
        // the one that was chosen says which types count
        record.messages().stream()
                .filter(message -> message.address().equals(address))
                .forEach(messages::add);
        return messages;
    }
}
