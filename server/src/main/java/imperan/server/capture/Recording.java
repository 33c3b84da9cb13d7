package imperan.server.capture;

import imperan.capture.CaptureFile;
import imperan.capture.Captured;
import imperan.capture.PcapNg;
import imperan.wire.WireRecord;
import java.io.ByteArrayOutputStream;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/**
 * Records packets into a capture. The loop only puts them into a queue; a thread of its own writes them, a piece at a time, so that neither a slow disk nor a
 * database that is gone is felt in the show.
 */
final class Recording implements Consumer<WireRecord> {

    private static final Logger LOG = LoggerFactory.getLogger(Recording.class);

    /** Twenty seconds of ten thousand a second. */
    private static final int MOST_WAITING = 200_000;

    private static final int PIECE_BYTES = 1 << 20;
    private static final long PAUSE_MS = 50;
    private static final long PIECE_NANOS = 1_000_000_000L;

    /** Where its pieces go. */
    interface Pieces {
        /** @return false where the capture is no longer there */
        boolean append(int number, byte[] bytes, long packets);
    }

    private final Function<WireRecord, Optional<Captured>> reading;
    private final Pieces pieces;
    private final BooleanSupplier wanted;
    private final Queue<WireRecord> queue = new ConcurrentLinkedQueue<>();
    private final AtomicLong waiting = new AtomicLong();
    private final AtomicLong lost = new AtomicLong();
    private final PcapNg format = new PcapNg();
    private final ByteArrayOutputStream piece = new ByteArrayOutputStream();
    private final Thread thread = new Thread(this::run, "recording");
    private volatile boolean stopping;
    private volatile long packets;
    private volatile long bytes;
    private volatile String problem = "";
    private int number;
    private long inPiece;

    /**
     * @param reading what of a packet is recorded; empty for one that is not
     * @param wanted  whether it is to go on
     */
    Recording(Function<WireRecord, Optional<Captured>> reading, Pieces pieces, BooleanSupplier wanted) {
        this.reading = reading;
        this.pieces = pieces;
        this.wanted = wanted;
        piece.writeBytes(format.head());
        bytes = piece.size();
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void accept(WireRecord record) {
        if (stopping) {
            return;
        } else if (waiting.get() >= MOST_WAITING) {
            lost.incrementAndGet();
        } else {
            waiting.incrementAndGet();
            queue.add(record);
        }
    }

    /** Writes what waits, and ends. */
    void stop() {
        stopping = true;
        try {
            thread.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    boolean isRunning() {
        return thread.isAlive();
    }

    long packets() {
        return packets;
    }

    /** Of its file. */
    long bytes() {
        return bytes;
    }

    /** Packets that came faster than they could be written. */
    long lost() {
        return lost.get();
    }

    /** Why it ended by itself; empty where it did not. */
    String problem() {
        return problem;
    }

    private void run() {
        long writtenAt = System.nanoTime();
        try {
            while (problem.isEmpty()) {
                boolean last = stopping || !wanted.getAsBoolean();
                drain();
                if (last || piece.size() >= PIECE_BYTES || System.nanoTime() - writtenAt > PIECE_NANOS && inPiece > 0) {
                    write();
                    writtenAt = System.nanoTime();
                }
                if (last) {
                    return;
                }
                Thread.sleep(PAUSE_MS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (DataAccessException | TransactionException e) {
            LOG.warn("A recording ended because the database did not take it", e);
            problem = "The database does not answer: the recording ended with what was saved before";
        } finally {
            stopping = true;
        }
    }

    private void drain() {
        for (WireRecord record = queue.poll(); record != null && problem.isEmpty(); record = queue.poll()) {
            waiting.decrementAndGet();
            Optional<byte[]> written = reading.apply(record).map(format::packet);
            if (written.isPresent() && bytes + written.get().length > CaptureFile.MOST_BYTES) {
                problem = "The recording ended because a capture has at most " + (CaptureFile.MOST_BYTES >> 20) + " MB";
            } else if (written.isPresent()) {
                piece.writeBytes(written.get());
                bytes += written.get().length;
                packets++;
                inPiece++;
                if (piece.size() >= PIECE_BYTES) {
                    write();
                }
            }
        }
        if (!problem.isEmpty()) {
            write();
        }
    }

    private void write() {
        if (piece.size() > 0 && !pieces.append(number++, piece.toByteArray(), inPiece)) {
            problem = "This capture was removed while it was recorded";
        }
        piece.reset();
        inPiece = 0;
    }
}
