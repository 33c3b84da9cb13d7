package imperan.standins;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A device with whatever is wrong with it. What concerns its sockets, its post does. */
public final class FaultyStandIn implements StandIn {

    static final long LATE_NANOS = 700_000_000L;
    static final int CHOKES_A_SECOND = 50;
    private static final long FORGETS_NANOS = 2_000_000_000L;

    private record Late(Peer to, OscMessage message, long due) {}

    private final StandIn device;
    private final Set<Fault> faults = EnumSet.noneOf(Fault.class);
    private final Deque<Late> late = new ArrayDeque<>();
    private Peer first;
    private Optional<Long> second = Optional.empty();
    private int heardInSecond;
    private int answers;
    private long forgetAt = Long.MIN_VALUE;

    public FaultyStandIn(StandIn device) {
        this.device = device;
    }

    public Set<Fault> faults() {
        return faults;
    }

    @Override
    public String name() {
        return device.name();
    }

    @Override
    public void receive(Heard heard, long now, Outbox outbox) {
        first = first == null || !faults.contains(Fault.FIRST_ONLY) ? heard.from() : first;
        if (second.isEmpty() || now - second.get() >= 1_000_000_000L) {
            second = Optional.of(now);
            heardInSecond = 0;
        }
        heardInSecond++;
        boolean lost = faults.contains(Fault.DEAF)
                || faults.contains(Fault.SWITCH_OFF)
                || faults.contains(Fault.NO_BUNDLES) && heard.bundled()
                || faults.contains(Fault.FIRST_ONLY) && !heard.from().equals(first)
                || faults.contains(Fault.CHOKES) && heardInSecond > CHOKES_A_SECOND;
        if (!lost) {
            device.receive(heard, now, wrong(now, outbox));
        }
    }

    @Override
    public void pass(long now, Outbox outbox) {
        while (!late.isEmpty() && late.peekFirst().due() <= now) {
            Late due = late.pollFirst();
            outbox.send(due.to(), due.message());
        }
        if (faults.contains(Fault.FORGETS) && now >= forgetAt) {
            forgetAt = now + FORGETS_NANOS;
            device.forgetListeners();
        }
        device.pass(now, wrong(now, outbox));
    }

    @Override
    public void byHand(OscMessage done, long now, Outbox outbox) {
        device.byHand(done, now, wrong(now, outbox));
    }

    @Override
    public void forgetListeners() {
        device.forgetListeners();
    }

    @Override
    public Map<String, Object> picture(long now) {
        return device.picture(now);
    }

    private Outbox wrong(long now, Outbox outbox) {
        return (to, message) -> {
            answers++;
            if (faults.contains(Fault.LOSES) && (answers % 10 == 2 || answers % 10 == 5 || answers % 10 == 8)) {
                return;
            }
            Peer end = faults.contains(Fault.TO_OTHER_PORT) && to.connection() == 0
                    ? new Peer(to.host(), to.port() + 1, 0)
                    : to;
            List<OscArgument> arguments =
                    message.arguments().stream().map(this::wrong).toList();
            OscMessage said = new OscMessage(
                    faults.contains(Fault.OTHER_ADDRESS) ? "/elsewhere" + message.address() : message.address(),
                    arguments);
            if (faults.contains(Fault.LATE)) {
                late.addLast(new Late(end, said, now + LATE_NANOS));
            } else {
                outbox.send(end, said);
            }
        };
    }

    private OscArgument wrong(OscArgument argument) {
        OscArgument said = argument;
        if (faults.contains(Fault.CLAMPED)) {
            said = said instanceof OscArgument.Float32 f && f.value() > 0.5f
                    ? new OscArgument.Float32(0.5f)
                    : said instanceof OscArgument.Int32 i && i.value() > 127 ? new OscArgument.Int32(127) : said;
        }
        if (faults.contains(Fault.OTHER_TYPE)) {
            said = said instanceof OscArgument.Float32 f
                    ? new OscArgument.Text(String.valueOf(f.value()))
                    : said instanceof OscArgument.Int32 i ? new OscArgument.Text(String.valueOf(i.value())) : said;
        }
        return said;
    }
}
