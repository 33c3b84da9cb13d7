package imperan.proof.run;

import imperan.osc.OscArgument;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

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
    record Packet(boolean out, String address, List<OscArgument> arguments) {}

    private final List<Packet> packets;
    private final String address;
    private final int names;
    private final double same;

    /**
     * @param address on which values are sent
     * @param names   how many arguments before the value name its place
     * @param same    how far numbers may be apart that mean the same
     */
    PacketJudge(List<Packet> packets, String address, int names, double same) {
        this.packets = packets;
        this.address = address;
        this.names = names;
        this.same = same;
    }

    static double number(OscArgument argument) {
        return switch (argument.getClass().getSimpleName()) {
            case "Float32" -> ((OscArgument.Float32) argument).value();
            case "Float64" -> ((OscArgument.Float64) argument).value();
            case "Int32" -> ((OscArgument.Int32) argument).value();
            default -> Double.NaN;
        };
    }

    private boolean isValue(Packet packet) {
        return packet.out && packet.address.equals(address) && packet.arguments.size() > names;
    }

    private boolean isQuestion(Packet packet) {
        return packet.out && !isValue(packet);
    }

    private boolean says(Packet packet) {
        return !packet.out && packet.arguments.size() > names;
    }

    /** The values that were sent and of which nothing tells that they were taken; the last message puts back, and is not looked at. */
    List<List<OscArgument>> unknown() {
        List<Integer> sent = IntStream.range(0, packets.size())
                .filter(i -> isValue(packets.get(i)))
                .boxed()
                .toList();
        List<List<OscArgument>> unknown = new ArrayList<>();
        List<List<OscArgument>> known = new ArrayList<>();
        for (int i = 0; i + 1 < sent.size(); i++) {
            Packet packet = packets.get(sent.get(i));
            (isTold(packet, packets.subList(sent.get(i) + 1, sent.get(i + 1))) ? known : unknown).add(packet.arguments);
        }
        unknown.removeAll(known);
        return unknown;
    }

    /** @param since what passed from when it was sent until something else was */
    private boolean isTold(Packet sent, List<Packet> since) {
        int questions = 0;
        int answers = 0;
        boolean reported = false;
        boolean inOwnForm = isInOwnForm();
        for (Packet packet : since) {
            if (isQuestion(packet)) {
                questions++;
            } else if (says(packet)) {
                boolean isIt = isNear(packet.arguments, sent.arguments);
                reported |= isIt && (inOwnForm || !isSame(packet, sent));
                if (!isIt) {
                    answers = 0;
                } else if (questions > 0) {
                    questions--;
                    answers++;
                }
            }
        }
        return answers >= 2 || reported && packets.stream().noneMatch(packet -> answersQuestion(packet, sent));
    }

    private boolean isNear(List<OscArgument> one, List<OscArgument> other) {
        return one.size() == other.size()
                && IntStream.range(0, one.size()).allMatch(i -> {
                    double a = number(one.get(i));
                    double b = number(other.get(i));
                    return Double.isNaN(a) ? one.get(i).equals(other.get(i)) : Math.abs(a - b) <= same;
                });
    }

    private static boolean isSame(Packet one, Packet other) {
        return one.address.equals(other.address) && one.arguments.equals(other.arguments);
    }

    /** Whether it said something that nobody had said to it: then it is no mere echo. */
    private boolean isInOwnForm() {
        return packets.stream().filter(this::says).anyMatch(packet -> packets.stream()
                .noneMatch(sent -> sent.out && isSame(packet, sent)));
    }

    /** Where questions are answered, they count and nothing else. */
    private boolean answersQuestion(Packet packet, Packet sent) {
        int at = packets.indexOf(packet);
        return says(packet) && packet.address.equals(sent.address) && at > 0 && isQuestion(packets.get(at - 1));
    }
}
