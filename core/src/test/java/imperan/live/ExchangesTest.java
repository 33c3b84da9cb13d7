package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.AnswerRule;
import imperan.show.PartId;
import imperan.show.Shows;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Thousands of random steps: the exchanges end as a list that is searched from end to end says. */
class ExchangesTest {

    private static final long LIMIT = Expectation.UNTOLD.limitNanos();

    /** An exchange as the rule sees it. */
    private static final class Model {
        private final long number;
        private final String address;
        private final int value;
        private final boolean question;
        private long since;
        private long due;
        private boolean differed;

        private Model(long number, String address, int value, boolean question, long since) {
            this.number = number;
            this.address = address;
            this.value = value;
            this.question = question;
            this.since = since;
            this.due = since + LIMIT;
        }
    }

    private final Set<Long> once = new HashSet<>();
    /** What ended since both were last compared. */
    private final Map<Long, String> ended = new LinkedHashMap<>();

    private final Exchanges exchanges = new Exchanges((exchange, ending) -> {
        assertThat(once.add(exchange.number)).as("ends once").isTrue();
        ended.put(exchange.number, ending.getClass().getSimpleName());
    });
    private final Map<Long, String> expected = new LinkedHashMap<>();
    private final List<Model> open = new ArrayList<>();

    private void agree(int step) {
        assertThat(ended).as("step %d", step).isEqualTo(expected);
        ended.clear();
        expected.clear();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void endAsTheRuleSays(long seed) {
        Random random = new Random(seed);
        long now = 0;
        for (int step = 0; step < 20_000; step++) {
            now += random.nextInt(40) * 1_000_000L;
            expire(now);
            agree(step);
            String address = "/" + random.nextInt(4);
            switch (random.nextInt(6)) {
                case 0, 1 -> say(address, random.nextInt(5), false, now);
                case 2 -> say(address, 0, true, now);
                case 3 -> asked(address, now);
                default -> heard(address, random.nextInt(5), now);
            }
            agree(step);
            assertThat(exchanges.of(Shows.DESK)).hasSize(open.size());
            assertThat(exchanges.nextDue())
                    .isEqualTo(open.stream().mapToLong(model -> model.due).min().orElse(DueQueue.NEVER));
        }
    }

    private void say(String address, int value, boolean question, long now) {
        long number = exchanges.nextNumber();
        Wanted wanted = question
                ? Wanted.Anything.INSTANCE
                : new Wanted.Arguments(List.of(new Wanted.Arguments.Each(0, new OscArgument.Int32(value), 0.5)));
        exchanges.open(
                new Exchange(
                        number,
                        Shows.DESK,
                        Optional.<PartId>empty(),
                        address,
                        wanted,
                        new OscMessage(address, List.of()),
                        question,
                        Expectation.UNTOLD,
                        Expectation.UNTOLD.limitNanos(),
                        0,
                        false,
                        now),
                now);
        open.add(new Model(number, address, value, question, now));
    }

    private void asked(String address, long now) {
        exchanges.asked(Shows.DESK, address, now);
        open.stream().filter(model -> model.address.equals(address)).forEach(model -> {
            model.since = now;
            model.due = now + LIMIT;
        });
    }

    private void expire(long now) {
        exchanges.expire(now);
        // in the order in which they end, each queue for itself: with one length there is one
        open.stream()
                .filter(model -> model.due <= now)
                .forEach(model -> expected.put(model.number, model.differed ? "Differed" : "NoAnswer"));
        open.removeIf(model -> model.due <= now);
    }

    private void heard(String address, int value, long now) {
        List<Long> told = new ArrayList<>();
        Optional<Long> after = exchanges.heard(
                Shows.DESK,
                address,
                List.of(new OscArgument.Int32(value)),
                now,
                (exchange, wrong) -> told.add(exchange.number));
        List<Model> there =
                open.stream().filter(model -> model.address.equals(address)).toList();
        Optional<Model> youngest = there.stream()
                .filter(model -> !model.question && model.value == value)
                .reduce((a, b) -> b);
        for (Model model : there) {
            if (model.question || youngest.filter(model::equals).isPresent()) {
                expected.put(model.number, "Answered");
                open.remove(model);
            } else if (youngest.filter(found -> found.number > model.number).isPresent()) {
                expected.put(model.number, "Overtaken");
                open.remove(model);
            }
        }
        Optional<Model> answered =
                youngest.or(() -> there.stream().filter(model -> model.question).findFirst());
        Optional<Model> firstToDiffer = answered.isPresent()
                ? Optional.empty()
                : there.stream().filter(model -> !model.differed).findFirst();
        assertThat(after).isEqualTo(answered.or(() -> firstToDiffer).map(model -> now - model.since));
        // where all differed already, it is told of the last one again
        assertThat(told)
                .isEqualTo(
                        answered.isPresent() || there.isEmpty()
                                ? List.of()
                                : List.of(firstToDiffer.orElse(there.get(there.size() - 1)).number));
        firstToDiffer.ifPresent(model -> model.differed = true);
    }

    private void open(String address, long waits, Expectation expected, long now) {
        Wanted one = new Wanted.Arguments(List.of(new Wanted.Arguments.Each(0, new OscArgument.Int32(1), 0.5)));
        exchanges.open(
                new Exchange(
                        exchanges.nextNumber(),
                        Shows.DESK,
                        Optional.empty(),
                        address,
                        one,
                        new OscMessage(address, List.of()),
                        false,
                        expected,
                        waits,
                        0,
                        false,
                        now),
                now);
    }

    @Test
    void whereTooManyAreOpenTheOldestIsNotJudged() {
        for (int i = 0; i < Exchanges.MOST_OF_ADDRESS; i++) {
            open("/a", LIMIT, Expectation.UNTOLD, i);
        }
        assertThat(ended).isEmpty();
        open("/a", LIMIT, Expectation.UNTOLD, 100);
        assertThat(ended).containsExactly(Map.entry(1L, "NotJudged"));
        assertThat(exchanges.of(Shows.DESK)).hasSize(Exchanges.MOST_OF_ADDRESS);
        ended.clear();
        for (int i = Exchanges.MOST_OF_ADDRESS; i < Exchanges.MOST_OF_TARGET; i++) {
            open("/of/" + i, LIMIT, Expectation.UNTOLD, 200);
        }
        assertThat(ended).isEmpty();
        open("/one/more", LIMIT, Expectation.UNTOLD, 300);
        assertThat(ended).containsExactly(Map.entry(2L, "NotJudged"));
        assertThat(exchanges.of(Shows.DESK)).hasSize(Exchanges.MOST_OF_TARGET);
        assertThat(exchanges.of(new PartId("other"))).isEmpty();
        assertThat(exchanges.on("/a")).hasSize(Exchanges.MOST_OF_ADDRESS - 1);
    }

    @Test
    void theFinalValueIsWaitedForFromTheFirstThatDiffersOn() {
        Expectation settling = new Expectation(
                AnswerRule.usual(AnswerRule.Kind.SAME).within(0.5).settling(2),
                Optional.of("/a"),
                List.of(),
                Optional.empty());
        open("/a", settling.limitNanos(), settling, 0);
        exchanges.heard(Shows.DESK, "/a", List.of(new OscArgument.Int32(7)), 400_000_000L, (exchange, wrong) -> {});
        assertThat(exchanges.nextDue()).isEqualTo(2_400_000_000L);
        exchanges.heard(Shows.DESK, "/a", List.of(new OscArgument.Int32(8)), 1_000_000_000L, (exchange, wrong) -> {});
        assertThat(exchanges.nextDue()).as("progress does not put it off").isEqualTo(2_400_000_000L);
        exchanges.expire(2_399_999_999L);
        assertThat(ended).isEmpty();
        exchanges.expire(2_400_000_000L);
        assertThat(ended.values()).containsExactly("Differed");
        assertThat(exchanges.nextDue()).isEqualTo(DueQueue.NEVER);
    }

    @Test
    void eachEndsAtItsOwnLimit() {
        open("/a", 300, Expectation.UNTOLD, 0);
        open("/b", 100, Expectation.UNTOLD, 0);
        open("/c", 200, Expectation.UNTOLD, 0);
        assertThat(exchanges.nextDue()).isEqualTo(100);
        exchanges.expire(200);
        assertThat(ended.keySet()).containsExactlyInAnyOrder(2L, 3L);
        assertThat(exchanges.nextDue()).isEqualTo(300);
    }
}
