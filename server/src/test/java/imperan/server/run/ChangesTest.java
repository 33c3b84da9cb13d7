package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Actor;
import imperan.live.Cause;
import imperan.live.ControlValue;
import imperan.live.LinkState;
import imperan.live.LinkView;
import imperan.live.LiveEvent;
import imperan.live.LiveShow;
import imperan.live.MessageResult;
import imperan.live.Reason;
import imperan.live.Trace;
import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Choice;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.wire.Fate;
import imperan.wire.WireRecord;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is gathered for browsers, and what one control that cannot be told does to the others. */
class ChangesTest {

    private final Changes changes = new Changes((target, packet) -> true);
    private final LiveShow live = new LiveShow(changes);

    private static Held part(String id, String parent, Body body) {
        return new Held(
                new Part(new PartId(id), Optional.ofNullable(parent).map(PartId::new), 0, body),
                1,
                new Person("b", "Ada"));
    }

    /** No edit makes such a choice; an old database may hold one. */
    @Test
    void aControlThatFailsStopsNeitherTheBatchNorTheWelcomeOfTheOthers() {
        Control whole = Control.plain(
                "Level",
                new Cells(0, 0, 1, 1),
                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0),
                List.of(),
                List.of());
        Control broken = Control.plain(
                "Broken", new Cells(1, 0, 1, 1), new Choice(List.of(), Form.Direction.RIGHT), List.of(), List.of());
        live.load(
                Show.of(
                        1,
                        List.of(
                                part("layout", null, Layout.plain("L")),
                                part("page", "layout", Page.plain("P", 8, 8)),
                                part("broken", "page", broken),
                                part("whole", "page", whole))),
                0);
        assertThat(changes.take(live, Set.of(), 0).values())
                .extracting(ControlValue::control)
                .containsExactly(new PartId("whole"));
        assertThat(changes.values(live)).extracting(ControlValue::control).containsExactly(new PartId("whole"));
    }

    @Test
    void aNumberOfMissedPacketsIsToldOnceWithoutAnythingElse() {
        assertThat(changes.isUntold(0)).isFalse();
        assertThat(changes.isUntold(5)).isTrue();
        assertThat(changes.take(live, Set.of(), 5).missed()).isEqualTo(5);
        assertThat(changes.isUntold(5)).isFalse();
        changes.notice("Something was left out");
        assertThat(changes.take(live, Set.of(), 5).notices()).containsExactly("Something was left out");
        assertThat(changes.isUntold(5)).isFalse();
    }

    private static final Cause BY_ADA = new Cause(1, Cause.Origin.HAND, Actor.of(new Person("b", "Ada")), 0);
    private static final Decoded SAID = new Decoded.Whole(OscMessage.of("/a"));
    private static final PartId LEVEL = new PartId("level");
    private static final PartId DESK = new PartId("desk");

    private Batch taken(Set<PartId> watched) {
        return changes.take(live, watched, 0);
    }

    /** A show with one control and its target. */
    private void play() {
        Control level = Control.plain(
                "Level",
                new Cells(0, 0, 1, 1),
                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 0),
                List.of(),
                List.of());
        live.load(
                Show.of(
                        1,
                        List.of(
                                part("layout", null, Layout.plain("L")),
                                part("page", "layout", Page.plain("P", 8, 8)),
                                part("level", "page", level),
                                part(
                                        "desk",
                                        null,
                                        Target.plain("Desk", "192.0.2.9", 7101, 9201, Target.Answering.REPORTS)))),
                0);
        taken(Set.of());
    }

    @Test
    void whatHappenedBecomesWhatBrowsersAreTold() {
        play();
        changes.happened(new LiveEvent.ValueChanged(1, BY_ADA, LEVEL));
        changes.happened(new LiveEvent.ValueChanged(2, BY_ADA, LEVEL));
        changes.happened(new LiveEvent.PacketOut(
                3, BY_ADA, DESK, "osc", "192.0.2.9:7101", 9201, new byte[] {1}, SAID, 1, Optional.empty()));
        changes.happened(new LiveEvent.PacketIn(
                4,
                BY_ADA,
                Optional.of(DESK),
                "osc",
                "192.0.2.9:7101",
                9201,
                new byte[] {2},
                SAID,
                Optional.of(5L),
                Optional.empty()));
        changes.happened(new LiveEvent.PageWanted(5, BY_ADA, new PartId("page"), List.of()));
        Batch batch = taken(Set.of());
        assertThat(batch.values())
                .as("the latest of each")
                .extracting(ControlValue::control)
                .containsExactly(LEVEL);
        assertThat(batch.links())
                .as("something was counted of it")
                .extracting(LinkView::target)
                .containsExactly(DESK);
        assertThat(changes.wire().packets()).extracting(WireRecord::number).containsExactly(1L, 2L);
        assertThat(changes.wire().packets()).extracting(WireRecord::out).containsExactly(true, false);
        assertThat(batch.lastOut())
                .hasValueSatisfying(
                        row -> assertThat(row.cause().actor().name()).isEqualTo("Ada"));
        assertThat(batch.lastIn())
                .hasValueSatisfying(row -> assertThat(row.answeredAfterNanos()).contains(5L));
        assertThat(batch.page()).hasValue(new PageWanted(new PartId("page"), List.of()));
        assertThat(changes.isEmpty()).isTrue();
        assertThat(changes.takeUnsaved()).containsExactly(LEVEL);
    }

    /** The line at the foot of each screen says what came of what left last. */
    @Test
    void whatLeftLastIsToldAgainOnceItIsAnswered() {
        play();
        changes.happened(new LiveEvent.PacketOut(
                3, BY_ADA, DESK, "osc", "192.0.2.9:7101", 9201, new byte[] {1}, SAID, 1, Optional.empty()));
        changes.happened(new LiveEvent.Opened(3, BY_ADA, 1, Optional.of(LEVEL), DESK, "/a", 250_000_000, false));
        assertThat(taken(Set.of()).lastOut()).hasValueSatisfying(last -> assertThat(last.fate())
                .hasValueSatisfying(fate -> assertThat(fate.kind()).isEqualTo(Fate.Kind.WAITING)));
        assertThat(changes.isEmpty()).isTrue();
        changes.happened(new LiveEvent.Ended(
                4, BY_ADA, 1, Optional.of(LEVEL), DESK, new MessageResult.NoAnswer(250_000_000, Optional.empty())));
        assertThat(changes.isEmpty()).isFalse();
        assertThat(taken(Set.of()).lastOut()).hasValueSatisfying(last -> assertThat(last.fate())
                .hasValueSatisfying(fate -> assertThat(fate.isUnanswered()).isTrue()));
    }

    /** Which targets were away outlasts a restart. */
    @Test
    void whatIsRememberedOfTargetsIsSavedWhenOneGoesOrAnotherMachineAnswersForIt() {
        play();
        changes.takePlacesMoved();
        changes.happened(new LiveEvent.LinkTurned(1, BY_ADA, DESK, LinkState.ANSWERING, ""));
        assertThat(changes.takePlacesMoved()).isFalse();
        changes.happened(new LiveEvent.LinkTurned(2, BY_ADA, DESK, LinkState.LOST, ""));
        assertThat(changes.takePlacesMoved()).isTrue();
        changes.happened(new LiveEvent.AnsweredElsewhere(3, BY_ADA, DESK, "192.0.2.77"));
        assertThat(changes.takePlacesMoved()).isTrue();
        assertThat(changes.takePlacesMoved()).isFalse();
    }

    @Test
    void pathsAreToldToThoseWhoWatchThem() {
        play();
        LiveEvent stopped =
                new LiveEvent.Stopped(1, BY_ADA, Optional.of(LEVEL), 0.5, Optional.empty(), new Reason.NoSend());
        changes.happened(stopped);
        assertThat(taken(Set.of()).traces()).isEmpty();
        changes.happened(stopped);
        assertThat(taken(Set.of(LEVEL)).traces()).extracting(Trace::control).containsExactly(LEVEL);
    }

    @Test
    void turnsOfLinksAreKeptAsFarAsThereIsRoom() {
        for (int i = 0; i < Changes.TURNS + 5; i++) {
            changes.happened(new LiveEvent.LinkTurned(i, BY_ADA, DESK, LinkState.LOST, "nothing came"));
        }
        assertThat(changes.turns()).hasSize(Changes.TURNS);
        assertThat(changes.turns().get(0).number()).isEqualTo(6);
    }
}
