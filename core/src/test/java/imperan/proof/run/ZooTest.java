package imperan.proof.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import imperan.osc.OscArgument;
import imperan.proof.report.LineResult;
import imperan.proof.report.Verdict;
import imperan.proof.run.Zoo.Animal;
import imperan.proof.run.Zoo.Cell;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/**
 * Desks that deceive, each in one way, and what a proof says of them. A desk knows what it really took of each message; a line that is
 * confirmed though something was not taken is a lie that was believed. Each confirmation is reckoned anew from the packets by a judge of
 * its own ({@link PacketJudge}).
 */
class ZooTest {

    /** Those that cost a proof most, each in its way. */
    private static final Set<Animal> SLOW = EnumSet.of(
            Animal.TAKES_NOTHING,
            Animal.TAKES_ONE_IN_THREE,
            Animal.TAKES_THE_ONE_BEFORE,
            Animal.TAKES_EIGHTHS,
            Animal.STAYS_FULL,
            Animal.ANSWERS_AFTER_2_LIMITS,
            Animal.ANSWERS_AFTER_4_LIMITS,
            Animal.ANSWERS_ONE_IN_THREE,
            Animal.RAMPS,
            Animal.SWEEPS);

    private final Set<String> believed = new TreeSet<>();
    private final Set<String> unfounded = new TreeSet<>();
    private final Set<String> refused = new TreeSet<>();
    private final Set<String> notConfirmed = new TreeSet<>();
    private final Set<String> notCoarser = new TreeSet<>();
    private final Set<String> judged = new TreeSet<>();
    private final Map<Animal, Map<Verdict, Integer>> table = new EnumMap<>(Animal.class);
    private final Set<String> late = new TreeSet<>();
    private int toBeConfirmed;

    @Test
    void noLieIsBelievedAndNoHonestDeskIsFailed() {
        Zoo.cells().forEach(this::look);
        System.out.println(table());
        System.out.println(toBeConfirmed);
        assertSoftly(softly -> {
            softly.assertThat(refused).as("honest desks that were failed").isEmpty();
            softly.assertThat(unfounded)
                    .as("confirmed, and the packets do not tell it")
                    .isEmpty();
            softly.assertThat(notConfirmed)
                    .as("honest desks that were not confirmed")
                    .isEmpty();
            softly.assertThat(notCoarser).as("steps").isEmpty();
            softly.assertThat(toBeConfirmed)
                    .as("honest desks that can be known")
                    .isGreaterThan(200);
            softly.assertThat(Path.of("../docs/zoo.md"))
                    .as("the table is as it was; write the one that was printed there and look at what differs")
                    .content()
                    .contains(table());
            softly.assertThat(believed).as("lies that were believed").isEmpty();
            softly.assertThat(late).as("late, and confirmed").isEmpty();
            softly.assertThat(judged).as("what moves by itself").isEmpty();
        });
    }

    private void look(Cell cell) {
        Zoo.Desk desk = new Zoo.Desk(cell);
        LineResult line = desk.proved();
        Verdict verdict = line.verdict();
        boolean confirmed = verdict == Verdict.CONFIRMED;
        table.computeIfAbsent(cell.animal(), animal -> new TreeMap<>()).merge(verdict, 1, Integer::sum);
        if (confirmed && !desk.tookAll()) {
            believed.add(cell.toString());
        }
        List<List<OscArgument>> unknown = confirmed && !cell.animal().movesByItself() ? desk.unknown() : List.of();
        if (!unknown.isEmpty()) {
            unfounded.add(cell + " " + unknown);
        }
        if (cell.isToBeCoarser() && verdict != Verdict.COARSER) {
            notCoarser.add(cell + " " + verdict);
        } else if (verdict == Verdict.COARSER && !cell.animal().name().startsWith("TAKES_")) {
            notCoarser.add(cell + " is no matter of steps");
        }
        if (cell.isLate() && confirmed) {
            late.add(cell.toString() + " " + line.worst());
        }
        if (cell.animal().isHonest()) {
            toBeConfirmed += cell.isToBeConfirmed() ? 1 : 0;
            if (verdict.fallsShort() && cell.book() != Zoo.Book.WRONG) {
                refused.add(cell + " " + verdict + " " + line.sent() + " / " + line.said());
            } else if (!confirmed && cell.isToBeConfirmed()) {
                notConfirmed.add(cell + " " + verdict + " " + line.because());
            }
        }
        if (cell.animal().movesByItself() && cell.isKnown() && confirmed) {
            judged.add(cell + " " + verdict);
        }
    }

    /** In core time: what a liar costs a hall, beside an honest desk that answers late, but in time. */
    @Test
    void noDeskHoldsUpAProofOfTwoHundredLinesForMuchLongerThanASlowHonestOne() {
        long honest = Zoo.nanosOf200Lines(Animal.ANSWERS_NEAR_ITS_LIMIT);
        Map<Animal, Long> slow = new EnumMap<>(Animal.class);
        for (Animal animal : SLOW) {
            long takes = Zoo.nanosOf200Lines(animal);
            if (takes > 3 * honest) {
                slow.put(animal, takes / 1_000_000_000L);
            }
        }
        assertThat(slow).as("an honest one takes %d s", honest / 1_000_000_000L).isEmpty();
    }

    /** What became of each kind of desk, over all ways to be connected to it. */
    private String table() {
        List<String> rows = new ArrayList<>();
        table.forEach((animal, verdicts) -> rows.add("| "
                + animal.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " | "
                + verdicts.entrySet().stream()
                        .map(entry -> entry.getValue() + " " + entry.getKey().word())
                        .collect(Collectors.joining(", "))
                + " |"));
        return String.join("\n", rows);
    }
}
