package imperan.show;

import static imperan.show.Shows.ADA;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.fader;
import static imperan.show.Shows.put;
import static imperan.show.Shows.withPage;
import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import imperan.layout.Arrangement;
import imperan.layout.arranging.Arranger;
import imperan.picture.Picture;
import imperan.picture.PictureTest;
import imperan.picture.Pictures;
import imperan.shaping.Scale;
import imperan.shaping.Smooth;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Tilt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShowFileTest {

    private static Show show() {
        return accepted(
                withPage(),
                ADA,
                put(new PartId("z"), PAGE, fader("Main", 0, "/main")),
                put(new PartId("a"), PAGE, Shows.button("Mute “all”\n", 1, true, "/mute")));
    }

    private static String written(Show show) {
        return ShowFile.write("Show", show, Pictures.NONE);
    }

    private static Show imported(String file) {
        ShowFile.Read.Good good = (ShowFile.Read.Good) ShowFile.read(file);
        return ((Outcome.Accepted) Show.empty().become(good.parts(), ADA, "Import")).show();
    }

    @Test
    void theSameShowGivesTheSameBytesThroughAnyNumberOfHands() {
        String file = written(show());
        assertThat(written(imported(file))).isEqualTo(file);
        assertThat(file).doesNotContain("\"desk\"").contains("\"target\":\"target-1\"");
    }

    @Test
    void everyKindOfPartComesBackAsItWas() {
        String file = written(OneOfEach.show());
        assertThat(written(imported(file))).isEqualTo(file);
        assertThat(file).contains("\"about\":\"host-1\"").contains("\"phrasebook\":\"phrasebook-1\"");
    }

    /** Source: JSON Schema 2020-12, by the validator of networknt. */
    @Test
    void filesFitTheirSchemaAndOthersDoNot() throws IOException {
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Files.readString(Path.of("../docs/show-file.schema.json")));
        String file = written(show());
        assertThat(schema.validate(file, InputFormat.JSON)).isEmpty();
        assertThat(schema.validate(written(OneOfEach.show()), InputFormat.JSON)).isEmpty();
        for (String broken : List.of(
                file.replace("\"version\":17", "\"version\":1"),
                file.replace("\"port\":7101", "\"port\":0"),
                file.replace("\"action\":\"LATCHING\"", "\"action\":1"),
                file.replace("\"kind\":\"fader\"", "\"kind\":\"slider\""),
                file.replace("\"on\":\"CHANGE\"", "\"on\":\"ALWAYS\""),
                file.replace("\"name\":\"Show\"", "\"title\":\"Show\""))) {
            List<Error> errors = schema.validate(broken, InputFormat.JSON);
            assertThat(errors).as(broken).isNotEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"format\":\"imp | line 1, column 15 | not JSON",
                "[] | format | not a show file",
                "{\"format\":\"other\"} | format | not a show file",
                "{\"format\":\"imperan-show\",\"version\":18} | version | version 18; this Imperan reads versions 1 to 17",
                "{\"format\":\"imperan-show\",\"version\":1} | name | no name",
                "{\"format\":\"imperan-show\",\"version\":1,\"name\":\"S\"} | parts | missing",
            })
    void whatIsNoShowFileIsRefusedWithThePlace(String text, String place, String words) {
        assertThat(ShowFile.read(text)).isInstanceOfSatisfying(ShowFile.Read.Bad.class, bad -> {
            assertThat(bad.place()).isEqualTo(place);
            assertThat(bad.reason()).contains(words);
        });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"handle\":\"page-1\" | \"handle\":\"\" | parts/2/handle | no handle",
                "\"handle\":\"page-1\" | \"handle\":\"target-1\" | parts/2/handle | stands twice",
                "\"parent\":\"layout-1\" | \"parent\":\"layout-9\" | parts/2/parent | no part layout-9",
                "\"target\":\"target-1\" | \"target\":\"target-9\" | parts/3/body | target-9",
                "\"rows\":8 | \"rows\":\"eight\" | parts/2/body/rows | “eight” does not fit",
                "\"name\":\"Page\" | \"name\":\"Page\",\"lines\":8 | parts/2/body/lines | “lines” is no field",
                "\"kind\":\"page\" | \"kind\":\"sheet\" | parts/2/body | “sheet” is no kind",
                "\"rest\":0.25 | \"rest\":null | parts/4/body/form/rest | missing here, or of the wrong type",
            })
    void brokenPartsAreNamedWithTheirPlace(String good, String bad, String place, String words) {
        String file = written(show());
        assertThat(file).contains(good);
        assertThat(ShowFile.read(file.replace(good, bad))).isInstanceOfSatisfying(ShowFile.Read.Bad.class, read -> {
            assertThat(read.place()).isEqualTo(place);
            assertThat(read.reason()).containsIgnoringCase(words);
        });
    }

    @Test
    void aFileOfTheFirstVersionIsReadAsWhatItMeant() {
        String file = written(show());
        String first = asOfVersion3(file)
                .replace("\"version\":3", "\"version\":1")
                .replace("\"adapterAddress\":null,", "")
                .replace("\"bundles\":false,", "")
                .replace("\"phrasebook\":null,", "")
                .replace(
                        "\"standIn\":null,\"startList\":[],\"startsHeld\":false,\"ticks\":[],\"transport\":\"UDP\"", "")
                .replace("\"port\":7101,", "\"port\":7101");
        assertThat(first).doesNotContain("transport").doesNotContain("startList");
        assertThat(written(imported(first))).isEqualTo(file);
    }

    @Test
    void aFileOfTheSecondVersionIsReadAsWhatItMeant() {
        Show show = show();
        KeepAlive keep = KeepAlive.of("/stay", 3, 7);
        Phrasebook.LinkSheet sheet = new Phrasebook.LinkSheet(
                Optional.of(7105),
                Reach.UDP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.REPORTS,
                Optional.of(keep),
                Optional.empty(),
                true,
                "osc",
                Optional.empty(),
                List.of(),
                List.of(),
                "");
        show = accepted(
                show,
                ADA,
                Shows.change(show, Shows.DESK, Shows.target("Desk").kept(keep)),
                Shows.put(new PartId("book"), null, new Phrasebook("Desk", sheet)));
        String file = written(show);
        String second = asOfVersion3(file)
                .replace("\"version\":3", "\"version\":2")
                .replace("\"bundles\":false,", "")
                .replace("\"bareAddresses\":false,", "")
                .replace("\"answer\":null,", "");
        assertThat(second).isNotEqualTo(file).doesNotContain("bareAddresses");
        assertThat(written(imported(second))).isEqualTo(file);
    }

    /** What a phrase says of proofs since version 11. */
    private static final String PROOF =
            ",\"proof\":{\"high\":null,\"low\":null,\"most\":null,\"spacing\":null,\"sweep\":false}";

    /** The same file as version 11 wrote it: the ends of a range, and no steps. */
    private static String asOfVersion11(String file) {
        return file.replace("\"version\":17", "\"version\":11")
                .replace("\"ask\":null,", "")
                .replace("\"texts\":{\"characters\":\"UNKNOWN\",\"longest\":null},", "")
                .replaceAll(
                        "\"shaping\":\\[\\{\"fromHigh\":1,\"fromLow\":0,\"high\":([^,]*),\"low\":([^,]*),\"step\":\"scale\"}]",
                        "\"high\":$1,\"low\":$2");
    }

    /** The same file as version 8 wrote it. */
    private static String asOfVersion8(String file) {
        return asOfVersion11(file)
                .replace("\"version\":11", "\"version\":8")
                .replace("\"dialect\":\"osc\",", "")
                .replace(
                        "\"answersTo\":\"SENDER\",\"keepAlive\"",
                        "\"answersTo\":\"SENDER\",\"bareAddresses\":false,\"keepAlive\"");
    }

    /** A range had two ends, a tilt was smoothed by its form, and what sent true or false asked no range. */
    @Test
    void aShapingOfTheEleventhVersionIsReadAsWhatItMeant() {
        String file = written(accepted(
                show(),
                ADA,
                Shows.put(
                        new PartId("tilt"),
                        Shows.PAGE,
                        Control.plain(
                                "Tilt",
                                new Cells(6, 6, 1, 1),
                                new Tilt(45),
                                List.of(new Send(
                                        Send.Phase.CHANGE,
                                        Optional.of(Shows.DESK),
                                        "/t",
                                        List.of(
                                                new ArgumentSource.Value(
                                                        ArgumentSource.ArgumentType.FLOAT32,
                                                        List.of(new Smooth(0.2), new Scale(-45, 45)),
                                                        0),
                                                new ArgumentSource.Value(
                                                        ArgumentSource.ArgumentType.BOOLEAN,
                                                        List.of(new Smooth(0.2), new Scale(0, 1)),
                                                        1)))),
                                List.of(
                                        Listen.value(Optional.of(Shows.DESK), "/t", 0, -45, 45),
                                        Listen.label(Optional.of(Shows.DESK), "/n", 0))))));
        String eleventh = file.replace("\"version\":17", "\"version\":11")
                .replace("\"ask\":null,", "")
                .replace("\"texts\":{\"characters\":\"UNKNOWN\",\"longest\":null},", "")
                .replace("\"degrees\":45,", "\"degrees\":45,\"smoothingSeconds\":0.2,")
                .replace("{\"seconds\":0.2,\"step\":\"smooth\"},", "")
                .replaceAll(
                        "\"shaping\":\\[\\{\"fromHigh\":1,\"fromLow\":0,\"high\":([^,]*),\"low\":([^,]*),\"step\":\"scale\"}](,\"type\":\"BOOLEAN\")",
                        "\"high\":127.0,\"low\":3.0$3")
                .replaceAll(
                        "\"shaping\":\\[\\{\"fromHigh\":1,\"fromLow\":0,\"high\":([^,]*),\"low\":([^,]*),\"step\":\"scale\"}]",
                        "\"high\":$1,\"low\":$2")
                .replace("\"shaping\":null", "\"high\":1.0,\"low\":0.0");
        assertThat(eleventh)
                .doesNotContain("shaping")
                .contains("smoothingSeconds")
                .contains("\"high\":127.0");
        assertThat(written(imported(eleventh))).isEqualTo(file);
    }

    /** What version 8 said of an answer was its kind, its time and a share of the range; of what is masked, words for people. */
    @Test
    void aPhraseOfTheEighthVersionIsReadAsWhatItMeant() {
        PartId book = new PartId("book");
        Show show = accepted(
                show(),
                ADA,
                Shows.put(book, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                Shows.put(
                        new PartId("phrase"),
                        book,
                        Phrase.plain(
                                "/level",
                                Phrase.Direction.BOTH,
                                List.of(),
                                AnswerRule.usual(AnswerRule.Kind.SAME).near(0.02),
                                "",
                                "mute")));
        String file = written(show);
        String eighth = asOfVersion8(file)
                .replace("\"effect\":\"UNKNOWN\",", "")
                .replace("\"masks\":[],", "")
                .replace(PROOF, "")
                .replace("\"finalSeconds\":null,\"given\":\"\",", "")
                .replace("\"places\":[],\"says\":\"SAME\",", "")
                .replace("\"told\":\"UNKNOWN\",\"tolerance\":{\"of\":0.02,\"unit\":\"SHARE\"}", "\"tolerance\":0.02");
        assertThat(eighth)
                .contains(
                        "\"answer\":{\"address\":\"\",\"kind\":\"SAME\",\"seconds\":0.5,\"tolerance\":0.02,\"words\":null}");
        assertThat(written(imported(eighth))).isEqualTo(file);
    }

    /** The same file as version 7 wrote it: nothing is said of what it means that a button is on. */
    private static String asOfVersion7(String file) {
        return asOfVersion8(file)
                .replace("\"version\":8", "\"version\":7")
                .replace("\"meaning\":\"NONE\",\"picture\"", "\"picture\"");
    }

    /** The same file as version 6 wrote it: faders held in the middle or nowhere, knobs nowhere. */
    private static String asOfVersion6(String file) {
        return asOfVersion7(file)
                .replace("\"version\":7", "\"version\":6")
                .replace("\"holdsAt\":null,\"kind\":\"knob\"", "\"kind\":\"knob\"")
                .replaceAll(
                        "\\{(\"direction\":\"[A-Z]*\",\"grab\":\"[A-Z_]*\"),\"holdsAt\":(null|0.5),",
                        "{\"detent\":$2,$1,")
                .replace("\"detent\":null", "\"detent\":false")
                .replace("\"detent\":0.5", "\"detent\":true");
    }

    /** The same file as version 5 wrote it. */
    private static String asOfVersion5(String file) {
        return asOfVersion6(file)
                .replace("\"version\":6", "\"version\":5")
                .replace(",\"springs\":false", "")
                .replace("\"group\":\"\",", "")
                .replace("\"marks\":[],", "")
                .replace(",\"words\":null", "");
    }

    /** The same file as version 4 wrote it. */
    private static String asOfVersion4(String file) {
        return asOfVersion5(file)
                .replace("\"version\":5", "\"version\":4")
                .replace("\"draft\":null,", "")
                .replaceAll("\"face\":\\{\"icon\":(\"[^\"]*\"),[^{}]*\\},", "\"icon\":$1,");
    }

    /** The same file as version 3 wrote it. */
    private static String asOfVersion3(String file) {
        return asOfVersion4(file)
                .replace("\"version\":4", "\"version\":3")
                .replaceAll("\"behaviour\":\\{[^{}]*\\{[^{}]*\\}\\},", "")
                .replace("\"icon\":\"\",", "")
                .replace("\"detent\":false,", "")
                .replace("\"axis\":0,", "")
                .replace(",\"role\":\"VALUE\"", "")
                .replace("\"action\":\"LATCHING\",\"kind\":\"button\"", "\"kind\":\"button\",\"latching\":true")
                .replace("\"follows\":null,", "")
                .replaceAll(",\"screen\":\\{[^{}]*\\},\"strip\":false", "");
    }

    @Test
    void aFileOfTheThirdVersionIsReadAsWhatItMeant() {
        String file = written(show());
        String third = asOfVersion3(file);
        assertThat(third)
                .doesNotContain("behaviour")
                .doesNotContain("axis")
                .doesNotContain("action")
                .doesNotContain("screen")
                .contains("latching");
        assertThat(written(imported(third))).isEqualTo(file);
    }

    @Test
    void aFileOfTheFourthVersionIsReadAsWhatItMeant() {
        Show show = show();
        show = accepted(
                show,
                ADA,
                Shows.change(show, new PartId("z"), fader("Main", 0, "/main").faced(Face.icon("flash"))));
        String file = written(show);
        String fourth = asOfVersion4(file);
        assertThat(fourth).doesNotContain("face").doesNotContain("draft").contains("\"icon\":\"flash\"");
        assertThat(written(imported(fourth))).isEqualTo(file);
    }

    @Test
    void aFileOfTheFifthVersionIsReadAsWhatItMeant() {
        Show show = show();
        Phrase phrase = Phrase.plain(
                "/pan",
                Phrase.Direction.OUT,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentSource.ArgumentType.FLOAT32,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        List.of(),
                        Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.NONE),
                "",
                "");
        show = accepted(
                show,
                ADA,
                put(
                        new PartId("knob"),
                        PAGE,
                        Shows.button("Pan", 2, false, "/pan").formed(Knob.restingAt(0.5))),
                put(new PartId("book"), null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(new PartId("phrase"), new PartId("book"), phrase));
        String file = written(show);
        String fifth = asOfVersion5(file);
        assertThat(fifth)
                .doesNotContain("springs")
                .doesNotContain("group")
                .doesNotContain("marks")
                .doesNotContain("words");
        assertThat(written(imported(fifth))).isEqualTo(file);
    }

    @Test
    void aFileOfTheSixthVersionIsReadAsWhatItMeant() {
        Fader holding = new Fader(Form.Direction.UP, Form.Grab.RELATIVE, Optional.of(0.5), false, 0.25, List.of());
        Show show = accepted(
                show(),
                ADA,
                put(
                        new PartId("knob"),
                        PAGE,
                        Shows.button("Pan", 2, false, "/pan").formed(Knob.restingAt(0.5))),
                put(new PartId("trim"), PAGE, fader("Trim", 4, "/trim").formed(holding)));
        String file = written(show);
        String sixth = asOfVersion6(file);
        assertThat(sixth).doesNotContain("holdsAt").contains("\"detent\":true").contains("\"detent\":false");
        assertThat(written(imported(sixth))).isEqualTo(file);
    }

    @Test
    void picturesComeAlongOnceAndNoOtherPassesForThem() {
        Picture picture = PictureTest.picture("png", 3, 2);
        Show show = show();
        Control pictured = fader("Main", 0, "/main").faced(Face.PLAIN.showing(picture.hash()));
        show = accepted(
                show,
                ADA,
                Shows.change(show, new PartId("z"), pictured),
                put(new PartId("y"), PAGE, fader("Other", 4, "/other").faced(pictured.face())));
        String file = ShowFile.write(
                "Show", show, hash -> Optional.of(picture).filter(p -> p.hash().equals(hash)));
        assertThat(file).containsOnlyOnce("\"data\"");
        assertThat(ShowFile.read(file))
                .isInstanceOfSatisfying(ShowFile.Read.Good.class, good -> assertThat(good.pictures())
                        .extracting(Picture::hash)
                        .containsExactly(picture.hash()));
        assertThat(ShowFile.write("Show", imported(file), hash -> Optional.of(picture)))
                .isEqualTo(file);
        Picture other = PictureTest.picture("png", 5, 5);
        String swapped = file.replace(
                Base64.getEncoder().encodeToString(picture.bytes()),
                Base64.getEncoder().encodeToString(other.bytes()));
        assertThat(ShowFile.read(swapped)).isInstanceOfSatisfying(ShowFile.Read.Bad.class, bad -> {
            assertThat(bad.place()).isEqualTo("pictures/0");
            assertThat(bad.reason()).contains("another one");
        });
        assertThat(ShowFile.read(file.replaceFirst("\"data\":\"[^\"]*\"", "\"data\":\"###\"")))
                .isInstanceOfSatisfying(
                        ShowFile.Read.Bad.class, bad -> assertThat(bad.reason()).contains("Base64"));
    }

    @Test
    void whatIsShownAgainAndWhatIsCopiedNamesItsOriginalByHandle() {
        Show show = accepted(
                show(),
                ADA,
                put(new PartId("phone"), new PartId("layout"), Page.plain("Phone", 4, 8)),
                put(new PartId("again"), new PartId("phone"), new Twin(new PartId("z"), new Cells(0, 0, 1, 1))),
                put(new PartId("lost"), new PartId("phone"), new Twin(new PartId("nobody"), new Cells(1, 0, 1, 1))));
        Show drafted = ((Outcome.Accepted) Arranger.carryOut(
                        show, new Arrangement.CopyLayout(new PartId("layout"), new PartId("draft")), ADA))
                .show();
        String file = written(drafted);
        assertThat(file)
                .contains("\"of\":\"control-2\"")
                .contains("\"original\":\"page-1\"")
                .as("a twin of nothing")
                .doesNotContain("null,\"kind\":\"twin\"");
        assertThat(written(imported(file))).isEqualTo(file);
    }

    @Test
    void aReferenceToWhatIsGoneIsNoneInTheFile() {
        Show show = show();
        Show without = accepted(show, ADA, Shows.remove(show, Shows.DESK));
        assertThat(written(without)).contains("\"target\":null").doesNotContain("target-1");
    }

    /** RFC 8785, appendix B, "Number Serialization Samples" (from memory), and the rules of ECMAScript around them. */
    @ParameterizedTest
    @CsvSource({
        "0000000000000000, 0",
        "8000000000000000, 0",
        "0000000000000001, 5e-324",
        "8000000000000001, -5e-324",
        "7fefffffffffffff, 1.7976931348623157e+308",
        "4340000000000000, 9007199254740992",
        "4430000000000000, 295147905179352830000",
        "44b52d02c7e14af5, 9.999999999999997e+22",
        "44b52d02c7e14af6, 1e+23",
        "44b52d02c7e14af7, 1.0000000000000001e+23",
        "444b1ae4d6e2ef4e, 999999999999999700000",
        "444b1ae4d6e2ef50, 1e+21",
        "3eb0c6f7a0b5ed8c, 9.999999999999997e-7",
        "3eb0c6f7a0b5ed8d, 0.000001",
        "41b3de4355555553, 333333333.3333332",
        "41b3de4355555557, 333333333.33333343",
        "becbf647612f3696, -0.0000033333333333333333",
        "43143ff3c1cb0959, 1424953923781206.2",
    })
    void numbersAreWrittenAsTheStandardAsks(String bits, String text) {
        assertThat(CanonicalJson.number(Double.longBitsToDouble(Long.parseUnsignedLong(bits, 16))))
                .isEqualTo(text);
    }

    @Test
    void numbersReadBackAsThemselves() {
        Random random = new Random(1);
        for (int i = 0; i < 20_000; i++) {
            double value = Double.longBitsToDouble(random.nextLong());
            if (Double.isFinite(value)) {
                assertThat(Double.parseDouble(CanonicalJson.number(value))).isEqualTo(value == 0 ? 0.0 : value);
            }
        }
    }

    /** RFC 8785, section 3.2.3: keys by UTF-16 code units; section 3.2.2.2: escapes. */
    @Test
    void keysAreSortedAndTextsEscaped() {
        assertThat(CanonicalJson.write(ShowJson.mapper()
                        .readTree("{\"b\":[1.0,true,null],\"a\":\"\\u20ac$\\u000F\\nA'B\\\"\\\\\",\"\":{}}")))
                .isEqualTo("{\"\":{},\"a\":\"€$\\u000f\\nA'B\\\"\\\\\",\"b\":[1,true,null]}");
    }

    @Test
    void aShowBecomesAnotherInOneEditThatCanBeTakenBack() {
        Show before = withPage();
        Outcome.Accepted edit = (Outcome.Accepted)
                before.become(show().parts().stream().map(Held::part).toList(), ADA, "Restore");
        assertThat(edit.show().sameContentAs(show())).isTrue();
        Outcome.Accepted back = (Outcome.Accepted) edit.show()
                .revert(
                        edit.edit(),
                        ADA,
                        new Edit.Role(Edit.Role.Kind.UNDO, edit.edit().number()));
        assertThat(back.show().sameContentAs(before)).isTrue();
    }
}
