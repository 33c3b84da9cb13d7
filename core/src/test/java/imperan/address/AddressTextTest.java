package imperan.address;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AddressTextTest {

    @ParameterizedTest
    @ValueSource(strings = {"/a", "/bellows/in/1/level", "/a.b-c_d:e", "/1"})
    void addresses(String text) {
        assertThat(AddressText.parse(text).problem()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "bellows/main | begins with a slash | /bellows/main",
                "\\bellows\\main | wrong way | /bellows/main",
                "/bellows//main | two slashes | /bellows/main",
                "/bellows/main/ | ends with a slash | /bellows/main",
                "' /bellows/main ' | blanks around | /bellows/main",
                "' bellows//main/' | blanks around | /bellows/main",
            })
    void slipsAreMended(String text, String words, String mend) {
        assertThat(AddressText.parse(text).problem()).hasValueSatisfying(fault -> {
            assertThat(fault.message()).contains(words, "did you mean " + mend);
            assertThat(fault.mend()).contains(mend);
        });
    }

    /** OSC 1.0, "OSC Address Spaces and OSC Addresses": the characters that may not be in a name. */
    @ParameterizedTest
    @ValueSource(strings = {"/a b", "/a#", "/a*", "/a,", "/a?", "/a[", "/a]", "/a{", "/a}", "/ä", "", " ", "/"})
    void whatCannotBeGuessedIsOnlyNamed(String text) {
        assertThat(AddressText.parse(text).problem())
                .hasValueSatisfying(fault -> assertThat(fault.mend()).isEmpty());
    }
}
