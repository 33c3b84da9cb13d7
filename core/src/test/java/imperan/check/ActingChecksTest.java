package imperan.check;

import static imperan.check.FindingKind.ADDRESS_UNKNOWN;
import static imperan.check.FindingKind.CUE_AND_KEY;
import static imperan.check.FindingKind.CUE_CHAIN;
import static imperan.check.FindingKind.INCOMPLETE;
import static imperan.check.FindingKind.STEPS_ITSELF;
import static imperan.check.FindingKind.WRONG_TYPES;
import static imperan.show.Shows.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.LAYOUT;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.change;
import static imperan.show.Shows.put;
import static imperan.show.Shows.remove;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Behaviour;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Look;
import imperan.show.Page;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.SetList;
import imperan.show.Song;
import imperan.show.Track;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.FadeCurve;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is found of cues, of songs and of chains of cues. */
class ActingChecksTest extends CheckedShow {

    // ---- cues

    @Test
    void theLinesOfACueAreCheckedAndMendedLikeOthers() {
        ArgumentSource half = new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5");
        edit(put(LIST, null, CueList.plain("Walk")), put(CUE, LIST, cue(say("/in/1/level", half))));
        assertThat(kinds(CUE)).isEmpty();
        edit(change(show, CUE, cue(new CueAction.ShowPage(0, Optional.of(PAGE), List.of()), say("/in/1/lvel", half))));
        assertThat(checks.of(CUE)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(ADDRESS_UNKNOWN);
            assertThat(finding.field()).isEqualTo("actions/1/address");
            follow(show.apply(finding.remedy().orElseThrow().edit(), ADA));
        });
        assertThat(((CueAction.SayLine) ((Cue) show.part(CUE).orElseThrow().body())
                                .actions()
                                .get(1))
                        .address())
                .isEqualTo("/in/1/level");
        assertThat(kinds(CUE)).isEmpty();
        edit(change(show, CUE, cue(say("/in/1/level", new ArgumentSource.Fixed(ArgumentType.INT32, "1")))));
        assertThat(kinds(CUE)).containsExactly(WRONG_TYPES);
    }

    @Test
    void severalOfOneCueAreMendedTogether() {
        ArgumentSource half = new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5");
        edit(
                put(LIST, null, CueList.plain("Walk")),
                put(CUE, LIST, cue(say("/in/1/lvel", half), say("/in/2/lvel", half))));
        follow(Mending.mend(
                show,
                NetworkFacts.NONE,
                checks.of(CUE).stream()
                        .map(finding -> new Mending.FindingKey(finding.kind(), CUE, finding.facts()))
                        .toList(),
                ADA));
        assertThat(kinds(CUE)).isEmpty();
        assertThat(((Cue) show.part(CUE).orElseThrow().body()).actions())
                .extracting(action -> ((CueAction.SayLine) action).address())
                .containsExactly("/in/1/level", "/in/2/level");
    }

    @Test
    void theTypeOfWhatFadesIsMendedAndItGoesOnFading() {
        CueAction fade = new CueAction.FadeLine(
                0,
                Optional.of(DESK),
                "/in/2/level",
                List.of(new ArgumentSource.Value(ArgumentType.INT32, List.of(), 0)),
                Optional.empty(),
                1,
                2,
                FadeCurve.EVEN,
                CueAction.FadeLine.Unknown.SKIP);
        edit(put(LIST, null, CueList.plain("Walk")), put(CUE, LIST, cue(fade)));
        assertThat(kinds(CUE)).containsExactly(WRONG_TYPES);
        follow(show.apply(checks.of(CUE).get(0).remedy().orElseThrow().edit(), ADA));
        assertThat(kinds(CUE)).isEmpty();
        assertThat(((Cue) show.part(CUE).orElseThrow().body()).sources())
                .containsExactly(new ArgumentSource.Value(ArgumentType.FLOAT32, List.of(), 0));
    }

    @Test
    void whatAnActionStillNeedsIsSaid() {
        PartId look = new PartId("look");
        edit(
                put(LIST, null, CueList.plain("Walk")),
                put(look, null, new Look("Dusk", List.of(), "")),
                put(
                        CUE,
                        LIST,
                        cue(
                                new CueAction.RecallLook(0, Optional.of(look), 0, FadeCurve.EVEN),
                                new CueAction.BringControl(0, Optional.empty(), List.of(1.0), 0, FadeCurve.EVEN),
                                new CueAction.SteerList(0, Optional.of(LIST), CueAction.SteerList.Deed.STOP))));
        assertThat(checks.of(CUE))
                .extracting(Finding::text)
                .containsExactly("Action 2 of cue 1 does nothing yet. It still needs: which control");
        edit(remove(show, look));
        assertThat(kinds(CUE)).containsExactly(INCOMPLETE, INCOMPLETE);
    }

    @Test
    void theSameActionByACueAndByAKeyIsToldOfTheCueButNotOfTwoCues() {
        ArgumentSource one = new ArgumentSource.Fixed(ArgumentType.FLOAT32, "1");
        PartId other = new PartId("other-cue");
        edit(
                put(LIST, null, CueList.plain("Walk")),
                put(CUE, LIST, cue(say("/in/3/level", one))),
                put(other, LIST, Cue.plain("2", "", say("/in/3/level", one))));
        assertThat(kinds(CUE)).isEmpty();
        assertThat(kinds(other)).isEmpty();
        assertThat(edit(put(A, PAGE, knob("Up", 0, "/in/3/level", one)))).contains(CUE, other);
        assertThat(checks.of(CUE)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(CUE_AND_KEY);
            assertThat(finding.text())
                    .isEqualTo(
                            "Cue “1 Go” says /in/3/level 1, and so does the key “Up” on Page: pressed together it is said twice");
        });
        assertThat(kinds(A)).isEmpty();
        edit(remove(show, A));
        assertThat(kinds(CUE)).isEmpty();
    }

    // ---- songs

    @Test
    void theLinesOfASongAreCheckedAndMendedLikeOthers() {
        ArgumentSource half = new ArgumentSource.Fixed(ArgumentType.FLOAT32, "0.5");
        edit(
                put(SET, null, SetList.plain("Evening")),
                put(SONG, SET, song(List.of(say("/in/1/level", half)), List.of(say("/in/2/lvel", half)))));
        assertThat(checks.of(SONG)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(ADDRESS_UNKNOWN);
            assertThat(finding.field()).isEqualTo("onAir/0/address");
            follow(show.apply(finding.remedy().orElseThrow().edit(), ADA));
        });
        assertThat(((Song) show.part(SONG).orElseThrow().body()).onAir()).containsExactly(say("/in/2/level", half));
        assertThat(kinds(SONG)).isEmpty();
        edit(put(A, PAGE, knob("Up", 0, "/in/1/level", half)));
        assertThat(checks.of(SONG))
                .extracting(Finding::text)
                .containsExactly(
                        "Song “Tide song” says /in/1/level 0.5, and so does the key “Up” on Page: pressed together it is said twice");
    }

    @Test
    void whatAnActionOfASongStillNeedsIsSaidWithWhenItIsDone() {
        PartId page = new PartId("songs-page");
        edit(
                put(SET, null, SetList.plain("Evening")),
                put(page, LAYOUT, Page.plain("Songs", 4, 4)),
                put(
                        SONG,
                        SET,
                        song(
                                List.of(new CueAction.SayStartList(0, Optional.empty())),
                                List.of(new CueAction.ShowPage(0, Optional.of(page), List.of())))));
        assertThat(checks.of(SONG))
                .extracting(Finding::text)
                .containsExactly("Action 1 of “Tide song”, ready, does nothing yet. It still needs: which target");
        edit(remove(show, page));
        assertThat(checks.of(SONG))
                .extracting(Finding::text)
                .containsExactlyInAnyOrder(
                        "Action 1 of “Tide song”, ready, does nothing yet. It still needs: which target",
                        "Action 1 of “Tide song”, on air, does nothing yet. It still needs: which page");
    }

    /** All that an action can lead to, and that somebody has to choose. */
    @Test
    void whatAnActionLeadsToIsThereAndOfItsKind() {
        PartId track = new PartId("track");
        edit(
                put(LIST, null, CueList.plain("Walk")),
                put(SET, null, SetList.plain("Evening")),
                put(track, null, Track.silent("Tide", 60)),
                put(CUE, LIST, steering(DESK, track, SET, LIST)));
        assertThat(kinds(CUE)).isEmpty();
        edit(change(show, CUE, steering(PAGE, PAGE, PAGE, PAGE)));
        assertThat(checks.of(CUE))
                .extracting(Finding::text)
                .map(text -> text.substring(text.indexOf("which")))
                .containsExactlyInAnyOrder(
                        "which target", "which target", "which track", "which set list", "which list");
        assertThat(checks.of(CUE))
                .extracting(Finding::facts)
                .as("by its number alone, so that what was accepted long ago stays so")
                .containsExactlyInAnyOrder("0 target", "1 target", "2 track", "3 set list", "4 list");
        edit(change(show, CUE, steering(DESK, track, SET, LIST)));
        edit(remove(show, track));
        assertThat(checks.of(CUE)).extracting(Finding::field).containsExactly("actions/2");
    }

    private static Cue steering(PartId target, PartId track, PartId set, PartId list) {
        return cue(
                new CueAction.SayStartList(0, Optional.of(target)),
                new CueAction.HoldTarget(0, Optional.of(target), true),
                new CueAction.SteerTrack(0, Optional.of(track), CueAction.SteerTrack.Deed.PLAY, Optional.empty()),
                new CueAction.SteerSongs(0, Optional.of(set), CueAction.SteerSongs.Deed.NEXT, Optional.empty()),
                new CueAction.SteerList(0, Optional.of(list), CueAction.SteerList.Deed.GO));
    }

    @Test
    void anActionOfASongIsNamedByItsField() {
        edit(
                put(SET, null, SetList.plain("Evening")),
                put(SONG, SET, song(List.of(new CueAction.SayStartList(0, Optional.empty())), List.of())));
        assertThat(checks.of(SONG)).extracting(Finding::facts).containsExactly("ready/0 target");
    }

    // ---- chains of cues

    private void chain(int count, CueFollow follow) {
        List<EditRequest.Step> steps = new ArrayList<>(List.of(put(LIST, null, CueList.plain("Walk"))));
        for (int i = 0; i < count; i++) {
            steps.add(put(
                    new PartId("c" + i), LIST, Cue.plain(String.valueOf(i), "").followed(follow)));
        }
        edit(steps.toArray(EditRequest.Step[]::new));
    }

    @Test
    void moreCuesThanAListFiresAtOnceAreFoundBefore() {
        chain(101, CueFollow.together());
        assertThat(checks.of(LIST)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(CUE_CHAIN);
            assertThat(finding.text()).contains("more than 100 cues begin at once, up to cue 100:");
        });
        assertThat(edit(change(show, new PartId("c50"), Cue.plain("50", "").followed(CueFollow.after(0.1)))))
                .contains(LIST);
        assertThat(kinds(LIST)).isEmpty();
        edit(change(show, new PartId("c50"), Cue.plain("50", "").followed(CueFollow.after(0))));
        assertThat(kinds(LIST)).containsExactly(CUE_CHAIN);
        edit(remove(show, new PartId("c7")));
        assertThat(kinds(LIST)).as("a hundred are no more than a hundred").isEmpty();
    }

    @Test
    void aListThatResetsItselfAtOnceGoesRoundInARing() {
        chain(3, CueFollow.together());
        CueAction reset = new CueAction.SteerList(0, Optional.of(LIST), CueAction.SteerList.Deed.RESET);
        edit(change(show, new PartId("c2"), Cue.plain("2", "", reset)));
        assertThat(checks.of(LIST))
                .singleElement()
                .extracting(Finding::kind, Finding::text)
                .satisfies(found -> assertThat(found.toString())
                        .contains("CUE_CHAIN")
                        .contains("round in a ring")
                        .contains("by cue 2"));
        edit(change(show, new PartId("c1"), Cue.plain("1", "")));
        assertThat(kinds(LIST)).as("somebody has to say go on the way").isEmpty();
        edit(
                change(show, new PartId("c1"), Cue.plain("1", "").followed(CueFollow.together())),
                change(
                        show,
                        new PartId("c2"),
                        Cue.plain(
                                "2",
                                "",
                                new CueAction.SteerList(1, Optional.of(LIST), CueAction.SteerList.Deed.RESET))));
        assertThat(kinds(LIST)).as("a second passes").isEmpty();
    }

    // ---- lists that step themselves

    private static CueList steppedBy(String address, String text) {
        return new CueList(
                "Walk",
                0,
                Optional.of(new Behaviour.Condition(Optional.of(DESK), address, 0, text)),
                Optional.empty(),
                Optional.empty(),
                "");
    }

    private static ArgumentSource fixed(String text) {
        return new ArgumentSource.Fixed(ArgumentType.FLOAT32, text);
    }

    @Test
    void aListWhoseCueSaysWhatStepsItIsFoundBefore() {
        edit(put(LIST, null, steppedBy("/in/1/level", "1")), put(CUE, LIST, cue(say("/in/1/level", fixed("1.0")))));
        assertThat(checks.of(LIST)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(STEPS_ITSELF);
            assertThat(finding.text())
                    .startsWith("Cue 1 of “Walk” sends something to which Desk may say /in/1/level 1");
        });
        edit(change(show, CUE, cue(say("/in/1/level", fixed("0.5")))));
        assertThat(kinds(LIST)).as("another value steps nothing").isEmpty();
        edit(change(show, CUE, cue(say("/in/2/level", fixed("1")))));
        assertThat(kinds(LIST)).as("nor does another address").isEmpty();
        edit(change(show, LIST, steppedBy("/in/2/level", "1")));
        assertThat(kinds(LIST)).containsExactly(STEPS_ITSELF);
    }

    @Test
    void aListThatIsSteppedByTheAnswerToItsCueIsFoundBefore() {
        edit(put(LIST, null, steppedBy("/said/1", "1")), put(CUE, LIST, cue(say("/in/1/level", fixed("0.5")))));
        assertThat(kinds(LIST)).isEmpty();
        AnswerRule elsewhere = new AnswerRule(
                AnswerRule.Kind.OTHER,
                "/said/<ch:1..12>",
                AnswerRule.Says.SAME,
                "",
                List.of(),
                Optional.empty(),
                AnswerRule.USUAL_SECONDS,
                Optional.empty(),
                AnswerRule.Told.UNKNOWN,
                Optional.empty(),
                Optional.empty());
        Phrase before = level("/in/<ch:1..12>/level");
        Phrase answered = Phrase.plain(before.address(), before.direction(), before.arguments(), elsewhere, "", "");
        assertThat(edit(change(show, LEVEL, answered)))
                .as("the phrase of the cue’s message is another one now")
                .contains(LIST);
        assertThat(kinds(LIST)).containsExactly(STEPS_ITSELF);
    }
}
