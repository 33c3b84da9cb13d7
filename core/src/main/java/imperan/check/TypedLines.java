package imperan.check;

import imperan.address.MessageLine;
import imperan.address.NearMiss;
import imperan.address.SlotAddress;
import imperan.dialect.Dialect;
import imperan.dialect.Osc;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.FixedArgument;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;

/** Addresses, or whole messages, that somebody types or pastes, before anything is made of them: what cannot work, why, and what was probably meant. */
public final class TypedLines {

    /** More than anybody reads through. */
    public static final int MOST = 2_000;

    /**
     * One line.
     *
     * @param problem why it cannot work; empty where nothing speaks against it
     * @param mend    the line as it was probably meant
     * @param readable whether it is a message, so that a control can be made of it whatever its target says
     * @param means   what the phrasebook says of it; empty where it says nothing
     */
    public record TypedLine(
            String line, Optional<String> problem, Optional<String> mend, boolean readable, String means) {}

    private final Optional<Part> target;
    private final Vocabulary known;
    private final Dialect spoken;

    private TypedLines(Show show, Optional<PartId> target) {
        this.target = target.flatMap(show::part).filter(part -> part.body() instanceof Target);
        this.known = this.target.map(part -> Vocabulary.of(show, part.id())).orElse(Vocabulary.NONE);
        this.spoken =
                this.target.map(part -> Phrasebook.spokenWith(show, part.id())).orElse(Osc.STRICT);
    }

    /** @param target to whom they are to be said; empty while none is chosen */
    public static List<TypedLine> of(Show show, Optional<PartId> target, List<String> lines) {
        TypedLines typed = new TypedLines(show, target);
        return lines.stream().limit(MOST).map(typed::line).toList();
    }

    private TypedLine line(String line) {
        MessageLine read = MessageLine.parse(line, spoken::fault);
        if (read.message().isEmpty()) {
            return new TypedLine(
                    line,
                    read.problem().map(fault -> fault.message()),
                    read.problem().flatMap(fault -> fault.mend()),
                    false,
                    "");
        }
        OscMessage message = read.message().get();
        SlotAddress slots = SlotAddress.parseFreely(message.address());
        if (slots.problem().isPresent()) {
            return new TypedLine(line, slots.problem(), Optional.empty(), false, "");
        }
        List<OscArgument> odd = message.arguments().stream()
                .filter(argument -> FixedArgument.holding(argument).isEmpty())
                .toList();
        if (!odd.isEmpty()) {
            return new TypedLine(
                    line,
                    Optional.of("No control sends “" + odd.get(0).text() + "” as it is written here"),
                    Optional.empty(),
                    false,
                    "");
        }
        Optional<Phrase> phrase = known.said(slots.first()).map(Vocabulary.Known::phrase);
        Optional<String> mismatch =
                phrase.filter(found -> !message.arguments().isEmpty()).flatMap(found -> mismatch(message, found));
        if (mismatch.isPresent()) {
            return new TypedLine(
                    line, mismatch, Optional.empty(), true, phrase.get().meaning());
        }
        if (known.isEmpty() || phrase.isPresent()) {
            return new TypedLine(
                    line,
                    Optional.empty(),
                    Optional.empty(),
                    true,
                    phrase.map(Phrase::meaning).orElse(""));
        }
        String name = target.map(part -> part.body().called()).orElse("");
        if (known.heard(slots.first()).isPresent()) {
            return new TypedLine(
                    line,
                    Optional.of(name + " says " + message.address() + " and does not take it"),
                    Optional.empty(),
                    true,
                    "");
        }
        // which number was meant instead of one that is not there, nobody can tell
        Optional<NearMiss.Meant> near = known.saidInstead(slots.first());
        return new TypedLine(
                line,
                Optional.of(LineChecks.unknownText(name, message.address(), near)),
                near.filter(meant -> meant.range().isEmpty())
                        .map(meant -> line.replace(message.address(), meant.address())),
                true,
                "");
    }

    private Optional<String> mismatch(OscMessage message, Phrase phrase) {
        List<ArgumentType> types = message.arguments().stream()
                .map(argument -> FixedArgument.holding(argument).orElseThrow().type())
                .toList();
        List<ArgumentType> wanted =
                phrase.arguments().stream().map(Phrase.PhraseArgument::type).toList();
        return types.equals(wanted)
                ? Optional.empty()
                : Optional.of("It has " + MeantArguments.words(types) + "; "
                        + target.map(part -> part.body().called()).orElse("") + " takes "
                        + MeantArguments.words(wanted));
    }
}
