package imperan.live;

import static imperan.live.Stage.MS;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is counted of answers, step by step. */
class AnswerLogTest {

    private static final PartId DESK = new PartId("desk");
    private static final MessageResult MISSED = new MessageResult.NoAnswer(500 * MS, Optional.empty());

    private final AnswerLog log = new AnswerLog();
    private long number;
    private long now = 1_000 * MS;

    private Exchange open(String address) {
        return open(address, false);
    }

    private Exchange open(String address, boolean withOthers) {
        number++;
        Wanted wanted =
                new Wanted.Arguments(List.of(new Wanted.Arguments.Each(0, new OscArgument.Int32((int) number), 0)));
        Exchange exchange = new Exchange(
                number,
                DESK,
                Optional.empty(),
                address,
                wanted,
                new OscMessage(address, List.of()),
                false,
                Expectation.UNTOLD,
                500 * MS,
                0,
                false,
                now);
        exchange.renewals = log.renewals();
        log.opened(exchange, withOthers);
        return exchange;
    }

    private static MessageResult answered(String address) {
        return Came.back(address, List.of(), 1);
    }

    private void ends(Exchange exchange, boolean came) {
        now += MS;
        log.ended(exchange, came ? answered(exchange.address) : MISSED, now);
    }

    private void outcomes(String address, String all) {
        all.chars().forEach(outcome -> ends(open(address), outcome == '+'));
    }

    @Test
    void theLastTwelveAreRememberedOneByOneAndAllAreCounted() {
        outcomes("/a", "++++-+-++-++--");
        assertThat(log.of("/a")).isEqualTo(new AnswerTally(14, 9, 12, 7, Optional.of(1_012 * MS)));
        assertThat(log.of("/never")).isEqualTo(AnswerTally.NONE);
    }

    @Test
    void intermittentIsWhatWasAnsweredAndWasNotOfLate() {
        outcomes("/all", "+++");
        outcomes("/none", "---");
        outcomes("/some", "+-+");
        assertThat(log.of("/all").isIntermittent()).isFalse();
        assertThat(log.of("/none").isIntermittent()).isFalse();
        assertThat(log.of("/some").isIntermittent()).isTrue();
        assertThat(AnswerTally.NONE.isIntermittent()).isFalse();
    }

    @Test
    void anAnswerIsMissingUntilOneComes() {
        assertThat(log.isMissing("/a")).isFalse();
        outcomes("/a", "+");
        assertThat(log.isMissing("/a")).isFalse();
        outcomes("/a", "-");
        assertThat(log.isMissing("/a")).isTrue();
        outcomes("/a", "+");
        assertThat(log.isMissing("/a")).isFalse();
    }

    @Test
    void othersAreCountedOnlyWhereTheyWereAnswered() {
        outcomes("/a", "-");
        outcomes("/b", "-");
        outcomes("/c", "+");
        outcomes("/d", "-+");
        assertThat(log.seen("/a").othersAnswered()).isEqualTo(2);
        assertThat(log.seen("/d").othersAnswered()).isEqualTo(1);
    }

    @Test
    void whatWasOvertakenOnItsAddressDoesNotCount() {
        Exchange first = open("/a");
        Exchange second = open("/a");
        ends(first, false);
        assertThat(log.of("/a")).isEqualTo(AnswerTally.NONE);
        ends(second, false);
        assertThat(log.of("/a").judged()).isEqualTo(1);
        log.ended(open("/a"), new MessageResult.Overtaken(), now);
        assertThat(log.of("/a").judged()).isEqualTo(1);
    }

    @Test
    void aWrongValueCameAndDoesNotAgree() {
        log.ended(open("/a"), Came.another("/a", List.of(), 1), now);
        assertThat(log.of("/a").answered()).isEqualTo(1);
        assertThat(log.seen("/a").alone()).isEqualTo(new AnswerTally(1, 0, 1, 0, Optional.empty()));
    }

    @Test
    void onlyWhatLeavesWithOthersIsBundledAndOnlyWhatLeavesNow() {
        Exchange one = open("/a", true);
        Exchange two = open("/b", true);
        log.left(2);
        assertThat(one.bundled).isTrue();
        assertThat(two.bundled).isTrue();
        Exchange alone = open("/c", true);
        log.left(1);
        assertThat(alone.bundled).isFalse();
        assertThat(one.bundled).as("that one has left before").isTrue();
        Exchange later = open("/d");
        log.left(5);
        assertThat(later.bundled).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"25, 0, 1", "25.5, 1, 0"})
    void aRateOfTwentyFiveIsStillSlow(double rate, int fast, int slow) {
        Exchange exchange = open("/a");
        exchange.rate = rate;
        ends(exchange, true);
        assertThat(log.seen("/a").fast().judged()).isEqualTo(fast);
        assertThat(log.seen("/a").slow().judged()).isEqualTo(slow);
    }

    @ParameterizedTest
    @CsvSource({"10000, true", "10001, false"})
    void aLateAnswerIsOneThatComesWithinTenSeconds(long millis, boolean isLate) {
        Exchange missed = open("/a");
        ends(missed, false);
        long since = missed.since;
        now += millis * MS;
        log.heard(OscMessage.of("/a", new OscArgument.Int32((int) number)), now);
        assertThat(log.seen("/a").missed().orElseThrow().lateNanos())
                .isEqualTo(isLate ? Optional.of(now - since) : Optional.empty());
    }

    @Test
    void theFirstThatAgreesIsTheLateOne() {
        Exchange missed = open("/a");
        ends(missed, false);
        log.heard(OscMessage.of("/a", new OscArgument.Int32(99)), now + MS);
        assertThat(log.seen("/a").missed().orElseThrow().lateNanos()).isEmpty();
        log.heard(OscMessage.of("/a", new OscArgument.Int32(1)), now + 2 * MS);
        log.heard(OscMessage.of("/a", new OscArgument.Int32(1)), now + 3 * MS);
        assertThat(log.seen("/a").missed().orElseThrow().lateNanos()).hasValue(now + 2 * MS - missed.since);
        outcomes("/a", "-");
        assertThat(log.seen("/a").missed().orElseThrow().lateNanos())
                .as("of the one missed last")
                .isEmpty();
    }

    @Test
    void recoveriesAreToldByWhetherTheTargetWasAskedInBetween() {
        outcomes("/a", "-");
        outcomes("/b", "-");
        outcomes("/b", "+");
        log.renewed();
        outcomes("/a", "+");
        assertThat(log.seen("/a").recoveries()).isEqualTo(new Observed.Recoveries(1, 1, true));
        outcomes("/a", "++++");
        assertThat(log.seen("/a").recoveries())
                .as("the last four came")
                .isEqualTo(new Observed.Recoveries(1, 1, false));
        outcomes("/a", "-".repeat(AnswerLog.OUTCOMES));
        assertThat(log.seen("/a").recoveries())
                .as("only so many are remembered")
                .isEqualTo(new Observed.Recoveries(0, 0, false));
    }

    @Test
    void soManyAddressesAreToldApartAndTheRestCountsTogether() {
        for (int i = 0; i <= AnswerLog.MOST_ADDRESSES; i++) {
            outcomes("/" + i, "+");
        }
        assertThat(log.of("/" + (AnswerLog.MOST_ADDRESSES - 1)).judged()).isEqualTo(1);
        assertThat(log.of("/" + AnswerLog.MOST_ADDRESSES)).isEqualTo(AnswerTally.NONE);
        assertThat(log.seen("/0").ofTarget().judged()).isEqualTo(AnswerLog.MOST_ADDRESSES + 1);
    }
}
