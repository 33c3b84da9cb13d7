package imperan.live;

import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.Shows;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/** Commands to a running show in tests, each with the reason why it could not be done. Where nobody is named, Ada wants it. */
final class Asking {

    private static final Actor ADA = Actor.of(Shows.ADA);

    private Asking() {}

    private static Optional<String> carryOut(LiveShow live, Command command, Actor actor, long now) {
        return live.carryOut(command, actor, now).map(Problem::message);
    }

    static Optional<String> touch(LiveShow live, Touch touch, Person person, long now) {
        return carryOut(live, touch, Actor.of(person), now);
    }

    static Optional<String> testFire(LiveShow live, PartId control, int send, long now) {
        return carryOut(live, new Command.TestFire(control, send), ADA, now);
    }

    static Optional<String> rest(LiveShow live, Collection<PartId> controls, Person person, long now) {
        return carryOut(live, new Command.Rest(List.copyOf(controls)), Actor.of(person), now);
    }

    static Optional<String> gate(LiveShow live, PartId target, Gate gate, long now) {
        return carryOut(live, new Command.SetGate(Optional.of(target), gate), ADA, now);
    }

    static Optional<String> gateAll(LiveShow live, Gate gate, long now) {
        return carryOut(live, new Command.SetGate(Optional.empty(), gate), ADA, now);
    }

    static Optional<String> start(LiveShow live, PartId target, long now) {
        return carryOut(live, new Command.SendStartList(target), ADA, now);
    }

    static Optional<String> leaveAsItIs(LiveShow live, PartId target) {
        return carryOut(live, new Command.LeaveAsItIs(target), ADA, 0);
    }

    static Optional<String> refresh(LiveShow live, PartId target, long now) {
        return carryOut(live, new Command.Refresh(target), ADA, now);
    }

    static Optional<String> say(LiveShow live, PartId target, String line, long now) {
        return carryOut(live, new Command.Say(target, line), ADA, now);
    }

    static Optional<String> learn(LiveShow live, String browser, boolean on, long now) {
        return carryOut(live, new Command.Learn(on), Actor.of(new Person(browser, browser)), now);
    }
}
