package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import java.util.ArrayList;
import java.util.List;

/** A device with hands and ears around it, on a clock of its own. */
final class Rehearsal {

    static final StandIn.Peer ADA = StandIn.Peer.datagrams("127.0.0.1", 5001);
    static final StandIn.Peer BEN = StandIn.Peer.datagrams("127.0.0.1", 5002);
    static final long MS = 1_000_000L;

    final StandIn device;
    final List<String> said = new ArrayList<>();
    long now = 1_000 * MS;

    Rehearsal(StandIn device) {
        this.device = device;
    }

    private void note(StandIn.Peer to, OscMessage message) {
        said.add((to.port() + " " + message.address() + " " + OscText.arguments(message.arguments())).strip());
    }

    /** What is said because of a message, and nothing said before. */
    List<String> say(StandIn.Peer from, String address, OscArgument... arguments) {
        said.clear();
        device.receive(new StandIn.Heard(from, OscMessage.of(address, arguments), false), now, this::note);
        return List.copyOf(said);
    }

    List<String> bundle(StandIn.Peer from, String address, OscArgument... arguments) {
        said.clear();
        device.receive(new StandIn.Heard(from, OscMessage.of(address, arguments), true), now, this::note);
        return List.copyOf(said);
    }

    List<String> byHand(String address, OscArgument... arguments) {
        said.clear();
        device.byHand(OscMessage.of(address, arguments), now, this::note);
        return List.copyOf(said);
    }

    /** What is said while time passes. */
    List<String> pass(long millis) {
        said.clear();
        for (long end = now + millis * MS; now < end; ) {
            now += 20 * MS;
            device.pass(now, this::note);
        }
        return List.copyOf(said);
    }

    static OscArgument whole(int value) {
        return new OscArgument.Int32(value);
    }

    static OscArgument decimal(double value) {
        return new OscArgument.Float32((float) value);
    }

    static OscArgument text(String value) {
        return new OscArgument.Text(value);
    }
}
