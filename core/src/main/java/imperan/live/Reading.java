package imperan.live;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.shaping.Chain;
import imperan.show.Behaviour;
import imperan.show.Control;
import imperan.show.Listen;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * How one listen reads what is said.
 *
 * @param texts what each option is called by its target, for a form that chooses among them; else empty
 */
record Reading(Listen listen, Chain chain, List<String> texts) {

    static Reading of(Control control, Listen listen) {
        return new Reading(listen, listen.chain(control.sends()), control.form().heardTexts());
    }

    /** Where it says that the axis stands, 0 to 1; empty where it says nothing of that. */
    Optional<Double> position(List<OscArgument> arguments) {
        Optional<OscArgument> said = argument(arguments, listen.argument());
        if (said.isEmpty() || listen.role() != Listen.Role.VALUE) {
            return Optional.empty();
        }
        if (!texts.isEmpty()) {
            return IntStream.range(0, texts.size())
                    .filter(i -> Spelling.means(said.get(), texts.get(i)))
                    .mapToObj(i -> i / Math.max(1.0, texts.size() - 1.0))
                    .findFirst();
        }
        if (said.get() instanceof OscArgument.Rgba colour) {
            // a colour in one argument has all three axes in it, whatever the range
            return listen.axis() > 2
                    ? Optional.empty()
                    : Optional.of((colour.value() >>> 24 - 8 * listen.axis() & 0xff) / 255.0);
        }
        return Spelling.signal(said.get()).flatMap(chain::back);
    }

    /** Whether it says that the axis stands near a position, within a share of the range of the argument. */
    boolean isNear(List<OscArgument> arguments, double position, double share) {
        return position(arguments)
                .filter(said ->
                        texts.isEmpty() ? chain.isNear(said, position, share) : Math.abs(said - position) <= share)
                .isPresent();
    }

    /** What was said, where it is a text, or where it is to be read and not to move anything. */
    Optional<String> words(List<OscArgument> arguments) {
        Optional<OscArgument> said = argument(arguments, listen.argument());
        return said.filter(OscArgument.Text.class::isInstance)
                .map(text -> ((OscArgument.Text) text).value())
                .or(() -> listen.role() != Listen.Role.VALUE ? said.map(OscArgument::text) : Optional.empty());
    }

    /** Whether a target says what a key of it says when it is pressed. */
    static boolean isPressed(Optional<Behaviour.Condition> key, Link from, OscMessage message) {
        return key.filter(when -> when.target().filter(from.id()::equals).isPresent()
                        && when.address().equals(message.address())
                        && argument(message.arguments(), when.argument())
                                .filter(said -> Spelling.means(said, when.text()))
                                .isPresent())
                .isPresent();
    }

    static Optional<OscArgument> argument(List<OscArgument> arguments, int place) {
        return place < arguments.size() ? Optional.of(arguments.get(place)) : Optional.empty();
    }
}
