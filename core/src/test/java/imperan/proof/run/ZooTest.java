package imperan.proof.run;

import static imperan.proof.run.Lines.fader;
import static imperan.proof.run.Lines.hall;
import static imperan.proof.run.Lines.level;
import static imperan.proof.run.Lines.mute;
import static imperan.proof.run.Lines.sending;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import imperan.osc.OscArgument;
import imperan.osc.OscMessage;
import imperan.proof.Hall;
import imperan.proof.report.LineResult;
import imperan.proof.report.Verdict;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import org.junit.jupiter.api.Test;

/**
 * Desks that deceive, each in one way, and what a proof says of them. A desk knows what it really took of each message; a line that is
 * confirmed though something was not taken is a lie that was believed. Each confirmation is reckoned anew from the packets by a judge of
 * its own ({@link PacketJudge}).
 */
class ZooTest {

    /** By how much what is taken may differ from what was said: what a phrase allows of numbers from 0 to 1 where it says nothing. */
    private static final double SAME = 1 / 127.0;

    /** What a desk takes of what it is told. */
    private enum Animal {
        HONEST,
        /** Takes it, and forgets it a little later: a proof does not look so long. */
        DRIFTS_BACK,
        TAKES_NOTHING,
        TAKES_THE_FIRST_ONLY,
        TAKES_ONE_IN_THREE,
        MISSES_ONE_IN_FOUR,
        STOPS_AFTER_FIVE,
        BEGINS_AFTER_FIVE,
        TAKES_THE_ONE_BEFORE,
        TAKES_THREE_LEVELS,
        TAKES_EIGHTHS,
        TAKES_TWENTIETHS,
        TAKES_STEPS_OF_A_32ND,
        TAKES_STEPS_OF_A_128TH,
        CUTS_TO_WHOLE_NUMBERS,
        INVERTS,
        BENDS,
        HALVES,
        MOVES_HALFWAY,
        NEVER_FALLS,
        NEVER_RISES,
        STAYS_FULL,
        TOGGLES,
        ENDS_AT_FOUR_FIFTHS,
        ENDS_NEAR_THE_END,
        BEGINS_AT_A_FIFTH,
        BEGINS_NEAR_THE_END;

        private double takes(double said, double stands, int number, double before) {
            return switch (this) {
                case HONEST, DRIFTS_BACK -> said;
                case TAKES_NOTHING -> stands;
                case TAKES_THE_FIRST_ONLY -> number == 0 ? said : stands;
                case TAKES_ONE_IN_THREE -> number % 3 == 0 ? said : stands;
                case MISSES_ONE_IN_FOUR -> number % 4 == 3 ? stands : said;
                case STOPS_AFTER_FIVE -> number < 5 ? said : stands;
                case BEGINS_AFTER_FIVE -> number < 5 ? stands : said;
                case TAKES_THE_ONE_BEFORE -> before;
                case TAKES_THREE_LEVELS -> steps(said, 2);
                case TAKES_EIGHTHS -> steps(said, 8);
                case TAKES_TWENTIETHS -> steps(said, 20);
                case TAKES_STEPS_OF_A_32ND -> steps(said, 32);
                case TAKES_STEPS_OF_A_128TH -> steps(said, 128);
                case CUTS_TO_WHOLE_NUMBERS -> Math.floor(said);
                case INVERTS -> 1 - said;
                case BENDS -> said * said;
                case HALVES -> said / 2;
                case MOVES_HALFWAY -> (said + stands) / 2;
                case NEVER_FALLS -> Math.max(stands, said);
                case NEVER_RISES -> Math.min(stands, said);
                case STAYS_FULL -> 1;
                case TOGGLES -> 1 - stands;
                case ENDS_AT_FOUR_FIFTHS -> Math.min(0.8, said);
                case ENDS_NEAR_THE_END -> Math.min(0.97, said);
                case BEGINS_AT_A_FIFTH -> Math.max(0.2, said);
                case BEGINS_NEAR_THE_END -> Math.max(0.03, said);
            };
        }

        private static double steps(double said, int steps) {
            return Math.round(said * steps) / (double) steps;
        }
    }

    /** What it says to a message; asked, where it can be asked, it always says what stands. */
    private enum Way {
        /** What came, again. */
        RETURNS,
        /** What came, again, and once more a little later. */
        RETURNS_TWICE,
        /** What came, again, when something else may have been asked meanwhile. */
        RETURNS_LATER,
        /** What it took. */
        REPORTS,
        /** What it took, on another address. */
        REPORTS_ELSEWHERE,
        /** Nothing: it is asked. */
        IS_ASKED,
        /** What came, again; and what it is asked, too. */
        RETURNS_QUESTIONS_TOO
    }

    /** Whether it answers questions. */
    private enum Answers {
        QUESTIONS,
        NO_QUESTIONS
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

    private record Cell(Animal animal, Kind kind, Way way, Answers answers, Place place, Book book) {
        @Override
        public String toString() {
            return String.join(" ", animal.name(), kind.name(), way.name(), answers.name(), place.name(), book.name());
        }

        /** One that is never heard where it is listened to is no liar: that it says nothing there is the truth. */
        private boolean saysSomething() {
            return way == Way.IS_ASKED
                    ? answers == Answers.QUESTIONS
                    : way != Way.REPORTS_ELSEWHERE || book == Book.RIGHT;
        }

        /** Whether somebody could know of it what it took: it can be asked, or tells it in a form of its own. */
        private boolean isToBeConfirmed() {
            // at a venue a switch has no small step, and what cannot be asked cannot be put back
            boolean isAllowed = place == Place.STAND_IN || kind == Kind.FADER && answers == Answers.QUESTIONS;
            return isAllowed && book == Book.RIGHT && (answers == Answers.QUESTIONS || way == Way.REPORTS_ELSEWHERE);
        }

        /** Keeps steps of its own, which are coarser than what its phrase allows, and says so. */
        private boolean isToBeCoarser() {
            boolean coarse = animal == Animal.TAKES_THREE_LEVELS
                    || animal == Animal.TAKES_EIGHTHS
                    || animal == Animal.TAKES_TWENTIETHS
                    || animal == Animal.TAKES_STEPS_OF_A_32ND;
            return coarse
                    && kind == Kind.FADER
                    && place == Place.STAND_IN
                    && book == Book.RIGHT
                    && (answers == Answers.QUESTIONS || way == Way.REPORTS || way == Way.REPORTS_ELSEWHERE);
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
            hall = hall(end(cell), cell.book == Book.RIGHT ? List.of(phrase) : List.of(), control);
            hall.hall.does(this::takes);
        }

        private static Target end(Cell cell) {
            Target desk = Target.plain(
                    "Desk",
                    Hall.DESK_HOST,
                    Hall.DESK_PORT,
                    Hall.ANSWER_PORT,
                    cell.answers == Answers.QUESTIONS ? Target.Answering.QUERIES : Target.Answering.REPORTS);
            return cell.place == Place.VENUE
                    ? desk
                    : desk.simulatedAt(new StandInEnd(Hall.DESK_HOST, Hall.DESK_PORT, true));
        }

        private static Phrase asAnswered(Phrase phrase, Way way) {
            AnswerRule rule = way == Way.REPORTS_ELSEWHERE
                    ? AnswerRule.elsewhere("/is/a")
                    : AnswerRule.usual(way == Way.IS_ASKED ? AnswerRule.Kind.QUERY : AnswerRule.Kind.SAME);
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
            if (!message.address().equals("/a") && !message.address().equals("/is/a")) {
                return;
            }
            if (message.arguments().isEmpty()) {
                if (cell.way == Way.RETURNS_QUESTIONS_TOO) {
                    say(says, message.address(), List.of());
                }
                if (cell.answers == Answers.QUESTIONS) {
                    say(says, message.address(), List.of(argument(now())));
                }
                return;
            }
            double said = PacketJudge.number(message.arguments().get(0));
            double taken = cell.animal.takes(said, now(), number++, before);
            stands = cell.kind == Kind.SWITCH ? Math.round(taken) : taken;
            before = said;
            movedAt = hall.hall.now;
            tookAll &= Math.abs(stands - said) <= SAME;
            switch (cell.way) {
                case RETURNS, RETURNS_QUESTIONS_TOO -> say(says, "/a", message.arguments());
                case RETURNS_TWICE -> {
                    say(says, "/a", message.arguments());
                    later(5, message.arguments());
                }
                case RETURNS_LATER -> later(120, message.arguments());
                case REPORTS -> say(says, "/a", List.of(argument(stands)));
                case REPORTS_ELSEWHERE -> say(says, "/is/a", List.of(argument(stands)));
                case IS_ASKED -> {
                    // it waits for a question
                }
            }
        }

        private void say(BiConsumer<String, List<OscArgument>> says, String address, List<OscArgument> arguments) {
            says.accept(address, arguments);
        }

        private void later(long millis, List<OscArgument> arguments) {
            hall.hall.later(millis, "/a", arguments);
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
                    for (Answers answers : Answers.values()) {
                        for (Place place : Place.values()) {
                            for (Book book : Book.values()) {
                                Cell cell = new Cell(animal, kind, way, answers, place, book);
                                if (cell.saysSomething()) {
                                    cells.add(cell);
                                }
                            }
                        }
                    }
                }
            }
        }
        return cells;
    }

    @Test
    void noLieIsBelievedAndNoHonestDeskIsFailed() {
        Set<String> believed = new TreeSet<>();
        Set<String> unfounded = new TreeSet<>();
        Set<String> refused = new TreeSet<>();
        Set<String> notConfirmed = new TreeSet<>();
        Set<String> notCoarser = new TreeSet<>();
        for (Cell cell : cells()) {
            Desk desk = new Desk(cell);
            Verdict verdict = desk.proved();
            boolean confirmed = verdict == Verdict.CONFIRMED;
            if (confirmed && !desk.tookAll) {
                believed.add(cell.toString());
            }
            List<Double> unknown = confirmed ? new PacketJudge(desk.hall.packets, "/a").unknown() : List.of();
            if (!unknown.isEmpty()) {
                unfounded.add(cell + " " + unknown);
            }
            if (cell.isToBeCoarser() && verdict != Verdict.COARSER) {
                notCoarser.add(cell + " " + verdict);
            } else if (verdict == Verdict.COARSER && !cell.animal.name().startsWith("TAKES_")) {
                notCoarser.add(cell + " is no matter of steps");
            }
            if (cell.animal == Animal.HONEST) {
                if (verdict.fallsShort()) {
                    refused.add(cell + " " + verdict);
                } else if (!confirmed && cell.isToBeConfirmed()) {
                    notConfirmed.add(cell + " " + verdict);
                }
            }
        }
        assertSoftly(softly -> {
            softly.assertThat(refused).as("honest desks that were failed").isEmpty();
            softly.assertThat(unfounded)
                    .as("confirmed, and the packets do not tell it")
                    .isEmpty();
            softly.assertThat(notConfirmed)
                    .as("honest desks that were not confirmed")
                    .isEmpty();
            softly.assertThat(notCoarser).as("steps").isEmpty();
            softly.assertThat(believed).as("lies that were believed").isEmpty();
        });
    }
}
