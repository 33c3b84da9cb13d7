package imperan.live;

import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Control;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Forward;
import imperan.show.Held;
import imperan.show.Layout;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.RandomEdits;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A running show that follows edits is the show that starts from what they lead to. */
class FollowingTest {

    private static final class Hall extends QuietSink {
        final List<String> sent = new ArrayList<>();
        final List<PartId> changed = new ArrayList<>();
        final LiveShow live = new LiveShow(this);

        @Override
        public boolean datagram(PartId target, byte[] packet) {
            sent.add(target + " " + HexFormat.of().formatHex(packet));
            return true;
        }

        @Override
        public void happened(LiveEvent event) {
            if (event instanceof LiveEvent.ValueChanged value) {
                changed.add(value.control());
            } else if (event instanceof LiveEvent.LinkChanged link) {
                changed.add(link.target());
            }
        }

        /** What each control sends when it is set to its middle. */
        List<String> played(Show show, long now) {
            live.links().forEach(link -> live.socket(link.target(), SocketState.open("127.0.0.1"), now));
            sent.clear();
            show.all(Control.class).forEach(part -> Asking.testFire(live, part.id(), 0, now));
            return List.copyOf(sent);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24})
    void followingAnyEditsLeadsWhereStartingDoes(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        Hall followed = new Hall();
        followed.live.load(edits.show(), 0);
        for (int i = 0; i < 300; i++) {
            Edit edit = edits.next();
            Show show = edits.show();
            followed.live.follow(show, edit, i);
            Hall started = new Hall();
            started.live.load(show, i);

            assertThat(Set.copyOf(followed.live.controls())).isEqualTo(Set.copyOf(started.live.controls()));
            assertThat(targets(followed)).isEqualTo(targets(started));
            assertThat(texts(followed)).isEqualTo(texts(started));
            assertThat(followed.played(show, i)).isEqualTo(started.played(show, i));
        }
    }

    private static List<PartId> targets(Hall hall) {
        return hall.live.links().stream().map(LinkView::target).sorted().toList();
    }

    /** With their units, which come from phrasebooks. */
    private static List<String> texts(Hall hall) {
        return hall.live.values().stream()
                .sorted(Comparator.comparing(ControlValue::control))
                .map(value -> value.control() + " " + value.text() + value.unit())
                .toList();
    }

    @Test
    void anEditTellsOnlyOfWhatItChanged() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(new PartId("a"), PAGE, Shows.fader("A", 0, "/a")),
                put(new PartId("b"), PAGE, Shows.fader("B", 1, "/b")));
        Hall hall = new Hall();
        hall.live.load(show, 0);
        hall.changed.clear();
        Edit edit = ((Outcome.Accepted) Shows.apply(
                        show, Shows.ADA, Shows.change(show, new PartId("a"), Shows.fader("Other", 0, "/a"))))
                .edit();

        hall.live.follow(show.replay(edit), edit, 1);

        assertThat(hall.changed).containsExactly(new PartId("a"));
    }

    /** Where an edit was missed, as when the database was away, nothing of it may be missing. */
    @Test
    void afterAnEditThatWasMissedAllIsCompared() {
        RandomEdits edits = new RandomEdits(31);
        Hall hall = new Hall();
        hall.live.load(edits.show(), 0);
        Edit last = edits.next();
        for (int i = 0; i < 20; i++) {
            last = edits.next();
        }

        hall.live.follow(edits.show(), last, 1);

        assertThat(Set.copyOf(hall.live.controls()))
                .isEqualTo(edits.show().all(Control.class).stream()
                        .filter(part -> !edits.show().inDraft(part))
                        .map(Part::id)
                        .collect(Collectors.toSet()));
    }

    // ---- one edit, and what it does

    private static final PartId A = new PartId("a");

    private static Show follow(Stage stage, Show show, EditRequest.Step... steps) {
        Edit edit = ((Outcome.Accepted) Shows.apply(show, Shows.ADA, steps)).edit();
        Show next = show.replay(edit);
        stage.live.follow(next, edit, stage.now);
        return next;
    }

    /** A copy in work is not played; what it holds is, from when it is one no more, and until it becomes one. */
    @Test
    void whatLiesInALayoutIsPlayedAsLongAsItIsNoCopyInWork() {
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(A, PAGE, Shows.fader("A", 0, "/a")));
        Stage stage = new Stage(show);
        Layout played = (Layout) show.part(Shows.LAYOUT).orElseThrow().body();
        PartId other = new PartId("other");
        Show copied = follow(
                stage,
                show,
                put(other, null, Layout.plain("Other")),
                Shows.change(
                        show,
                        Shows.LAYOUT,
                        new Layout(played.name(), Optional.of(new Layout.Draft(other, List.of())))));
        assertThat(stage.live.value(A)).isEmpty();
        Asking.testFire(stage.live, A, 0, stage.now);
        assertThat(stage.takeSent()).isEmpty();
        follow(stage, copied, Shows.change(copied, Shows.LAYOUT, played));
        Asking.testFire(stage.live, A, 0, stage.now);
        assertThat(stage.takeSent()).containsExactly("/a 0.25");
    }

    @Test
    void whatAFreshListenIsForIsAskedOfATargetThatAnswers() {
        Target asked = Target.plain("Desk", "127.0.0.1", 7101, 9201, Target.Answering.QUERIES);
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                Shows.change(Shows.withPage(), Shows.DESK, asked),
                put(A, PAGE, Shows.fader("A", 0, "/a")));
        Stage stage = new Stage(show);
        stage.desk("/a", 0.5f);
        stage.pass(1_000);
        stage.takeSent();
        Show more = follow(stage, show, put(new PartId("b"), PAGE, Shows.fader("B", 1, "/b")));
        assertThat(stage.takeSent()).containsExactly("/b");
        follow(stage, more, Shows.change(more, A, Shows.fader("Another name", 0, "/a")));
        assertThat(stage.takeSent()).as("nothing else is heard than before").isEmpty();
    }

    @Test
    void aTargetThatIsSomewhereElseNowIsToldOfAndItsValuesAreDoubted() {
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(A, PAGE, Shows.fader("A", 0, "/a")));
        Stage stage = new Stage(show);
        Asking.testFire(stage.live, A, 0, stage.now);
        stage.desk("/a", 0.25f);
        assertThat(stage.link().state()).isEqualTo(LinkState.ANSWERING);
        stage.events.clear();
        follow(
                stage,
                show,
                Shows.change(
                        show, Shows.DESK, Target.plain("Desk", "127.0.0.2", 7101, 9201, Target.Answering.REPORTS)));
        assertThat(stage.link().state()).isNotEqualTo(LinkState.ANSWERING);
        assertThat(stage.events)
                .anyMatch(LiveEvent.LinkTurned.class::isInstance)
                .anyMatch(LiveEvent.LinkChanged.class::isInstance);
        assertThat(stage.events)
                .allSatisfy(event -> assertThat(event.cause().origin()).isEqualTo(Cause.Origin.EDIT));
    }

    @Test
    void whatIsRemovedIsMovedByNobody() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(A, PAGE, Shows.fader("A", 0, "/a")),
                put(new PartId("b"), PAGE, Shows.fader("B", 1, "/b")));
        Stage stage = new Stage(show);
        Show without = follow(stage, show, Shows.remove(show, A));
        stage.events.clear();
        stage.desk("/a", 0.5f);
        assertThat(stage.events).noneMatch(event -> event instanceof LiveEvent.ValueChanged);
        assertThat(stage.live.trace(A)).isEmpty();
        follow(stage, without, put(A, PAGE, Shows.fader("A", 0, "/a")));
        assertThat(stage.live.trace(A).flatMap(Trace::stopped))
                .as("it begins anew")
                .isEmpty();
        stage.events.clear();
        stage.desk("/a", 0.75f);
        assertThat(stage.value("a").position()).isEqualTo(0.75);
    }

    @Test
    void aForwardThatIsRemovedPassesNothingOn() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(
                        new PartId("other"),
                        null,
                        Target.plain("Other", "127.0.0.1", 7102, 9202, Target.Answering.REPORTS)),
                put(
                        new PartId("on"),
                        null,
                        Forward.plain("On", Optional.of(Shows.DESK), "/a", Optional.of(new PartId("other")), "/a")));
        Stage stage = new Stage(show);
        stage.live.socket(new PartId("other"), SocketState.open("127.0.0.1"), stage.now);
        stage.takeSent();
        stage.desk("/a", 0.5f);
        stage.pass(100);
        assertThat(stage.takeSent()).containsExactly("/a 0.5");
        follow(stage, show, Shows.remove(show, new PartId("on")));
        stage.desk("/a", 0.75f);
        stage.pass(100);
        assertThat(stage.takeSent()).isEmpty();
    }

    @Test
    void aHandStaysOnAControlWhoseTargetGetsAnotherName() {
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(A, PAGE, Shows.fader("A", 0, "/a")));
        Stage stage = new Stage(show);
        stage.touch(Stage.ADA, "a", Touch.Phase.PRESS, 0.5);
        stage.events.clear();
        Show renamed = follow(stage, show, Shows.change(show, Shows.DESK, Shows.target("Desk in the booth")));
        assertThat(stage.value("a").holder()).isEqualTo(Stage.ADA.id());
        assertThat(stage.events)
                .anyMatch(event -> event instanceof LiveEvent.LinkChanged link
                        && link.target().equals(Shows.DESK));
        follow(
                stage,
                renamed,
                Shows.change(
                        renamed, Shows.DESK, Target.plain("Desk", "127.0.0.1", 7199, 9201, Target.Answering.REPORTS)));
        assertThat(stage.value("a").holder())
                .as("what it speaks to is elsewhere")
                .isEmpty();
    }

    @Test
    void aPressThatWaitsLeavesWhenThePaceOfItsTargetIsAnotherOne() {
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                Shows.change(Shows.withPage(), Shows.DESK, Shows.target("Desk").paced(1)),
                put(A, PAGE, Shows.button("A", 0, true, "/a")),
                put(new PartId("b"), PAGE, Shows.button("B", 1, true, "/b")));
        Stage stage = new Stage(show);
        stage.touch(Stage.ADA, "a", Touch.Phase.PRESS, 0.5);
        stage.touch(Stage.ADA, "b", Touch.Phase.PRESS, 0.5);
        assertThat(stage.takeSent()).hasSize(1);
        Show renamed = follow(
                stage,
                show,
                Shows.change(show, Shows.DESK, Shows.target("Desk in the booth").paced(1)));
        assertThat(stage.takeSent()).as("its pace is the same").isEmpty();
        follow(
                stage,
                renamed,
                Shows.change(renamed, Shows.DESK, Shows.target("Desk").paced(2)));
        assertThat(stage.takeSent()).singleElement().asString().startsWith("/b ");
    }

    @Test
    void whatIsHeardIsHeardWhereItIsListenedForNow() {
        Show show = Shows.accepted(Shows.withPage(), Shows.ADA, put(A, PAGE, Shows.fader("A", 0, "/a")));
        Stage stage = new Stage(show);
        stage.desk("/a", 0.5f);
        follow(stage, show, Shows.change(show, A, Shows.fader("A", 0, "/other")));
        stage.desk("/a", 0.75f);
        assertThat(stage.value("a").position()).isEqualTo(0.5);
        stage.desk("/other", 0.25f);
        assertThat(stage.value("a").position()).isEqualTo(0.25);
    }

    @Test
    void aPageThatFollowsNothingAnyMoreIsNotShown() {
        Page plain = (Page) Shows.withPage().part(PAGE).orElseThrow().body();
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                Shows.change(
                        Shows.withPage(),
                        PAGE,
                        new Page(
                                plain.name(),
                                plain.columns(),
                                plain.rows(),
                                plain.screen(),
                                plain.strip(),
                                Optional.of(new Behaviour.Condition(Optional.of(Shows.DESK), "/scene", 0, "2")))));
        Stage stage = new Stage(show);
        stage.desk("/scene", 2);
        assertThat(stage.pages).containsExactly(PAGE.value());
        follow(stage, show, Shows.change(show, PAGE, plain));
        stage.pages.clear();
        stage.desk("/scene", 1);
        stage.desk("/scene", 2);
        assertThat(stage.pages).isEmpty();
    }

    @Test
    void aPageThatIsMovedIntoACopyInWorkIsPlayedNoMore() {
        PartId copy = new PartId("copy");
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(A, PAGE, Shows.fader("A", 0, "/a")),
                put(copy, null, new Layout("Copy", Optional.of(new Layout.Draft(Shows.LAYOUT, List.of())))));
        Stage stage = new Stage(show);
        assertThat(stage.live.value(A)).isPresent();
        Held page = show.held(PAGE).orElseThrow();
        Show moved = follow(
                stage,
                show,
                new EditRequest.Put(
                        new Part(PAGE, Optional.of(copy), 0, page.part().body()), page.version()));
        assertThat(stage.live.value(A)).isEmpty();
        follow(
                stage,
                moved,
                new EditRequest.Put(
                        new Part(PAGE, Optional.of(Shows.LAYOUT), 0, page.part().body()),
                        moved.held(PAGE).orElseThrow().version()));
        assertThat(stage.live.value(A)).isPresent();
    }

    @Test
    void whatAPhrasebookSaysOfAControlIsToldWhenItIsOtherwise() {
        PartId book = new PartId("book");
        PartId phrase = new PartId("phrase");
        Show show = Shows.accepted(
                Shows.withPage(),
                Shows.ADA,
                put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(phrase, book, saying("dB")),
                Shows.change(Shows.withPage(), Shows.DESK, Shows.target("Desk").speaking(book)),
                put(A, PAGE, Shows.fader("A", 0, "/a")));
        Stage stage = new Stage(show);
        assertThat(stage.value("a").unit()).isEqualTo("dB");
        stage.events.clear();
        follow(stage, show, Shows.change(show, phrase, saying("%")));
        assertThat(stage.value("a").unit()).isEqualTo("%");
        assertThat(stage.events)
                .anyMatch(event -> event instanceof LiveEvent.ValueChanged value
                        && value.control().equals(A));
    }

    private static Phrase saying(String unit) {
        return Phrase.plain(
                "/a",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), unit, List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
    }
}
