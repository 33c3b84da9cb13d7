package imperan.osc;

/** Well-formed UTF-8 (Unicode Standard, table 3-7), checked without decoding. */
final class Utf8 {

    private Utf8() {}

    /** The offset of the first byte that is not part of a well-formed sequence, or -1. */
    static int firstInvalid(byte[] bytes, int from, int end) {
        for (int i = from; i < end; ) {
            int lead = bytes[i] & 0xFF;
            int more = lead < 0x80 ? 0 : lead < 0xC2 ? -1 : lead < 0xE0 ? 1 : lead < 0xF0 ? 2 : lead < 0xF5 ? 3 : -1;
            if (more < 0 || i + more >= end) {
                return i;
            }
            for (int k = 1; k <= more; k++) {
                int next = bytes[i + k] & 0xFF;
                int low = k > 1 ? 0x80 : lead == 0xE0 ? 0xA0 : lead == 0xF0 ? 0x90 : 0x80;
                int high = k > 1 ? 0xBF : lead == 0xED ? 0x9F : lead == 0xF4 ? 0x8F : 0xBF;
                if (next < low || next > high) {
                    return i;
                }
            }
            i += more + 1;
        }
        return -1;
    }
}
