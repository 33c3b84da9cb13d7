package imperan.osc;

/** What one datagram or one bundle element holds (OSC 1.0, "OSC Packets"). */
public sealed interface OscPacket permits OscMessage, OscBundle {
}
