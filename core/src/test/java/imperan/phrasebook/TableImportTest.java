package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.phrasebook.ReadRow.Verdict;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.AskRule;
import imperan.show.Mask;
import imperan.show.Phrase;
import imperan.show.ProofRule;
import imperan.show.ScaleMark;
import imperan.show.TextRule;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TableImportTest {

    private static ReadRow only(String text) {
        List<ReadRow> rows = TableImport.read(text);
        assertThat(rows).hasSize(1);
        return rows.get(0);
    }

    private static Phrase phrase(String text) {
        return only(text).phrase().orElseThrow();
    }

    @Test
    void columnsAreKnownByTheirTitlesInAnyOrder() {
        Phrase phrase = phrase(
                "Description;Max;Min;OSC Address;Type;Unit\nLevel of a lamp;255;0;/lamp/<n:1..24>/level;int;%\n");
        assertThat(phrase.address()).isEqualTo("/lamp/<n:1..24>/level");
        assertThat(phrase.meaning()).isEqualTo("Level of a lamp");
        assertThat(phrase.arguments())
                .containsExactly(Phrase.PhraseArgument.plain(
                        ArgumentType.INT32, Optional.of(0.0), Optional.of(255.0), "%", List.of(), Optional.empty()));
        assertThat(only("address,type\n/a,f\n").verdict()).isEqualTo(Verdict.UNDERSTOOD);
    }

    @Test
    void aTableFromADocumentIsReadWithItsBars() {
        List<ReadRow> rows = TableImport.read(
                """
                | Path | Type | Range | Notes |
                |------|:----:|-------|-------|
                | `/in/[1-12]/level` | float | 0.0 – 1.0 | fader, with a | in
                | `/in/[1-12]/mute` | int | 0/1 | |
                """);
        assertThat(rows).hasSize(2).allSatisfy(row -> assertThat(row.verdict()).isEqualTo(Verdict.GUESSED));
        assertThat(rows.get(0).phrase().orElseThrow().address()).isEqualTo("/in/<n:1..12>/level");
        assertThat(rows.get(0).note()).contains("taken as slots");
        assertThat(rows.get(1).phrase().orElseThrow().arguments().get(0).high()).contains(1.0);
    }

    @Test
    void barsAtTheEndsOfALineMayBeMissing() {
        List<ReadRow> rows = TableImport.read("Path | Type\n/a | f\n/b | none\n");
        assertThat(rows).extracting(ReadRow::verdict).containsOnly(Verdict.UNDERSTOOD);
        assertThat(rows.get(1).phrase().orElseThrow().arguments()).isEmpty();
    }

    @Test
    void withoutTitlesColumnsAreKnownByWhatStandsInThem() {
        List<ReadRow> rows = TableImport.read("/tilt/x\tf\t-45..45 °\ttilts the water\n/reset\tnone\n");
        assertThat(rows).extracting(ReadRow::verdict).containsExactly(Verdict.GUESSED, Verdict.GUESSED);
        Phrase tilt = rows.get(0).phrase().orElseThrow();
        assertThat(tilt.arguments().get(0))
                .isEqualTo(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(-45.0), Optional.of(45.0), "°", List.of(), Optional.empty()));
        assertThat(tilt.meaning()).isEqualTo("tilts the water");
        assertThat(rows.get(1).phrase().orElseThrow().arguments()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ifs | [INT32, FLOAT32, TEXT]", ",f | [FLOAT32]", "int float | [INT32, FLOAT32]", "string | [TEXT]",
                        "bool | [BOOLEAN]",
                "T | [BOOLEAN]", "none | []", "'' | []", "float32 | [FLOAT32]", "int, int, int | [INT32, INT32, INT32]",
            })
    void typesAreTagsOrWords(String written, String types) {
        assertThat(phrase("address\ttypes\n/a\t" + written + "\n").arguments().stream()
                        .map(Phrase.PhraseArgument::type)
                        .toList())
                .hasToString(types);
    }

    @Test
    void fixedValuesStandBeforeTheValue() {
        Phrase phrase = phrase("address,types,fixed,low,high\n/cross,iif,1|2,0,1\n");
        assertThat(phrase.arguments())
                .extracting(Phrase.PhraseArgument::fixed)
                .containsExactly(Optional.of("1"), Optional.of("2"), Optional.empty());
        assertThat(phrase.arguments().get(2).high()).contains(1.0);
        assertThat(phrase.arguments().get(0).high()).isEmpty();
    }

    @Test
    void choicesDirectionsAndAnswersAreRead() {
        Phrase phrase = phrase("address,type,choices,direction,answer\n/scene,s,Low water|Flood,write,/scene/now\n");
        assertThat(phrase.arguments().get(0).choices()).containsExactly("Low water", "Flood");
        assertThat(phrase.direction()).isEqualTo(Phrase.Direction.OUT);
        assertThat(phrase.answer().kind()).isEqualTo(AnswerRule.Kind.OTHER);
        assertThat(phrase.answer().address()).isEqualTo("/scene/now");
        assertThat(phrase("address,answer\n/go,none\n").answer().kind()).isEqualTo(AnswerRule.Kind.NONE);
        assertThat(phrase("address,answer\n/go,query\n").answer().kind()).isEqualTo(AnswerRule.Kind.QUERY);
    }

    @Test
    void whatIsGuessedIsSaid() {
        assertThat(only("address,type\nlamp/level/,f\n").note())
                .contains("slash at its start")
                .contains("slash at its end");
        assertThat(only("address,min,max\n/a,0,1\n").note()).contains("taken as a decimal");
        assertThat(only("address,direction\n/a,sideways\n").note()).contains("taken as both");
    }

    @Test
    void whatCannotBeReadIsRefusedWithItsLineAndTheOthersStay() {
        List<ReadRow> rows = TableImport.read("address,type\n/a,f\n/b,colour\n,f\n/c d,f\n/e,i\n");
        assertThat(rows)
                .extracting(ReadRow::verdict)
                .containsExactly(
                        Verdict.UNDERSTOOD, Verdict.REFUSED, Verdict.REFUSED, Verdict.REFUSED, Verdict.UNDERSTOOD);
        assertThat(rows.get(1).place()).as("the line, and what stands in it").isEqualTo("line 3: /b | colour");
        assertThat(rows.get(1).note()).contains("“colour” is not a type");
        assertThat(rows.get(2).note()).contains("no address");
        assertThat(rows.get(3).note()).contains("cannot be part of an address");
        assertThat(TableImport.read("")).isEmpty();
    }

    @Test
    void aPlaceIsTheLineOfTheTextWhateverStandsBetween() {
        List<ReadRow> bars = TableImport.read("| Path | Type |\n|---|---|\n\n| /a | f |\n| /b | colour |\n");
        assertThat(bars).extracting(ReadRow::place).containsExactly("line 4", "line 5: /b | colour");
        List<ReadRow> csv = TableImport.read("address,meaning\n/a,\"two\nlines\"\n\n/b,one\n");
        assertThat(csv).extracting(ReadRow::place).containsExactly("line 2", "line 5");
        assertThat(only("address,type\n").note()).contains("no line below them");
        assertThat(only("what,ever\nnothing,here\n").verdict()).isEqualTo(Verdict.REFUSED);
    }

    /** Random bytes are refused row by row and never end otherwise. */
    @Test
    void nothingThatIsPastedEndsBadly() {
        Random random = new Random(9);
        String signs = "/,;\t|\"\n<>[]{}.:-0123 afis≤\r";
        for (int round = 0; round < 5_000; round++) {
            StringBuilder text = new StringBuilder();
            for (int i = random.nextInt(120); i > 0; i--) {
                text.append(signs.charAt(random.nextInt(signs.length())));
            }
            TableImport.read(text.toString())
                    .forEach(row -> assertThat(row.phrase().isPresent()).isEqualTo(row.verdict() != Verdict.REFUSED));
        }
    }

    /** Source: RFC 4180, by Commons CSV; and what is written reads back as it was. */
    @Test
    void whatIsWrittenIsCsvAndReadsBackAsItWas() throws IOException {
        List<Phrase> phrases = new ArrayList<>();
        phrases.add(Phrase.plain(
                "/in/<ch:1..12>/level",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "dB", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "fader, \"long\"",
                "mute"));
        phrases.add(Phrase.plain(
                "/scene",
                Phrase.Direction.OUT,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.TEXT,
                        Optional.empty(),
                        Optional.empty(),
                        "",
                        List.of("Low water", "Flood"),
                        Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.NONE),
                "",
                ""));
        phrases.add(Phrase.plain(
                "/cross",
                Phrase.Direction.IN,
                List.of(
                        Phrase.PhraseArgument.plain(
                                ArgumentType.INT32,
                                Optional.empty(),
                                Optional.empty(),
                                "",
                                List.of(),
                                Optional.of("3")),
                        Phrase.PhraseArgument.plain(
                                ArgumentType.FLOAT64,
                                Optional.of(-0.5),
                                Optional.of(2.25),
                                "",
                                List.of(),
                                Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.QUERY).near(0.0001).within(2),
                "",
                ""));
        phrases.add(Phrase.plain(
                "/main",
                Phrase.Direction.BOTH,
                List.of(new Phrase.PhraseArgument(
                        ArgumentType.FLOAT32,
                        Optional.of(0.0),
                        Optional.of(1.0),
                        "",
                        List.of(),
                        Optional.empty(),
                        List.of(new ScaleMark(0, "off"), new ScaleMark(0.5623, "0 dB")),
                        "multiply 100 | cut",
                        TextRule.UNKNOWN)),
                AnswerRule.usual(AnswerRule.Kind.SAME)
                        .near(0.01)
                        .worded(Optional.of(1))
                        .asking(AskRule.on("/main/get").at(List.of(1)).answered("/main/is")),
                "",
                ""));
        phrases.add(new Phrase(
                "/sheet/<n:1..3>/play",
                Phrase.Direction.OUT,
                List.of(),
                AnswerRule.elsewhere("/sheet/<n:1..3>/state").saying("playing").telling(AnswerRule.Told.SUBSCRIBERS),
                Phrase.Effect.EVENT,
                "",
                "receive switch",
                List.of(),
                ProofRule.USUAL.spaced(2.5).atMost(3)));
        phrases.add(new Phrase(
                "/lamp/<n:1..3>",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.INT32, Optional.of(0.0), Optional.of(255.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME)
                        .near(new AnswerRule.Tolerance(AnswerRule.Tolerance.Unit.STEP, 5))
                        .at(List.of(1))
                        .settling(4)
                        .telling(AnswerRule.Told.WHO_ASKS),
                Phrase.Effect.VALUE,
                "",
                "",
                List.of(Mask.own("/mute/<n:1..3>", "1"), new Mask("/solo/<n:1..3>", 1, "on", true)),
                ProofRule.USUAL.within(-0.5, 20).sweeping()));
        phrases.add(Phrase.plain(
                        "/any",
                        Phrase.Direction.OUT,
                        List.of(),
                        AnswerRule.elsewhere("/done")
                                .sayingAnything()
                                .near(new AnswerRule.Tolerance(AnswerRule.Tolerance.Unit.AMOUNT, 0.5)),
                        "",
                        "")
                .doing(Phrase.Effect.DANGEROUS));
        phrases.add(Phrase.plain(
                        "/odd",
                        Phrase.Direction.OUT,
                        List.of(),
                        AnswerRule.elsewhere("/done").saying("anything"),
                        "",
                        "")
                .doing(Phrase.Effect.TOGGLE));
        phrases.add(Phrase.plain(
                "/title",
                Phrase.Direction.BOTH,
                List.of(
                        Phrase.PhraseArgument.plain(
                                ArgumentType.INT32,
                                Optional.empty(),
                                Optional.empty(),
                                "",
                                List.of(),
                                Optional.of("2")),
                        Phrase.PhraseArgument.plain(
                                        ArgumentType.TEXT,
                                        Optional.empty(),
                                        Optional.empty(),
                                        "",
                                        List.of(),
                                        Optional.empty())
                                .taking(new TextRule(Optional.of(32), TextRule.Characters.PLAIN))),
                AnswerRule.usual(AnswerRule.Kind.QUERY)
                        .asking(AskRule.on("/get/title").named()),
                "",
                ""));
        String csv = TableExport.write(phrases);
        try (CSVParser parser = CSVParser.parse(csv, CSVFormat.RFC4180)) {
            assertThat(parser.getRecords()).hasSize(10).allSatisfy(line -> assertThat(line.size())
                    .isEqualTo(25));
        }
        assertThat(TableImport.read(csv).stream()
                        .map(row -> row.phrase().orElseThrow())
                        .toList())
                .isEqualTo(phrases);
    }

    @Test
    void whatCannotBeReadOfAnAnswerIsLeftOutAndSaid() {
        assertThat(
                        TableImport.read(
                                "address,types,answer,tolerance,told,effect,masks,answer in,proof\n/main,f,same,near,nobody else,harmless,mute on,first,gently\n"))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.phrase().orElseThrow().answer()).isEqualTo(AnswerRule.usual(AnswerRule.Kind.SAME));
                    assertThat(row.phrase().orElseThrow().effect()).isEqualTo(Phrase.Effect.UNKNOWN);
                    assertThat(row.note())
                            .contains(
                                    "tolerance left out: “near”",
                                    "told left out: “nobody else”",
                                    "effect left out: “harmless”",
                                    "masks left out: “mute on”",
                                    "answer in left out: “first”",
                                    "proof left out: “gently”");
                });
    }

    @Test
    void marksAndWordsThatCannotBeReadAreLeftOutAndSaid() {
        assertThat(TableImport.read("address,types,low,high,words\n/main,f,0,1,second\n"))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.phrase().orElseThrow().answer().words()).isEmpty();
                    assertThat(row.note()).contains("words left out: “second”");
                });
        assertThat(TableImport.read("address,types,low,high,marks\n/main,f,0,1,loud 1\n"))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.phrase().orElseThrow().arguments().get(0).marks())
                            .isEmpty();
                    assertThat(row.note()).contains("marks left out: “loud 1”");
                });
    }

    @Test
    void aMissingSlashIsPutThereUnlessItIsMeantSo() {
        String table = "address,types\nset/<n:1..4>/level,f\n";
        assertThat(TableImport.read(table)).singleElement().satisfies(row -> {
            assertThat(row.phrase().orElseThrow().address()).isEqualTo("/set/<n:1..4>/level");
            assertThat(row.note()).contains("the slash at its start was missing");
        });
        assertThat(TableImport.read(table, true)).singleElement().satisfies(row -> {
            assertThat(row.phrase().orElseThrow().address()).isEqualTo("set/<n:1..4>/level");
            assertThat(row.verdict()).isEqualTo(Verdict.UNDERSTOOD);
        });
        assertThat(TableImport.read("address,types\nset//level,f\n", true))
                .singleElement()
                .satisfies(row -> assertThat(row.verdict()).isEqualTo(Verdict.REFUSED));
    }

    @Test
    void whatEachColumnWasTakenAsIsToldAndCanBeSaidOtherwise() {
        String list =
                """
                Path,Kind,Span,Remarks,Page
                /tide/gate,float,0..1,opens it,12
                """;
        ReadTable looked = TableImport.read(list, false, List.of());
        assertThat(looked.columns())
                .extracting(ReadTable.Column::title)
                .containsExactly("Path", "Kind", "Span", "Remarks", "Page");
        assertThat(looked.columns())
                .extracting(ReadTable.Column::example)
                .containsExactly("/tide/gate", "float", "0..1", "opens it", "12");
        assertThat(looked.columns())
                .extracting(ReadTable.Column::taken)
                .containsExactly(
                        TableColumn.ADDRESS,
                        TableColumn.IGNORED,
                        TableColumn.IGNORED,
                        TableColumn.MEANING,
                        TableColumn.IGNORED);
        ReadTable told = TableImport.read(
                list,
                false,
                List.of(
                        new ReadTable.Told(1, TableColumn.TYPES),
                        new ReadTable.Told(2, TableColumn.RANGE),
                        new ReadTable.Told(3, TableColumn.IGNORED)));
        assertThat(told.columns())
                .extracting(ReadTable.Column::taken)
                .containsExactly(
                        TableColumn.ADDRESS,
                        TableColumn.TYPES,
                        TableColumn.RANGE,
                        TableColumn.IGNORED,
                        TableColumn.IGNORED);
        assertThat(told.rows()).singleElement().satisfies(row -> {
            assertThat(row.verdict()).isEqualTo(ReadRow.Verdict.UNDERSTOOD);
            assertThat(row.phrase().orElseThrow().arguments().get(0).high()).hasValue(1.0);
            assertThat(row.phrase().orElseThrow().meaning()).isEmpty();
        });
    }

    @Test
    void aColourInOneArgumentIsATagAmongOthers() {
        assertThat(TableImport.read("address,types\n/a,fr\n/b,\",r\"\n/c,rgba\n"))
                .extracting(row -> TypeTags.of(row.phrase().orElseThrow().arguments().stream()
                        .map(Phrase.PhraseArgument::type)
                        .toList()))
                .containsExactly("fr", "r", "r");
    }

    @Test
    void aListWithoutTitlesHasColumnsTooAndADifferentAddressColumnCanBeChosen() {
        String list =
                """
                /out/level;/in/level;float
                /out/mute;/in/mute;int
                """;
        assertThat(TableImport.read(list, false, List.of()).columns())
                .extracting(ReadTable.Column::taken)
                .containsExactly(TableColumn.ADDRESS, TableColumn.ANSWER, TableColumn.TYPES);
        ReadTable told = TableImport.read(list, false, List.of(new ReadTable.Told(1, TableColumn.ADDRESS)));
        assertThat(told.rows())
                .extracting(row -> row.phrase().orElseThrow().address())
                .containsExactly("/in/level", "/in/mute");
        assertThat(TableImport.read(
                                list,
                                false,
                                List.of(
                                        new ReadTable.Told(-1, TableColumn.RANGE),
                                        new ReadTable.Told(Integer.MAX_VALUE, TableColumn.UNIT)))
                        .rows())
                .as("columns that are not there")
                .allSatisfy(row -> assertThat(row.phrase()).isPresent());
        assertThat(TableImport.read(
                                list,
                                false,
                                List.of(
                                        new ReadTable.Told(0, TableColumn.MEANING),
                                        new ReadTable.Told(1, TableColumn.UNIT),
                                        new ReadTable.Told(99, TableColumn.TYPES),
                                        new ReadTable.Told(-1, TableColumn.RANGE)))
                        .rows())
                .allSatisfy(row -> assertThat(row.note()).contains("no address"));
    }
}
