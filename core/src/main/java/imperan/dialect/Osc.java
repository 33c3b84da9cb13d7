package imperan.dialect;

import imperan.address.AddressText;
import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.TimeTag;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Open Sound Control 1.0, with the types of 1.1. */
public enum Osc implements Dialect {
    /** As the specification has it: an address begins with a slash. */
    STRICT("osc", "OSC", AddressText::parse),
    /** As some receivers want it: the slash at the start may be missing. */
    BARE("osc-bare", "OSC, with addresses that lack the slash at their start", AddressText::parseFreely);

    private final String id;
    private final String called;
    private final Function<String, AddressText> reading;

    Osc(String id, String called, Function<String, AddressText> reading) {
        this.id = id;
        this.called = called;
        this.reading = reading;
    }

    @Override
    public String id() {
        return id;
    }

    @Override
    public String called() {
        return called;
    }

    @Override
    public Optional<AddressText.Fault> fault(String address) {
        return reading.apply(address).problem();
    }

    @Override
    public boolean isOrdinary(String address) {
        return !AddressText.isBare(address);
    }

    @Override
    public boolean hasPatterns() {
        return true;
    }

    @Override
    public boolean hasBundles() {
        return true;
    }

    @Override
    public Codec codec() {
        return new Packets();
    }

    /** It has no state: a packet says the same whatever came before. */
    private static final class Packets implements Codec {

        private final OscDecoder decoder = OscDecoder.takingBareAddresses();

        @Override
        public List<byte[]> write(OscMessage line) {
            return List.of(OscEncoder.encode(line));
        }

        @Override
        public Decoded read(byte[] packet) {
            return decoder.decode(packet);
        }

        @Override
        public int bundleBytes(int messages) {
            return OscEncoder.BUNDLE_HEAD_BYTES + messages * Integer.BYTES;
        }

        @Override
        public byte[] bundle(List<byte[]> messages) {
            return OscEncoder.bundle(TimeTag.IMMEDIATELY, messages);
        }
    }
}
