package imperan.proof;

import static imperan.proof.Hall.ANSWER_PORT;
import static imperan.proof.Hall.ECHO;
import static imperan.proof.Hall.MUTE;
import static imperan.proof.Halls.DESK;
import static imperan.proof.Halls.LEVEL;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Actor;
import imperan.live.Command;
import imperan.live.Gate;
import imperan.live.SocketState;
import imperan.live.Touch;
import imperan.osc.OscArgument;
import imperan.osc.OscArgument.Float32;
import imperan.osc.OscBundle;
import imperan.osc.OscMessage;
import imperan.osc.TimeTag;
import imperan.rig.Adapter;
import imperan.rig.Prefix;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Host;
import imperan.show.Mask;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook.LinkSheet;
import imperan.show.Reach;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A scene for each suspect, in which it is the cause; what is named first is it, and where others cannot be told apart from it they stand beside it. */
class WhyNotTest {

    /** @param rank how sure it is, {@code also} which others cannot be told apart from it */
    private record Expected(Rank rank, Suspect... also) {}

    private record Scene(Diagnosis diagnosis, Expected expected) {}

    private static Scene scene(Diagnosis diagnosis, Rank rank, Suspect... also) {
        return new Scene(diagnosis, new Expected(rank, also));
    }

    private static Scene certain(Diagnosis diagnosis) {
        return scene(diagnosis, Rank.CERTAIN);
    }

    private static Scene likely(Diagnosis diagnosis) {
        return scene(diagnosis, Rank.LIKELY);
    }

    private static Phrase level(AnswerRule answer) {
        return Phrase.plain(LEVEL.address(), LEVEL.direction(), LEVEL.arguments(), answer, "", "");
    }

    private static LinkSheet sheet(
            Optional<Integer> perSecond, boolean bundles, Optional<Integer> partners, List<String> steps) {
        LinkSheet plain = LinkSheet.unknown();
        return new LinkSheet(
                plain.port(),
                plain.transport(),
                plain.answersTo(),
                plain.answering(),
                plain.keepAlive(),
                perSecond,
                bundles,
                plain.dialect(),
                partners,
                steps,
                List.of(),
                "");
    }

    /** Nothing that can be told apart: off, deaf, at another port of its own or of ours. */
    private static Scene silent(Hall hall) {
        return scene(
                hall.deskIsGone().move("1", 0.5).why("1"),
                Rank.POSSIBLE,
                Suspect.HOST_SILENT,
                Suspect.DEAF,
                Suspect.SWITCH_OFF,
                Suspect.TOO_MANY_PARTNERS,
                Suspect.OTHER_PORT);
    }

    /** The scene in which a suspect is the cause. */
    private static Scene scene(Suspect suspect) {
        return switch (suspect) {
            case GUARDED -> certain(Halls.with(Halls::guarded).move("1", 0.5).why("1"));
            case ANOTHER_HAND -> {
                Hall hall = Halls.unknown();
                hall.live.heartbeat("b1", hall.now);
                hall.order(new Touch(new PartId("1"), "1", Touch.Phase.PRESS, 0.5, 0.5, false, ""));
                yield certain(hall.touch(Actor.of(Shows.BEN), "1", 0.7).why("1"));
            }
            case DISABLED -> certain(Halls.with(Halls::enabledByDesk)
                    .desk("/ready", new OscArgument.Int32(0))
                    .move("1", 0.5)
                    .why("1"));
            case NO_MESSAGE -> certain(Halls.with(Halls::typed)
                    .order(new Touch(new PartId("1"), "1", Touch.Phase.TYPE, 0, 0, false, "fifty"))
                    .why("1"));
            case HELD -> certain(Halls.unknown()
                    .order(new Command.SetGate(Optional.empty(), Gate.HELD))
                    .move("1", 0.5)
                    .why("1"));
            case SILENCED -> certain(Halls.unknown()
                    .order(new Command.SetGate(Optional.empty(), Gate.SILENT))
                    .move("1", 0.5)
                    .why("1"));
            case REHEARSING -> certain(Halls.unknown()
                    .order(new Command.SetGate(Optional.empty(), Gate.REHEARSING))
                    .move("1", 0.5)
                    .why("1"));
            case SAME_VALUE -> certain(
                    Halls.with(Halls::whole).move("1", 0.6).move("1", 0.7).why("1"));
            case OVERTAKEN -> {
                Hall hall = Halls.unknown(DESK.paced(1)).move("2", 0.1);
                for (int i = 1; i <= 5; i++) {
                    hall.touch(Actor.of(Shows.ADA), "1", i / 10.0);
                }
                yield scene(hall.why("1"), Rank.POSSIBLE);
            }
            case QUEUE_FULL -> {
                Show show = Shows.withPage();
                show = Shows.accepted(
                        show,
                        Shows.ADA,
                        Shows.change(show, Shows.DESK, DESK.paced(1)),
                        Shows.put(new PartId("1"), Shows.PAGE, Shows.button("Go", 0, false, "/go")));
                Hall hall = new Hall(show).deskIsGone();
                for (int i = 0; i < 400; i++) {
                    hall.order(new Touch(new PartId("1"), "1", Touch.Phase.PRESS, 0.5, 0.5, false, ""));
                    hall.order(new Touch(new PartId("1"), "1", Touch.Phase.RELEASE, 0.5, 0.5, false, ""));
                }
                yield likely(hall.why("1"));
            }
            case OUR_PORT_TAKEN -> {
                Hall hall = Halls.unknown();
                hall.live.socket(Shows.DESK, SocketState.taken("Port 9201 is taken"), hall.now);
                yield certain(hall.move("1", 0.5).why("1"));
            }
            case NO_WAY_OUT -> {
                Hall hall = Halls.unknown();
                hall.live.socket(Shows.DESK, SocketState.noWay("There is no way to 192.0.2.20"), hall.now);
                yield certain(hall.move("1", 0.5).why("1"));
            }
            case NOT_TAKEN -> certain(
                    Halls.unknown().systemRefuses().move("1", 0.5).why("1"));
            case OUTSIDE_OUR_NETWORKS -> {
                Hall hall =
                        Halls.unknown(DESK.at("198.51.100.7", Hall.DESK_PORT)).deskIsGone();
                hall.adapters = List.of(new Adapter("wired", List.of(Prefix.of("192.0.2.10/24")), false));
                yield likely(hall.move("1", 0.5).why("1"));
            }
            case WRONG_ADAPTER -> {
                Target plain = DESK;
                Hall hall = Halls.unknown(new Target(
                                plain.name(),
                                plain.host(),
                                plain.port(),
                                plain.answerPort(),
                                plain.answering(),
                                plain.keepAlive(),
                                plain.messagesPerSecond(),
                                plain.bundles(),
                                plain.transport(),
                                Optional.of("203.0.113.5"),
                                plain.standIn(),
                                false,
                                List.of(),
                                Optional.empty(),
                                List.of()))
                        .deskIsGone();
                hall.adapters = List.of(new Adapter("wired", List.of(Prefix.of("192.0.2.10/24")), false));
                yield likely(hall.move("1", 0.5).why("1"));
            }
            case HOST_SILENT -> {
                Hall hall = Halls.unknown().deskIsGone();
                hall.live.silentHost(Shows.DESK, true);
                yield certain(hall.move("1", 0.5).why("1"));
            }
            case PORT_CLOSED -> {
                Hall hall = Halls.unknown().deskIsGone().move("1", 0.5);
                hall.live.portClosed(Shows.DESK, hall.now);
                yield certain(hall.why("1"));
            }
            case SAME_ADDRESS -> {
                Show show = Halls.knownShow(DESK.at("192.0.2.7", Hall.DESK_PORT), LinkSheet.unknown(), LEVEL);
                show = Shows.accepted(
                        show,
                        Shows.ADA,
                        Shows.put(new PartId("h1"), null, host("Desk")),
                        Shows.put(new PartId("h2"), null, host("Lamp")));
                yield likely(new Hall(show).deskIsGone().move("1", 0.5).why("1"));
            }
            case STAND_IN_INSTEAD -> scene(stoodIn(true), Rank.POSSIBLE);
            case VENUE_INSTEAD -> scene(stoodIn(false), Rank.POSSIBLE);
            case FRAMING -> scene(
                    Halls.unknown(DESK.over(Reach.TCP_LENGTH))
                            .deskIsGone()
                            .move("1", 0.5)
                            .why("1"),
                    Rank.POSSIBLE,
                    Suspect.HOST_SILENT,
                    Suspect.DEAF,
                    Suspect.SWITCH_OFF,
                    Suspect.TOO_MANY_PARTNERS);
            case DEAF -> silent(Halls.unknown());
            case SWITCH_OFF -> likely(Halls.known(
                            DESK, sheet(Optional.empty(), true, Optional.empty(), List.of("Switch on Receive")), LEVEL)
                    .does(MUTE)
                    .move("1", 0.5)
                    .desk("/clock", new Float32(1))
                    .why("1"));
            case TOO_MANY_PARTNERS -> {
                Show show = Halls.knownShow(DESK, sheet(Optional.empty(), true, Optional.of(1), List.of()), LEVEL);
                show = Shows.accepted(
                        show,
                        Shows.ADA,
                        Shows.put(
                                new PartId("a"),
                                null,
                                ((Target) show.part(Shows.DESK).orElseThrow().body()).answeringTo(9300)));
                yield likely(new Hall(show).deskIsGone().move("1", 0.5).why("1"));
            }
            case ADDRESS_UNKNOWN -> likely(Halls.known(Phrase.plain(
                            "/in/<ch:1..4>/levels", LEVEL.direction(), LEVEL.arguments(), LEVEL.answer(), "", ""))
                    .deskIsGone()
                    .move("1", 0.5)
                    .why("1"));
            case WRONG_ARGUMENTS -> likely(Halls.known(Phrase.plain(
                            LEVEL.address(),
                            LEVEL.direction(),
                            List.of(Phrase.PhraseArgument.plain(
                                    ArgumentType.INT32,
                                    Optional.empty(),
                                    Optional.empty(),
                                    "",
                                    List.of(),
                                    Optional.empty())),
                            LEVEL.answer(),
                            "",
                            ""))
                    .deskIsGone()
                    .move("1", 0.5)
                    .why("1"));
            case BUNDLES -> {
                Hall hall = Halls.unknown(DESK.bundling())
                        .does((message, bundled, says) -> {
                            if (!bundled) {
                                says.accept(message.address(), message.arguments());
                            }
                        })
                        .move("1", 0.3);
                for (int i = 0; i < 2; i++) {
                    hall.order(new Command.Rest(List.of(new PartId("1"), new PartId("2"), new PartId("3"))))
                            .pass(1_000);
                    hall.move("1", 0.5).move("2", 0.6).move("3", 0.7);
                }
                yield likely(hall.order(new Command.Rest(List.of(new PartId("1"), new PartId("2"))))
                        .pass(1_000)
                        .why("1"));
            }
            case OVER_PACE -> {
                AtomicInteger inSecond = new AtomicInteger();
                Hall hall = Halls.unknown();
                hall.does((message, bundled, says) -> {
                    if (inSecond.incrementAndGet() <= 30) {
                        says.accept(message.address(), message.arguments());
                    }
                });
                for (int round = 0; round < 4; round++) {
                    inSecond.set(0);
                    hall.pass(2_000).move("2", 0.2 + round / 10.0);
                    inSecond.set(0);
                    for (int i = 0; i < 60; i++) {
                        hall.touch(Actor.of(Shows.ADA), "1", (i + 1) / 60.0).pass(5);
                    }
                }
                yield likely(hall.pass(1_000).why("1"));
            }
            case MASKED -> likely(Halls.known(LEVEL.masked(List.of(Mask.own("/in/<ch:1..4>/mute", "1"))))
                    .desk("/in/1/mute", new OscArgument.Int32(1))
                    .deskIsGone()
                    .move("1", 0.5)
                    .why("1"));
            case ALREADY_THERE -> likely(Halls.known(LEVEL)
                    .desk("/in/1/level", new Float32(0.5f))
                    .deskIsGone()
                    .order(new Command.TestFire(new PartId("1"), 0))
                    .pass(1_000)
                    .why("1"));
            case ONE_WAY -> certain(Halls.known(level(AnswerRule.usual(AnswerRule.Kind.NONE)))
                    .move("1", 0.5)
                    .why("1"));
            case ALL_BUT_THE_MOVER -> certain(
                    Halls.known(level(AnswerRule.usual(AnswerRule.Kind.SAME).telling(AnswerRule.Told.OTHERS)))
                            .move("1", 0.5)
                            .why("1"));
            case NOT_LISTENED -> certain(
                    Halls.with(Halls::silent).deskIsGone().move("1", 0.5).why("1"));
            case OTHER_ADDRESS -> likely(Halls.known(LEVEL)
                    .does((message, bundled, says) ->
                            says.accept("/elsewhere" + message.address(), message.arguments()))
                    .move("1", 0.5)
                    .why("1"));
            case OTHER_TYPE -> certain(Halls.known(LEVEL)
                    .does((message, bundled, says) ->
                            says.accept(message.address(), List.of(new OscArgument.Text("0.5"))))
                    .move("1", 0.5)
                    .why("1"));
            case OTHER_VALUE -> certain(Halls.known(LEVEL)
                    .does((message, bundled, says) -> says.accept(message.address(), List.of(new Float32(0.2f))))
                    .move("1", 0.5)
                    .why("1"));
            case LATE -> certain(Halls.known(LEVEL)
                    .deskIsGone()
                    .move("1", 0.5)
                    .desk("/in/1/level", new Float32(0.5f))
                    .why("1"));
            case OTHER_PORT -> {
                Hall hall = Halls.known(LEVEL).deskIsGone().touch(Actor.of(Shows.ADA), "1", 0.5);
                hall.from(DESK.host(), DESK.port(), ANSWER_PORT + 1, OscMessage.of("/in/1/level", new Float32(0.5f)));
                yield certain(hall.pass(1_000).why("1"));
            }
            case OTHER_SOURCE -> {
                Hall hall = Halls.known(LEVEL).deskIsGone().touch(Actor.of(Shows.ADA), "1", 0.5);
                hall.from("192.0.2.99", DESK.port(), ANSWER_PORT, OscMessage.of("/in/1/level", new Float32(0.5f)));
                yield likely(hall.pass(1_000).why("1"));
            }
            case TAKEN_FOR_ANOTHER -> {
                Show show = Halls.knownShow(DESK, LinkSheet.unknown(), LEVEL);
                show = Shows.accepted(
                        show,
                        Shows.ADA,
                        Shows.put(
                                new PartId("lamp"),
                                null,
                                Target.plain("Lamp", "192.0.2.9", 7000, ANSWER_PORT, Target.Answering.REPORTS)));
                Hall hall = new Hall(show).deskIsGone().touch(Actor.of(Shows.ADA), "1", 0.5);
                hall.from("192.0.2.9", 7000, ANSWER_PORT, OscMessage.of("/in/1/level", new Float32(0.5f)));
                yield certain(hall.pass(1_000).why("1"));
            }
            case MALFORMED -> likely(Halls.known(LEVEL)
                    .deskIsGone()
                    .move("1", 0.5)
                    .from(DESK.host(), DESK.port(), ANSWER_PORT, new byte[] {'/', 'x', 1})
                    .why("1"));
            case FOR_LATER -> {
                Hall hall = Halls.known(LEVEL).deskIsGone().touch(Actor.of(Shows.ADA), "1", 0.5);
                Instant later = Instant.ofEpochSecond(0, hall.now).plusSeconds(3_600);
                hall.from(
                        DESK.host(),
                        DESK.port(),
                        ANSWER_PORT,
                        new OscBundle(TimeTag.at(later), List.of(OscMessage.of("/in/1/level", new Float32(0.5f)))));
                yield likely(hall.pass(1_000).why("1"));
            }
            case LAPSED -> {
                // it remembers us for a short time after each keep-alive, which leaves every four seconds
                Hall hall = Halls.unknown(Halls.kept(4));
                boolean[] remembers = {true};
                hall.does((message, bundled, says) -> {
                    remembers[0] |= message.address().equals("/alive");
                    if (remembers[0]) {
                        says.accept(message.address(), message.arguments());
                    }
                });
                for (int round = 0; round < 5; round++) {
                    hall.move("1", 0.1 + round / 10.0);
                    remembers[0] = false;
                    hall.move("1", 0.15 + round / 10.0).pass(2_000);
                }
                yield likely(hall.why("1"));
            }
            case OUR_DROPS -> {
                Hall hall = Halls.unknown().deskIsGone();
                hall.lostHere = 12;
                hall.desk("/clock", new Float32(1))
                        .move("2", 0.5)
                        .does(ECHO)
                        .move("3", 0.4)
                        .does(MUTE)
                        .move("1", 0.5);
                yield scene(hall.why("1"), Rank.POSSIBLE);
            }
            case LOSS -> {
                AtomicInteger count = new AtomicInteger();
                Hall hall = Halls.known(LEVEL).does((message, bundled, says) -> {
                    if (count.incrementAndGet() % 3 != 0) {
                        says.accept(message.address(), message.arguments());
                    }
                });
                for (int i = 0; i < 9; i++) {
                    hall.move("1", 0.1 + i / 12.0);
                }
                yield likely(hall.why("1"));
            }
            case PHRASE_WRONG -> {
                Hall hall = Halls.known(LEVEL).does((message, bundled, says) -> {
                    if (!message.address().startsWith("/in/1/")) {
                        says.accept(message.address(), message.arguments());
                    }
                });
                yield likely(hall.move("2", 0.5)
                        .move("3", 0.5)
                        .move("1", 0.4)
                        .move("1", 0.5)
                        .move("1", 0.6)
                        .why("1"));
            }
        };
    }

    private static Host host(String name) {
        return new Host(name, "192.0.2.7", 24, Host.Addressing.FIXED, Host.Role.DEVICE, Optional.empty(), "", "", "");
    }

    private static Diagnosis stoodIn(boolean inUse) {
        return Halls.unknown(DESK.simulatedAt(new StandInEnd("127.0.0.1", 7401, inUse)))
                .deskIsGone()
                .move("1", 0.5)
                .why("1");
    }

    @ParameterizedTest
    @EnumSource(Suspect.class)
    void isNamedWhereItIsTheCause(Suspect suspect) {
        Scene scene = scene(suspect);
        List<Diagnosis.Group> groups = scene.diagnosis().groups();
        assertThat(groups).as("%s", scene.diagnosis()).isNotEmpty();
        // what is only possible may stand beside what is as possible; all else comes first
        Diagnosis.Group named = scene.expected().rank() == Rank.POSSIBLE
                ? groups.stream()
                        .filter(group -> group.suspects().contains(suspect))
                        .findFirst()
                        .orElseThrow(() -> new AssertionError(scene.diagnosis()))
                : groups.get(0);
        assertThat(named.rank())
                .as("%s", scene.diagnosis())
                .isEqualTo(scene.expected().rank())
                .isEqualTo(groups.get(0).rank());
        assertThat(named.suspects()).as("%s", scene.diagnosis()).contains(suspect);
        if (scene.expected().also().length > 0) {
            assertThat(named.suspects()).contains(scene.expected().also());
        }
        assertThat(named.evidence()).isNotEmpty();
        assertThat(scene.diagnosis().failed())
                .contains(groups.get(0).suspects().get(0).stage());
    }

    @Test
    void everySuspectHasItsCaseOnceAndInItsOrder() {
        List<Case> cases = WhyNot.cases(Halls.unknown().move("1", 0.5).facts("1"));
        assertThat(cases.stream().map(Case::suspect)).containsExactlyElementsOf(Arrays.asList(Suspect.values()));
    }

    @Test
    void whatWasAnsweredIsNotSuspected() {
        Diagnosis fine = Halls.known(LEVEL).move("1", 0.5).why("1");
        assertThat(fine.missing()).isFalse();
        assertThat(fine.groups()).isEmpty();
        assertThat(fine.failed()).isEmpty();
    }

    /** Silence excludes nothing; an answer to anything excludes what would keep all answers away. */
    @Test
    void anAnswerToSomethingElseExcludesWhatWouldSilenceAll() {
        assertThat(Halls.unknown().deskIsGone().move("1", 0.5).why("1").excluded())
                .isEmpty();
        Diagnosis spoken =
                Halls.known(LEVEL).move("2", 0.5).does(MUTE).move("1", 0.5).why("1");
        assertThat(spoken.excluded().stream().map(Diagnosis.Exclusion::suspect))
                .contains(
                        Suspect.HOST_SILENT, Suspect.PORT_CLOSED, Suspect.DEAF, Suspect.SWITCH_OFF, Suspect.OTHER_PORT)
                .doesNotContain(Suspect.PHRASE_WRONG, Suspect.LOSS, Suspect.MASKED);
        assertThat(spoken.groups()).noneMatch(group -> group.suspects().contains(Suspect.DEAF));
    }

    /** What the system counts for ports without a program, while the target was asked three times, supports that answers go to another port of ours. */
    @Test
    void datagramsForPortsWithoutAProgramPointToAnotherPort() {
        Hall hall = Halls.known(LEVEL).deskIsGone().move("1", 0.5);
        Facts facts = hall.facts("1");
        Diagnosis counted = WhyNot.of(facts.with(Optional.of(new Facts.Undelivered(3, hall.now))));
        assertThat(counted.groups().get(0).suspects()).containsExactly(Suspect.OTHER_PORT);
        assertThat(counted.groups().get(0).rank()).isEqualTo(Rank.LIKELY);
        for (Facts.Undelivered tooLittle :
                List.of(new Facts.Undelivered(2, hall.now), new Facts.Undelivered(9, hall.now - 120_000_000_000L))) {
            assertThat(WhyNot.of(facts.with(Optional.of(tooLittle)))
                            .groups()
                            .get(0)
                            .suspects())
                    .hasSizeGreaterThan(1);
        }
    }

    /** What runs on this very machine is not switched off. */
    @Test
    void thisMachineIsOn() {
        Diagnosis here = Halls.unknown(DESK.at("127.0.0.1", Hall.DESK_PORT))
                .deskIsGone()
                .move("1", 0.5)
                .why("1");
        assertThat(here.groups().get(0).suspects()).contains(Suspect.DEAF).doesNotContain(Suspect.HOST_SILENT);
    }

    /** An answer of long ago says nothing of now. */
    @Test
    void evidenceGrowsOld() {
        Hall hall = Halls.known(LEVEL).move("2", 0.5).does(MUTE).pass(11_000).move("1", 0.5);
        assertThat(hall.why("1").excluded()).isEmpty();
        assertThat(hall.why("1").groups().get(0).suspects()).contains(Suspect.DEAF);
    }

    @Test
    void aMaskThatWasSaidLongAgoIsOnlyPossible() {
        Hall hall = Halls.known(
                LEVEL.masked(List.of(Mask.own("/in/<ch:1..4>/mute", "1"), Mask.other("/in/<ch:1..4>/solo", "1"))));
        hall.desk("/in/3/solo", new OscArgument.Int32(1)).move("1", 0.5);
        assertThat(hall.why("1").groups())
                .containsExactly(new Diagnosis.Group(
                        Rank.LIKELY,
                        List.of(Suspect.MASKED),
                        List.of(new Evidence.Stands("/in/3/solo", "1", 1_001 * Hall.MS))));
        assertThat(hall.move("3", 0.5).why("3").groups())
                .as("its own solo masks nothing")
                .isEmpty();
        assertThat(hall.pass(61_000).why("1").groups().get(0).rank()).isEqualTo(Rank.POSSIBLE);
        assertThat(hall.desk("/in/3/solo", new OscArgument.Int32(0)).why("1").groups())
                .isEmpty();
    }

    @Test
    void aTargetIsAskedAboutAsAWhole() {
        Hall hall = Halls.unknown(Halls.kept(1)).does(MUTE).pass(2_000);
        assertThat(hall.whyTarget().missing()).isTrue();
        assertThat(hall.whyTarget().groups().get(0).suspects()).contains(Suspect.DEAF, Suspect.HOST_SILENT);
        assertThat(hall.does(ECHO).pass(2_000).whyTarget().groups()).isEmpty();
        hall.live.portClosed(Shows.DESK, hall.now);
        assertThat(hall.whyTarget().groups().get(0).suspects()).containsExactly(Suspect.PORT_CLOSED);
    }

    /** Whatever comes late is told with its time, and no longer once an answer comes in time. */
    @Test
    void aLateAnswerIsForgottenWithTheNextOneInTime() {
        Hall hall = Halls.known(LEVEL).deskIsGone().move("1", 0.5).desk("/in/1/level", new Float32(0.5f));
        Evidence.CameLate late =
                (Evidence.CameLate) hall.why("1").groups().get(0).evidence().get(0);
        assertThat(late.limit()).isEqualTo(500 * Hall.MS);
        assertThat(late.after()).isEqualTo(1_001 * Hall.MS);
        assertThat(hall.does(ECHO).move("1", 0.6).why("1").missing()).isFalse();
    }
}
