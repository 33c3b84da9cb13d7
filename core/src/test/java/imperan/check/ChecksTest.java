package imperan.check;

import static imperan.check.FindingKind.ADDRESS_UNKNOWN;
import static imperan.check.FindingKind.INCOMPLETE;
import static imperan.check.FindingKind.KEY_TWICE;
import static imperan.check.FindingKind.LABEL_TWICE;
import static imperan.check.FindingKind.MASKED;
import static imperan.check.FindingKind.NO_LABEL;
import static imperan.check.FindingKind.PHRASE_TWICE;
import static imperan.check.FindingKind.SAME_ACTION_TWICE;
import static imperan.check.FindingKind.SAME_LINE_TWICE;
import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.accepted;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static imperan.show.Shows.remove;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import imperan.live.MaskedControl;
import imperan.live.Observed.StandingMask;
import imperan.show.Acceptance;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.CueList;
import imperan.show.Edit;
import imperan.show.EditRequest;
import imperan.show.Face;
import imperan.show.Host;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Mask;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrasebook;
import imperan.show.RandomEdits;
import imperan.show.Reach;
import imperan.show.SetList;
import imperan.show.Shows;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Meter;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What several parts have in common, what is accepted, and that the checks follow every edit. */
class ChecksTest extends CheckedShow {

    /** As when another show goes live, or several edits came at once: what was found before is gone with what it was about. */
    @Test
    void whatWasFoundIsGoneWithWhatItWasAboutThoughEditsWereLeftOut() {
        ArgumentSource one = new ArgumentSource.Fixed(ArgumentType.FLOAT32, "1");
        PartId twice = new PartId("twice");
        edit(
                put(twice, BOOK, level("/in/<ch:1..12>/level")),
                put(A, PAGE, knob("Up", 0, "/in/3/level", one)),
                put(B, PAGE, knob("Up", 1, "/in/3/lvel", one)),
                put(LIST, null, CueList.plain("Walk")),
                put(CUE, LIST, cue(say("/in/3/level", one))),
                put(SET, null, SetList.plain("Evening")),
                put(SONG, SET, song(List.of(say("/in/3/level", one)), List.of())));
        assertThat(checks.found()).contains(twice, B, CUE, SONG);
        assertThat(checks.show()).isSameAs(show);
        Outcome.Accepted first = (Outcome.Accepted) show.apply(
                new EditRequest(
                        "One", List.of(remove(show, B), remove(show, CUE), remove(show, SONG), remove(show, twice))),
                ADA);
        Outcome.Accepted second = (Outcome.Accepted) first.show()
                .apply(
                        new EditRequest("Two", List.of(change(first.show(), A, knob("Down", 0, "/in/4/level", one)))),
                        ADA);
        Set<PartId> changed = checks.follow(second.edit(), second.show());
        assertThat(changed).contains(twice, B, CUE, SONG);
        assertThat(checks.all()).isEqualTo(new Checks(second.show()).all());
        show = second.show();
        edit(put(CUE, LIST, cue(say("/in/3/level", one))));
        assertThat(kinds(CUE)).as("no key says that any more").isEmpty();
        edit(put(B, PAGE, knob("Down", 1, "/in/5/level", one)));
        assertThat(kinds(B)).containsExactly(LABEL_TWICE);
    }

    @Test
    void whatIsFoundOfTheRigFollowsHostsPhrasebooksAndWhatIsAccepted() {
        PartId host = new PartId("host");
        edit(put(host, null, host("10.0.0.255")));
        assertThat(checks.of(host)).isNotEmpty();
        edit(change(show, host, host("10.0.0.7")));
        edit(change(show, DESK, Shows.target("Desk").speaking(BOOK).bundling()));
        edit(remove(show, host));
    }

    private static Host host(String address) {
        return new Host("Desk", address, 24, Host.Addressing.FIXED, Host.Role.DEVICE, Optional.empty(), "", "", "");
    }

    @Test
    void whatIsFoundOfATargetFollowsTheLinkSheetOfItsPhrasebook() {
        edit(change(show, DESK, Shows.target("Desk").speaking(BOOK).bundling()));
        assertThat(kinds(DESK)).isEmpty();
        Phrasebook.LinkSheet strict = new Phrasebook.LinkSheet(
                Optional.empty(),
                Reach.UDP,
                Phrasebook.AnswersTo.SENDER,
                Target.Answering.REPORTS,
                Optional.empty(),
                Optional.empty(),
                false,
                "osc",
                Optional.empty(),
                List.of(),
                List.of(),
                "");
        assertThat(edit(change(show, BOOK, new Phrasebook("Desk", strict)))).contains(DESK);
        assertThat(kinds(DESK)).containsExactly(FindingKind.BUNDLES_NOT_TAKEN);
        Finding finding = checks.of(DESK).get(0);
        edit(put(
                B,
                null,
                new Acceptance(finding.kind().name(), DESK, finding.facts(), "It takes them since its last version")));
        assertThat(checks.of(DESK).get(0).isOpen()).isFalse();
        edit(remove(show, B));
        assertThat(checks.of(DESK).get(0).isOpen()).isTrue();
    }

    /** No adapter of ours is in that network: what is known of it is known from the hosts of the rig. */
    @Test
    void theNetworkOfATargetIsKnownFromItsHosts() {
        edit(
                put(new PartId("host"), null, host("10.0.0.7")),
                change(show, DESK, Shows.target("Desk").at("10.0.0.255", 7101)));
        assertThat(checks.of(DESK))
                .extracting(Finding::kind, Finding::text)
                .contains(tuple(
                        FindingKind.TO_EVERYBODY,
                        "Desk has 10.0.0.255: everybody in 10.0.0.0/24 hears what is sent to it, on port 7101"));
        edit(change(show, DESK, Shows.target("Desk").at("10.0.1.255", 7101)));
        assertThat(kinds(DESK)).doesNotContain(FindingKind.TO_EVERYBODY);
        edit(change(show, DESK, Shows.target("Desk").at("255.255.255.255", 7101)));
        assertThat(checks.of(DESK))
                .extracting(Finding::text)
                .anyMatch(text -> text.contains("everybody in our network hears"));
    }

    @Test
    void whatLooksUpAControlIsLookedAtAgainWhenThatOneGoes() {
        edit(
                put(A, PAGE, level("One", 0, 1)),
                put(
                        B,
                        PAGE,
                        knob(
                                "Two",
                                1,
                                "/in/2/level",
                                new ArgumentSource.OfControl(ArgumentType.FLOAT32, Optional.of(A), List.of(), 0))));
        assertThat(kinds(B)).isEmpty();
        assertThat(edit(remove(show, A))).contains(B);
        assertThat(kinds(B)).containsExactly(INCOMPLETE);
    }

    // ---- what is there twice

    @Test
    void theSameLineIsSaidOfAllButTheFirst() {
        assertThat(edit(put(A, PAGE, level("One", 0, 1)), put(B, OTHER_PAGE, level("Two", 1, 2))))
                .isEmpty();
        assertThat(edit(change(show, B, level("Two", 1, 1)))).contains(B);
        assertThat(kinds(A)).isEmpty();
        assertThat(checks.of(B)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(SAME_LINE_TWICE);
            assertThat(finding.text()).isEqualTo("“Two” moves /in/1/level, and so does “One” on Page");
            assertThat(finding.isOfSend(0)).isTrue();
        });
        edit(change(
                show,
                OTHER_PAGE,
                new Page("Phone", 8, 8, Page.Screen.of(Page.Screen.Kind.PHONE), false, Optional.empty())));
        assertThat(kinds(B))
                .as("a page on a phone is to do the same as one on a desk")
                .doesNotContain(SAME_LINE_TWICE);
        edit(change(show, OTHER_PAGE, Page.plain("Other", 8, 8)));
        assertThat(edit(remove(show, A))).contains(B);
        assertThat(kinds(B)).isEmpty();
    }

    @Test
    void whatStandsFixedBesideTheValueMakesItAnotherLine() {
        ArgumentSource value = new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1);
        ArgumentSource one = new ArgumentSource.Fixed(ArgumentType.INT32, "1");
        ArgumentSource two = new ArgumentSource.Fixed(ArgumentType.INT32, "2");
        edit(put(A, PAGE, knob("One", 0, "/level", one, value)), put(B, PAGE, knob("Two", 1, "/level", two, value)));
        assertThat(kinds(B)).doesNotContain(SAME_LINE_TWICE);
        edit(change(show, B, knob("Two", 1, "/level", one, value)));
        assertThat(kinds(B)).contains(SAME_LINE_TWICE);
        edit(change(show, A, knob("One", 0, "/go", two)), change(show, B, knob("Two", 1, "/go", two)));
        assertThat(kinds(B)).contains(SAME_ACTION_TWICE).doesNotContain(SAME_LINE_TWICE);
        edit(change(show, A, knob("One", 0, "/go", one)));
        assertThat(kinds(B)).doesNotContain(SAME_ACTION_TWICE);
    }

    /** Keys press a control whichever page is shown. */
    @Test
    void aKeyIsUsedOnce() {
        edit(
                put(A, PAGE, level("One", 0, 1).behaving(Behaviour.PLAIN.pressedBy("Ctrl+g"))),
                put(B, OTHER_PAGE, level("Two", 0, 2).behaving(Behaviour.PLAIN.pressedBy("g"))));
        assertThat(kinds(B)).isEmpty();
        edit(change(show, B, level("Two", 0, 2).behaving(Behaviour.PLAIN.pressedBy("ctrl+G"))));
        assertThat(checks.of(B))
                .singleElement()
                .extracting(Finding::kind, Finding::text)
                .containsExactly(KEY_TWICE, "The key Ctrl+g presses “Two”, and also “One” on Page");
        edit(change(show, B, level("Two", 0, 2).behaving(Behaviour.PLAIN.pressedBy("Ctrl+[KeyG]"))));
        assertThat(kinds(B)).as("by its place it may be another one").isEmpty();
    }

    @Test
    void labelsArePlainAndThereOnce() {
        edit(put(A, PAGE, level("One", 0, 1)), put(B, PAGE, level("One", 1, 2)));
        assertThat(kinds(B)).containsExactly(LABEL_TWICE);
        edit(change(show, B, level("", 1, 2)));
        assertThat(kinds(B)).containsExactly(NO_LABEL);
        edit(change(
                show,
                B,
                level("", 1, 2)
                        .faced(new Face(
                                "flame",
                                Optional.empty(),
                                Face.TextSize.NORMAL,
                                Face.TextPlace.BELOW,
                                Face.Meaning.NONE))));
        assertThat(kinds(B)).isEmpty();
        edit(change(
                show,
                B,
                level("", 1, 2).withLines(List.of(), List.of(Listen.label(Optional.of(DESK), "/in/2/level", 0)))));
        assertThat(kinds(B)).as("its target tells the label").isEmpty();
        edit(change(show, B, level("", 1, 2).formed(new Meter())));
        assertThat(kinds(B)).as("nobody touches it").isEmpty();
        edit(change(show, B, level("One", 1, 2)), remove(show, A));
        assertThat(kinds(B)).isEmpty();
    }

    @Test
    void aPhraseIsWrittenOnce() {
        edit(put(B, BOOK, level("/in/<ch:1..12>/level")));
        assertThat(checks.all())
                .singleElement()
                .extracting(Finding::kind, Finding::cause)
                .containsExactly(PHRASE_TWICE, BOOK);
        edit(change(show, B, level("/in/<ch:1..12>/gain")));
        assertThat(checks.all()).isEmpty();
    }

    @Test
    void aCopyInWorkIsNoSecondOne() {
        edit(put(A, PAGE, level("One", 0, 1)));
        PartId copy = new PartId("copy");
        edit(
                put(copy, null, new Layout("Copy", Optional.of(new Layout.Draft(LAYOUT, List.of())))),
                put(new PartId("copied"), copy, Page.plain("Page", 8, 8)),
                put(B, new PartId("copied"), level("One", 0, 1)));
        assertThat(kinds(A)).isEmpty();
        assertThat(kinds(B)).isEmpty();
    }

    // ---- following

    @Test
    void whatAnEditTouchesElsewhereIsLookedAtAgain() {
        edit(put(A, PAGE, level("One", 0, 1)));
        assertThat(edit(change(show, LEVEL, level("/in/<ch:2..12>/level"))))
                .as("its phrase")
                .contains(A);
        assertThat(kinds(A)).containsExactly(FindingKind.NUMBER_OUT_OF_RANGE);
        assertThat(edit(change(show, DESK, Shows.target("Desk"))))
                .as("the phrasebook of its target")
                .contains(A);
        assertThat(kinds(A)).isEmpty();
        assertThat(edit(change(show, PAGE, Page.plain("Page", 64, 64))))
                .as("the cells of its page")
                .contains(A);
        assertThat(kinds(A)).containsExactly(FindingKind.TOO_SMALL);
        assertThat(edit(put(B, OTHER_PAGE, level("Two", 0, 2)))).doesNotContain(A);
    }

    @Test
    void anEditThatIsNotTheNextOneIsFollowedByLookingAtAll() {
        Outcome.Accepted first =
                (Outcome.Accepted) show.apply(new EditRequest("Edit", List.of(put(A, PAGE, level("One", 0, 14)))), ADA);
        Outcome.Accepted second = (Outcome.Accepted)
                first.show().apply(new EditRequest("Edit", List.of(put(B, PAGE, level("Two", 1, 15)))), ADA);
        assertThat(checks.follow(second.edit(), second.show())).contains(A, B);
        assertThat(checks.all()).isEqualTo(new Checks(second.show()).all()).hasSize(2);
    }

    /** Property, seeded: after any edits the findings are those of a check of the whole show. */
    @Test
    void anyEditsAreFollowed() {
        for (long seed = 1; seed <= 20; seed++) {
            RandomEdits edits = new RandomEdits(seed);
            Checks following = new Checks(edits.show());
            for (int i = 0; i < 60; i++) {
                List<Finding> before = following.all();
                Edit edit = edits.next();
                Set<PartId> changed = following.follow(edit, edits.show());
                assertThat(following.all()).as("seed %d", seed).isEqualTo(new Checks(edits.show()).all());
                assertThat(before.stream().filter(finding -> !changed.contains(finding.about())))
                        .as("what is not said to be changed is as it was")
                        .allMatch(following.all()::contains);
            }
        }
    }

    // ---- accepting

    @Test
    void anAcceptedFindingIsQuietUntilItsFactsChange() {
        edit(put(A, PAGE, level("One", 0, 14)));
        Finding finding = checks.of(A).get(0);
        assertThat(finding.stopsShow()).isTrue();
        assertThat(edit(put(
                        B,
                        null,
                        new Acceptance(finding.kind().name(), A, finding.facts(), "The desk gets two more tomorrow"))))
                .contains(A);
        assertThat(checks.of(A)).singleElement().satisfies(accepted -> {
            assertThat(accepted.isOpen()).isFalse();
            assertThat(accepted.stopsShow()).isFalse();
            assertThat(accepted.accepted().orElseThrow().by()).isEqualTo("Ada");
            assertThat(accepted.accepted().orElseThrow().note()).isEqualTo("The desk gets two more tomorrow");
        });
        edit(change(show, A, level("Another label", 0, 14)));
        assertThat(checks.of(A).get(0).isOpen())
                .as("what it rests on is the same")
                .isFalse();
        edit(change(show, A, level("One", 0, 15)));
        assertThat(checks.of(A).get(0).isOpen()).isTrue();
    }

    // ---- now

    @Test
    void whatHasNoEffectNowIsSaidAsLongAsItIsSo() {
        edit(
                put(A, PAGE, level("One", 0, 1)),
                change(
                        show,
                        LEVEL,
                        level("/in/<ch:1..12>/level").masked(List.of(Mask.own("/in/<ch:1..12>/mute", "1")))));
        assertThat(checks.maskable()).containsExactly(A);
        MaskedControl masked = new MaskedControl(A, DESK, new StandingMask("/in/1/mute", "1", 0));
        assertThat(checks.now(NetworkFacts.NONE, List.of(masked))).containsExactly(A);
        assertThat(checks.of(A))
                .singleElement()
                .extracting(Finding::kind, Finding::text)
                .containsExactly(MASKED, "“One” has no effect now: Desk says /in/1/mute 1");
        assertThat(checks.now(NetworkFacts.NONE, List.of(masked)))
                .as("nothing new")
                .isEmpty();
        assertThat(checks.now(NetworkFacts.NONE, List.of())).containsExactly(A);
        assertThat(checks.of(A)).isEmpty();
        edit(change(show, LEVEL, level("/in/<ch:1..12>/level")));
        assertThat(checks.maskable()).isEmpty();
    }

    // ---- before it is done

    @Test
    void whatAnEditWouldBreakIsListedBeforeItIsDone() {
        edit(
                put(A, PAGE, level("One", 0, 1)),
                put(B, PAGE, level("Eleven", 1, 11)),
                put(new PartId("c"), PAGE, knob("Astray", 2, "/nowhere")));
        Outcome.Accepted fewer = (Outcome.Accepted)
                show.apply(new EditRequest("Edit", List.of(change(show, LEVEL, level("/in/<ch:1..8>/level")))), ADA);
        assertThat(Checks.arising(show, fewer.edit(), fewer.show()))
                .singleElement()
                .satisfies(finding -> {
                    assertThat(finding.about()).isEqualTo(B);
                    assertThat(finding.kind()).isEqualTo(FindingKind.NUMBER_OUT_OF_RANGE);
                });
        Outcome.Accepted renamed = (Outcome.Accepted)
                show.apply(new EditRequest("Edit", List.of(change(show, LEVEL, level("/input/<ch:1..12>/gain")))), ADA);
        assertThat(Checks.arising(show, renamed.edit(), renamed.show()))
                .extracting(Finding::about, Finding::kind)
                .containsExactly(tuple(A, ADDRESS_UNKNOWN), tuple(B, ADDRESS_UNKNOWN));
        Edit back = ((Outcome.Accepted) renamed.show()
                        .revert(
                                renamed.edit(),
                                ADA,
                                new Edit.Role(
                                        Edit.Role.Kind.UNDO, renamed.edit().number())))
                .edit();
        assertThat(Checks.arising(renamed.show(), back, show)).isEmpty();
    }

    @Test
    void onlyANumberThatIsNotThereIsMendedOneByOne() {
        assertThat(Arrays.stream(FindingKind.values()).filter(FindingKind::isMendedAlone))
                .containsExactlyInAnyOrder(FindingKind.NUMBER_OUT_OF_RANGE, FindingKind.COUNTING_BASE);
    }

    @Test
    void everyKindHasATitleOfItsOwn() {
        assertThat(Arrays.stream(FindingKind.values()).map(FindingKind::title))
                .doesNotHaveDuplicates()
                .allMatch(title -> !title.isBlank() && !title.endsWith("."));
        assertThat(Button.plain(Button.Action.MOMENTARY).wantsLines()).isTrue();
    }
}
