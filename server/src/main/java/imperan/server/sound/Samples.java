package imperan.server.sound;

import java.io.IOException;

/** The samples of a sound as they are decoded, one after the other. */
interface Samples {

    /** What there is of a sound. */
    record Length(long frames, int rate) {

        double seconds() {
            return (double) frames / rate;
        }
    }

    /** @param value the mean of all channels, -1 to 1 */
    void sample(float value) throws IOException;
}
