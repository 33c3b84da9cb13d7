package imperan.rig;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class HostAddressTest {

    /** The documentation and loopback ranges of RFC 5737 and RFC 1122. */
    @ParameterizedTest
    @ValueSource(strings = {"127.0.0.1", "192.0.2.10", "198.51.100.255", "0.0.0.0", "255.255.255.255"})
    void addresses(String text) {
        assertThat(HostAddress.parse(text).problem()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "127,0,0,1 | 127,0,0,1 has commas; did you mean 127.0.0.1? | 127.0.0.1",
                "127.0,0.1 | commas | 127.0.0.1",
                "192.0.2;10 | other signs than dots | 192.0.2.10",
                "192.0.2. 10 | other signs than dots | 192.0.2.10",
                "' 192.0.2.10' | spaces around | 192.0.2.10",
                "localhost | instead of a name | 127.0.0.1",
                "192.0.2.1O | letters | 192.0.2.10",
                "l92.0.2.10 | letters | 192.0.2.10",
                "192.0..2.10 | 5 numbers | 192.0.2.10",
                "192.0.2.010 | leading zero | 192.0.2.10",
            })
    void slipsAreMended(String text, String words, String mend) {
        assertThat(HostAddress.parse(text).problem()).hasValueSatisfying(fault -> {
            assertThat(fault.message()).contains(words);
            assertThat(fault.mend()).contains(mend);
        });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "192.0.2.256 | 256 in 192.0.2.256 is above 255",
                "192.0.2 | 3 numbers",
                "10 | 1 number;",
                "wheelhouse | letters",
                "-1.2.3.4 | not four numbers",
                "'' | is needed",
            })
    void whatCannotBeGuessedIsOnlyNamed(String text, String words) {
        assertThat(HostAddress.parse(text).problem()).hasValueSatisfying(fault -> {
            assertThat(fault.message()).contains(words);
            assertThat(fault.mend()).isEmpty();
        });
    }

    @Test
    void portsHaveSixteenBits() {
        assertThat(Ports.problem(1)).isEmpty();
        assertThat(Ports.problem(65_535)).isEmpty();
        assertThat(Ports.problem(0)).isPresent();
        assertThat(Ports.problem(70_000)).hasValue("70000 is not a port: ports run from 1 to 65535");
    }
}
