package imperan.server.sound;

import java.io.IOException;
import java.util.Locale;

/** Where something could not be kept because the disk is full. */
final class FullDisk {

    static final String WORDS =
            "The disk of this machine is full, so the sound was not kept. Make room, and load it again";

    private FullDisk() {}

    /** Java tells it only in the words of the system (POSIX, ENOSPC and EDQUOT). */
    static boolean says(IOException e) {
        String message = String.valueOf(e.getMessage()).toLowerCase(Locale.ROOT);
        return message.contains("no space left") || message.contains("quota exceeded");
    }
}
