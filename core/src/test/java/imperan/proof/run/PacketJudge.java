package imperan.proof.run;

import imperan.osc.OscArgument;
import java.util.ArrayList;
import java.util.List;

/**
 * What can be known from the packets alone, by whoever looks at them afterwards. It knows nothing of how a proof judges: it has its own
 * eyes for values, and asks only whether each value that was sent is told in a way that an echo cannot.
 */
final class PacketJudge {

    /**
     * One message on the wire.
     *
     * @param out whether it went to the target
     */
    record Packet(boolean out, String address, List<OscArgument> arguments) {
        private boolean isQuestion() {
            return out && arguments.isEmpty();
        }
    }

    private static final double SAME = 1 / 127.0;

    private final List<Packet> packets;
    private final String address;

    /** @param address on which values are sent */
    PacketJudge(List<Packet> packets, String address) {
        this.packets = packets;
        this.address = address;
    }

    static double number(OscArgument argument) {
        return switch (argument.getClass().getSimpleName()) {
            case "Float32" -> ((OscArgument.Float32) argument).value();
            case "Float64" -> ((OscArgument.Float64) argument).value();
            case "Int32" -> ((OscArgument.Int32) argument).value();
            default -> Double.NaN;
        };
    }

    /** The values that were sent and of which nothing tells that they were taken; the last message puts back, and is not looked at. */
    List<Double> unknown() {
        List<Integer> sent = new ArrayList<>();
        for (int i = 0; i < packets.size(); i++) {
            Packet packet = packets.get(i);
            if (packet.out && packet.address.equals(address) && !packet.arguments.isEmpty()) {
                sent.add(i);
            }
        }
        List<Double> unknown = new ArrayList<>();
        List<Double> known = new ArrayList<>();
        for (int i = 0; i + 1 < sent.size(); i++) {
            double value = number(packets.get(sent.get(i)).arguments.get(0));
            (isTold(packets.get(sent.get(i)), packets.subList(sent.get(i) + 1, sent.get(i + 1))) ? known : unknown)
                    .add(value);
        }
        unknown.removeAll(known);
        return unknown;
    }

    /** @param since what passed from when it was sent until something else was */
    private boolean isTold(Packet sent, List<Packet> since) {
        double value = number(sent.arguments.get(0));
        int questions = 0;
        int answers = 0;
        boolean reported = false;
        boolean inOwnForm = isInOwnForm();
        for (Packet packet : since) {
            if (packet.isQuestion()) {
                questions++;
            } else if (!packet.out && !packet.arguments.isEmpty()) {
                boolean says = Math.abs(number(packet.arguments.get(0)) - value) <= SAME;
                reported |= says && (inOwnForm || !isSame(packet, sent));
                if (!says) {
                    answers = 0;
                } else if (questions > 0) {
                    questions--;
                    answers++;
                }
            }
        }
        return answers >= 2 || reported && packets.stream().noneMatch(packet -> answersQuestion(packet, sent));
    }

    private static boolean isSame(Packet one, Packet other) {
        return one.address.equals(other.address) && one.arguments.equals(other.arguments);
    }

    /** Whether it said something that nobody had said to it: then it is no mere echo. */
    private boolean isInOwnForm() {
        return packets.stream()
                .filter(packet -> !packet.out && !packet.arguments.isEmpty())
                .anyMatch(packet -> packets.stream().noneMatch(sent -> sent.out && isSame(packet, sent)));
    }

    /** Where questions are answered, they count and nothing else. */
    private boolean answersQuestion(Packet packet, Packet sent) {
        int at = packets.indexOf(packet);
        return !packet.out
                && !packet.arguments.isEmpty()
                && packet.address.equals(sent.address)
                && at > 0
                && packets.get(at - 1).isQuestion();
    }
}
