package imperan.phrasebook;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.phrasebook.BookChange.OnSameName;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.ShowJson;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** OSCQuery, taking phrases in beside what is there, and collecting what was heard. */
class BookTest {

    private static final Person ADA = new Person("ada", "Ada");

    private static Phrase level(String address, double high) {
        return Phrase.plain(
                address,
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(high), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.QUERY),
                "",
                "");
    }

    private static Show taken(Show show, OnSameName onSameName, Phrase... phrases) {
        return ((Outcome.Accepted)
                        show.apply(new BookChange(show, "Desk", Arrays.asList(phrases)).edit(onSameName), ADA))
                .show();
    }

    private static List<String> addresses(Show show, String book) {
        Part part = show.all(Phrasebook.class).stream()
                .filter(p -> p.body().called().equals(book))
                .findFirst()
                .orElseThrow();
        return show.all(Phrase.class).stream()
                .filter(p -> p.parent().orElseThrow().equals(part.id()))
                .map(p -> p.body().called())
                .toList();
    }

    /** Source: the open OSCQuery proposal, from memory. */
    @Test
    void anAddressSpaceIsRead() {
        List<ReadRow> rows = OscQuery.read(
                """
                {"FULL_PATH":"/","CONTENTS":{"tilt":{"FULL_PATH":"/tilt","CONTENTS":{
                  "x":{"FULL_PATH":"/tilt/x","TYPE":"f","ACCESS":3,"RANGE":[{"MIN":-45,"MAX":45}],"UNIT":["°"],"DESCRIPTION":"tilts"},
                  "mode":{"FULL_PATH":"/tilt/mode","TYPE":"s","RANGE":[{"VALS":["still","wild"]}]},
                  "blob":{"FULL_PATH":"/tilt/blob","TYPE":"b","ACCESS":3}}},
                  "reset":{"FULL_PATH":"/reset","ACCESS":2}}}""");
        assertThat(rows)
                .extracting(ReadRow::verdict)
                .containsExactly(
                        ReadRow.Verdict.UNDERSTOOD,
                        ReadRow.Verdict.GUESSED,
                        ReadRow.Verdict.REFUSED,
                        ReadRow.Verdict.UNDERSTOOD);
        assertThat(rows.get(0).phrase().orElseThrow())
                .isEqualTo(Phrase.plain(
                        "/tilt/x",
                        Phrase.Direction.BOTH,
                        List.of(Phrase.PhraseArgument.plain(
                                ArgumentType.FLOAT32,
                                Optional.of(-45.0),
                                Optional.of(45.0),
                                "°",
                                List.of(),
                                Optional.empty())),
                        AnswerRule.usual(AnswerRule.Kind.QUERY),
                        "tilts",
                        ""));
        assertThat(rows.get(1).phrase().orElseThrow().arguments().get(0).choices())
                .containsExactly("still", "wild");
        assertThat(rows.get(2).note()).contains("“b”");
        assertThat(rows.get(3).phrase().orElseThrow().direction()).isEqualTo(Phrase.Direction.OUT);
    }

    @Test
    void whatIsNoAddressSpaceIsRefusedInWords() {
        assertThat(OscQuery.read("{\n\"a\":")).singleElement().satisfies(row -> assertThat(row.note())
                .contains("not JSON"));
        assertThat(OscQuery.read("[1,2]")).singleElement().satisfies(row -> assertThat(row.note())
                .contains("no node"));
        assertThat(OscQuery.read("{\"TYPE\":\"f\",\"FULL_PATH\":\"no slash\"}"))
                .singleElement()
                .satisfies(row -> assertThat(row.verdict()).isEqualTo(ReadRow.Verdict.REFUSED));
        String deep = "{\"CONTENTS\":{\"a\":".repeat(100) + "{}" + "}}".repeat(100);
        assertThat(OscQuery.read(deep)).singleElement().satisfies(row -> assertThat(row.note())
                .contains("deeper"));
    }

    @Test
    void slotsAreWrittenOutAndReadBackAsEachAddress() {
        String json = OscQuery.write("Desk", List.of(level("/in/<ch:1..3>/level", 1), level("/main", 2)))
                .orElseThrow();
        JsonNode root = ShowJson.mapper().readTree(json);
        assertThat(root.at("/CONTENTS/in/CONTENTS/2/CONTENTS/level/FULL_PATH").asString())
                .isEqualTo("/in/2/level");
        assertThat(OscQuery.read(json).stream()
                        .map(row -> row.phrase().orElseThrow())
                        .toList())
                .containsExactly(
                        level("/in/1/level", 1), level("/in/2/level", 1), level("/in/3/level", 1), level("/main", 2));
    }

    @Test
    void aNameThatIsThereKeepsBothReplacesOrMerges() {
        Show first = taken(Show.empty(), OnSameName.KEEP_BOTH, level("/a", 1), level("/b", 1), level("/c", 1));
        BookChange change = new BookChange(first, "Desk", List.of(level("/a", 1), level("/b", 2), level("/d", 1)));
        assertThat(change.difference().orElseThrow())
                .isEqualTo(new BookChange.Difference(List.of("/d"), List.of("/b"), List.of("/c"), 1));
        assertThat(new BookChange(first, "Other", List.of()).difference()).isEmpty();

        Show both = taken(first, OnSameName.KEEP_BOTH, level("/a", 1));
        assertThat(addresses(both, "Desk")).containsExactly("/a", "/b", "/c");
        assertThat(addresses(both, "Desk (2)")).containsExactly("/a");
        Show replaced = taken(first, OnSameName.REPLACE, level("/a", 1), level("/b", 2), level("/d", 1));
        assertThat(addresses(replaced, "Desk")).containsExactly("/a", "/b", "/d");
        Show merged = taken(first, OnSameName.MERGE, level("/a", 1), level("/b", 2), level("/d", 1));
        assertThat(addresses(merged, "Desk")).containsExactly("/a", "/b", "/c", "/d");
        assertThat(merged.all(Phrase.class))
                .filteredOn(part -> part.body().equals(level("/b", 2)))
                .hasSize(1);
    }

    @Test
    void addressesWithoutASlashBringTheirLinkSheetAlong() {
        Show fresh = taken(Show.empty(), OnSameName.MERGE, level("set/a", 1));
        assertThat(((Phrasebook) fresh.all(Phrasebook.class).get(0).body())
                        .sheet()
                        .dialect())
                .isEqualTo("osc-bare");
        Show plain = taken(Show.empty(), OnSameName.MERGE, level("/a", 1));
        assertThat(((Phrasebook) plain.all(Phrasebook.class).get(0).body())
                        .sheet()
                        .dialect())
                .isEqualTo("osc");
        Show merged = taken(plain, OnSameName.MERGE, level("set/a", 1));
        assertThat(((Phrasebook) merged.all(Phrasebook.class).get(0).body())
                        .sheet()
                        .dialect())
                .isEqualTo("osc-bare");
        assertThat(merged.all(Phrase.class)).hasSize(2);
    }

    @Test
    void whatWasHeardBecomesPhrasesWithTheRangeThatWasSeen() {
        Collector collector = new Collector();
        for (float value : new float[] {0.5f, -1, 0.25f}) {
            collector.heard(OscMessage.of("/tide", new OscArgument.Float32(value), new OscArgument.Text("m")));
        }
        collector.heard(OscMessage.of("/lamp", new OscArgument.Int32(1)));
        collector.heard(OscMessage.of("/odd", OscArgument.Bare.NIL));
        List<Phrase> phrases = collector.phrases();
        assertThat(phrases).extracting(Phrase::address).containsExactly("/tide", "/lamp");
        assertThat(phrases.get(0).arguments().get(0).low()).contains(-1.0);
        assertThat(phrases.get(0).arguments().get(0).high()).contains(0.5);
        assertThat(phrases.get(1).arguments().get(0).low())
                .as("one value is no range")
                .isEmpty();
        assertThat(phrases).extracting(Phrase::direction).containsOnly(Phrase.Direction.IN);
    }

    @Test
    void anAddressThatChangesItsTypesIsTakenAsItIsNow() {
        Collector collector = new Collector();
        collector.heard(OscMessage.of("/a", new OscArgument.Int32(1)));
        collector.heard(OscMessage.of("/a", new OscArgument.Float32(1)));
        assertThat(collector.phrases()).singleElement().satisfies(phrase -> assertThat(
                        phrase.arguments().get(0).type())
                .isEqualTo(ArgumentType.FLOAT32));
    }

    /** A range as wide as the type: nothing that a control could show. */
    @Test
    void aRangeAsWideAsADoubleIsLeftOut() {
        String tree =
                "{\"CONTENTS\":{\"gain\":{\"FULL_PATH\":\"/gain\",\"ACCESS\":3,\"TYPE\":\"d\",\"RANGE\":[{\"MIN\":-1.7976931348623157e308,\"MAX\":1.7976931348623157e308}]}}}";
        assertThat(OscQuery.read(tree)).singleElement().satisfies(row -> assertThat(
                        row.phrase().orElseThrow().arguments().get(0).low())
                .isEmpty());
        assertThat(TableImport.read("address,types,low,high\n/gain,i,0,99999999999\n", false))
                .singleElement()
                .satisfies(row -> {
                    assertThat(row.phrase().orElseThrow().arguments().get(0).high())
                            .isEmpty();
                    assertThat(row.note()).contains("range left out");
                });
    }

    @Test
    void aTreeThatWouldListMoreAddressesThanAnybodyReadsIsNotWritten() {
        assertThat(OscQuery.write("Desk", List.of(level("/a/<x:1..60000>", 1)))).isPresent();
        assertThat(OscQuery.write("Desk", List.of(level("/a/<x:1..60000>", 1), level("/b/<x:1..60000>", 1))))
                .isEmpty();
    }

    @Test
    void aPhrasebookOfAnotherShowBringsItsLinkSheet() {
        Phrasebook.LinkSheet sheet = new Phrasebook.LinkSheet(
                Optional.of(7105),
                Reach.TCP_SLIP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.QUERIES,
                Optional.empty(),
                Optional.of(50),
                false,
                "osc",
                Optional.empty(),
                List.of("Switch it on"),
                List.of("/wake"),
                "2.1");
        Show taken = ((Outcome.Accepted) Show.empty()
                        .apply(
                                new BookChange(Show.empty(), "Desk", List.of(level("/main", 2)), Optional.of(sheet))
                                        .edit(BookChange.OnSameName.KEEP_BOTH),
                                Shows.ADA))
                .show();
        assertThat(((Phrasebook) taken.all(Phrasebook.class).get(0).body()).sheet())
                .isEqualTo(sheet);
        Show merged = ((Outcome.Accepted) taken.apply(
                        new BookChange(
                                        taken,
                                        "Desk",
                                        List.of(level("/side", 2)),
                                        Optional.of(Phrasebook.LinkSheet.unknown()))
                                .edit(BookChange.OnSameName.MERGE),
                        Shows.ADA))
                .show();
        assertThat(((Phrasebook) merged.all(Phrasebook.class).get(0).body()).sheet())
                .as("what is added to stays as it is reached")
                .isEqualTo(sheet);
    }
}
