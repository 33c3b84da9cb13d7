package imperan.address;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

import java.util.Optional;
import java.util.Random;

import static org.assertj.core.api.Assertions.assertThat;

class MessageLineTest {

    private static OscMessage message(String line) {
        return MessageLine.parse(line).message().orElseThrow();
    }

    @Test
    void aLineBecomesAMessageWithATypeForEachArgument() {
        assertThat(message(" /wake 3 -0.5 quay \"low water\" true 1e3 3000000000 \"7\" \"say \\\"no\\\"\" "))
                .isEqualTo(OscMessage.of("/wake", new OscArgument.Int32(3), new OscArgument.Float32(-0.5f), new OscArgument.Text("quay"),
                        new OscArgument.Text("low water"), OscArgument.Bare.TRUE, new OscArgument.Float32(1000), new OscArgument.Int64(3_000_000_000L),
                        new OscArgument.Text("7"), new OscArgument.Text("say \"no\"")));
        assertThat(message("/reset")).isEqualTo(OscMessage.of("/reset"));
        assertThat(message("/name \"\"").arguments()).containsExactly(new OscArgument.Text(""));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
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
        assertThat(MessageLine.parse("\"lamp #3\" 50", address -> Optional.empty()).message().orElseThrow().address()).isEqualTo("lamp #3");
    }

    @Test
    void theMendKeepsTheArguments() {
        assertThat(MessageLine.parse("wake 3 \"low water\"").problem().orElseThrow().mend()).contains("/wake 3 \"low water\"");
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
            assertThat(read.message().isPresent()).as("%s", line).isNotEqualTo(read.problem().isPresent());
            read.message().ifPresent(message -> assertThat(OscText.arguments(message.arguments())).isNotNull());
        }
    }

    /** Thousands of characters in a quote overflowed the stack of a reader that called itself for each of them. */
    @ParameterizedTest
    @ValueSource(strings = {"y", "\\\\", "\\\"", " "})
    void longQuotedTextsAreReadWithoutRecursion(String sign) {
        String text = sign.repeat(4_000);
        assertThat(message("/eddy/x \"" + text + "\"").arguments()).hasSize(1);
        assertThat(MessageLine.parse("/eddy/x \"" + text).problem().orElseThrow().message()).hasSizeLessThan(200);
        assertThat(MessageLine.parse("/eddy/x " + "1 ".repeat(4_000)).message().orElseThrow().arguments()).hasSize(4_000);
    }

    @Test
    void aLineThatIsTooLongOrHoldsNoNumberIsRefusedInWords() {
        assertThat(MessageLine.parse("/a " + "x".repeat(MessageLine.MAX_LENGTH)).problem().orElseThrow().message()).contains("10000 characters");
        assertThat(MessageLine.parse("/a 1e99").problem().orElseThrow().message()).contains("too large for a float");
        assertThat(MessageLine.parse("/a b\0c").problem().orElseThrow().message()).contains("NUL");
    }
}
