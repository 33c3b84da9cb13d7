package imperan.show;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.BEN;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static imperan.show.Shows.refused;
import static imperan.show.Shows.remove;
import static imperan.show.Shows.target;
import static imperan.show.Shows.withPage;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

class ShowTest {

    private static final PartId FADER = new PartId("fader");

    @Test
    void anOutdatedEditIsRefusedAndSaysWhoWasFaster() {
        Show before = withPage();
        Show after = accepted(before, BEN, change(before, DESK, target("Console")));

        List<Problem> problems = refused(after, ADA, change(before, DESK, target("Mixer")));

        assertThat(problems).singleElement().satisfies(p -> assertThat(p.message())
                .contains("“Console”", "changed by Ben"));
        assertThat(after.part(DESK).orElseThrow().body().called()).isEqualTo("Console");
    }

    @Test
    void anEditOfWhatWasRemovedSaysWhoRemovedIt() {
        Show before = withPage();
        Show after = accepted(before, BEN, remove(before, DESK));

        assertThat(refused(after, ADA, change(before, DESK, target("Mixer"))))
                .singleElement()
                .satisfies(p -> assertThat(p.message()).contains("removed by Ben"));
    }

    @Test
    void whatLiesInAPartGoesAndComesBackWithIt() {
        Show full = accepted(withPage(), ADA, put(FADER, PAGE, fader("Main", 0, "/main")));
        Outcome.Accepted removal = (Outcome.Accepted) Shows.apply(full, ADA, remove(full, LAYOUT));

        assertThat(removal.show().part(FADER)).isEmpty();
        Outcome.Accepted undone = (Outcome.Accepted) removal.show()
                .revert(
                        removal.edit(),
                        ADA,
                        new Edit.Role(Edit.Role.Kind.UNDO, removal.edit().number()));
        assertThat(undone.show().sameContentAs(full)).isTrue();
        assertThat(undone.edit().title()).isEqualTo("Undo: Edit");
    }

    @Test
    void anEditIsWholeOrNotAtAll() {
        Show show = withPage();
        assertThat(refused(
                        show, ADA, change(show, DESK, target("Console")), put(FADER, PAGE, fader("Main", 9, "/main"))))
                .singleElement()
                .satisfies(p -> assertThat(p.field()).isEqualTo("cells"));
        assertThat(show.part(DESK).orElseThrow().body().called()).isEqualTo("Desk");
    }

    @Test
    void stepsAreJudgedTogetherSoTwoControlsCanChangePlaces() {
        PartId other = new PartId("other");
        Show show = accepted(
                withPage(), ADA, put(FADER, PAGE, fader("Left", 0, "/l")), put(other, PAGE, fader("Right", 1, "/r")));

        assertThat(refused(show, ADA, change(show, FADER, fader("Left", 1, "/l")))
                        .get(0)
                        .message())
                .isEqualTo("“Left” would lie on “Right”");
        Show swapped = accepted(
                show, ADA, change(show, FADER, fader("Left", 1, "/l")), change(show, other, fader("Right", 0, "/r")));
        assertThat(((Control) swapped.part(FADER).orElseThrow().body()).cells().column())
                .isEqualTo(1);
    }

    @Test
    void aPageThatShrinksKeepsItsControlsOrIsRefused() {
        Show show = accepted(withPage(), ADA, put(FADER, PAGE, fader("Main", 7, "/main")));
        assertThat(refused(show, ADA, change(show, PAGE, Page.plain("Page", 7, 8)))
                        .get(0)
                        .message())
                .contains("“Main” does not fit on the 7 × 8 cells there are");
    }

    static Stream<Arguments> faults() {
        Target good = target("Desk");
        Control fader = fader("Main", 0, "/main");
        Cells cells = fader.cells();
        return Stream.of(
                Arguments.of(target(" "), "name", "A name is needed"),
                Arguments.of(Target.plain("D", "127,0,0,1", 1, 1, good.answering()), "host", "did you mean"),
                Arguments.of(Target.plain("D", "127.0.0.1", 70_000, 1, good.answering()), "port", "70000"),
                Arguments.of(Target.plain("D", "127.0.0.1", 1, 0, good.answering()), "answerPort", "0 is not"),
                Arguments.of(good.kept(KeepAlive.of("stay", 3, 7)), "keepAlive/address", "begins with a slash"),
                Arguments.of(
                        good.kept(KeepAlive.of("/stay", 7, 7)), "keepAlive/everySeconds", "shorter than the window"),
                Arguments.of(Page.plain("P", 0, 4), "columns", "1 to 64 columns"),
                Arguments.of(Page.plain("P", 4, 65), "rows", "1 to 64 rows"),
                Arguments.of(
                        Control.plain("x".repeat(81), cells, fader.form(), List.of(), List.of()),
                        "label",
                        "at most 80"),
                Arguments.of(
                        Control.plain(
                                "F",
                                cells,
                                Fader.restingAt(Form.Direction.UP, Form.Grab.JUMP, 2),
                                List.of(),
                                List.of()),
                        "form/rest",
                        "between 0 and 1"),
                Arguments.of(
                        Control.plain(
                                "F",
                                cells,
                                fader.form(),
                                List.of(new Send(Send.Phase.PRESS, Optional.empty(), "main", List.of())),
                                List.of()),
                        "sends/0/address",
                        "did you mean /main"),
                Arguments.of(
                        Control.plain(
                                "F",
                                cells,
                                fader.form(),
                                List.of(new Send(
                                        Send.Phase.PRESS,
                                        Optional.empty(),
                                        "/main",
                                        List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.FLOAT32, "0,5")))),
                                List.of()),
                        "sends/0/arguments/0",
                        "with a dot: “0.5”"),
                Arguments.of(
                        Control.plain(
                                "F",
                                cells,
                                fader.form(),
                                List.of(),
                                List.of(Listen.value(Optional.empty(), "/main", -1, 0, 1))),
                        "listens/0/argument",
                        "from 0"),
                Arguments.of(
                        Control.plain(
                                "F",
                                cells,
                                fader.form(),
                                List.of(),
                                List.of(Listen.value(Optional.empty(), "/main", 0, 1, 1))),
                        "listens/0/shaping/0",
                        "both ends become the same"));
    }

    @ParameterizedTest
    @MethodSource("faults")
    void everyFaultNamesItsField(Body body, String field, String words) {
        PartId parent = body instanceof Control ? PAGE : body instanceof Page ? LAYOUT : null;
        assertThat(refused(withPage(), ADA, put(new PartId("new"), parent, body)))
                .singleElement()
                .satisfies(p -> {
                    assertThat(p.field()).isEqualTo(field);
                    assertThat(p.message()).contains(words);
                });
    }

    @Test
    void aControlNeedsItsPage() {
        assertThat(refused(withPage(), ADA, put(FADER, LAYOUT, fader("Main", 0, "/main"))))
                .isNotEmpty();
        assertThat(refused(withPage(), ADA, put(FADER, null, fader("Main", 0, "/main"))))
                .isNotEmpty();
    }

    @Test
    void partsSurviveJson() {
        Show show = accepted(
                withPage(),
                ADA,
                put(FADER, PAGE, fader("Main", 0, "/main")),
                put(new PartId("b"), PAGE, Shows.button("Mute", 0, true, "/mute")));
        show.parts().forEach(held -> {
            String json = ShowJson.mapper().writeValueAsString(held);
            assertThat(ShowJson.mapper().readValue(json, Held.class)).isEqualTo(held);
        });
    }
}
