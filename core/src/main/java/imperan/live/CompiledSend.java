package imperan.live;

import imperan.osc.MessageTemplate;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.FixedArgument;
import imperan.show.Send;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A send made ready once, when it is edited, so that a touch only fills in its numbers. */
final class CompiledSend {

    private final Send send;
    private final MessageTemplate template;
    private final List<OscArgument> fixed = new ArrayList<>();
    private byte[] lastPacket = new byte[0];

    CompiledSend(Send send) {
        this.send = send;
        for (ArgumentSource source : send.arguments()) {
            fixed.add(source instanceof ArgumentSource.Fixed f
                    ? FixedArgument.parse(f).argument().orElseThrow() : OscArgument.Bare.NIL);
        }
        // true and false are types of their own in OSC, so such a message has no fixed type tags
        boolean constantTags = send.arguments().stream()
                .noneMatch(a -> a instanceof ArgumentSource.Value && a.type() == ArgumentType.BOOLEAN);
        template = constantTags ? MessageTemplate.like(new OscMessage(send.address(), arguments(0))) : null;
    }

    Send send() {
        return send;
    }

    List<OscArgument> arguments(double position) {
        OscArgument[] filled = new OscArgument[fixed.size()];
        for (int i = 0; i < filled.length; i++) {
            filled[i] = send.arguments().get(i) instanceof ArgumentSource.Value value
                    ? argument(value, position) : fixed.get(i);
        }
        return List.of(filled);
    }

    byte[] packet(List<OscArgument> arguments) {
        return template != null ? template.encode(arguments)
                : OscEncoder.encode(new OscMessage(send.address(), arguments));
    }

    /** Notes what went out; false where it is what went out before. */
    boolean differsFromLast(byte[] packet) {
        boolean differs = !Arrays.equals(packet, lastPacket);
        lastPacket = packet;
        return differs;
    }

    private static OscArgument argument(ArgumentSource.Value source, double position) {
        double value = new Scale(source.low(), source.high()).value(position);
        return switch (source.type()) {
            case FLOAT32 -> new OscArgument.Float32((float) value);
            case FLOAT64 -> new OscArgument.Float64(value);
            // rounded, not cut: 0.07 of 100 is 7 even where the product is 6.99…
            case INT32 -> new OscArgument.Int32((int) Math.round(value));
            case INT64 -> new OscArgument.Int64(Math.round(value));
            case BOOLEAN -> position >= 0.5 ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE;
            case TEXT -> new OscArgument.Text(new Scale(source.low(), source.high()).text(position, false));
        };
    }
}
