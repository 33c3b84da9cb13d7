package imperan.server.sound;

import java.io.IOException;

/** A file that is no sound, is broken, or is more than is taken. The message is a sentence for people, and says the mend. */
final class BrokenSound extends IOException {

    private static final long serialVersionUID = 1;

    BrokenSound(String message) {
        super(message);
    }
}
