package imperan.proof.run;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.Command;
import imperan.live.Gate;
import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.run.ProofRun.Old;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Shows;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What an earlier proof left goes back by the same door as everything else, and is asked for until it stands. */
class PutBackTest {

    private static final int MOST_TURNS = 100_000;
    private static final PartId BOOK = new PartId("book");

    private final Target desk =
            Target.plain("Desk", Hall.DESK_HOST, Hall.DESK_PORT, Hall.ANSWER_PORT, Target.Answering.QUERIES);

    private static Old old(int number) {
        return new Old(
                Shows.DESK,
                new Line(
                        Optional.empty(),
                        0,
                        Optional.of(Shows.DESK),
                        "Desk",
                        "/level/" + number,
                        List.of(new OscArgument.Float32(number / 10f))));
    }

    private static List<Old> left(int count) {
        return IntStream.rangeClosed(1, count).mapToObj(PutBackTest::old).toList();
    }

    private ProofHall hall(Target target) {
        Show show = Shows.withPage();
        Phrase level = Phrase.plain(
                "/level/<n:1..20>",
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentType.FLOAT32, Optional.of(0.0), Optional.of(2.0), "", List.of(), Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
        return new ProofHall(Shows.accepted(
                show,
                Shows.ADA,
                Shows.change(show, Shows.DESK, target.speaking(BOOK)),
                Shows.put(BOOK, null, new Phrasebook("Desks", Phrasebook.LinkSheet.unknown())),
                Shows.put(new PartId("level"), BOOK, level)));
    }

    private static PutBack run(ProofHall hall, List<Old> left) {
        PutBack back = new PutBack(hall.hall.show, left, "Ada");
        hall.hall.told = event -> back.happened(event, 0);
        for (int i = 0; i < MOST_TURNS && !back.isDone(); i++) {
            back.act(hall.hall.live, 0, hall.hall.now);
            if (!hall.hall.run() && !back.isDone()) {
                hall.hall.passTo(Math.min(back.nextDue(), hall.hall.live.nextDue()));
            }
        }
        assertThat(back.isDone()).isTrue();
        return back;
    }

    @Test
    void allOfItIsBackAndConfirmed() {
        ProofHall hall = hall(desk);
        PutBack back = run(hall, left(20));
        assertThat(back.open()).isEmpty();
        assertThat(back.of()).isEqualTo(20);
        assertThat(hall.stands).hasSize(20).containsEntry("/level/7", List.of(new OscArgument.Float32(0.7f)));
    }

    @Test
    void whatIsNotConfirmedIsSentThreeTimesAndStaysOffered() {
        ProofHall hall = hall(desk);
        hall.hall.does((message, bundled, says) -> {
            if (message.address().equals("/level/2")) {
                hall.note(message);
            } else {
                hall.takes(message, bundled, says);
            }
        });
        PutBack back = run(hall, left(3));
        assertThat(back.open()).containsExactly(old(2));
        assertThat(hall.moved())
                .extracting(OscMessage::address)
                .filteredOn("/level/2"::equals)
                .hasSize(3);
        assertThat(hall.stands).containsOnlyKeys("/level/1", "/level/3");
    }

    @Test
    void noFasterThanTheTargetTakes() {
        ProofHall hall = hall(desk.paced(20));
        run(hall, left(10));
        assertThat(hall.leastGap()).isGreaterThanOrEqualTo(48 * Hall.MS);
    }

    @Test
    void whatIsHeldMeanwhileStaysOffered() {
        ProofHall hall = hall(desk);
        hall.hall.order(new Command.SetGate(Optional.of(Shows.DESK), Gate.HELD));
        assertThat(run(hall, left(3)).open()).hasSize(3);
        assertThat(hall.moved()).isEmpty();
    }
}
