package imperan.proof.run;

import imperan.live.LiveEvent;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/** A hall with a desk that keeps what it is told, answers questions, and can be proved. */
final class ProofHall {

    private static final int MOST_TURNS = 600_000;

    final Hall hall;
    /** What stands at the desk, by address. */
    final Map<String, List<OscArgument>> stands = new LinkedHashMap<>();
    /** What was said to it, questions too. */
    final List<OscMessage> heard = new ArrayList<>();

    final List<Long> heardAt = new ArrayList<>();
    /** What passed in either direction. */
    final List<PacketJudge.Packet> packets = new ArrayList<>();

    private ProofRun run;
    long lostHere;

    ProofHall(Show show) {
        hall = new Hall(show);
        hall.does(this::takes);
    }

    void takes(OscMessage message, boolean bundled, BiConsumer<String, List<OscArgument>> says) {
        note(message);
        if (!message.arguments().isEmpty()) {
            stands.put(message.address(), message.arguments());
        }
        if (stands.containsKey(message.address())) {
            says.accept(message.address(), stands.get(message.address()));
        }
    }

    /** For desks that do something else: it was heard. */
    void note(OscMessage message) {
        heard.add(message);
        heardAt.add(hall.now);
        packets.add(new PacketJudge.Packet(true, message.address(), message.arguments()));
    }

    /** Those that moved something. */
    List<OscMessage> moved() {
        return heard.stream().filter(message -> !message.arguments().isEmpty()).toList();
    }

    /** The least time between two that moved something, in nanoseconds. */
    long leastGap() {
        List<Long> at = new ArrayList<>();
        for (int i = 0; i < heard.size(); i++) {
            if (!heard.get(i).arguments().isEmpty()) {
                at.add(heardAt.get(i));
            }
        }
        return IntStream.range(1, at.size())
                .mapToLong(i -> at.get(i) - at.get(i - 1))
                .min()
                .orElseThrow();
    }

    ProofHall stands(String address, OscArgument... values) {
        stands.put(address, List.of(values));
        return this;
    }

    ProofPlan plan(Conditions conditions) {
        return Planner.plan(hall.show, Scope.ALL, conditions, hall.live.links());
    }

    static Conditions cleared(int times) {
        return new Conditions(times, false, Set.of(Shows.DESK));
    }

    ProofRun start(Conditions conditions) {
        run = new ProofRun(plan(conditions), "Ada");
        hall.told = this::happened;
        return run;
    }

    private void happened(LiveEvent event) {
        if (event instanceof LiveEvent.PacketIn in) {
            in.says()
                    .messages()
                    .forEach(message ->
                            packets.add(new PacketJudge.Packet(false, message.address(), message.arguments())));
        }
        run.happened(event, lostHere);
    }

    /** Goes on until something is so; fails where it never is. Time passes only to when something is due, as on the loop: who forgets to say when waits for ever. */
    void until(BooleanSupplier so) {
        for (int i = 0; i < MOST_TURNS; i++) {
            run.act(hall.live, lostHere, hall.now);
            boolean more = hall.run();
            ProofRun.Phase before = run.phase();
            if (so.getAsBoolean()) {
                return;
            } else if (!more && run.phase() == before) {
                long next = Math.min(run.nextDue(), hall.nextDue());
                if (next == Long.MAX_VALUE) {
                    throw new AssertionError("Nothing is due any more, and it has not come to it; " + run.phase());
                }
                hall.passTo(next);
            }
        }
        throw new AssertionError("It never came to it; " + run.phase());
    }

    /** Goes on to the end, with what was read written down. */
    List<LineResult> prove(Conditions conditions) {
        start(conditions);
        return toTheEnd();
    }

    List<LineResult> toTheEnd() {
        until(() -> {
            run.isWrittenDown();
            return run.phase() == ProofRun.Phase.ENDED;
        });
        return run.outcomes().stream().map(Outcome::result).toList();
    }
}
