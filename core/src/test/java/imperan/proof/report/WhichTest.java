package imperan.proof.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WhichTest {

    @ParameterizedTest
    @CsvSource({
        "ALL, true, true, true, true, true",
        "OPEN, false, true, true, true, true",
        "SHORT, false, false, true, true, false",
        "CHANGED, false, false, false, true, true"
    })
    void takesWhatItSays(
            Which which, boolean proved, boolean oneWay, boolean wrong, boolean wrongAndChanged, boolean unknown) {
        assertThat(which.takes(Optional.of(new Proved(Verdict.CONFIRMED, false, true, 0, Optional.empty(), false))))
                .isEqualTo(proved);
        assertThat(which.takes(Optional.of(new Proved(Verdict.ONE_WAY, false, true, 0, Optional.empty(), false))))
                .isEqualTo(oneWay);
        assertThat(which.takes(Optional.of(new Proved(Verdict.WRONG_VALUE, false, true, 0, Optional.empty(), false))))
                .isEqualTo(wrong);
        assertThat(which.takes(Optional.of(new Proved(Verdict.WRONG_VALUE, true, true, 0, Optional.empty(), false))))
                .isEqualTo(wrongAndChanged);
        assertThat(which.takes(Optional.empty())).isEqualTo(unknown);
    }
}
