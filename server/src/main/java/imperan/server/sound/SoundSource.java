package imperan.server.sound;

/** A sound file that is decoded a little at a time. */
interface SoundSource {

    /** Samples to a second; 0 where it is not known before the first step. */
    int rate();

    /**
     * Decodes what comes next: at most some ten thousand samples.
     *
     * @return how many samples of one channel came; less than none at the end
     * @throws Exception where the file is broken: decoders of damaged files throw all sorts
     */
    int step(Samples samples) throws Exception;

    /** @throws BrokenSound where nobody hears so few or so many samples a second, or so many channels are not taken */
    static void check(long rate, int channels) throws BrokenSound {
        if (rate < SoundLimits.LEAST_RATE || rate > SoundLimits.MOST_RATE) {
            throw new BrokenSound("This sound is said to have " + rate + " samples a second; from "
                    + SoundLimits.LEAST_RATE + " to " + SoundLimits.MOST_RATE + " can be. Save it anew, with 48000");
        }
        if (channels < 1 || channels > SoundLimits.MOST_CHANNELS) {
            throw new BrokenSound("This sound is said to have " + channels + " channels; from 1 to "
                    + SoundLimits.MOST_CHANNELS + " can be. Save a mix of it, with two");
        }
    }

    /** A number of 1 to 4 bytes, the smallest first, as -1 to 1. */
    static float whole(byte[] block, int at, int size, boolean signed) {
        int value = 0;
        for (int i = 0; i < size; i++) {
            value |= (block[at + i] & 0xFF) << 8 * (4 - size + i);
        }
        return (signed ? value : value ^ Integer.MIN_VALUE) / 2_147_483_648f;
    }
}
