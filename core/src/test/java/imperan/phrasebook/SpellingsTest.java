package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.phrasebook.ReadRow.Verdict;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.ScaleMark;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lists of messages in the habits of many hands, all invented; beside each what must be understood: type tag, ends, unit. */
class SpellingsTest {

    private static List<ReadRow> read(String titles, String cells) {
        return TableImport.read(titles + "\n" + cells + "\n");
    }

    private static Phrase phrase(String titles, String cells) {
        List<ReadRow> rows = read(titles, cells);
        assertThat(rows).hasSize(1);
        return rows.get(0)
                .phrase()
                .orElseThrow(() -> new AssertionError(rows.get(0).note()));
    }

    private static String said(Phrase phrase) {
        return phrase.arguments().stream()
                .map(a -> TypeTags.tag(a.type())
                        + a.low()
                                .map(low -> " " + number(low) + ".."
                                        + number(a.high().orElseThrow()))
                                .orElse("")
                        + (a.unit().isEmpty() ? "" : " " + a.unit())
                        + (a.choices().isEmpty() ? "" : " " + String.join("|", a.choices()))
                        + (a.marks().isEmpty() ? "" : " (" + ScaleMark.write(a.marks()) + ")"))
                .collect(Collectors.joining(", "));
    }

    private static String number(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            ignoreLeadingAndTrailingWhitespace = true,
            value = {
                "f # 0..1 # f 0..1",
                "f # 0 ... 1 # f 0..1",
                "f # 0 … 1 # f 0..1",
                "f # 0 to 1 # f 0..1",
                "f # from 0 to 1 # f 0..1",
                "f # between 0 and 1 # f 0..1",
                "f # [0, 1] # f 0..1",
                "f # [0;1] # f 0..1",
                "f # (0–1) # f 0..1",
                "f # .5 .. 1.5 # f 0.5..1.5",
                "f # 0 - 1 # f 0..1",
                "f # 0 ~ 1 # f 0..1",
                "f # min 0, max 1 # f 0..1",
                "f # Min: 0, Max: 1 # f 0..1",
                "f # range: 0 to 1 # f 0..1",
                "f # 0..1 (linear taper) # f 0..1",
                "f # 0..1 (linear) # f 0..1",
                "f # 0..1, default 0.5 # f 0..1",
                "f # -60 to +10 dB # f -60..10 dB",
                "f # -60 dB to +10 dB # f -60..10 dB",
                "f # −60dB..10dB # f -60..10 dB",
                "f # -60--10 dB # f -60..-10 dB",
                "f # -45° – 45° # f -45..45 °",
                "f # 20 Hz to 20 kHz # f 20..20000 Hz",
                "f # 0-100 % # f 0..100 %",
                "f # 0% to 100% # f 0..100 %",
                "f # 0..100 (%) # f 0..100 %",
                "i # 0 through 127 # i 0..127",
                "i # 0/1 # i 0..1",
                "i # 0 or 1 # i 0..1",
                "i # 0|1|2 # i 0|1|2",
                "i # 0 off, 1 short # i 0|1 (0 off; 1 short)",
                "i # 0=off; 1=short; 2=long # i 0|1|2 (0 off; 1 short; 2 long)",
                "i # 0: off / 1: on # i 0|1 (0 off; 1 on)",
                "i # 0 - off, 1 - on # i 0|1 (0 off; 1 on)",
                "i # off=0, on=1 # i 0|1 (0 off; 1 on)",
                "i # 0 (off), 1 (on) # i 0|1 (0 off; 1 on)",
                "s # red, green, blue # s red|green|blue",
                "ff # 0..1; -45..45 ° # f 0..1, f -45..45 °",
                "ff # 0..1, 0..2 # f 0..1, f 0..2",
                "if # 1..8 | 0..1 # i 1..8, f 0..1",
                "float 0..1 # '' # f 0..1",
                "int (0-127) # '' # i 0..127",
                "float32: 0 to 1 # '' # f 0..1",
                "2 floats # 0..1 # f 0..1, f 0..1",
                "float x 3 # 0..1 # f 0..1, f 0..1, f 0..1",
                "int[2] # '' # i, i",
                "(f) # 0..1 # f 0..1",
                "T/F # '' # T",
                "True or False # '' # T",
                "uint8_t # 0..255 # i 0..255",
                "i, f # '' # i, f",
                "bang # '' # ''",
                "void # — # ''",
                "'' # 0..1 # f 0..1",
                "'' # 0 off, 1 on # i 0|1 (0 off; 1 on)",
                "'' # low, high # s low|high",
                "f # any # f",
                "f # n/a # f",
            })
    void typesAndRanges(String types, String range, String expected) {
        assertThat(said(phrase("address\ttype\trange", "/a\t" + types + "\t" + range)))
                .isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {
                "Min # Max # -60 dB # 10 dB # f -60..10 dB",
                "Min (dB) # Max (dB) # -60 # +10 # f -60..10 dB",
                "minimum value # maximum value # 0 # 1 # f 0..1",
                "from # to # 0,5 # 1,5 # f 0.5..1.5",
                "Lower # Upper # 0 % # 100 % # f 0..100 %",
                "MIN: # MAX: # −45° # 45° # f -45..45 °",
            })
    void endsInColumnsOfTheirOwn(String low, String high, String from, String to, String expected) {
        assertThat(said(phrase("OSC Message\tData type\t" + low + "\t" + high, "/a\tfloat\t" + from + "\t" + to)))
                .isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {
                "→ # OUT",
                "-> # OUT",
                "=> # OUT",
                "write only # OUT",
                "write-only # OUT",
                "to target # OUT",
                "we send # OUT",
                "← # IN",
                "read only # IN",
                "Read-Only # IN",
                "target to us # IN",
                "<- # IN",
                "notification # IN",
                "↔ # BOTH",
                "<-> # BOTH",
                "read / write # BOTH",
                "two-way # BOTH",
                "In/Out # BOTH",
            })
    void directionsInWordsAndArrows(String written, Phrase.Direction expected) {
        List<ReadRow> rows = read("address\ttype\tdirection", "/a\tf\t" + written);
        assertThat(rows.get(0).verdict()).isEqualTo(Verdict.UNDERSTOOD);
        assertThat(rows.get(0).phrase().orElseThrow().direction()).isEqualTo(expected);
    }

    @Test
    void whatCannotBeMeantIsLeftOutAndSaid() {
        assertThat(read("address\ttype\trange", "/a\tf\t-inf to +10 dB").get(0)).satisfies(row -> {
            assertThat(row.note()).contains("“-inf to +10 dB” left out");
            assertThat(said(row.phrase().orElseThrow())).isEqualTo("f");
        });
        assertThat(read("address\ttype\tmin\tmax", "/a\tf\t-∞ dB\t10 dB").get(0).note())
                .contains("“-∞ dB” left out: the range needs a number there");
        assertThat(read("address\ttype\trange", "/a\tfff\t0..1; 0..2").get(0).note())
                .contains("2 ranges for 3 arguments: the first is taken");
        assertThat(read("address\ttype\trange", "/a\tf\t20 Hz to 20 s").get(0).note())
                .contains("left out");
        assertThat(read("address\ttype\trange", "/a\tf\t3 dB, 6 dB, 9 dB")
                        .get(0)
                        .phrase()
                        .orElseThrow()
                        .arguments()
                        .get(0)
                        .choices())
                .containsExactly("3 dB", "6 dB", "9 dB");
    }

    @Test
    void linesOfCommentAreNoRows() {
        List<ReadRow> rows = TableImport.read(
                "# levels; as of spring\naddress,type\n// the lamps\n/lamp,f\n-- the rest\n# /old,f\n/reset,none\n");
        assertThat(rows).extracting(ReadRow::place).containsExactly("line 4", "line 7");
        assertThat(rows).extracting(ReadRow::verdict).containsOnly(Verdict.UNDERSTOOD);
        assertThat(TableImport.read("# nothing\n# else\n")).singleElement().satisfies(row -> assertThat(row.note())
                .isEqualTo("There is nothing here but comments"));
    }

    @Test
    void anAddressThatNoPhraseMayHaveIsRefusedInThePreview() {
        assertThat(TableImport.read("address,type\n" + "/a".repeat(501) + ",f\n"))
                .singleElement()
                .satisfies(row -> assertThat(row.note()).isEqualTo("An address has at most 1000 characters"));
    }

    @Test
    void theUnitOfATitleIsForNumbers() {
        List<ReadRow> rows = TableImport.read("address\ttype\trange (dB)\n/a\tf\t-60 to 10\n/b\ti\t0 still, 1 storm\n");
        assertThat(rows)
                .extracting(row -> row.phrase().orElseThrow().arguments().get(0).unit())
                .containsExactly("dB", "");
    }

    @Test
    void aColumnOfNumbersIsNoComment() {
        List<ReadRow> rows = TableImport.read("#,Path,Type\n#1,/lamp,f\n#2,/gate,i\n#,,\n");
        assertThat(rows).extracting(row -> row.phrase().orElseThrow().address()).containsExactly("/lamp", "/gate");
        assertThat(rows).extracting(ReadRow::verdict).containsOnly(Verdict.UNDERSTOOD);
        assertThat(TableImport.read("| # | Path | Type |\n|---|---|---|\n| 1 | /lamp | f |\n"))
                .singleElement()
                .satisfies(row -> assertThat(row.verdict()).isEqualTo(Verdict.UNDERSTOOD));
    }

    @Test
    void rowsThatCountOnAreOneFamily() {
        String list = IntStream.rangeClosed(1, 8)
                .mapToObj(n -> "/lamp/" + n + "/level,f,Level of lamp " + n + "\n")
                .collect(Collectors.joining());
        List<ReadRow> rows = TableImport.read("address,type,meaning\n" + list + "/lamp/1/tint,f,\n/lamp/2/tint,f,\n");
        assertThat(rows).hasSize(3);
        assertThat(rows.get(0).place()).isEqualTo("line 2 to 9");
        assertThat(rows.get(0).verdict()).isEqualTo(Verdict.GUESSED);
        assertThat(rows.get(0).note()).contains("8 rows that count on from 1 to 8");
        assertThat(rows.get(0).phrase().orElseThrow()).satisfies(phrase -> {
            assertThat(phrase.address()).isEqualTo("/lamp/<n:1..8>/level");
            assertThat(phrase.meaning()).isEqualTo("Level of lamp n");
        });
        assertThat(rows.get(1).phrase().orElseThrow().address())
                .as("two are no family")
                .isEqualTo("/lamp/1/tint");
        assertThat(TableImport.read("address,type\n/in/1,f\n/in/2,i\n/in/3,f\n"))
                .as("with other types they are not one")
                .hasSize(3);
        assertThat(TableImport.read("address,type\n/a/3/1,f\n/a/3/2,f\n/a/3/3,f\n"))
                .singleElement()
                .satisfies(
                        row -> assertThat(row.phrase().orElseThrow().address()).isEqualTo("/a/3/<n:1..3>"));
        assertThat(TableImport.read("address,type\n/a/01,f\n/a/02,f\n/a/03,f\n"))
                .as("a zero before a number has to stay")
                .hasSize(3);
    }

    @Test
    void whatIsThereTwiceIsSaid() {
        List<ReadRow> rows = TableImport.read("address,type\n/a,f\n/b,f\n/a,f\n/b,i\n");
        assertThat(rows)
                .extracting(ReadRow::verdict)
                .containsExactly(Verdict.UNDERSTOOD, Verdict.UNDERSTOOD, Verdict.REFUSED, Verdict.GUESSED);
        assertThat(rows.get(2).note()).isEqualTo("This address is there already, in line 2: remove one of the two");
        assertThat(rows.get(3).note()).contains("the address is in line 3, too");
    }

    /** What Imperan wrote comes back phrase for phrase, also where it looks like a family. */
    @Test
    void ourOwnTablesAreReadAsTheyStand() {
        List<Phrase> phrases = TableImport.read("address,type\n/in/1,f\n/in/2,f\n").stream()
                .map(row -> row.phrase().orElseThrow())
                .toList();
        Phrase third = Phrase.plain(
                "/in/3",
                phrases.get(0).direction(),
                phrases.get(0).arguments(),
                phrases.get(0).answer(),
                "",
                "");
        List<Phrase> three = List.of(phrases.get(0), phrases.get(1), third);
        assertThat(TableImport.read(TableExport.write(three)).stream()
                        .map(row -> row.phrase().orElseThrow())
                        .toList())
                .isEqualTo(three);
    }

    /** A search that tries every way to split a run of signs would not end on these. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            ignoreLeadingAndTrailingWhitespace = false,
            value = {"0#' '#x", "0..1#' '#x", "f#' '#x", "#(#", "#1#x", "0 #-#", "a#,#x", "#[#]", "-#.#0"})
    void longRunsOfOneSignAreReadLikeShortOnes(String begin, String sign, String end) {
        String cell = (begin == null ? "" : begin) + sign.repeat(200_000) + (end == null ? "" : end);
        assertThat(TableImport.read("address\ttype\trange\tmin\tdirection\n/a\t" + "f\t" + cell + "\t" + cell + "\t"
                        + cell + "\n/b\t" + cell + "\t\t\t\n"))
                .hasSizeBetween(1, 2);
        assertThat(TableImport.read("address\t" + cell + "\n/a\t" + cell + "\n"))
                .hasSize(1);
    }

    @Test
    void onlyArgumentsThatVaryHaveARange() {
        Phrase phrase = phrase("address\ttypes\tfixed\trange", "/cross\tiff\t3\t0..1; -1..1");
        assertThat(phrase.arguments())
                .extracting(PhraseArgument::fixed)
                .extracting(fixed -> fixed.orElse(""))
                .containsExactly("3", "", "");
        assertThat(said(phrase)).isEqualTo("i, f 0..1, f -1..1");
    }
}
