package imperan.address;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.address.NearMiss.How;
import imperan.address.NearMiss.Meant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NearMissTest {

    private static final NearMiss DESK = of(
            "/bellows/in/<ch:1..12>/level",
            "/bellows/main/level",
            "/wick/look/<n:1..12>/go",
            "/lamp/<n:0..7>/on",
            "/mix/1/send/<ch:1..8>",
            "/deck/4/play",
            "/deck/9/play");

    private static NearMiss of(String... known) {
        return new NearMiss(List.of(known).stream().map(SlotAddress::parse).toList());
    }

    @ParameterizedTest
    @CsvSource({
        "/bellows/in/3/lvel, /bellows/in/3/level, SPELLING",
        "/bellows/in/level, /bellows/in/1/level, SPELLING",
        "/bellows/in3/level, /bellows/in/3/level, SPELLING",
        "\\bellows\\main\\level, /bellows/main/level, SPELLING",
        "/Bellows/in/3/level, /bellows/in/3/level, LETTER_CASE",
        "/bellows/Main/Level, /bellows/main/level, LETTER_CASE",
        "/bellows/in/13/level, /bellows/in/12/level, OUT_OF_RANGE",
        "/bellows/in/0/level, /bellows/in/1/level, COUNTING_BASE",
        "/lamp/8/on, /lamp/7/on, COUNTING_BASE",
        "/lamp/9/on, /lamp/7/on, OUT_OF_RANGE",
        "/mix/1/send/9, /mix/1/send/8, OUT_OF_RANGE",
        "/deck/5/play, /deck/4/play, SPELLING",
        "/deck/8/play, /deck/9/play, SPELLING",
    })
    void whatWasProbablyMeantAndInWhatItDiffers(String typed, String meant, How how) {
        assertThat(DESK.of(typed)).hasValueSatisfying(found -> {
            assertThat(found.address()).isEqualTo(meant);
            assertThat(found.how()).isEqualTo(how);
            assertThat(found.range().isPresent()).isEqualTo(how == How.OUT_OF_RANGE || how == How.COUNTING_BASE);
        });
    }

    @ParameterizedTest
    @CsvSource({"/something/else", "/bellows/in/3/leeeveell", "/bellows/in/123456789/level"})
    void whatIsFarFromAllIsNotGuessed(String typed) {
        assertThat(DESK.of(typed)).isEmpty();
    }

    @Test
    void amongThousandsThatDifferInTheirNumbersTheNearestIsFound() {
        NearMiss many = of(IntStream.range(0, 5_000)
                .mapToObj(i -> "/cue/" + i * 10 + "/go")
                .toArray(String[]::new));
        assertThat(many.of("/cue/12344/go")).hasValue(new Meant("/cue/12340/go", How.SPELLING, Optional.empty()));
        assertThat(many.of("/cue/12340/Go")).hasValue(new Meant("/cue/12340/go", How.LETTER_CASE, Optional.empty()));
        assertThat(of().of("/cue/1")).isEmpty();
    }

    /** Property, seeded; the distance is that of Levenshtein as Commons Text computes it. */
    @Test
    void nothingNearerIsPassedByForItsLetters() {
        Random random = new Random(7);
        List<String> known = IntStream.range(0, 300)
                .mapToObj(i -> "/" + word(random, 4) + "/" + word(random, 3))
                .distinct()
                .toList();
        NearMiss near = of(known.toArray(String[]::new));
        for (int i = 0; i < 2_000; i++) {
            String typed = "/" + word(random, 4) + "/" + word(random, 3);
            int least = known.stream()
                    .mapToInt(each -> LevenshteinDistance.getDefaultInstance().apply(typed, each))
                    .min()
                    .orElseThrow();
            assertThat(near.of(typed).map(meant -> LevenshteinDistance.getDefaultInstance()
                            .apply(typed, meant.address())))
                    .isEqualTo(least <= 3 ? Optional.of(least) : Optional.empty());
        }
    }

    private static String word(Random random, int letters) {
        return random.ints(letters, 'a', 'h')
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
