package imperan.server.sound;

import java.io.Closeable;
import java.io.IOException;
import java.util.concurrent.BlockingDeque;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Decodes sounds, all on one thread of low priority: a slice of each in turn, and of a new one at once, so that none waits for one that
 * takes minutes.
 */
final class Decodings implements Closeable {

    private static final Logger LOG = LoggerFactory.getLogger(Decodings.class);
    private static final long SLICE_NANOS = TimeUnit.MILLISECONDS.toNanos(500);

    /** One sound that is being decoded. All is asked on the thread of the decoder. */
    interface Decoding {

        /** @return whether there is more to do; {@link BrokenSound} where the sound is at fault, anything else where we are */
        boolean slice(long nanos) throws IOException;

        /** It has been decoded whole. */
        void done() throws IOException;

        /** It ended before that. {@code why} is a sentence; whatever is left of it is to be removed. */
        void failed(String why);
    }

    private final BlockingDeque<Decoding> waiting = new LinkedBlockingDeque<>();
    private final Thread thread = new Thread(this::run, "sounds");
    private volatile boolean closed;

    Decodings() {
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.setDaemon(true);
        thread.start();
    }

    /** Who comes last is first to begin. */
    void add(Decoding decoding) {
        waiting.addFirst(decoding);
    }

    private void run() {
        while (!closed) {
            try {
                Decoding next = waiting.take();
                if (work(next)) {
                    waiting.addLast(next);
                }
            } catch (InterruptedException e) {
                return;
            }
        }
    }

    /** Whatever is thrown ends that sound and no other. */
    private boolean work(Decoding decoding) {
        try {
            if (decoding.slice(SLICE_NANOS)) {
                return true;
            }
        } catch (BrokenSound e) {
            fails(decoding, e.getMessage());
            return false;
        } catch (IOException e) {
            notKept(decoding, e);
            return false;
        } catch (Throwable e) {
            LOG.error("A sound could not be decoded", e);
            fails(decoding, "The server could not decode this sound. Save it anew as WAV, and load that");
            return false;
        }
        keep(decoding);
        return false;
    }

    /** What fails now is the disk or the database, and no fault of the sound. */
    private static void keep(Decoding decoding) {
        try {
            decoding.done();
        } catch (IOException | RuntimeException e) {
            notKept(decoding, e);
        }
    }

    private static void notKept(Decoding decoding, Exception why) {
        LOG.error("A sound could not be kept", why);
        fails(decoding, FullDisk.says(why) ? FullDisk.WORDS : FullDisk.NOT_KEPT);
    }

    private static void fails(Decoding decoding, String why) {
        try {
            decoding.failed(why);
        } catch (RuntimeException e) {
            LOG.error("What is left of a sound could not be removed", e);
        }
    }

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
    }
}
