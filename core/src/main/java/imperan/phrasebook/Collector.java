package imperan.phrasebook;

import imperan.address.SlotAddress;
import imperan.dialect.Osc;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Phrase;
import imperan.show.Ranges;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Remembers what a target was heard to say: addresses, types, and the ranges of its numbers. */
public final class Collector {

    /** Addresses that are remembered. */
    public static final int MAX_ADDRESSES = 4_096;

    /** About the memory that one target's collector takes: what is heard beyond it is not kept. */
    public static final int MAX_BYTES = 4 << 20;

    /** A message with more arguments is data and no phrase. */
    static final int MAX_ARGUMENTS = 64;

    private static final int BYTES_OF_ADDRESS = 200;
    private static final int BYTES_OF_ARGUMENT = 24;

    private static final class Seen {
        private List<ArgumentType> types;
        private double[] low;
        private double[] high;

        Seen(OscMessage message, List<ArgumentType> types) {
            this.types = types;
            low = new double[types.size()];
            high = new double[types.size()];
            for (int i = 0; i < low.length; i++) {
                low[i] = number(message.arguments().get(i));
                high[i] = low[i];
            }
        }

        void add(OscMessage message) {
            for (int i = 0; i < low.length; i++) {
                double value = number(message.arguments().get(i));
                low[i] = Math.min(low[i], value);
                high[i] = Math.max(high[i], value);
            }
        }
    }

    private final Map<String, Seen> seen = new LinkedHashMap<>();
    private int bytes;

    /** Whether something of this address is remembered. */
    public boolean knows(String address) {
        return seen.containsKey(address);
    }

    /** Notes a message; one with arguments that no control can send is passed over, and one for which there is no room. */
    public void heard(OscMessage message) {
        if (message.arguments().size() > MAX_ARGUMENTS) {
            return;
        }
        List<ArgumentType> types = new ArrayList<>();
        for (OscArgument argument : message.arguments()) {
            Optional<ArgumentType> type = type(argument);
            if (type.isEmpty()) {
                return;
            }
            types.add(type.get());
        }
        Seen known = seen.get(message.address());
        if (known != null && known.types.equals(types)) {
            known.add(message);
        } else {
            int more = bytes(message.address(), types.size())
                    - (known == null ? 0 : bytes(message.address(), known.types.size()));
            if ((known != null || seen.size() < MAX_ADDRESSES) && bytes + more <= MAX_BYTES) {
                seen.put(message.address(), new Seen(message, types));
                bytes += more;
            }
        }
    }

    private static int bytes(String address, int arguments) {
        return BYTES_OF_ADDRESS + 2 * address.length() + arguments * BYTES_OF_ARGUMENT;
    }

    /** About how much memory what is remembered takes. */
    int bytes() {
        return bytes;
    }

    private static Optional<ArgumentType> type(OscArgument argument) {
        return argument instanceof OscArgument.Float32
                ? Optional.of(ArgumentType.FLOAT32)
                : argument instanceof OscArgument.Int32
                        ? Optional.of(ArgumentType.INT32)
                        : argument instanceof OscArgument.Float64
                                ? Optional.of(ArgumentType.FLOAT64)
                                : argument instanceof OscArgument.Int64
                                        ? Optional.of(ArgumentType.INT64)
                                        : argument instanceof OscArgument.Text
                                                ? Optional.of(ArgumentType.TEXT)
                                                : argument instanceof OscArgument.Rgba
                                                        ? Optional.of(ArgumentType.COLOUR)
                                                        : argument == OscArgument.Bare.TRUE
                                                                        || argument == OscArgument.Bare.FALSE
                                                                ? Optional.of(ArgumentType.BOOLEAN)
                                                                : Optional.empty();
    }

    private static double number(OscArgument argument) {
        return argument instanceof OscArgument.Float32 f
                ? f.value()
                : argument instanceof OscArgument.Int32 i
                        ? i.value()
                        : argument instanceof OscArgument.Float64 d
                                ? d.value()
                                : argument instanceof OscArgument.Int64 h ? h.value() : Double.NaN;
    }

    /** What was heard, as phrases; ranges are those seen, which may be smaller than the true ones. */
    public List<Phrase> phrases() {
        List<Phrase> phrases = new ArrayList<>();
        seen.forEach((address, said) -> {
            List<Phrase.PhraseArgument> arguments = new ArrayList<>();
            for (int i = 0; i < said.types.size(); i++) {
                boolean ranged =
                        said.low[i] < said.high[i] && Ranges.fits(said.types.get(i), said.low[i], said.high[i]);
                arguments.add(Phrase.PhraseArgument.plain(
                        said.types.get(i),
                        ranged ? Optional.of(said.low[i]) : Optional.empty(),
                        ranged ? Optional.of(said.high[i]) : Optional.empty(),
                        "",
                        List.of(),
                        Optional.empty()));
            }
            String written = address.replace("<", "<<");
            if (SlotAddress.parse(written, Osc.BARE::fault).problem().isEmpty()) {
                phrases.add(Phrase.plain(
                        written,
                        Phrase.Direction.IN,
                        arguments,
                        AnswerRule.usual(AnswerRule.Kind.SAME),
                        "heard; the range is what was seen",
                        ""));
            }
        });
        return phrases;
    }
}
