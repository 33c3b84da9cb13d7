package imperan.server.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One decoder for all sounds: none keeps another waiting, and what ends one ends no other. */
class DecodingsTest {

    private final Decodings decodings = new Decodings();
    private final BlockingQueue<String> said = new LinkedBlockingQueue<>();

    @AfterEach
    void close() {
        decodings.close();
    }

    private String next() throws InterruptedException {
        return said.poll(20, TimeUnit.SECONDS);
    }

    /** One that says what becomes of it. */
    private class Plain implements Decodings.Decoding {
        private final String name;

        Plain(String name) {
            this.name = name;
        }

        @Override
        public boolean slice(long nanos) throws IOException {
            return false;
        }

        @Override
        public void done() throws IOException {
            said.add(name + " done");
        }

        @Override
        public void failed(String why) {
            said.add(name + " failed: " + why);
        }
    }

    @Test
    void aNewOneBeginsAfterTheSliceThatRuns() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch goOn = new CountDownLatch(1);
        for (int i = 0; i < 30; i++) {
            decodings.add(new Plain("endless") {
                @Override
                public boolean slice(long nanos) {
                    assertThat(TimeUnit.NANOSECONDS.toSeconds(nanos)).isLessThan(10);
                    begun.countDown();
                    try {
                        goOn.await();
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                    said.add("endless slice");
                    return true;
                }
            });
        }
        begun.await();
        decodings.add(new Plain("new"));
        goOn.countDown();
        assertThat(List.of(next(), next())).containsExactly("endless slice", "new done");
        // the others take turns all the while
        assertThat(next()).isEqualTo("endless slice");
    }

    static List<Throwable> whatIsThrown() {
        return List.of(
                new OutOfMemoryError("Java heap space"),
                new StackOverflowError(),
                new NoClassDefFoundError("x"),
                new IllegalStateException("x"),
                new IOException("x"));
    }

    @ParameterizedTest
    @MethodSource("whatIsThrown")
    void whateverIsThrownEndsThatSoundWithASentenceAndNoOther(Throwable thrown) throws InterruptedException {
        decodings.add(new Plain("bad") {
            @Override
            public boolean slice(long nanos) throws IOException {
                if (thrown instanceof IOException io) {
                    throw io;
                } else if (thrown instanceof RuntimeException runtime) {
                    throw runtime;
                }
                throw (Error) thrown;
            }
        });
        assertThat(next()).startsWith("bad failed: The server could not ").contains(" this sound.");
        decodings.add(new Plain("good"));
        assertThat(next()).isEqualTo("good done");
    }

    /** A database that is away is no fault of the sound. */
    @Test
    void whatCannotBeNotedIsNotCalledBroken() throws InterruptedException {
        decodings.add(new Plain("good") {
            @Override
            public void done() {
                throw new IllegalStateException("the database is away");
            }
        });
        assertThat(next()).isEqualTo("good failed: " + FullDisk.NOT_KEPT);
    }

    @Test
    void aFullDiskIsCalledThatAndABrokenSoundWhatItIs() throws InterruptedException {
        decodings.add(new Plain("full") {
            @Override
            public void done() throws IOException {
                throw new IOException("No space left on device");
            }
        });
        assertThat(next()).isEqualTo("full failed: " + FullDisk.WORDS);
        decodings.add(new Plain("broken") {
            @Override
            public boolean slice(long nanos) throws IOException {
                throw new BrokenSound("It is broken: save it anew");
            }
        });
        assertThat(next()).isEqualTo("broken failed: It is broken: save it anew");
    }
}
