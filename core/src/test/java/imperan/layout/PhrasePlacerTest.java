package imperan.layout;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.PlacePhrases;
import imperan.layout.arranging.Arranger;
import imperan.layout.placing.PhraseControl;
import imperan.layout.placing.PhraseFamily;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Problem;
import imperan.show.ScaleMark;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.TextRule;
import imperan.show.form.Choice;
import imperan.show.form.Colour;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Lamp;
import imperan.show.form.Readout;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** From phrases to controls that play. */
class PhrasePlacerTest {

    private static final PartId BOOK = new PartId("book");

    private Show show;

    @BeforeEach
    void aDeskWithAPhrasebook() {
        show = Shows.withPage();
        show = Shows.accepted(
                show,
                ADA,
                Shows.change(show, PAGE, Page.plain("Page", 16, 10)),
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(
                        new PartId("level"),
                        BOOK,
                        phrase("/in/<ch:1..12>/level", Direction.BOTH, argument(ArgumentType.FLOAT32, 0.0, 1.0))),
                put(
                        new PartId("mute"),
                        BOOK,
                        phrase("/in/<ch:1..12>/mute", Direction.BOTH, argument(ArgumentType.INT32, 0.0, 1.0))),
                put(
                        new PartId("name"),
                        BOOK,
                        phrase("/in/<ch:1..12>/name", Direction.BOTH, argument(ArgumentType.TEXT, null, null))),
                put(
                        new PartId("meter"),
                        BOOK,
                        phrase("/in/<ch:1..8>/meter", Direction.IN, argument(ArgumentType.FLOAT32, 0.0, 1.0))));
    }

    private static PhraseArgument argument(ArgumentType type, Double low, Double high, String... choices) {
        return PhraseArgument.plain(
                type, Optional.ofNullable(low), Optional.ofNullable(high), "", List.of(choices), Optional.empty());
    }

    private static Phrase phrase(String address, Direction direction, PhraseArgument... arguments) {
        return Phrase.plain(
                address,
                direction,
                List.of(arguments),
                AnswerRule.usual(direction == Direction.OUT ? AnswerRule.Kind.NONE : AnswerRule.Kind.SAME),
                "",
                "");
    }

    private Outcome place(int first, int count, Optional<PartId> page, String... phrases) {
        return Arranger.carryOut(
                show,
                new PlacePhrases(
                        page,
                        DESK,
                        List.of(phrases).stream().map(PartId::new).toList(),
                        first,
                        count,
                        Optional.empty(),
                        PlacePhrases.Manner.LOOSE,
                        0),
                ADA);
    }

    private List<Control> controls(Outcome outcome) {
        return ((Outcome.Accepted) outcome)
                .show().all(Control.class).stream()
                        .map(part -> (Control) part.body())
                        .toList();
    }

    private static String refused(Outcome outcome) {
        return ((Outcome.Refused) outcome).problems().get(0).message();
    }

    private static Control one(Phrase phrase, String address) {
        return new PhraseControl(phrase).at(address, Map.of("ch", 3), DESK, new Cells(0, 0, 1, 1), false);
    }

    @Test
    void aPhraseWithASlotGivesAsManyAsAreWantedNumbered() {
        List<Control> faders = controls(place(3, 4, Optional.of(PAGE), "level"));
        assertThat(faders).hasSize(4).allSatisfy(fader -> assertThat(fader.form())
                .isInstanceOf(Fader.class));
        assertThat(faders.stream().map(fader -> fader.sends().get(0).address()))
                .containsExactlyInAnyOrder("/in/3/level", "/in/4/level", "/in/5/level", "/in/6/level");
        assertThat(faders.stream().map(Control::label).collect(Collectors.toSet()))
                .containsExactlyInAnyOrder("level 3", "level 4", "level 5", "level 6");
        assertThat(faders.get(0).listens()).containsExactly(Listen.asSent(Optional.of(DESK), "/in/3/level", 0));
        assertThat(faders.stream().map(Control::cells).distinct()).hasSize(4);
    }

    @Test
    void aFaderHasTheScaleOfItsPhraseAndListensToItsWords() {
        List<ScaleMark> marks = List.of(new ScaleMark(0, "off"), new ScaleMark(1, "+10"));
        Control fader = one(
                Phrase.plain(
                        "/in/<ch:1..12>/level",
                        Direction.BOTH,
                        List.of(new PhraseArgument(
                                ArgumentType.FLOAT32,
                                Optional.of(0.0),
                                Optional.of(1.0),
                                "",
                                List.of(),
                                Optional.empty(),
                                marks,
                                "",
                                TextRule.UNKNOWN)),
                        AnswerRule.usual(AnswerRule.Kind.SAME).near(0.01).worded(Optional.of(1)),
                        "",
                        ""),
                "/in/3/level");
        assertThat(fader.form())
                .isEqualTo(Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE).marked(marks));
        assertThat(fader.listens())
                .containsExactly(
                        Listen.asSent(Optional.of(DESK), "/in/3/level", 0),
                        Listen.words(Optional.of(DESK), "/in/3/level", 1));
    }

    @Test
    void severalPhrasesGiveStripsWithTheNameOnTopAndTheKeyBelow() {
        Outcome outcome = place(1, 8, Optional.empty(), "level", "mute", "name", "meter");
        List<Control> all = controls(outcome);
        assertThat(all).hasSize(32);
        List<Control> first = all.stream()
                .filter(control -> control.cells().column() < 3)
                .sorted((a, b) -> a.cells().row() - b.cells().row())
                .toList();
        assertThat(first.stream().map(control -> control.form().called()))
                .containsExactly("readout", "meter", "fader", "button");
        assertThat(first.stream().flatMap(control -> control.listens().stream()).map(Listen::address))
                .containsExactly("/in/1/name", "/in/1/meter", "/in/1/level", "/in/1/mute");
        assertThat(first.get(1).cells()).as("the meter stands beside the fader").satisfies(meter -> {
            assertThat(meter.row()).isEqualTo(first.get(2).cells().row());
            assertThat(meter.height()).isEqualTo(first.get(2).cells().height());
        });
        Show after = ((Outcome.Accepted) outcome).show();
        assertThat(after.all(Page.class)).as("on a page of their own").hasSize(2);
    }

    @Test
    void anEmptyShowGetsALayoutToo() {
        Show empty = Shows.accepted(
                Show.empty(),
                ADA,
                put(DESK, null, Shows.target("Desk")),
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(
                        new PartId("level"),
                        BOOK,
                        phrase("/level", Direction.BOTH, argument(ArgumentType.FLOAT32, 0.0, 1.0))));
        show = empty;
        assertThat(controls(place(1, 1, Optional.empty(), "level"))).hasSize(1);
    }

    @Test
    void theyLieWhereTheyAreWanted() {
        Outcome outcome = Arranger.carryOut(
                show,
                new PlacePhrases(
                        Optional.of(PAGE),
                        DESK,
                        List.of(new PartId("level")),
                        1,
                        2,
                        Optional.of(new Cell(5, 2)),
                        PlacePhrases.Manner.LOOSE,
                        0),
                ADA);
        assertThat(controls(outcome).get(0).cells()).satisfies(cells -> {
            assertThat(cells.column()).isEqualTo(5);
            assertThat(cells.row()).isEqualTo(2);
        });
    }

    @Test
    void anEmptyPageOfTheUsualCellsBecomesAsLargeAsWhatIsPlacedNeeds() {
        Show after = ((Outcome.Accepted) place(1, 12, Optional.of(PAGE), "level")).show();
        assertThat(after.part(PAGE).orElseThrow().body()).isEqualTo(Page.plain("Page", 24, 10));
    }

    @Test
    void aPageGrowsInTheWayThatLeavesItsCellsLarger() {
        show = Shows.accepted(
                show,
                ADA,
                Shows.put(
                        new PartId("wide"),
                        PAGE,
                        Control.plain("Wide", new Cells(0, 0, 16, 9), new Readout(), List.of(), List.of())));
        Outcome outcome = place(1, 4, Optional.of(PAGE), "level");
        assertThat(((Outcome.Accepted) outcome).edit().title())
                .isEqualTo("Place 4 controls for /in/<ch:1..12>/level; the page has 24 × 10 cells now");
        assertThat(((Outcome.Accepted) outcome).show().part(PAGE).orElseThrow().body())
                .isEqualTo(Page.plain("Page", 24, 10));
    }

    @Test
    void aColourInOneArgumentBecomesAColourControl() {
        show = Shows.accepted(
                show,
                ADA,
                put(
                        new PartId("tint"),
                        BOOK,
                        phrase("/lamp/<n:1..2>/tint", Direction.BOTH, argument(ArgumentType.COLOUR, null, null))));
        Control control = controls(place(1, 1, Optional.of(PAGE), "tint")).get(0);
        assertThat(control.form()).isInstanceOf(Colour.class);
        assertThat(control.sends().get(0).arguments())
                .containsExactly(new ArgumentSource.Value(ArgumentType.COLOUR, 0, 1));
        assertThat(control.listens()).extracting(Listen::argument).containsExactly(0, 0, 0);
        assertThat(control.listens()).extracting(Listen::axis).containsExactly(0, 1, 2);
    }

    @Test
    void aFaderHasNoColourToSend() {
        Outcome outcome = show.apply(
                new EditRequest(
                        "Colour",
                        List.of(put(
                                new PartId("f"),
                                PAGE,
                                Shows.fader("f", 0, "/x")
                                        .withLines(
                                                List.of(new Send(
                                                        Send.Phase.CHANGE,
                                                        Optional.of(DESK),
                                                        "/x",
                                                        List.of(new ArgumentSource.Value(ArgumentType.COLOUR, 0, 1)))),
                                                List.of())))),
                ADA);
        assertThat(((Outcome.Refused) outcome).problems())
                .extracting(Problem::message)
                .containsExactly("Only a colour control has a colour to send");
    }

    @Test
    void aFullPageIsSaid() {
        show = Shows.accepted(
                show,
                ADA,
                Shows.change(show, PAGE, Page.plain("Page", 64, 64)),
                Shows.put(
                        new PartId("wide"),
                        PAGE,
                        Control.plain("Wide", new Cells(0, 0, 64, 60), new Readout(), List.of(), List.of())));
        assertThat(refused(place(1, 4, Optional.of(PAGE), "level")))
                .contains("There is room for 0 of 4 here", "64 × 64");
        assertThat(refused(Arranger.carryOut(
                        show,
                        new PlacePhrases(
                                Optional.of(PAGE),
                                DESK,
                                List.of(new PartId("level")),
                                1,
                                4,
                                Optional.empty(),
                                PlacePhrases.Manner.BANK,
                                4),
                        ADA)))
                .contains("There is no room for a bank of 4");
    }

    @Test
    void whatCannotBeIsSaid() {
        assertThat(refused(place(10, 4, Optional.of(PAGE), "level")))
                .isEqualTo("/in/<ch:1..12>/level stands for 12 addresses");
        assertThat(refused(place(1, 12, Optional.of(PAGE), "level", "meter"))).contains("numbered 1 to 8");
        assertThat(refused(place(1, 1, Optional.of(PAGE)))).contains("Choose a phrase first");
        assertThat(refused(place(0, 1, Optional.of(PAGE), "level"))).contains("counted from 1");
        assertThat(refused(Arranger.carryOut(
                        show,
                        new PlacePhrases(
                                Optional.of(PAGE),
                                BOOK,
                                List.of(new PartId("level")),
                                1,
                                1,
                                Optional.empty(),
                                PlacePhrases.Manner.LOOSE,
                                0),
                        ADA)))
                .contains("no longer in the rig");
    }

    @ParameterizedTest
    @CsvSource({
        "BOTH, FLOAT32, 0, 1, '', fader", "BOTH, FLOAT32, -45, 45, '', knob", "OUT, INT32, 0, 255, '', fader",
                "BOTH, INT32, 0, 1, '', button",
        "OUT, BOOLEAN, , , '', button", "BOTH, TEXT, , , 'idle|playing', choice", "BOTH, INT32, , , '0|1', button",
                "IN, FLOAT32, 0, 1, '', meter",
        "IN, TEXT, , , '', readout", "IN, INT32, 0, 1, '', lamp", "IN, FLOAT32, , , '', readout",
                "BOTH, INT32, , , '0|1|2', choice"
    })
    void theFormFitsTheArgument(
            Direction direction, ArgumentType type, Double low, Double high, String choices, String form) {
        PhraseArgument argument = argument(type, low, high, choices.isEmpty() ? new String[0] : choices.split("\\|"));
        assertThat(one(phrase("/a", direction, argument), "/a").form().called()).isEqualTo(form);
    }

    @Test
    void aPhraseWithoutArgumentsIsAKeyThatSendsWhenItIsPressed() {
        Control key = one(phrase("/reset", Direction.OUT), "/reset");
        assertThat(key.sends()).containsExactly(new Send(Send.Phase.PRESS, Optional.of(DESK), "/reset", List.of()));
        assertThat(key.listens()).isEmpty();
        assertThat(key.label()).isEqualTo("reset");
    }

    @Test
    void numbersWithWordsAreChosenByTheirWords() {
        PhraseArgument wave = new PhraseArgument(
                ArgumentType.INT32,
                Optional.empty(),
                Optional.empty(),
                "",
                List.of("0", "1", "2"),
                Optional.empty(),
                List.of(new ScaleMark(0, "still"), new ScaleMark(2, "storm")),
                "",
                TextRule.UNKNOWN);
        assertThat(((Choice) one(phrase("/wave", Direction.BOTH, wave), "/wave").form()).options())
                .containsExactly(
                        new Choice.Option("still", "0"), new Choice.Option("1", "1"), new Choice.Option("storm", "2"));
        assertThat(((Lamp) one(phrase("/wave", Direction.IN, wave), "/wave").form()).states())
                .extracting(Lamp.State::word)
                .containsExactly("still", "", "storm");
    }

    @Test
    void fixedValuesAndChoicesAreSentWithTheirSpelling() {
        PhraseArgument channel = PhraseArgument.plain(
                ArgumentType.INT32, Optional.empty(), Optional.empty(), "", List.of(), Optional.of("7"));
        Control choice = one(
                phrase("/play", Direction.BOTH, channel, argument(ArgumentType.TEXT, null, null, "Low water", "Flood")),
                "/play");
        assertThat(choice.sends().get(0).arguments())
                .containsExactly(
                        new ArgumentSource.Fixed(ArgumentType.INT32, "7"),
                        new ArgumentSource.Chosen(ArgumentType.TEXT));
        assertThat(((Choice) choice.form()).options())
                .extracting(Choice.Option::text)
                .containsExactly("Low water", "Flood");
        assertThat(choice.listens().get(0).argument()).isOne();
    }

    @Test
    void anAnswerOnAnotherAddressIsListenedToThere() {
        Phrase go = Phrase.plain(
                "/look/<ch:1..12>/go",
                Direction.OUT,
                List.of(),
                AnswerRule.elsewhere("/look/<ch:1..12>/state").near(0.01),
                "",
                "");
        assertThat(one(go, "/look/3/go").listens()).extracting(Listen::address).containsExactly("/look/3/state");
    }

    @Test
    void whatBelongsToOneThingIsAFamilyWithItsStrip() {
        show = Shows.accepted(
                show,
                ADA,
                put(new PartId("reset"), BOOK, phrase("/reset", Direction.OUT)),
                Shows.change(show, DESK, Shows.target("Desk").speaking(BOOK)));
        List<PhraseFamily> families = PhraseFamily.of(show, DESK);
        PhraseFamily inputs = families.stream()
                .filter(family -> family.prefix().equals("/in/<ch:1..12>"))
                .findFirst()
                .orElseThrow();
        assertThat(inputs.count()).isEqualTo(12);
        assertThat(inputs.strip())
                .containsExactlyInAnyOrder(new PartId("level"), new PartId("mute"), new PartId("name"));
        PhraseFamily alone = families.stream()
                .filter(family -> family.prefix().isEmpty())
                .findFirst()
                .orElseThrow();
        assertThat(alone.phrases()).singleElement().satisfies(member -> assertThat(member.form())
                .isEqualTo("button"));
        assertThat(alone.strip()).isEmpty();
        assertThat(PhraseFamily.of(show, PAGE)).isEmpty();
    }
}
