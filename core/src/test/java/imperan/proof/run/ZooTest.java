package imperan.proof.run;

import static imperan.proof.run.Lines.DESK;
import static imperan.proof.run.Lines.STAND_IN;
import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.mute;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.report.LineResult;
import imperan.proof.report.Verdict;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Phrase;
import imperan.show.Send;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import org.junit.jupiter.api.Test;

/**
 * Desks that deceive, each in one way, and what a proof says of them. A desk knows what it really took of each message;
 * a line that is confirmed though something was not taken is a lie that was believed.
 *
 * <p>The lies that are believed are listed in {@code lies.txt}: the list may only get shorter.
 */
class ZooTest {

    /** By how much what is taken may differ from what was said: what a phrase allows of numbers from 0 to 1 where it says nothing. */
    private static final double SAME = 1 / 127.0;

    /** What a desk takes of what it is told. */
    private enum Animal {
        HONEST,
        TAKES_NOTHING,
        TAKES_THE_FIRST_ONLY,
        TAKES_ONE_IN_THREE,
        TAKES_THE_ONE_BEFORE,
        TAKES_THREE_LEVELS,
        TAKES_EIGHTHS,
        TAKES_STEPS_OF_A_128TH,
        TAKES_TWENTIETHS,
        CUTS_TO_WHOLE_NUMBERS,
        INVERTS,
        BENDS,
        ENDS_AT_FOUR_FIFTHS,
        BEGINS_AT_A_FIFTH,
        DRIFTS_BACK;

        private double takes(double said, double stands, int number, double before) {
            return switch (this) {
                case HONEST, DRIFTS_BACK -> said;
                case TAKES_NOTHING -> stands;
                case TAKES_THE_FIRST_ONLY -> number == 0 ? said : stands;
                case TAKES_ONE_IN_THREE -> number % 3 == 0 ? said : stands;
                case TAKES_THE_ONE_BEFORE -> before;
                case TAKES_THREE_LEVELS -> Math.round(said * 2) / 2.0;
                case TAKES_EIGHTHS -> Math.round(said * 8) / 8.0;
                case TAKES_STEPS_OF_A_128TH -> Math.round(said * 128) / 128.0;
                case TAKES_TWENTIETHS -> Math.round(said * 20) / 20.0;
                case CUTS_TO_WHOLE_NUMBERS -> Math.floor(said);
                case INVERTS -> 1 - said;
                case BENDS -> said * said;
                case ENDS_AT_FOUR_FIFTHS -> Math.min(0.8, said);
                case BEGINS_AT_A_FIFTH -> Math.max(0.2, said);
            };
        }
    }

    /** What it says to a message; asked, it always says what stands. */
    private enum Way {
        /** What came, again. */
        RETURNS,
        /** What it took. */
        REPORTS,
        /** Nothing: it is asked. */
        IS_ASKED
    }

    private enum Kind {
        FADER,
        SWITCH
    }

    private enum Place {
        STAND_IN,
        VENUE
    }

    private enum Book {
        RIGHT,
        NONE
    }

    private record Cell(Animal animal, Kind kind, Way way, Place place, Book book) {
        @Override
        public String toString() {
            return String.join(" ", animal.name(), kind.name(), way.name(), place.name(), book.name());
        }
    }

    /** One desk with one thing to move. */
    private static final class Desk {
        private static final long REMEMBERS_NANOS = 400_000_000L;

        private final Cell cell;
        private final ProofHall hall;
        private double stands = 0.25;
        private double before = 0.25;
        private double rests = 0.25;
        private long movedAt = Long.MAX_VALUE;
        private int number;
        private boolean tookAll = true;

        private Desk(Cell cell) {
            this.cell = cell;
            if (cell.kind == Kind.SWITCH) {
                stands = 0;
                before = 0;
                rests = 0;
            }
            Phrase phrase = asAnswered(cell.kind == Kind.FADER ? level("/a") : mute("/a"), cell.way);
            Control control = cell.kind == Kind.FADER
                    ? fader("/a")
                    : sending("/a", Send.Phase.PRESS, new ArgumentSource.Fixed(ArgumentType.INT32, "1"));
            hall = hall(
                    cell.place == Place.STAND_IN ? STAND_IN : DESK,
                    cell.book == Book.RIGHT ? List.of(phrase) : List.of(),
                    control);
            hall.hall.does(this::takes);
        }

        private static Phrase asAnswered(Phrase phrase, Way way) {
            AnswerRule rule = AnswerRule.usual(way == Way.IS_ASKED ? AnswerRule.Kind.QUERY : AnswerRule.Kind.SAME);
            return Phrase.plain(phrase.address(), phrase.direction(), phrase.arguments(), rule, "", "")
                    .doing(phrase.effect());
        }

        private double now() {
            if (cell.animal == Animal.DRIFTS_BACK && hall.hall.now - movedAt > REMEMBERS_NANOS) {
                stands = rests;
            }
            return stands;
        }

        private void takes(OscMessage message, boolean bundled, BiConsumer<String, List<OscArgument>> says) {
            hall.note(message);
            if (!message.address().equals("/a")) {
                return;
            } else if (message.arguments().isEmpty()) {
                says.accept("/a", List.of(argument(now())));
                return;
            }
            double said = message.arguments().get(0) instanceof OscArgument.Float32 number
                    ? number.value()
                    : ((OscArgument.Int32) message.arguments().get(0)).value();
            double taken = cell.animal.takes(said, now(), number++, before);
            stands = cell.kind == Kind.SWITCH ? Math.round(taken) : taken;
            before = said;
            movedAt = hall.hall.now;
            tookAll &= Math.abs(stands - said) <= SAME && cell.animal != Animal.DRIFTS_BACK;
            switch (cell.way) {
                case RETURNS -> says.accept("/a", message.arguments());
                case REPORTS -> says.accept("/a", List.of(argument(stands)));
                case IS_ASKED -> {
                    // it waits for a question
                }
            }
        }

        private OscArgument argument(double value) {
            return cell.kind == Kind.FADER
                    ? new OscArgument.Float32((float) value)
                    : new OscArgument.Int32((int) Math.round(value));
        }

        private Verdict proved() {
            List<LineResult> lines = hall.prove(
                    cell.place == Place.STAND_IN ? new Conditions(12, false, Set.of()) : ProofHall.cleared(12));
            assertThat(lines).hasSize(1);
            return lines.get(0).verdict();
        }
    }

    private static List<Cell> cells() {
        List<Cell> cells = new ArrayList<>();
        for (Animal animal : Animal.values()) {
            for (Kind kind : Kind.values()) {
                for (Way way : Way.values()) {
                    for (Place place : Place.values()) {
                        for (Book book : Book.values()) {
                            cells.add(new Cell(animal, kind, way, place, book));
                        }
                    }
                }
            }
        }
        return cells;
    }

    @Test
    void noLieIsBelievedThatIsNotOnTheListAndNoneIsOnItThatIsNotBelieved() throws IOException {
        Set<String> believed = new TreeSet<>();
        Set<String> refused = new TreeSet<>();
        for (Cell cell : cells()) {
            Desk desk = new Desk(cell);
            Verdict verdict = desk.proved();
            if (verdict == Verdict.CONFIRMED && !desk.tookAll) {
                believed.add(cell.toString());
            } else if (cell.animal == Animal.HONEST && verdict.fallsShort()) {
                refused.add(cell + " " + verdict);
            }
        }
        assertThat(refused).as("honest desks that were failed").isEmpty();
        assertThat(believed).as("lies that were believed").isEqualTo(known());
    }

    private static Set<String> known() throws IOException {
        try (InputStream list = ZooTest.class.getResourceAsStream("lies.txt")) {
            return new TreeSet<>(new String(list.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList());
        }
    }
}
