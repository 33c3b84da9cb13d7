package imperan.osc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class OscExamplesTest {

    private static final OscDecoder DECODER = new OscDecoder();

    private static byte[] hex(String text) {
        return HexFormat.of().parseHex(text.replace(" ", ""));
    }

    private static Decoded.Malformed malformed(byte[] bytes) {
        assertThat(DECODER.decode(bytes)).isInstanceOf(Decoded.Malformed.class);
        return (Decoded.Malformed) DECODER.decode(bytes);
    }

    /** OSC 1.0, "Examples of OSC messages": the two worked examples. */
    static Stream<Arguments> workedExamples() {
        return Stream.of(
                Arguments.of(
                        OscMessage.of("/oscillator/4/frequency", new OscArgument.Float32(440f)),
                        "2f6f7363 696c6c61 746f722f 342f6672 65717565 6e637900 2c660000 43dc0000"),
                Arguments.of(
                        OscMessage.of(
                                "/foo",
                                new OscArgument.Int32(1000),
                                new OscArgument.Int32(-1),
                                new OscArgument.Text("hello"),
                                new OscArgument.Float32(1.234f),
                                new OscArgument.Float32(5.678f)),
                        "2f666f6f 00000000 2c696973 66660000 000003e8 ffffffff 68656c6c 6f000000 3f9df3b6 40b5b22d"));
    }

    /** OSC 1.0, the tables of required and nonstandard types: what each type puts on the wire, by hand. */
    static Stream<Arguments> everyType() {
        return Stream.of(
                Arguments.of(new OscArgument.Int32(-2), "2c690000 fffffffe"),
                Arguments.of(new OscArgument.Float32(0.5f), "2c660000 3f000000"),
                Arguments.of(new OscArgument.Text("abcd"), "2c730000 61626364 00000000"),
                Arguments.of(new OscArgument.Text(""), "2c730000 00000000"),
                Arguments.of(new OscArgument.Text("Möwe"), "2c730000 4dc3b677 65000000"),
                Arguments.of(new OscArgument.Text("\uD83C\uDF0A"), "2c730000 f09f8c8a 00000000"),
                Arguments.of(new OscArgument.Blob(new byte[] {1, 2, 3}), "2c620000 00000003 01020300"),
                Arguments.of(new OscArgument.Blob(new byte[0]), "2c620000 00000000"),
                Arguments.of(new OscArgument.Int64(1L << 40), "2c680000 00000100 00000000"),
                Arguments.of(new OscArgument.Time(TimeTag.IMMEDIATELY), "2c740000 00000000 00000001"),
                Arguments.of(new OscArgument.Float64(-2), "2c640000 c0000000 00000000"),
                Arguments.of(new OscArgument.Symbol("s"), "2c530000 73000000"),
                Arguments.of(new OscArgument.Char('A'), "2c630000 00000041"),
                Arguments.of(new OscArgument.Rgba(0x11223344), "2c720000 11223344"),
                Arguments.of(new OscArgument.Midi(0x00903C7F), "2c6d0000 00903c7f"),
                Arguments.of(OscArgument.Bare.TRUE, "2c540000"),
                Arguments.of(OscArgument.Bare.FALSE, "2c460000"),
                Arguments.of(OscArgument.Bare.NIL, "2c4e0000"),
                Arguments.of(OscArgument.Bare.IMPULSE, "2c490000"),
                Arguments.of(new OscArgument.Array(List.of()), "2c5b5d00"),
                Arguments.of(
                        new OscArgument.Array(List.of(
                                new OscArgument.Int32(1),
                                new OscArgument.Array(List.of(OscArgument.Bare.TRUE)),
                                new OscArgument.Int32(2))),
                        "2c5b695b 545d695d 00000000 00000001 00000002"));
    }

    @ParameterizedTest
    @MethodSource("workedExamples")
    void workedExamplesOfTheSpecification(OscMessage message, String bytes) {
        assertThat(OscEncoder.encode(message)).isEqualTo(hex(bytes));
        assertThat(DECODER.decode(hex(bytes))).isEqualTo(new Decoded.Whole(message));
    }

    @ParameterizedTest
    @MethodSource("everyType")
    void everyTypeHasItsBytes(OscArgument argument, String afterAddress) {
        OscMessage message = OscMessage.of("/a", argument);
        byte[] bytes = hex("2f610000" + afterAddress);

        assertThat(OscEncoder.encode(message)).isEqualTo(bytes);
        assertThat(DECODER.decode(bytes)).isEqualTo(new Decoded.Whole(message));
    }

    /** OSC 1.0, "OSC Bundles": mark, time tag, then elements each after its size. */
    @Test
    void bundlesNest() {
        OscBundle bundle = new OscBundle(
                TimeTag.IMMEDIATELY, List.of(OscMessage.of("/a"), new OscBundle(new TimeTag(5L << 32), List.of())));
        byte[] bytes = hex("2362756e646c6500 0000000000000001 00000008 2f610000 2c000000"
                + "00000010 2362756e646c6500 0000000500000000");

        assertThat(OscEncoder.encode(bundle)).isEqualTo(bytes);
        assertThat(DECODER.decode(bytes)).isEqualTo(new Decoded.Whole(bundle));
    }

    /** OSC 1.0, "OSC Type Tag String": receivers should be robust where the string is missing. */
    @Test
    void aMissingTypeTagStringIsTolerated() {
        assertThat(DECODER.decode(hex("2f610000"))).isEqualTo(new Decoded.Whole(OscMessage.of("/a")));
        OscMessage untyped = OscMessage.of("/a", new OscArgument.Untyped(new byte[] {0, 0, 0, 7}));
        assertThat(DECODER.decode(hex("2f610000 00000007"))).isEqualTo(new Decoded.Whole(untyped));
        assertThat(OscEncoder.encode(untyped)).isEqualTo(hex("2f610000 00000007"));
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                Arguments.of("", 0, "empty"),
                Arguments.of("2f6100", 3, "not a multiple of 4"),
                Arguments.of("61620000", 0, "begins with '/'"),
                Arguments.of("2f616263", 0, "before the address does"),
                Arguments.of("2f610001", 3, "padding of the address"),
                Arguments.of("2fff0000", 1, "not UTF-8"),
                Arguments.of("2f610000 2c660000", 8, "inside a float"),
                Arguments.of("2f610000 2c780000", 5, "type tag 0x78"),
                Arguments.of("2f610000 2c666666", 4, "before the type tag string does"),
                Arguments.of("2f610000 2c690000 00000001 00000002", 12, "4 bytes are left"),
                Arguments.of("2f610000 2c620000 7fffffff 00000000", 8, "blob claims 2147483647"),
                Arguments.of("2f610000 2c620000 ffffffff 00000000", 8, "blob claims -1"),
                Arguments.of("2f610000 2c5b0000", 5, "never ends"),
                Arguments.of("2f610000 2c5d0000", 5, "never began"),
                Arguments.of("2362756e646c6600 0000000000000001", 0, "#bundle"),
                Arguments.of("2362756e646c6500 00000000", 8, "time tag"),
                Arguments.of("2362756e646c6500 0000000000000001 00000040", 16, "claims 64 bytes"),
                Arguments.of("2362756e646c6500 0000000000000001 00000000", 20, "empty"),
                Arguments.of("2362756e646c6500 0000000000000001 00000008 2f610000 2c690000", 28, "inside an integer"),
                Arguments.of(
                        "2362756e646c6500 0000000500000000 00000010 2362756e646c6500 0000000400000000",
                        28,
                        "due before"));
    }

    @ParameterizedTest
    @MethodSource("faults")
    void everyFaultIsNamedWithItsPlace(String bytes, int offset, String words) {
        Decoded.Malformed malformed = malformed(hex(bytes));
        assertThat(malformed.reason()).contains(words);
        assertThat(malformed.offset()).isEqualTo(offset);
    }

    @Test
    void limitsAreThoseGiven() {
        OscDecoder narrow = new OscDecoder(64, 1, 1);
        OscBundle one = new OscBundle(TimeTag.IMMEDIATELY, List.of());
        assertThat(narrow.decode(OscEncoder.encode(one))).isInstanceOf(Decoded.Whole.class);
        assertThat(narrow.decode(OscEncoder.encode(new OscBundle(TimeTag.IMMEDIATELY, List.of(one)))))
                .isInstanceOfSatisfying(
                        Decoded.Malformed.class, m -> assertThat(m.reason()).contains("1 deep"));
        assertThat(narrow.decode(hex("2f610000 2c5b5b5d 5d000000")))
                .isInstanceOfSatisfying(
                        Decoded.Malformed.class, m -> assertThat(m.reason()).contains("1 deep"));
        assertThat(narrow.decode(new byte[68]))
                .isInstanceOfSatisfying(
                        Decoded.Malformed.class, m -> assertThat(m.reason()).contains("limit is 64"));
    }

    @Test
    void anOffsetIntoALargerArrayCountsFromThePacket() {
        byte[] framed = hex("ffffffff 2f610000 2c660000 ffffffff");
        assertThat(DECODER.decode(framed, 4, 8))
                .isInstanceOfSatisfying(
                        Decoded.Malformed.class, m -> assertThat(m.offset()).isEqualTo(8));
    }

    @Test
    void whatCannotBeSentCannotBeMade() {
        assertThatThrownBy(() -> new OscArgument.Text("a\0b")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> OscMessage.of("")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> OscMessage.of("/a", new OscArgument.Int32(1), new OscArgument.Untyped(new byte[4])))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void textsForPeopleTellTypesApart() {
        List<OscArgument> arguments = List.of(
                new OscArgument.Text("1"),
                new OscArgument.Int32(1),
                new OscArgument.Array(List.of(OscArgument.Bare.NIL)));
        assertThat(OscText.typeTags(arguments)).isEqualTo(",si[N]");
        assertThat(OscText.arguments(arguments)).isEqualTo("“1”  1  [nil]");
    }
}
