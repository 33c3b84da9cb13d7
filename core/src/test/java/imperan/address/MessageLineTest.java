package imperan.address;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.osc.RandomPackets;
import imperan.osc.TimeTag;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class MessageLineTest {

    private static OscMessage message(String line) {
        return MessageLine.parse(line).message().orElseThrow();
    }

    @Test
    void aLineBecomesAMessageWithATypeForEachArgument() {
        assertThat(message(" /wake 3 -0.5 quay \"low water\" true 1e3 3000000000 \"7\" \"say \\\"no\\\"\" "))
                .isEqualTo(OscMessage.of(
                        "/wake",
                        new OscArgument.Int32(3),
                        new OscArgument.Float32(-0.5f),
                        new OscArgument.Text("quay"),
                        new OscArgument.Text("low water"),
                        OscArgument.Bare.TRUE,
                        new OscArgument.Float32(1000),
                        new OscArgument.Int64(3_000_000_000L),
                        new OscArgument.Text("7"),
                        new OscArgument.Text("say \"no\"")));
        assertThat(message("/reset")).isEqualTo(OscMessage.of("/reset"));
        assertThat(message("/name \"\"").arguments()).containsExactly(new OscArgument.Text(""));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "`` | An address is needed",
                "wake 3 | did you mean /wake?",
                "/a b/ \"open | not closed",
                "/a \"b\"c | not closed",
                "\"/a b\" 1 | cannot be part of an address",
                "/a* 1 | cannot be part of an address",
            })
    void whatIsNoMessageIsRefusedInWords(String line, String words) {
        assertThat(MessageLine.parse(line).problem().orElseThrow().message()).contains(words);
    }

    /** An address of another dialect may have blanks in it. */
    @Test
    void anAddressMayBeQuoted() {
        assertThat(message("\"/a\" 1")).isEqualTo(message("/a 1"));
        assertThat(MessageLine.parse("\"lamp #3\" 50", address -> Optional.empty())
                        .message()
                        .orElseThrow()
                        .address())
                .isEqualTo("lamp #3");
    }

    @Test
    void theMendKeepsTheArguments() {
        assertThat(MessageLine.parse("wake 3 \"low water\"")
                        .problem()
                        .orElseThrow()
                        .mend())
                .contains("/wake 3 \"low water\"");
    }

    /** Each type of OSC 1.0 by its tag, arrays among them. */
    @Test
    void typeTagsSayWhichTypeEachArgumentHas() {
        assertThat(message("/a/b ,if 1 0.5"))
                .isEqualTo(OscMessage.of("/a/b", new OscArgument.Int32(1), new OscArgument.Float32(0.5f)));
        assertThat(message("/a ,hdsSc 1 1 1 \"1 2\" 1").arguments())
                .containsExactly(
                        new OscArgument.Int64(1),
                        new OscArgument.Float64(1),
                        new OscArgument.Text("1"),
                        new OscArgument.Symbol("1 2"),
                        new OscArgument.Char('1'));
        assertThat(message("/a ,TFNI[i[T]i]b 1 2 00ff").arguments())
                .containsExactly(
                        OscArgument.Bare.TRUE,
                        OscArgument.Bare.FALSE,
                        OscArgument.Bare.NIL,
                        OscArgument.Bare.IMPULSE,
                        new OscArgument.Array(List.of(
                                new OscArgument.Int32(1),
                                new OscArgument.Array(List.of(OscArgument.Bare.TRUE)),
                                new OscArgument.Int32(2))),
                        new OscArgument.Blob(new byte[] {0, -1}));
        assertThat(message("/a ,rmtt ff8000ff 00903c7f now 2026-05-01T20:00:00Z")
                        .arguments())
                .containsExactly(
                        new OscArgument.Rgba(0xff8000ff),
                        new OscArgument.Midi(0x00903c7f),
                        new OscArgument.Time(TimeTag.IMMEDIATELY),
                        new OscArgument.Time(TimeTag.at(Instant.parse("2026-05-01T20:00:00Z"))));
        assertThat(message("/a ,").arguments()).isEmpty();
        assertThat(message("/a \",i\"").arguments())
                .as("in quotes it is a text")
                .containsExactly(new OscArgument.Text(",i"));
        assertThat(message("/a ,well").arguments())
                .as("no type is called so")
                .containsExactly(new OscArgument.Text(",well"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "/a ,i x | “x” is no int",
                "/a ,i 1.5 | “1.5” is no int",
                "/a ,ii 1 | more arguments than there are",
                "/a ,i 1 2 | “2” has no type tag",
                "/a ,b 0 | “0” is no blob",
                "/a ,[i 1 | begin an array that never ends",
                "/a ,i] 1 | end an array that never began",
                "/a ,r red | is no colour",
                "/a ,t soon | is no time",
            })
    void argumentsThatAreNotWhatTheirTagsSayAreRefusedInWords(String line, String words) {
        assertThat(MessageLine.parse(line).problem().orElseThrow().message()).contains(words);
    }

    /** What is written reads as the same message, whatever its types. */
    @Test
    void everyMessageIsALine() {
        RandomPackets packets = new RandomPackets(23, true);
        for (int i = 0; i < 5_000; i++) {
            OscMessage message = packets.message();
            assertThat(MessageLine.parseFreely(MessageLine.of(message)).message())
                    .contains(message);
        }
    }

    /** Whatever is typed is a message or a sentence. */
    @Test
    void everyLineIsAMessageOrAProblem() {
        Random random = new Random(11);
        String signs = "/ab \"\\01.9-+eE\ttrue";
        for (int i = 0; i < 20_000; i++) {
            StringBuilder line = new StringBuilder(i % 2 == 0 ? "/a " : "");
            for (int n = random.nextInt(20); n > 0; n--) {
                line.append(signs.charAt(random.nextInt(signs.length())));
            }
            MessageLine read = MessageLine.parse(line.toString());
            assertThat(read.message().isPresent())
                    .as("%s", line)
                    .isNotEqualTo(read.problem().isPresent());
            read.message().ifPresent(message -> assertThat(OscText.arguments(message.arguments()))
                    .isNotNull());
        }
    }

    /** Thousands of characters in a quote overflowed the stack of a reader that called itself for each of them. */
    @ParameterizedTest
    @ValueSource(strings = {"y", "\\\\", "\\\"", " "})
    void longQuotedTextsAreReadWithoutRecursion(String sign) {
        String text = sign.repeat(4_000);
        assertThat(message("/eddy/x \"" + text + "\"").arguments()).hasSize(1);
        assertThat(MessageLine.parse("/eddy/x \"" + text)
                        .problem()
                        .orElseThrow()
                        .message())
                .hasSizeLessThan(200);
        assertThat(MessageLine.parse("/eddy/x " + "1 ".repeat(4_000))
                        .message()
                        .orElseThrow()
                        .arguments())
                .hasSize(4_000);
    }

    @Test
    void aLineThatIsTooLongOrHoldsNoNumberIsRefusedInWords() {
        assertThat(MessageLine.parse("/a " + "x".repeat(MessageLine.MAX_LENGTH))
                        .problem()
                        .orElseThrow()
                        .message())
                .contains("10000 characters");
        assertThat(MessageLine.parse("/a 1e99").problem().orElseThrow().message())
                .contains("too large for a float");
        assertThat(MessageLine.parse("/a b\0c").problem().orElseThrow().message())
                .contains("NUL");
    }
}
