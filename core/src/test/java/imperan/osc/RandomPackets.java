package imperan.osc;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Supplier;

/** Seeded random packets for the tests of the codec. */
public final class RandomPackets {

    private final Random random;
    private final boolean everyType;

    /** @param everyType false for the types that the library beside us carries in the same way */
    public RandomPackets(long seed, boolean everyType) {
        this.random = new Random(seed);
        this.everyType = everyType;
    }

    OscPacket packet(int depth) {
        return depth > 0 && random.nextInt(3) == 0 ? bundle(depth, TimeTag.IMMEDIATELY) : message();
    }

    public OscMessage message() {
        String address =
                "/" + word(1 + random.nextInt(12)) + (random.nextBoolean() ? "/" + word(1 + random.nextInt(5)) : "");
        List<OscArgument> arguments = list(random.nextInt(6), this::argument);
        return new OscMessage(address, everyType ? arguments : withBlobLast(arguments));
    }

    /** javaosc-core 0.8 loses its place after a blob that is not empty, so it gets one blob, and at the end. */
    private static List<OscArgument> withBlobLast(List<OscArgument> arguments) {
        List<OscArgument> ordered = new ArrayList<>(arguments);
        ordered.removeIf(OscArgument.Blob.class::isInstance);
        arguments.stream()
                .filter(OscArgument.Blob.class::isInstance)
                .findFirst()
                .ifPresent(ordered::add);
        return ordered;
    }

    private OscBundle bundle(int depth, TimeTag notBefore) {
        TimeTag time = random.nextBoolean() && notBefore.isImmediate()
                ? TimeTag.IMMEDIATELY
                : new TimeTag(Math.max(notBefore.bits(), 0x6000_0000_0000_0000L) + random.nextInt(1 << 20));
        return new OscBundle(
                time,
                list(
                        random.nextInt(4),
                        () -> depth > 1 && random.nextInt(4) == 0 ? bundle(depth - 1, time) : message()));
    }

    private OscArgument argument() {
        return switch (random.nextInt(everyType ? 15 : 8)) {
            case 0 -> new OscArgument.Int32(random.nextInt());
            case 1 -> new OscArgument.Float32(random.nextFloat() * 1000 - 500);
            case 2 -> new OscArgument.Text(word(random.nextInt(9)));
            case 3 -> new OscArgument.Blob(word(random.nextInt(9)).getBytes());
            case 4 -> new OscArgument.Int64(random.nextLong());
            case 5 -> new OscArgument.Float64(random.nextGaussian());
            case 6 -> random.nextBoolean() ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE;
            case 7 -> OscArgument.Bare.NIL;
            case 8 -> OscArgument.Bare.IMPULSE;
            case 9 -> new OscArgument.Symbol(word(random.nextInt(9)));
            case 10 -> new OscArgument.Char(random.nextInt(128));
            case 11 -> new OscArgument.Rgba(random.nextInt());
            case 12 -> new OscArgument.Midi(random.nextInt());
            case 13 -> new OscArgument.Time(new TimeTag(random.nextLong()));
            default -> new OscArgument.Array(list(random.nextInt(3), this::argument));
        };
    }

    private String word(int length) {
        StringBuilder word = new StringBuilder();
        for (int i = 0; i < length; i++) {
            word.appendCodePoint(
                    everyType && random.nextInt(10) == 0 ? 0xA1 + random.nextInt(0x2000) : 'a' + random.nextInt(26));
        }
        return word.toString();
    }

    private static <T> List<T> list(int size, Supplier<? extends T> make) {
        List<T> list = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            list.add(make.get());
        }
        return list;
    }
}
