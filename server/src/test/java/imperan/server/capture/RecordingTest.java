package imperan.server.capture;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.capture.CaptureFile;
import imperan.capture.Captured;
import imperan.live.Actor;
import imperan.live.Cause;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.show.Reach;
import imperan.wire.WireRecord;
import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.dao.DataAccessResourceFailureException;

@Timeout(60)
class RecordingTest {

    private static final Function<WireRecord, Optional<Captured>> ALL = record -> Optional.of(new Captured(
            record.at(),
            record.out(),
            "192.0.2.10",
            record.ourPort(),
            "192.0.2.20",
            7101,
            Reach.UDP,
            record.bytes(),
            ""));

    private static WireRecord record(long number, String text) {
        OscMessage message = OscMessage.of("/a", new OscArgument.Text(text));
        return new WireRecord(
                number,
                number,
                number,
                false,
                Optional.empty(),
                "osc",
                "192.0.2.20:7101",
                9201,
                OscEncoder.encode(message),
                new Decoded.Whole(message),
                new Cause(1, Cause.Origin.ARRIVAL, Actor.IMPERAN, 1),
                Optional.empty(),
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of());
    }

    @Test
    void whatIsRecordedIsWholeAndInPieces() {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        AtomicLong pieces = new AtomicLong();
        AtomicLong counted = new AtomicLong();
        Recording recording = new Recording(
                ALL,
                (number, bytes, packets) -> {
                    assertThat(number).isEqualTo((int) pieces.getAndIncrement());
                    counted.addAndGet(packets);
                    file.writeBytes(bytes);
                    return true;
                },
                () -> true);
        for (int i = 1; i <= 3_000; i++) {
            recording.accept(record(i, "x".repeat(1_000)));
        }
        recording.stop();
        assertThat(CaptureFile.read(file.toByteArray()))
                .isInstanceOfSatisfying(CaptureFile.Read.Good.class, good -> assertThat(good.packets())
                        .hasSize(3_000));
        assertThat(pieces.get()).as("of a megabyte each").isBetween(3L, 5L);
        assertThat(counted.get()).isEqualTo(3_000);
        assertThat(recording.packets()).isEqualTo(3_000);
        assertThat(recording.bytes()).isEqualTo(file.size());
        assertThat(recording.problem()).isEmpty();
        recording.accept(record(3_001, "late"));
        assertThat(recording.packets()).as("it has ended").isEqualTo(3_000);
    }

    @Test
    void itEndsInWordsWhereTheDatabaseIsGone() throws InterruptedException {
        Recording recording = new Recording(
                ALL,
                (number, bytes, packets) -> {
                    throw new DataAccessResourceFailureException("gone");
                },
                () -> true);
        recording.accept(record(1, "x".repeat(50_000)));
        while (recording.isRunning()) {
            Thread.onSpinWait();
        }
        assertThat(recording.problem()).contains("The database does not answer");
    }

    @Test
    void itEndsWhereItsCaptureIsRemovedOrTheShowIsNoLongerLive() {
        Recording removed = new Recording(ALL, (number, bytes, packets) -> false, () -> true);
        removed.accept(record(1, "x"));
        removed.stop();
        assertThat(removed.problem()).contains("removed while it was recorded");
        Recording elsewhere = new Recording(ALL, (number, bytes, packets) -> true, () -> false);
        while (elsewhere.isRunning()) {
            Thread.onSpinWait();
        }
        assertThat(elsewhere.problem()).isEmpty();
    }

    @Test
    void itEndsWhereItIsFull() {
        AtomicLong bytes = new AtomicLong();
        Recording recording = new Recording(
                ALL,
                (number, piece, packets) -> {
                    bytes.addAndGet(piece.length);
                    return true;
                },
                () -> true);
        WireRecord large = record(1, "x".repeat(60_000));
        for (int i = 0; i < CaptureFile.MOST_BYTES / 60_000 + 10; i++) {
            recording.accept(large);
        }
        recording.stop();
        assertThat(recording.problem()).contains("at most 100 MB");
        assertThat(bytes.get()).isBetween(CaptureFile.MOST_BYTES - 100_000L, (long) CaptureFile.MOST_BYTES);
    }
}
