package imperan.server.sound;

import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** Formats that browsers play. */
public enum SoundFormat {
    WAV("audio/wav"),
    FLAC("audio/flac"),
    MP3("audio/mpeg");

    /** Of the start of a file; as much shows what it is. */
    static final int HEAD = 12;

    private final String mediaType;

    SoundFormat(String mediaType) {
        this.mediaType = mediaType;
    }

    public String mediaType() {
        return mediaType;
    }

    /** What a file is by its first bytes: RIFF with WAVE, fLaC, an ID3 tag, or the eleven set bits of an MPEG frame. */
    static Optional<SoundFormat> of(byte[] head) {
        String text = new String(head, StandardCharsets.ISO_8859_1);
        if (text.startsWith("RIFF") && text.length() >= HEAD && text.startsWith("WAVE", 8)) {
            return Optional.of(WAV);
        } else if (text.startsWith("fLaC")) {
            return Optional.of(FLAC);
        } else if (text.startsWith("ID3") || head.length > 1 && head[0] == (byte) 0xFF && (head[1] & 0xE0) == 0xE0) {
            return Optional.of(MP3);
        }
        return Optional.empty();
    }
}
