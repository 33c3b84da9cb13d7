package imperan.server.sound;

import java.util.Locale;

/** Where something could not be kept because the disk is full. */
final class FullDisk {

    static final String WORDS =
            "The disk of this machine is full, so the sound was not kept. Make room, and load it again";

    static final String NOT_KEPT = "The server could not keep this sound. Load it again; server.log says more";

    private FullDisk() {}

    /** Java tells it only in the words of the system (POSIX, ENOSPC and EDQUOT). */
    static boolean says(Exception e) {
        String message = String.valueOf(e.getMessage()).toLowerCase(Locale.ROOT);
        return message.contains("no space left") || message.contains("quota exceeded");
    }
}
