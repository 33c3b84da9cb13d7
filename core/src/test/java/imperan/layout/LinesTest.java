package imperan.layout;

import imperan.layout.Arrangement.AddControl;
import imperan.layout.Arrangement.DuplicatePage;
import imperan.layout.Arrangement.FillAcross;
import imperan.layout.Arrangement.FindAndReplace;
import imperan.layout.Arrangement.GatherControls;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.OrderPage;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.PasteControls.Copy;
import imperan.layout.Arrangement.PasteControls.Meaning;
import imperan.layout.Arrangement.PlacePhrases;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.Arrangement.ScatterTray;
import imperan.layout.Arrangement.SwapTarget;
import imperan.layout.Arrangement.TakeLearned;
import imperan.line.LineCsv;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.picture.Pictures;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Form;
import imperan.show.Grid;
import imperan.show.Laid;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Lock;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.AnswerRule;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.ShowFile;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.Tray;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

/** What is done with the lines of many controls at once, with trays and with pages, and layouts as files. */
class LinesTest {

    private static final PartId BOOK = new PartId("book");
    private static final PartId OTHER = new PartId("other");

    /** A desk that understands the levels of twelve inputs and says their names; four faders on a page. */
    private Show show;

    @BeforeEach
    void fourFaders() {
        show = accepted(Shows.withPage(), ADA, put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("level"), BOOK, phrase("/in/<ch:1..12>/level", Direction.BOTH, ArgumentType.FLOAT32, Optional.of(1.0))),
                put(new PartId("name"), BOOK, phrase("/in/<ch:1..12>/name", Direction.IN, ArgumentType.TEXT, Optional.empty())),
                put(new PartId("mute"), BOOK, phrase("/in/<ch:1..12>/mute", Direction.BOTH, ArgumentType.INT32, Optional.of(1.0))),
                put(OTHER, null, Shows.target("Other")));
        show = accepted(show, ADA, change(show, DESK, Shows.target("Desk").speaking(BOOK)));
        for (int i = 1; i <= 4; i++) {
            show = accepted(show, ADA, put(new PartId("f" + i), PAGE, fader("level " + i, i - 1, "/in/" + i + "/level")));
        }
    }

    private static Phrase phrase(String address, Direction direction, ArgumentType type, Optional<Double> high) {
        return new Phrase(address, direction, List.of(new PhraseArgument(type, high.map(h -> 0.0), high, "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME), "", "");
    }

    private static List<PartId> faders() {
        return List.of(new PartId("f1"), new PartId("f2"), new PartId("f3"), new PartId("f4"));
    }

    private Outcome carryOut(Arrangement arrangement) {
        Outcome outcome = Arranger.carryOut(show, arrangement, ADA);
        if (outcome instanceof Outcome.Accepted done) {
            show = done.show();
        }
        return outcome;
    }

    private void done(Arrangement arrangement) {
        assertThat(carryOut(arrangement)).isInstanceOf(Outcome.Accepted.class);
    }

    private String refused(Arrangement arrangement) {
        return ((Outcome.Refused) carryOut(arrangement)).problems().get(0).message();
    }

    private Control control(String id) {
        return (Control) show.part(new PartId(id)).orElseThrow().body();
    }

    private List<String> addresses(List<PartId> ids) {
        return ids.stream().map(id -> control(id.value()).sends().get(0).address()).toList();
    }

    // ---- pasting

    private List<PartId> paste(Meaning meaning, PartId... originals) {
        List<Copy> copies = new ArrayList<>();
        for (PartId original : originals) {
            copies.add(new Copy(PartId.random(), Optional.empty(), show.part(original).orElseThrow().body()));
        }
        done(new PasteControls(PAGE, copies, Optional.empty(), meaning, List.of()));
        return copies.stream().map(Copy::id).toList();
    }

    @Test
    void copiesGoOnBehindTheNumbersOfWhatWasCopied() {
        List<PartId> copies = paste(Meaning.NEXT_NUMBERS, faders().toArray(PartId[]::new));
        assertThat(addresses(copies)).containsExactly("/in/5/level", "/in/6/level", "/in/7/level", "/in/8/level");
        assertThat(copies).extracting(id -> control(id.value()).label()).containsExactly("level 5", "level 6", "level 7", "level 8");
        assertThat(control(copies.get(3).value()).listens().get(0).address()).isEqualTo("/in/8/level");
    }

    @Test
    void theSameLinesAgainStayTheSame() {
        assertThat(addresses(paste(Meaning.SAME, new PartId("f2")))).containsExactly("/in/2/level");
    }

    @Test
    void thereIsNoThirteenthOfTwelve() {
        show = accepted(show, ADA, change(show, new PartId("f4"), fader("level 12", 3, "/in/12/level")));
        Copy copy = new Copy(PartId.random(), Optional.empty(), control("f4"));
        assertThat(refused(new PasteControls(PAGE, List.of(copy), Optional.empty(), Meaning.NEXT_NUMBERS, List.of())))
                .isEqualTo("/in/<ch:1..12>/level ends at 12: there is no 13");
    }

    @Test
    void fixedValuesGoOnWhereTheAddressStays() {
        Control scene = Control.plain("Scene 3", new Cells(0, 6, 1, 1), new Form.Button(Form.Button.Action.ONE_SHOT), List.of(new Send(Send.Phase.PRESS,
                Optional.of(OTHER), "/scene", List.of(new ArgumentSource.Fixed(ArgumentType.INT32, "3")))), List.of());
        show = accepted(show, ADA, put(new PartId("scene"), PAGE, scene));
        Control copy = control(paste(Meaning.NEXT_VALUES, new PartId("scene")).get(0).value());
        assertThat(copy.sends().get(0).address()).isEqualTo("/scene");
        assertThat(copy.sends().get(0).arguments()).containsExactly(new ArgumentSource.Fixed(ArgumentType.INT32, "4"));
        assertThat(copy.label()).isEqualTo("Scene 4");
    }

    @Test
    void withoutAPhrasebookTheLastNumberOfTheAddressCounts() {
        show = accepted(show, ADA, put(new PartId("lamp"), PAGE, fader("Lamp", 5, "/b2/lamp/07/level").withLines(List.of(new Send(Send.Phase.CHANGE,
                Optional.of(OTHER), "/b2/lamp/07/level", List.of())), List.of())));
        assertThat(addresses(paste(Meaning.NEXT_NUMBERS, new PartId("lamp")))).containsExactly("/b2/lamp/08/level");
    }

    @Test
    void linesToAStrangerGoToWhoIsMeant() {
        Control stranger = fader("Far", 0, "/far").withLines(List.of(new Send(Send.Phase.CHANGE, Optional.of(new PartId("gone")), "/far", List.of())), List.of());
        PartId copy = PartId.random();
        done(new PasteControls(PAGE, List.of(new Copy(copy, Optional.empty(), stranger)), Optional.empty(), Meaning.SAME,
                List.of(new PasteControls.Meant(new PartId("gone"), OTHER))));
        assertThat(control(copy.value()).sends().get(0).target()).hasValue(OTHER);
    }

    // ---- runs, find and replace, swap

    @Test
    void aRunFillsARowInReadingOrder() {
        done(new FillAcross(List.of(new PartId("f3"), new PartId("f1"), new PartId("f2")), FillAcross.Field.ADDRESS, "/in/<7..9>/level"));
        assertThat(addresses(faders())).containsExactly("/in/7/level", "/in/8/level", "/in/9/level", "/in/4/level");
        assertThat(control("f2").listens().get(0).address()).as("what shared the address goes on sharing it").isEqualTo("/in/8/level");
        done(new FillAcross(faders(), FillAcross.Field.LABEL, "In <01..04>"));
        assertThat(control("f4").label()).isEqualTo("In 04");
        done(new FillAcross(faders(), FillAcross.Field.LABEL, "Same"));
        assertThat(control("f1").label()).isEqualTo("Same");
        assertThat(refused(new FillAcross(faders(), FillAcross.Field.LABEL, "<1..")))
                .startsWith("A run is written");
    }

    @Test
    void fillingBeginsWithWhatTheFirstOfTheRowHas() {
        assertThat(FillStart.of(show, List.of(new PartId("f3"), new PartId("f2"), new PartId("f4"))))
                .isEqualTo(new FillStart("/in/<2..4>/level", "level <2..4>", "<1..3>"));
        assertThat(FillStart.of(show, List.of(new PartId("gone")))).isEqualTo(new FillStart("/address/<1..1>", "<1..1>", "<1..1>"));
    }

    @Test
    void aTextIsReplacedWhereItStandsAndNowhereElse() {
        done(new FindAndReplace(List.of(), "/in/", "/mix/", true, false));
        assertThat(addresses(faders())).containsExactly("/mix/1/level", "/mix/2/level", "/mix/3/level", "/mix/4/level");
        done(new FindAndReplace(List.of(new PartId("f1")), "level", "Level", false, true));
        assertThat(control("f1").label()).isEqualTo("Level 1");
        assertThat(control("f2").label()).isEqualTo("level 2");
        assertThat(refused(new FindAndReplace(List.of(), "nowhere", "", true, true))).contains("stands nowhere");
        assertThat(refused(new FindAndReplace(List.of(), "/", "", true, false))).contains("An address begins with a slash");
    }

    @Test
    void linesGoToAnotherTarget() {
        done(new SwapTarget(faders().subList(0, 2), Optional.of(DESK), OTHER));
        assertThat(control("f2").sends().get(0).target()).hasValue(OTHER);
        assertThat(control("f2").listens().get(0).target()).hasValue(OTHER);
        assertThat(control("f3").sends().get(0).target()).hasValue(DESK);
        assertThat(refused(new SwapTarget(faders().subList(0, 2), Optional.empty(), OTHER))).contains("go to Other already");
    }

    @Test
    void whatWasLearnedIsTakenAsThePhrasebookHasItElseAsItWasSeen() {
        done(new TakeLearned(List.of(new TakeLearned.Pairing(new PartId("f1"), DESK, "/in/9/level", 0, ArgumentType.FLOAT32, 0.2, 0.4),
                new TakeLearned.Pairing(new PartId("f2"), OTHER, "/pan", 1, ArgumentType.INT32, -64, 63))));
        assertThat(control("f1").sends().get(0).arguments()).containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1));
        assertThat(control("f2").sends().get(0).arguments()).containsExactly(new ArgumentSource.Value(ArgumentType.INT32, -64, 63));
        assertThat(control("f2").listens()).containsExactly(Listen.value(Optional.of(OTHER), "/pan", 1, -64, 63));
    }

    @Test
    void whatWouldChangeIsSaidLineByLine() {
        Outcome outcome = Arranger.carryOut(show, new SwapTarget(faders().subList(0, 1), Optional.empty(), OTHER), ADA);
        Outcome.Accepted done = (Outcome.Accepted) outcome;
        assertThat(ChangeLine.of(done.edit(), done.show())).containsExactly(new ChangeLine("level 1", "sends 1 target", "Desk", "Other"),
                new ChangeLine("level 1", "listens 1 target", "Desk", "Other"));
    }

    // ---- trays and pages

    @Test
    void aTrayMovesWithWhatLiesInItAndIsTakenApartWhereItLies() {
        PartId tray = new PartId("tray");
        done(new GatherControls(faders().subList(0, 2), tray, "Pair"));
        assertThat(control("f2").cells()).isEqualTo(new Cells(1, 0, 1, 4));
        assertThat(show.part(new PartId("f2")).orElseThrow().parent()).hasValue(tray);
        done(new MoveControls(List.of(tray), 4, 2));
        assertThat(control("f2").cells()).as("within its tray").isEqualTo(new Cells(1, 0, 1, 4));
        assertThat(refused(new GatherControls(List.of(tray), new PartId("t2"), "Nested"))).contains("does not lie in a tray");
        done(new ScatterTray(tray));
        assertThat(control("f2").cells()).isEqualTo(new Cells(5, 2, 1, 4));
        assertThat(show.part(tray)).isEmpty();
        done(new GatherControls(faders().subList(0, 2), tray, "Pair"));
        done(new RemoveControls(List.of(tray)));
        assertThat(show.part(new PartId("f2"))).isEmpty();
    }

    @Test
    void aTrayIsCopiedWithWhatLiesInItToTheNextNumbers() {
        PartId tray = new PartId("tray");
        done(new GatherControls(faders().subList(0, 2), tray, "Pair"));
        PartId copy = PartId.random();
        List<Copy> copies = List.of(new Copy(copy, Optional.empty(), show.part(tray).orElseThrow().body()), new Copy(PartId.random(), Optional.of(copy),
                control("f1")), new Copy(PartId.random(), Optional.of(copy), control("f2")));
        done(new PasteControls(PAGE, copies, Optional.empty(), Meaning.NEXT_NUMBERS, List.of()));
        assertThat(show.children(copy).map(part -> ((Control) part.body()).sends().get(0).address())).containsExactly("/in/3/level", "/in/4/level");
    }

    @Test
    void whatPopsUpMayLieAboveOthersAndNothingElseMay() {
        Tray above = new Tray("Above", new Cells(0, 0, 4, 4), 4, 1, true);
        show = accepted(show, ADA, put(new PartId("above"), PAGE, above));
        assertThat(Shows.refused(show, ADA, change(show, new PartId("above"), new Tray("Above", above.cells(), 4, 1, false))).get(0).message())
                .contains("would lie on");
        assertThat(Shows.refused(show, ADA, change(show, new PartId("above"), new Tray("Above", above.cells(), 3, 1, true))).get(0).message())
                .contains("inside at least as wide");
    }

    @Test
    void stripsLieInTraysOrInABankThatShowsSomeOfThem() {
        List<PartId> phrases = List.of(new PartId("level"), new PartId("mute"), new PartId("name"));
        done(new PlacePhrases(Optional.empty(), DESK, phrases, 1, 3, Optional.empty(), PlacePhrases.Manner.TRAYS, 0));
        assertThat(show.all(Tray.class)).extracting(part -> part.body().called()).containsExactly("ch 1", "ch 2", "ch 3");
        done(new PlacePhrases(Optional.empty(), DESK, phrases, 1, 12, Optional.empty(), PlacePhrases.Manner.BANK, 4));
        Part bank = show.all(Tray.class).stream().filter(part -> ((Tray) part.body()).movesWindow()).findFirst().orElseThrow();
        Tray tray = (Tray) bank.body();
        assertThat(tray.columns()).isEqualTo(3 * tray.cells().width());
        assertThat(show.children(bank.id())).hasSize(36);
    }

    @Test
    void phrasesThatHaveNothingToDoWithEachOtherLieOneAfterTheOther() {
        List<PartId> phrases = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            phrases.add(new PartId("x" + i));
            show = accepted(show, ADA, put(new PartId("x" + i), BOOK, phrase("/thing/" + i, Direction.BOTH, i % 3 == 0 ? ArgumentType.INT32
                    : ArgumentType.FLOAT32, Optional.of(1.0))));
        }
        done(new PlacePhrases(Optional.empty(), DESK, phrases, 1, 1, Optional.empty(), PlacePhrases.Manner.LOOSE, 0));
        Part page = show.all(Page.class).stream().filter(part -> part.body().called().equals("Page 2")).findFirst().orElseThrow();
        assertThat(show.children(page.id())).hasSize(40);
        assertThat(refused(new PlacePhrases(Optional.of(PAGE), DESK, phrases, 1, 1, Optional.empty(), PlacePhrases.Manner.LOOSE, 0)))
                .contains("of 40 on this page");
    }

    @Test
    void aControlThatStandsAloneBearsTheNameThatItsTargetGives() {
        done(new PlacePhrases(Optional.of(PAGE), DESK, List.of(new PartId("mute")), 5, 1, Optional.empty(), PlacePhrases.Manner.LOOSE, 0));
        Control placed = show.all(Control.class).stream().map(part -> (Control) part.body()).filter(c -> c.label().startsWith("mute")).findFirst().orElseThrow();
        assertThat(placed.listens()).contains(Listen.label(Optional.of(DESK), "/in/5/name", 0));
    }

    @ParameterizedTest
    @EnumSource(ControlKind.class)
    void everyKindComesFromTheShelfWithoutLyingOnItself(ControlKind kind) {
        Show wide = accepted(Shows.withPage(), ADA, change(Shows.withPage(), PAGE, Page.plain("Page", 16, 10)));
        Outcome outcome = Arranger.carryOut(wide, new AddControl(PAGE, new PartId("it"), kind, Optional.empty()), ADA);
        assertThat(outcome).isInstanceOf(Outcome.Accepted.class);
        Show now = ((Outcome.Accepted) outcome).show();
        Grid grid = new Grid(16, 10);
        assertThat(grid.holds(((Laid) now.part(new PartId("it")).orElseThrow().body()).cells())).isTrue();
        List<Part> inside = now.children(new PartId("it")).toList();
        assertThat(inside.isEmpty()).isEqualTo(now.part(new PartId("it")).orElseThrow().body() instanceof Control);
    }

    @Test
    void pagesAreCopiedWithAllThatLiesThereAndPutInOrder() {
        done(new GatherControls(faders().subList(0, 2), new PartId("tray"), "Pair"));
        PartId copy = new PartId("copy");
        done(new DuplicatePage(PAGE, copy, Optional.of(Page.Screen.Kind.PHONE), false));
        assertThat(((Page) show.part(copy).orElseThrow().body()).screen()).isEqualTo(Page.Screen.of(Page.Screen.Kind.PHONE));
        assertThat(show.children(copy).map(part -> part.body().called())).containsExactlyInAnyOrder("Pair", "level 3", "level 4");
        assertThat(show.all(Page.class)).extracting(Part::id).containsExactly(PAGE, copy);
        done(new OrderPage(copy, -1));
        assertThat(show.all(Page.class)).extracting(Part::id).containsExactly(copy, PAGE);
        assertThat(refused(new OrderPage(copy, -1))).contains("there already");
    }

    // ---- the line table

    @Test
    void everyLineIsARowWithWhatItsPhrasebookSpeaksAgainst() {
        show = accepted(show, ADA, change(show, new PartId("f2"), fader("level 2", 1, "/in/2/lvel")), change(show, new PartId("f3"),
                control("f3").withLines(List.of(new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/level",
                        List.of(new ArgumentSource.Value(ArgumentType.INT32, 0, 1))), new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/level",
                        List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 100))), new Send(Send.Phase.CHANGE, Optional.of(DESK), "/in/3/name",
                        List.of())), List.of())), change(show, new PartId("f4"), control("f4").withLines(List.of(new Send(Send.Phase.PRESS, Optional.empty(),
                        "/x", List.of())), List.of())));
        List<TableLine> lines = LineTable.of(show);
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f1"))).allMatch(line -> line.findings().isEmpty()).hasSize(2);
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f2"))).allSatisfy(line -> {
            assertThat(line.findings().get(0).mend()).hasValue("/in/2/level");
            assertThat(line.findings().get(0).message()).contains("did you mean /in/2/level?");
        });
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f3"))).extracting(line -> line.findings().get(0).message())
                .containsExactly("It sends “i”; Desk takes “f”", "It goes from 0 to 100; only 0 to 1 counts", "Desk says it and does not take it");
        assertThat(lines).filteredOn(line -> line.control().equals(new PartId("f4"))).extracting(line -> line.findings().get(0).message())
                .containsExactly("Nobody gets it: no target is chosen");
    }

    @Test
    void aTableThatIsGivenOutAndTakenInChangesNothing() {
        assertThat(LineCsv.read(show, LineCsv.write(LineTable.of(show)))).isEqualTo(new LineCsv.Read(Optional.empty(), List.of()));
    }

    @Test
    void aTableFromASpreadsheetChangesWhatIsDifferentAndNamesWhatCannotBe() {
        LineCsv.Read read = LineCsv.read(show, """
                line\taddress\ttarget\tlow\thigh\ton
                f1:send:1\t/in/9/level\tOther\t0\t0.5\trelease
                f2:listen:1\t\t\t\t2\t
                f9:send:1\t/x\t\t\t\t
                f3:send:1\t/in/3/level\tNobody\t\t\t
                f4:send:1\t/in/4/level\t\t0,5\t\t
                """);
        assertThat(read.refusals()).extracting(LineCsv.Refusal::row).containsExactly(4L, 5L, 6L);
        assertThat(read.refusals()).extracting(LineCsv.Refusal::reason).satisfiesExactly(r -> assertThat(r).contains("no line “f9:send:1”"),
                r -> assertThat(r).contains("no target “Nobody”"), r -> assertThat(r).contains("write a decimal with a dot"));
        show = ((Outcome.Accepted) show.apply(read.request().orElseThrow(), ADA)).show();
        assertThat(control("f1").sends().get(0)).isEqualTo(new Send(Send.Phase.RELEASE, Optional.of(OTHER), "/in/9/level",
                List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 0.5))));
        assertThat(control("f2").listens().get(0).high()).isEqualTo(2);
    }

    @Test
    void whatIsNoLineTableIsSaid() {
        assertThat(LineCsv.read(show, "a,b\n1,2").refusals().get(0).reason()).contains("one of them “line”");
    }

    // ---- layouts as files

    @Test
    void aLayoutTakenIntoAnEmptyShowAndGivenOutAgainIsTheSameFile() {
        done(new GatherControls(faders().subList(0, 2), new PartId("tray"), "Pair"));
        String file = LayoutFile.write(show, LAYOUT, Pictures.NONE).orElseThrow();
        Show empty = ((Outcome.Accepted) LayoutFile.take(Show.empty(), file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(LayoutFile.write(empty, empty.all(Layout.class).get(0).id(), Pictures.NONE).orElseThrow()).isEqualTo(file);
        assertThat(empty.all(Target.class)).extracting(part -> part.body().called()).as("only what its lines need").containsExactly("Desk");
        assertThat(ShowFile.read(file)).as("a layout is no show").isInstanceOf(ShowFile.Read.Bad.class);
    }

    @Test
    void whatALayoutNeedsIsSaidBeforeItIsTakenIn() {
        String file = LayoutFile.write(show, LAYOUT, Pictures.NONE).orElseThrow();
        Show bare = accepted(Show.empty(), ADA, put(OTHER, null, Shows.target("Other")));
        LayoutFile.LayoutPreview preview = LayoutFile.preview(bare, file, LayoutFile.OnSameName.KEEP_BOTH, ADA);
        assertThat(preview.missing()).containsExactly("Desk");
        assertThat(preview.extra()).containsExactly("Other");
        assertThat(preview.matched()).isEmpty();
        assertThat(preview.exists()).isFalse();
        assertThat(preview.changes()).isNotEmpty();
        Show other = accepted(bare, ADA, put(new PartId("book2"), null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("p"), new PartId("book2"), phrase("/main/level", Direction.BOTH, ArgumentType.FLOAT32, Optional.of(1.0))),
                put(new PartId("desk2"), null, Shows.target("Desk").speaking(new PartId("book2"))));
        LayoutFile.LayoutPreview dead = LayoutFile.preview(other, file, LayoutFile.OnSameName.KEEP_BOTH, ADA);
        assertThat(dead.matched()).containsExactly("Desk");
        assertThat(dead.dead()).hasSize(8).allMatch(line -> line.contains("phrasebook has no /in/"));
        assertThat(LayoutFile.preview(bare, "{", LayoutFile.OnSameName.KEEP_BOTH, ADA).problem().orElseThrow()).contains("not JSON");
    }

    @Test
    void aNameThatIsThereIsKeptTwiceOrReplaced() {
        String file = LayoutFile.write(show, LAYOUT, Pictures.NONE).orElseThrow();
        Show twice = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(twice.all(Layout.class)).extracting(part -> part.body().called()).containsExactly("Layout", "Layout 2");
        show = accepted(show, ADA, change(show, new PartId("f1"), fader("Changed", 0, "/in/1/level")));
        Show back = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.REPLACE, ADA)).show();
        assertThat(back.all(Layout.class)).hasSize(1);
        assertThat(back.all(Control.class)).extracting(part -> part.body().called()).contains("level 1").doesNotContain("Changed");
        assertThat(back.all(Target.class)).hasSize(2);
    }

    @Test
    void aPageComesBackIntoItsLayout() {
        String file = LayoutFile.write(show, PAGE, Pictures.NONE).orElseThrow();
        Show twice = ((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.KEEP_BOTH, ADA)).show();
        assertThat(twice.all(Layout.class)).hasSize(1);
        assertThat(twice.all(Page.class)).extracting(part -> part.body().called()).containsExactly("Page", "Page 2");
        assertThat(((Outcome.Accepted) LayoutFile.take(show, file, LayoutFile.OnSameName.REPLACE, ADA)).show().all(Page.class)).hasSize(1);
    }

    // ---- the lock

    @Test
    void aLockedShowIsOperatedAndNotChanged() {
        show = accepted(show, ADA, put(Lock.ID, null, new Lock("Ada")));
        assertThat(refused(new MoveControls(faders().subList(3, 4), 1, 0))).contains("locked by Ada");
        assertThat(((Outcome.Refused) show.become(List.of(), Shows.BEN, "Restore")).problems().get(0).message()).contains("locked");
        assertThat(Shows.refused(show, ADA, put(new PartId("second"), null, new Lock("Ada"))).get(0).message()).contains("locked");
        Show open = accepted(show, Shows.BEN, Shows.remove(show, Lock.ID));
        assertThat(open.part(Lock.ID)).isEmpty();
    }
}
