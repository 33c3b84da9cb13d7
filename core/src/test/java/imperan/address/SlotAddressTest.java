package imperan.address;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SlotAddressTest {

    @Test
    void aSlotStandsForItsNumbers() {
        SlotAddress address = SlotAddress.parse("/in/<ch:1..3>/send/<bus:01..02>");
        assertThat(address.count()).isEqualTo(6);
        assertThat(address.expand())
                .containsExactly(
                        "/in/1/send/01",
                        "/in/1/send/02",
                        "/in/2/send/01",
                        "/in/2/send/02",
                        "/in/3/send/01",
                        "/in/3/send/02");
        assertThat(address.match("/in/3/send/02")).contains(Map.of("ch", 3, "bus", 2));
    }

    @ParameterizedTest
    @CsvSource({
        "/in/4/send/01",
        "/in/0/send/01",
        "/in/1/send/1",
        "/in/01/send/01",
        "/in/1/send/01/x",
        "/in//send/01",
        "/in/x/send/01",
        "/in/1/send"
    })
    void whatItDoesNotStandForDoesNotMatch(String other) {
        assertThat(SlotAddress.parse("/in/<ch:1..3>/send/<bus:01..02>").match(other))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/in/<ch> | written <name:1..12>",
                "/in/<ch:1..> | written <name:1..12>",
                "/in/<ch:1..3 | written <name:1..12>",
                "/in/<1:1..3> | written <name:1..12>",
                "/in/<ch:3..1> | ends before it begins",
                "/in/<ch:1..3>/<ch:1..3> | stands twice",
                "/in/<a:1..999>/<b:1..999> | 998001 addresses",
                "in/<a:1..9> | begins with a slash",
                "/in/<a:1..9>/ | ends with a slash",
                "/in/<a:1..9>/* | cannot be part",
            })
    void whatIsNoSuchAddressIsRefused(String text, String words) {
        assertThat(SlotAddress.parse(text).problem().orElseThrow()).contains(words);
    }

    @Test
    void aDoubledSignIsItself() {
        SlotAddress address = SlotAddress.parse("/a<<b/<n:1..2>");
        assertThat(address.expand()).containsExactly("/a<b/1", "/a<b/2");
        assertThat(address.match("/a<b/2")).contains(Map.of("n", 2));
    }

    /** Each address it expands to matches, and gives back the numbers it was made of. */
    @Test
    void expandingAndMatchingAreEachOthersInverse() {
        Random random = new Random(8);
        for (int round = 0; round < 500; round++) {
            StringBuilder text = new StringBuilder();
            for (int slots = random.nextInt(3); slots >= 0; slots--) {
                int first = random.nextInt(12);
                text.append("/p")
                        .append(random.nextInt(100))
                        .append("/<s")
                        .append(slots)
                        .append(':')
                        .append(random.nextBoolean() ? String.format("%03d", first) : String.valueOf(first))
                        .append("..")
                        .append(first + random.nextInt(9))
                        .append('>');
            }
            SlotAddress address = SlotAddress.parse(text.toString());
            assertThat(address.problem()).as("%s", text).isEmpty();
            List<String> all = address.expand();
            assertThat(new HashSet<>(all)).hasSize(address.count());
            assertThat(all.get(0)).isEqualTo(address.first());
            assertThat(all).allSatisfy(each -> assertThat(address.match(each)).isPresent());
        }
    }

    /** The product of these is 2^64, which is 0 in 64 bits. */
    @Test
    void slotsThatStandForMoreThanACounterHoldsAreRefused() {
        assertThat(SlotAddress.parse("/<a:0..65535>/<b:0..65535>/<c:0..65535>/<d:0..65535>")
                        .problem())
                .hasValueSatisfying(problem -> assertThat(problem).contains("at most 100000"));
    }
}
