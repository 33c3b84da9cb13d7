package imperan.check;

import static imperan.check.FindingKind.ADDRESS_UNKNOWN;
import static imperan.check.FindingKind.FORWARD_RING;
import static imperan.check.FindingKind.NEVER_SAID_BY_TARGET;
import static imperan.check.FindingKind.NO_TARGET;
import static imperan.check.FindingKind.ONLY_SAID_BY_TARGET;
import static imperan.check.FindingKind.WRONG_TYPES;
import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Forward;
import imperan.show.Outcome;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.Direction;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ForwardChecksTest {

    private static final PartId BOOK = new PartId("book");
    private static final PartId WATER = new PartId("water");
    private static final PartId IT = new PartId("it");
    private static final PartId BACK = new PartId("back");
    private static final Forward GOOD = Forward.plain("It", Optional.of(DESK), "/level", Optional.of(WATER), "/tilt");

    private Show show;

    @BeforeEach
    void desk() {
        show = accepted(
                Shows.withPage(),
                ADA,
                put(BOOK, null, new Phrasebook("Desk", Phrasebook.LinkSheet.unknown())),
                put(WATER, null, Shows.target("Water").at("127.0.0.1", 7102).answeringTo(9202)),
                put(new PartId("a"), BOOK, phrase("/level", Direction.BOTH)),
                put(new PartId("b"), BOOK, phrase("/meter", Direction.IN)),
                put(new PartId("c"), BOOK, phrase("/go", Direction.OUT)),
                put(IT, null, GOOD));
        show = accepted(show, ADA, change(show, DESK, Shows.target("Desk").speaking(BOOK)));
    }

    private static Phrase phrase(String address, Direction direction) {
        return Phrase.plain(
                address,
                direction,
                List.of(PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(1.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
    }

    private List<Finding> of(Forward forward) {
        show = accepted(show, ADA, change(show, IT, forward));
        return new Checks(show).of(IT);
    }

    private static Forward to(String address) {
        return Forward.plain("It", Optional.of(WATER), "/tilt", Optional.of(DESK), address);
    }

    private static Forward from(String heard) {
        return Forward.plain("It", Optional.of(DESK), heard, Optional.of(WATER), "/tilt");
    }

    @Test
    void whatIsHeardIsSaidBySomebody() {
        assertThat(new Checks(show).of(IT)).isEmpty();
        assertThat(of(from("/meter"))).isEmpty();
        assertThat(of(from("/go"))).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(NEVER_SAID_BY_TARGET);
            assertThat(finding.text()).contains("Desk");
        });
        assertThat(of(Forward.plain("It", Optional.empty(), "/x", Optional.empty(), "/y")))
                .extracting(Finding::kind)
                .containsExactly(NO_TARGET, NO_TARGET);
        mended(of(from("/metr")), "/meter");
    }

    @Test
    void whatIsSaidIsTakenBySomebody() {
        assertThat(of(to("/go"))).isEmpty();
        assertThat(of(to("/meter"))).extracting(Finding::kind).containsExactly(ONLY_SAID_BY_TARGET);
        assertThat(of(to("/level").saying(List.of(new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)))))
                .extracting(Finding::kind)
                .containsExactly(WRONG_TYPES);
        mended(of(to("/leve")), "/level");
    }

    private void mended(List<Finding> found, String address) {
        assertThat(found).singleElement().extracting(Finding::kind).isEqualTo(ADDRESS_UNKNOWN);
        Mending.FindingKey key =
                new Mending.FindingKey(ADDRESS_UNKNOWN, IT, found.get(0).facts());
        show = ((Outcome.Accepted) Mending.mend(show, NetworkFacts.NONE, List.of(key), ADA)).show();
        Forward now = (Forward) show.part(IT).orElseThrow().body();
        assertThat(List.of(now.heard(), now.address())).contains(address);
        assertThat(new Checks(show).of(IT)).isEmpty();
    }

    @Test
    void aRingIsFoundAtEachOfItsForwards() {
        Checks checks = new Checks(show);
        Outcome.Accepted back = (Outcome.Accepted) Shows.apply(show, ADA, put(BACK, null, to("/level")));
        checks.follow(back.edit(), back.show());
        assertThat(checks.all()).extracting(Finding::kind).containsExactly(FORWARD_RING, FORWARD_RING);
        Outcome.Accepted off = (Outcome.Accepted) Shows.apply(
                back.show(), ADA, change(back.show(), BACK, to("/level").switched(false)));
        checks.follow(off.edit(), off.show());
        assertThat(checks.all()).isEmpty();
        Outcome.Accepted elsewhere =
                (Outcome.Accepted) Shows.apply(off.show(), ADA, change(off.show(), BACK, to("/go")));
        checks.follow(elsewhere.edit(), elsewhere.show());
        assertThat(checks.all())
                .as("a phrase of another address does not come back as what is heard")
                .isEmpty();
        assertThat(of(Forward.plain("Self", Optional.of(DESK), "/level", Optional.of(DESK), "/level")))
                .extracting(Finding::kind)
                .containsExactly(FORWARD_RING);
    }

    @Test
    void severalFindingsAreMendedAsOneEdit() {
        show = accepted(
                show,
                ADA,
                put(new PartId("f1"), Shows.PAGE, Shows.fader("One", 0, "/levl")),
                put(new PartId("f2"), Shows.PAGE, Shows.fader("Two", 1, "/levl")));
        List<Mending.FindingKey> keys = new Checks(show)
                .all().stream()
                        .filter(finding -> finding.kind() == ADDRESS_UNKNOWN)
                        .map(finding -> new Mending.FindingKey(finding.kind(), finding.about(), finding.facts()))
                        .toList();
        assertThat(keys).as("a send and a listen of each").hasSize(4);
        Outcome.Accepted mended = (Outcome.Accepted) Mending.mend(show, NetworkFacts.NONE, keys, ADA);
        assertThat(mended.edit().title()).isEqualTo("Mend 4 findings");
        assertThat(mended.edit().changes()).hasSize(2);
        assertThat(new Checks(mended.show()).all()).noneMatch(finding -> finding.kind() == ADDRESS_UNKNOWN);
        assertThat(((Outcome.Refused) Mending.mend(mended.show(), NetworkFacts.NONE, keys, ADA))
                        .problems()
                        .get(0)
                        .message())
                .contains("changed in the meantime");
    }
}
