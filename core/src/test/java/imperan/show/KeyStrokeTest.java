package imperan.show;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Names of keys: W3C, "UI Events KeyboardEvent key Values" and "UI Events KeyboardEvent code Values", from memory. */
class KeyStrokeTest {

    @ParameterizedTest
    @CsvSource({
        "g, g",
        "G, g",
        "F5, F5",
        "+, +",
        "Ctrl++, Ctrl++",
        "ctrl + Shift+G, Ctrl+Shift+g",
        "shift+ctrl+g, Ctrl+Shift+g",
        "[KeyG], [KeyG]",
        "Alt+[Numpad1], Alt+[Numpad1]",
        "ArrowUp, ArrowUp",
        "[, [",
        "ä, ä"
    })
    void aKeyIsReadAndWrittenInOneWay(String text, String written) {
        KeyStroke.Read read = KeyStroke.read(text);
        assertThat(read.problem()).isEmpty();
        assertThat(read.stroke().orElseThrow().text()).isEqualTo(written);
        assertThat(KeyStroke.read(written)).isEqualTo(read);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "g h | Write one key",
                "Hyper+g | “Hyper” cannot be held",
                "Ctrl+Ctrl+g | Ctrl is there twice",
                "Ctrl+w | Browsers keep Ctrl+w",
                "[] | Write one key",
                "[Key G] | Write one key",
                "Ctrl+ | Write one key"
            })
    void whatIsNoKeyIsRefusedInWords(String text, String problem) {
        assertThat(KeyStroke.read(text).stroke()).isEmpty();
        assertThat(KeyStroke.read(text).problem().orElseThrow()).contains(problem);
    }

    @Test
    void whatIsHeldBelongsToIt() {
        assertThat(KeyStroke.read("Ctrl+g").stroke())
                .hasValue(new KeyStroke(Set.of(KeyStroke.Modifier.CTRL), "g", false));
        assertThat(KeyStroke.read("[KeyG]").stroke()).hasValue(new KeyStroke(Set.of(), "KeyG", true));
    }
}
