package imperan.live;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.AddressPattern;
import imperan.osc.OscArgument;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Target;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Who listens to what, as controls come, change and go: nothing is left behind, and nothing of others is taken along. */
class ListenersTest {

    private static final PartId DESK = new PartId("desk");
    private static final PartId RACK = new PartId("rack");
    private static final Form FADER = Fader.plain(Fader.Direction.UP, Form.Grab.RELATIVE);

    private final Listeners listeners = new Listeners();

    private static Listen listen(PartId target, String address) {
        return Listen.value(Optional.of(target), address, 0, 0, 1);
    }

    private static LiveControl control(String id, Listen... listens) {
        return new LiveControl(
                new PartId(id), Control.plain(id, new Cells(0, 0, 1, 1), FADER, List.of(), List.of(listens)));
    }

    private static LiveControl lookingUp(String id, String address) {
        return new LiveControl(
                new PartId(id),
                Control.plain(
                        id,
                        new Cells(0, 0, 1, 1),
                        FADER,
                        List.of(new Send(
                                Send.Phase.CHANGE,
                                Optional.of(DESK),
                                "/said",
                                List.of(new ArgumentSource.Said(
                                        ArgumentType.FLOAT32, Optional.of(DESK), address, 0, List.of())))),
                        List.of()));
    }

    private static Behaviour.Condition condition(String address) {
        return new Behaviour.Condition(Optional.of(DESK), address, 0, "1");
    }

    private List<String> earsOf(String address) {
        return listeners.channel(DESK, address).stream()
                .flatMap(channel -> channel.ears.stream())
                .map(ear -> ear.control().id.value())
                .toList();
    }

    @Test
    void whoGoesLeavesTheOthersAndTheLastOneClosesTheChannel() {
        LiveControl one = control("one", listen(DESK, "/a"), listen(DESK, "/b"), listen(RACK, "/a"));
        LiveControl two = control("two", listen(DESK, "/a"));
        listeners.add(one);
        listeners.add(two);
        assertThat(earsOf("/a")).containsExactly("one", "two");
        assertThat(listeners.addresses(DESK)).containsExactlyInAnyOrder("/a", "/b");
        assertThat(listeners.addresses(RACK)).containsExactly("/a");
        listeners.remove(one);
        assertThat(earsOf("/a")).containsExactly("two");
        assertThat(listeners.addresses(DESK)).containsExactly("/a");
        assertThat(listeners.addresses(RACK)).isEmpty();
        assertThat(listeners.of(RACK)).isEmpty();
        listeners.remove(two);
        assertThat(listeners.addresses(DESK)).isEmpty();
    }

    @Test
    void whoBecomesAnotherHearsOnlyWhatItHearsNow() {
        LiveControl one = control("one", listen(DESK, "/a"), listen(DESK, "/b"));
        LiveControl two = control("two", listen(DESK, "/b"));
        listeners.add(one);
        listeners.add(two);
        listeners.replace(one, control("one", listen(DESK, "/b"), listen(DESK, "/c")));
        assertThat(listeners.addresses(DESK)).containsExactlyInAnyOrder("/b", "/c");
        assertThat(earsOf("/b")).containsExactly("two", "one");
        assertThat(listeners.channel(DESK, "/b").orElseThrow().ears)
                .allSatisfy(ear -> assertThat(ear.control()).isNotSameAs(one));
    }

    @Test
    void aWatcherKeepsAChannelOpenUntilItWatchesNoMore() {
        PartId page = new PartId("page");
        listeners.watch(page, condition("/key"));
        LiveControl one = control("one", listen(DESK, "/key"));
        listeners.add(one);
        listeners.remove(one);
        assertThat(listeners.channel(DESK, "/key").orElseThrow().watchers)
                .extracting(Listeners.Watcher::part)
                .containsExactly(page);
        listeners.watch(new PartId("other"), condition("/key"));
        listeners.unwatch(page);
        assertThat(listeners.channel(DESK, "/key").orElseThrow().watchers)
                .extracting(Listeners.Watcher::part)
                .containsExactly(new PartId("other"));
        listeners.unwatch(new PartId("other"));
        assertThat(listeners.channel(DESK, "/key")).isEmpty();
        listeners.unwatch(page);
    }

    @Test
    void whatAControlIsEnabledByIsWatchedAsLongAsItIsThere() {
        Control enabled = control("one")
                .control
                .behaving(new Behaviour(
                        Behaviour.Guard.NONE, 0.2, Behaviour.PLAIN.whenLost(), Optional.of(condition("/on")), ""));
        LiveControl one = new LiveControl(new PartId("one"), enabled);
        listeners.add(one);
        assertThat(listeners.addresses(DESK)).containsExactly("/on");
        listeners.replace(one, control("one"));
        assertThat(listeners.addresses(DESK)).isEmpty();
        listeners.add(one);
        listeners.remove(one);
        assertThat(listeners.addresses(DESK)).isEmpty();
    }

    @Test
    void whatIsLookedUpIsHeardAsLongAsSomebodyLooksItUp() {
        LiveControl one = lookingUp("one", "/master");
        LiveControl two = lookingUp("two", "/master");
        listeners.add(one);
        listeners.add(two);
        assertThat(listeners.channel(DESK, "/master").orElseThrow().lookedUpBy)
                .containsExactlyInAnyOrder(one.id, two.id);
        listeners.remove(one);
        assertThat(listeners.channel(DESK, "/master").orElseThrow().lookedUpBy).containsExactly(two.id);
        listeners.replace(two, lookingUp("two", "/other"));
        assertThat(listeners.addresses(DESK)).containsExactly("/other");
        listeners.forgetLookUp(two.id);
        assertThat(listeners.addresses(DESK)).isEmpty();
        listeners.lookUp(two.id, Stream.of(new ArgumentSource.Fixed(ArgumentType.INT32, "1")));
        assertThat(listeners.addresses(DESK)).isEmpty();
    }

    @Test
    void aConditionHoldsByWhatTheArgumentMeansAndIsUnknownWithoutOne() {
        Listeners.Watcher watcher = new Listeners.Watcher(new PartId("page"), condition("/key"));
        assertThat(watcher.holds(List.of(new OscArgument.Float32(1)))).contains(true);
        assertThat(watcher.holds(List.of(new OscArgument.Int32(0)))).contains(false);
        assertThat(watcher.holds(List.of())).isEmpty();
    }

    @Test
    void aPatternMeansTheChannelsThatItMatches() {
        listeners.add(
                control("one", listen(DESK, "/in/1/level"), listen(DESK, "/in/2/level"), listen(DESK, "/in/2/mute")));
        Link link = new Link(
                DESK, Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.REPORTS), new DueQueue<>(), 0);
        AddressPattern.Budget budget = new AddressPattern.Budget(10_000);
        assertThat(listeners.matching(link, "/in/*/level", budget))
                .extracting(channel -> channel.key.address())
                .containsExactly("/in/1/level", "/in/2/level");
        assertThat(listeners.matching(link, "/in/2/mute", budget))
                .extracting(channel -> channel.key.address())
                .containsExactly("/in/2/mute");
        assertThat(listeners.matching(link, "/in/3/mute", budget)).isEmpty();
    }
}
