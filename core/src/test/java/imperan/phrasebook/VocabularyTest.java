package imperan.phrasebook;

import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.dialect.Osc;
import imperan.show.AnswerRule;
import imperan.show.EditRequest;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.RandomEdits;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class VocabularyTest {

    private static final PartId BOOK = new PartId("book");

    private static Phrase phrase(String address, Phrase.Direction direction, AnswerRule rule) {
        return Phrase.plain(address, direction, List.of(), rule, "", "");
    }

    private static Vocabulary of(Phrase... phrases) {
        List<EditRequest.Step> steps = new ArrayList<>(List.of(
                put(Shows.DESK, null, Shows.target("Desk").speaking(BOOK)),
                put(
                        BOOK,
                        null,
                        new Phrasebook("Book", Phrasebook.LinkSheet.unknown().in(Osc.BARE)))));
        for (int i = 0; i < phrases.length; i++) {
            steps.add(new EditRequest.Put(new Part(new PartId("p" + i), Optional.of(BOOK), i, phrases[i]), 0));
        }
        return Vocabulary.of(
                ((Outcome.Accepted) Show.empty().apply(new EditRequest("Book", steps), Shows.ADA)).show(), Shows.DESK);
    }

    private static Phrase both(String address) {
        return phrase(address, Phrase.Direction.BOTH, AnswerRule.usual(AnswerRule.Kind.SAME));
    }

    @ParameterizedTest
    @CsvSource({
        "/in/<ch:1..12>/level, /in/7/level, 7",
        "/in/<ch:01..12>/level, /in/07/level, 7",
        "/in/ch<ch:1..12>x/level, /in/ch12x/level, 12",
        "/in/1<ch:0..9>, /in/15, 5",
        "fader<ch:1..8>, fader3, 3"
    })
    void anAddressLeadsToItsPhraseAndItsNumbers(String slots, String address, int number) {
        assertThat(of(both(slots)).said(address))
                .hasValueSatisfying(known -> assertThat(known.numbers()).isEqualTo(Map.of("ch", number)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/in/13/level",
                "/in/0/level",
                "/in/007/level",
                "/in/7",
                "/in/7/level/",
                "in/7/level",
                "/in//level",
                "/in/x/level",
                "",
                "/"
            })
    void anotherAddressLeadsNowhere(String address) {
        assertThat(of(both("/in/<ch:1..12>/level")).said(address)).isEmpty();
    }

    @Test
    void ofTwoPhrasesTheFirstOfThePhrasebookCounts() {
        Vocabulary known = of(both("/a/<n:1..9>"), both("/a/5"), both("/a/<m:5..7>"));
        assertThat(known.said("/a/5").orElseThrow().numbers()).containsOnlyKeys("n");
        assertThat(known.said("/a/5").orElseThrow().phrase().address()).isEqualTo("/a/<n:1..9>");
    }

    @Test
    void whatWeSayAndWhatItSaysAreApart() {
        Vocabulary known = of(
                phrase("/a", Phrase.Direction.IN, AnswerRule.usual(AnswerRule.Kind.NONE)),
                phrase(
                        "/b",
                        Phrase.Direction.OUT,
                        AnswerRule.elsewhere("/b/<n:1..3>/done").near(0).within(1)));
        assertThat(known.said("/a")).isEmpty();
        assertThat(known.heard("/a")).isPresent();
        assertThat(known.said("/b")).isPresent();
        assertThat(known.heard("/b")).isEmpty();
        assertThat(known.answers("/b/2/done")).isTrue();
        assertThat(known.answers("/b/4/done")).isFalse();
        assertThat(known.answers("/b")).isFalse();
    }

    /** Thousands of phrases that differ in digits only are not looked through one by one: each is found, and by its own numbers. */
    @Test
    void phrasesThatDifferInDigitsOnlyAreEachFound() {
        Phrase[] phrases = new Phrase[3_000];
        for (int i = 0; i < phrases.length; i++) {
            phrases[i] = both("/cue/" + i + "/part/<n:1..4>");
        }
        Vocabulary known = of(phrases);
        for (int i = 0; i < phrases.length; i += 7) {
            assertThat(known.said("/cue/" + i + "/part/3").orElseThrow().phrase())
                    .isSameAs(phrases[i]);
        }
        assertThat(known.said("/cue/3000/part/3")).isEmpty();
    }

    /** A vocabulary that follows edits knows what one knows that is made anew. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13})
    void itFollowsAnyEdits(long seed) {
        RandomEdits edits = new RandomEdits(seed);
        for (int i = 0; i < 300; i++) {
            edits.next();
            Show show = edits.show();
            Show anew = Show.of(show.version(), show.parts());
            show.all(Target.class).forEach(target -> {
                Vocabulary known = Vocabulary.of(show, target.id());
                Vocabulary fresh = Vocabulary.of(anew, target.id());
                for (int n = 0; n < 20; n++) {
                    assertThat(known.said("/f/" + n)).isEqualTo(fresh.said("/f/" + n));
                }
                assertThat(known.phrases())
                        .containsExactlyElementsOf(fresh.phrases().toList());
            });
        }
    }

    /** What we say is looked for among what we say, and what we listen to among what the target says; asked twice, it is the same. */
    @Test
    void anAddressWithASlipLeadsToWhatWasMeant() {
        Vocabulary known = of(
                phrase("/in/<ch:1..12>/level", Phrase.Direction.OUT, AnswerRule.usual(AnswerRule.Kind.NONE)),
                phrase("/meter/<ch:1..12>", Phrase.Direction.IN, AnswerRule.usual(AnswerRule.Kind.NONE)));
        for (int i = 0; i < 2; i++) {
            assertThat(known.saidInstead("/in/7/levle"))
                    .hasValueSatisfying(meant -> assertThat(meant.address()).isEqualTo("/in/7/level"));
            assertThat(known.heardInstead("/meter/7x"))
                    .hasValueSatisfying(meant -> assertThat(meant.address()).isEqualTo("/meter/7"));
        }
        assertThat(known.saidInstead("/metr/7")).as("it is not for us to say").isEmpty();
        assertThat(known.heardInstead("/in/7/levle")).isEmpty();
    }

    @Test
    void whatItHoldsIsToldInTheOrderOfThePhrasebook() {
        assertThat(Vocabulary.NONE.isEmpty()).isTrue();
        assertThat(Vocabulary.NONE.phrases()).isEmpty();
        Vocabulary known = of(both("/b"), both("/a"));
        assertThat(known.isEmpty()).isFalse();
        assertThat(known.phrases()).extracting(Phrase::address).containsExactly("/b", "/a");
    }

    @Test
    void aPhrasebookIsReadOutOfItsShow() {
        Show show = Shows.accepted(
                Show.empty(),
                Shows.ADA,
                put(BOOK, null, new Phrasebook("Book", Phrasebook.LinkSheet.unknown())),
                put(new PartId("p"), BOOK, both("/a")));
        assertThat(KnownBook.of(show, BOOK)).hasValueSatisfying(book -> {
            assertThat(book.book().name()).isEqualTo("Book");
            assertThat(book.phrases()).containsExactly(both("/a"));
        });
        assertThat(KnownBook.of(show, new PartId("p"))).isEmpty();
        assertThat(KnownBook.of(show, new PartId("gone"))).isEmpty();
    }
}
