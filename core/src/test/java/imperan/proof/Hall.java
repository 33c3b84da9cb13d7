package imperan.proof;

import imperan.check.NetworkFacts;
import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.LiveSink;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.osc.OscBundle;
import imperan.osc.OscDecoder;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.osc.OscPacket;
import imperan.rig.Adapter;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.function.Supplier;

/** A running show on a clock of its own, with a desk at its other end that answers as a test wants it to. */
public final class Hall implements LiveSink {

    public static final long MS = 1_000_000L;
    public static final int DESK_PORT = 7101;
    public static final int ANSWER_PORT = 9201;
    public static final String DESK_HOST = "192.0.2.20";

    /** What the desk does with what it gets; it may say something. */
    public interface Habit {
        void takes(OscMessage message, boolean bundled, BiConsumer<String, List<OscArgument>> says);
    }

    /** It says what it was told. */
    public static final Habit ECHO = (message, bundled, says) -> says.accept(message.address(), message.arguments());

    public static final Habit MUTE = (message, bundled, says) -> {};

    public final LiveShow live = new LiveShow(this);
    public final Show show;
    public long now = 1_000_000_000_000_000_000L;
    List<Adapter> adapters = List.of();
    long lostHere;
    /** Is told of all that happens in the running show. */
    public Consumer<LiveEvent> told = event -> {};

    private Habit habit = ECHO;
    private boolean takes = true;
    private final Deque<byte[]> under = new ArrayDeque<>();
    /** What the desk says later. */
    private final PriorityQueue<Later> later = new PriorityQueue<>(Comparator.comparingLong(Later::at));

    private record Later(long at, Supplier<OscMessage> says) {}

    public Hall(Show show) {
        this.show = show;
        live.load(show, now);
        live.socket(Shows.DESK, SocketState.open("192.0.2.10"), now);
        run();
    }

    public Hall does(Habit other) {
        habit = other;
        return this;
    }

    Hall deskIsGone() {
        return does(MUTE);
    }

    public Hall systemRefuses() {
        takes = false;
        return this;
    }

    /** Lets time pass, with all that is due. */
    public Hall pass(long millis) {
        long end = now + millis * MS;
        while (nextDue() <= end) {
            now = Math.max(now, nextDue());
            while (!later.isEmpty() && later.peek().at <= now) {
                from(DESK_HOST, DESK_PORT, ANSWER_PORT, later.poll().says.get());
            }
            live.takeDue(now);
            run();
        }
        now = end;
        return this;
    }

    /** When something happens though nobody does anything. */
    public long nextDue() {
        return later.isEmpty() ? live.nextDue() : Math.min(later.peek().at, live.nextDue());
    }

    /** The desk says something by itself, so much later. */
    public void later(long millis, String address, List<OscArgument> arguments) {
        later.add(new Later(now + millis * MS, () -> new OscMessage(address, arguments)));
    }

    /** The desk says something by itself, every so often for so long; what it says is asked for each time with its number. */
    public void every(long millis, long longest, IntFunction<OscMessage> says) {
        for (int i = 1; i * millis <= longest; i++) {
            int turn = i;
            later.add(new Later(now + i * millis * MS, () -> says.apply(turn)));
        }
    }

    /** Lets time pass until then, with all that is due. */
    public void passTo(long time) {
        long nanos = Math.max(0, time - now);
        pass((nanos + MS - 1) / MS);
    }

    /** Moves a control, and waits longer than any answer takes. */
    public Hall move(String control, double to) {
        touch(Actor.of(Shows.ADA), control, to);
        return pass(1_000);
    }

    public Hall touch(Actor who, String control, double to) {
        order(who, new Touch(new PartId(control), "1", Touch.Phase.SET, 0.5, to, false, ""));
        return this;
    }

    public Hall order(Command command) {
        return order(Actor.of(Shows.ADA), command);
    }

    private Hall order(Actor who, Command command) {
        live.carryOut(command, who, now);
        run();
        return this;
    }

    Hall desk(String address, OscArgument... arguments) {
        return from(DESK_HOST, DESK_PORT, ANSWER_PORT, OscMessage.of(address, arguments));
    }

    public Hall from(String host, int port, int ourPort, OscPacket packet) {
        return from(host, port, ourPort, OscEncoder.encode(packet));
    }

    Hall from(String host, int port, int ourPort, byte[] bytes) {
        live.received(ourPort, host, port, bytes, new OscDecoder().decode(bytes), now);
        return this;
    }

    /**
     * What is under way arrives, and what the desk says to it.
     *
     * @return whether anything was
     */
    public boolean run() {
        boolean any = !under.isEmpty();
        while (!under.isEmpty()) {
            Decoded.Whole whole = (Decoded.Whole) new OscDecoder().decode(under.poll());
            now += MS;
            take(whole.packet(), false);
        }
        return any;
    }

    private void take(OscPacket packet, boolean bundled) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(element -> take(element, true));
        } else {
            List<OscMessage> said = new ArrayList<>();
            habit.takes(
                    (OscMessage) packet, bundled, (address, arguments) -> said.add(new OscMessage(address, arguments)));
            said.forEach(message -> from(DESK_HOST, DESK_PORT, ANSWER_PORT, message));
        }
    }

    @Override
    public boolean datagram(PartId target, byte[] packet) {
        if (takes) {
            under.add(packet);
        }
        return takes;
    }

    @Override
    public void happened(LiveEvent event) {
        told.accept(event);
    }

    Diagnosis why(String control) {
        return WhyNot.of(facts(control));
    }

    Facts facts(String control) {
        return Facts.of(show, live.observed(new PartId(control), now).orElseThrow(), network(), lostHere)
                .orElseThrow();
    }

    Diagnosis whyTarget() {
        return WhyNot.of(Facts.of(show, live.observedTarget(Shows.DESK, now).orElseThrow(), network(), lostHere)
                .orElseThrow());
    }

    private NetworkFacts network() {
        return new NetworkFacts(adapters, live.links(), live.strays());
    }
}
