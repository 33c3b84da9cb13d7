package imperan.wire;

import imperan.live.Actor;
import imperan.live.Cause;
import imperan.live.LiveEvent;
import imperan.live.Reason;
import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscPacket;
import imperan.show.PartId;
import imperan.show.Person;
import java.util.Optional;

/** Packets that come and go on a clock of their own, for tests. */
final class WireScene {

    static final long SECOND = 1_000_000_000L;
    static final PartId DESK = new PartId("desk");
    static final Actor ADA = Actor.of(new Person("b1", "Ada"));

    final WireLog log;
    long now = 1_000 * SECOND;
    private long inputs;

    WireScene(int mostPackets, long mostMemory) {
        log = new WireLog(mostPackets, mostMemory);
    }

    WireScene() {
        this(100_000, Long.MAX_VALUE);
    }

    WireRecord in(OscPacket packet) {
        return in(Optional.of(DESK), "192.0.2.20:7101", OscEncoder.encode(packet), Optional.empty());
    }

    WireRecord in(Optional<PartId> target, String peer, byte[] bytes, Optional<Reason> reason) {
        return log.happened(new LiveEvent.PacketIn(
                        now,
                        new Cause(++inputs, Cause.Origin.ARRIVAL, Actor.IMPERAN, 1),
                        target,
                        "osc",
                        peer,
                        9201,
                        bytes,
                        OscDecoder.takingBareAddresses().decode(bytes),
                        Optional.empty(),
                        reason))
                .orElseThrow();
    }

    WireRecord out(Cause.Origin origin, OscPacket packet, Optional<Reason> reason) {
        return log.happened(new LiveEvent.PacketOut(
                        now,
                        new Cause(++inputs, origin, ADA, 0),
                        DESK,
                        "osc",
                        "192.0.2.20:7101",
                        9201,
                        OscEncoder.encode(packet),
                        new Decoded.Whole(packet),
                        1,
                        reason))
                .orElseThrow();
    }

    WireRecord out(OscPacket packet) {
        return out(Cause.Origin.HAND, packet, Optional.empty());
    }

    void pass(double seconds) {
        now += (long) (seconds * SECOND);
    }
}
