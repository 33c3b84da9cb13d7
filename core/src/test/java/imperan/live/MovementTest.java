package imperan.live;

import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.Decoded;
import imperan.osc.OscDecoder;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Who moves what, and who has to give way: two controls on one line, and actors of every kind. */
class MovementTest {

    private static final Actor ADA = Actor.of(Shows.ADA);
    private static final Actor BEN = Actor.of(Stage.BEN);

    private final List<String> sent = new ArrayList<>();
    private final LiveState state = new LiveState(new QuietSink() {
        @Override
        public boolean datagram(PartId target, byte[] packet) {
            OscMessage message = (OscMessage) ((Decoded.Whole) new OscDecoder().decode(packet)).packet();
            return sent.add(message.address() + " "
                    + OscText.arguments(message.arguments()).replaceAll(" +", " "));
        }
    });
    private final Sending sending = new Sending(state);
    private final Movement movement = new Movement(state, sending);
    private final Playing playing = new Playing(state, sending, movement);
    private final Hands hands = new Hands(state, sending, movement, playing);
    private final List<String> ended = new ArrayList<>();

    private static Actor actor(Actor.Kind kind) {
        return new Actor(kind, kind.name(), kind.name().toLowerCase(), Set.of());
    }

    private static Control fader(String label, int column, String address, Optional<String> fixed) {
        List<ArgumentSource> arguments = new ArrayList<>();
        fixed.ifPresent(number -> arguments.add(new ArgumentSource.Fixed(ArgumentType.INT32, number)));
        arguments.add(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
        return Control.plain(
                label,
                new Cells(column, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0),
                List.of(new Send(Send.Phase.CHANGE, Optional.of(Shows.DESK), address, arguments)),
                List.of());
    }

    /** Two faders on one line, one on the same address with another fixed argument, and one that says something else. */
    @BeforeEach
    void faders() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("one"), PAGE, fader("One", 0, "/level", Optional.of("1"))),
                put(new PartId("same"), PAGE, fader("Same", 1, "/level", Optional.of("1"))),
                put(new PartId("two"), PAGE, fader("Two", 2, "/level", Optional.of("2"))),
                put(new PartId("other"), PAGE, fader("Other", 3, "/other", Optional.empty())));
        new Following(state, sending, hands, new Forwards(state, sending, movement), playing)
                .follow(show, Show.empty().changesTo(show), 0);
        state.links.get(Shows.DESK).socket(SocketState.open("127.0.0.1"));
    }

    private LiveControl control(String id) {
        return state.controls.get(new PartId(id));
    }

    private void touch(String id, Actor actor, Touch.Phase phase, double y) {
        hands.touch(new Touch(new PartId(id), "1", phase, 0.5, y, false, ""), actor, 0);
    }

    /** A finger lands at the bottom and goes up. */
    private void drag(String id, Actor actor, double to) {
        touch(id, actor, Touch.Phase.PRESS, 0);
        touch(id, actor, Touch.Phase.MOVE, to);
    }

    private void hold(String id, Actor actor) {
        movement.hold(control(id), actor, Precedence.of(actor), () -> ended.add(actor.name()));
    }

    private Optional<Reason> stopped(String id) {
        return state.paths.trace(new PartId(id)).flatMap(Trace::stopped);
    }

    @Test
    void theFirstHandOnALineHasIt() {
        drag("one", ADA, 0.5);
        drag("same", BEN, 0.9);
        drag("two", BEN, 0.7);
        touch("other", BEN, Touch.Phase.SET, 0.2);
        assertThat(sent).containsExactly("/level 1 0.5", "/level 2 0.7", "/other 0.2");
        assertThat(stopped("same")).contains(new Reason.MovedByAnother("Ada", "One"));
        touch("one", ADA, Touch.Phase.RELEASE, 0.5);
        drag("same", BEN, 0.9);
        assertThat(sent).endsWith("/level 1 0.9");
    }

    @Test
    void aHandTakesALineFromWhateverMovesByItself() {
        hold("same", actor(Actor.Kind.CUE));
        assertThat(movement.isFree(control("one"), ADA, Precedence.HAND)).isTrue();
        drag("one", ADA, 0.5);
        assertThat(ended).containsExactly("cue");
        assertThat(stopped("same")).contains(new Reason.MovedByAnother("Ada", "One"));
        assertThat(movement.isFree(control("same"), actor(Actor.Kind.CUE), Precedence.AUTOMATIC))
                .isFalse();
        movement.moveTo(control("same"), Position.of(1), actor(Actor.Kind.CUE), Precedence.AUTOMATIC);
        assertThat(sent).containsExactly("/level 1 0.5");
    }

    @Test
    void ofWhatMovesByItselfTheLatestHasTheLine() {
        hold("one", actor(Actor.Kind.CUE));
        hold("same", actor(Actor.Kind.RULE));
        assertThat(ended).containsExactly("cue");
        hold("one", actor(Actor.Kind.REMOTE));
        assertThat(ended).containsExactly("cue", "rule");
    }

    @Test
    void aProofGivesWayToAllAndTakesFromNobody() {
        Actor proof = actor(Actor.Kind.PROOF);
        hold("one", actor(Actor.Kind.CUE));
        assertThat(movement.isFree(control("same"), proof, Precedence.PROOF)).isFalse();
        movement.release(control("one"));
        assertThat(movement.isFree(control("same"), proof, Precedence.PROOF)).isTrue();
        hold("same", proof);
        hold("one", actor(Actor.Kind.RULE));
        assertThat(ended).containsExactly("proof");
    }

    @Test
    void whatGoesToRestStopsWhatMovesByItselfAndNoHand() {
        movement.moveTo(control("one"), Position.of(1), ADA, Precedence.HAND);
        hold("one", actor(Actor.Kind.CUE));
        movement.rest(List.of(new PartId("one")), ADA);
        assertThat(ended).containsExactly("cue");
        assertThat(sent).containsExactly("/level 1 1.0", "/level 1 0.0");
        drag("same", BEN, 0.5);
        movement.moveTo(control("one"), Position.of(1), actor(Actor.Kind.CUE), Precedence.AUTOMATIC);
        movement.rest(List.of(new PartId("one")), ADA);
        assertThat(sent).hasSize(3).last().isEqualTo("/level 1 0.5");
    }

    @Test
    void aMovedLineIsItsTargetItsAddressAndWhatDoesNotVary() {
        assertThat(control("one").lines).isEqualTo(control("same").lines).isNotEqualTo(control("two").lines);
        assertThat(MovedLine.of(new Send(Send.Phase.PRESS, Optional.of(Shows.DESK), "/go", List.of())))
                .as("it moves nothing")
                .isEmpty();
    }
}
