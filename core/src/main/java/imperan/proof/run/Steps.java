package imperan.proof.run;

import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.show.AnswerRule;
import imperan.show.ArgumentSource;
import imperan.show.FixedArgument;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Send;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What is said for the lines of one group, in order: each differs enough from what stands that its answer can be told from what was said before. */
final class Steps {

    /**
     * @param judged  the line that it is said for; empty where nobody judges it
     * @param release whether it releases what the one before it pressed
     */
    record Step(Line line, Optional<PlannedLine> judged, boolean release) {}

    private final PlannedGroup group;
    private final Conditions conditions;
    private final Places places;
    private final Map<Place, Optional<List<OscArgument>>> stands = new HashMap<>();
    private final Deque<Step> steps = new ArrayDeque<>();
    private final Set<PlannedLine> saidAgain = new HashSet<>();

    private Steps(PlannedGroup group, Conditions conditions, Places places) {
        this.group = group;
        this.conditions = conditions;
        this.places = places;
        places.forEach(place -> stands.put(place, place.last()));
    }

    /** @param places with what stands there */
    static Deque<Step> of(PlannedGroup group, Conditions conditions, Places places) {
        return new Steps(group, conditions, places).build();
    }

    /** What may be said of a line, as its place stands; empty where nothing may. */
    static List<Line> says(PlannedLine line, Place place) {
        return line.runsAtVenue()
                ? place.last().map(stands -> AtVenue.says(line, stands)).orElse(List.of())
                : line.says();
    }

    private Deque<Step> build() {
        List<PlannedLine> lines = group.lines().stream()
                .filter(line -> !isReleasedByAnother(line) && !places.of(line).streams())
                .toList();
        Map<PlannedLine, int[]> used = new HashMap<>();
        int rounds = lines.stream()
                .mapToInt(line -> ProofRun.times(line, conditions))
                .max()
                .orElse(0);
        for (int round = 0; round < rounds; round++) {
            for (PlannedLine line : lines) {
                List<Line> says = says(line, places.of(line));
                if (!says.isEmpty() && round < ProofRun.times(line, conditions)) {
                    say(line, says, used.computeIfAbsent(line, l -> new int[says.size()]));
                }
            }
        }
        return steps;
    }

    /** Whether its control presses before it releases, in this group. */
    private boolean isReleasedByAnother(PlannedLine line) {
        return line.send().on() == Send.Phase.RELEASE
                && group.lines().stream()
                        .anyMatch(other -> other.control().equals(line.control())
                                && !other.releases().isEmpty());
    }

    private void say(PlannedLine line, List<Line> says, int[] used) {
        int next = -1;
        for (int i = 0; i < says.size(); i++) {
            if ((next < 0 || used[i] < used[next]) && isApart(line, says.get(i).arguments())) {
                next = i;
            }
        }
        if (next < 0) {
            next = least(used);
            away(line, says.get(next)).ifPresent(other -> add(other, Optional.empty(), false));
        } else if (isUnknownAndUntold(line)) {
            // it may stand there already, and then its target would tell nothing
            int other = says.size() > 1 ? (next + 1) % says.size() : -1;
            (other < 0 ? away(line, says.get(next)) : Optional.of(says.get(other)))
                    .ifPresent(between -> add(between, Optional.empty(), false));
        }
        used[next]++;
        add(says.get(next), Optional.of(line), false);
        if (isSaidAgain(line, says)) {
            add(says.get(next), Optional.of(line), false);
            saidAgain.add(line);
        }
        for (Line release : line.releases()) {
            Optional<PlannedLine> judged = group.lines().stream()
                    .filter(other -> other.control().equals(line.control())
                            && other.send().on() == Send.Phase.RELEASE
                            && other.send().address().equals(release.address()))
                    .findFirst();
            add(release, judged, true);
        }
    }

    /** Nobody knows what stands there, and its target tells only what changes. */
    private boolean isUnknownAndUntold(PlannedLine line) {
        return line.isAnswered()
                && stands.get(places.of(line)).isEmpty()
                && !line.happensEachTime()
                && line.standIn()
                && line.expected().address().isPresent()
                && !line.expected().isAsked()
                && line.expected().rule().says() == AnswerRule.Says.SAME;
    }

    /** Once, a value that alone is ever said is said twice in a row: what switches to and fro with each message is no value. */
    private boolean isSaidAgain(PlannedLine line, List<Line> says) {
        return says.size() == 1
                && line.standIn()
                && line.setsValue()
                && line.isAnswered()
                && line.releases().isEmpty()
                && line.rule().most().isEmpty()
                && !saidAgain.contains(line);
    }

    private static int least(int[] used) {
        int least = 0;
        for (int i = 1; i < used.length; i++) {
            least = used[i] < used[least] ? i : least;
        }
        return least;
    }

    private boolean isApart(PlannedLine line, List<OscArgument> arguments) {
        // what is always answered in the same way has no value that could stand there already
        return line.expected().rule().says() != AnswerRule.Says.SAME
                || stands.get(places.of(line))
                        .filter(before -> !line.expected()
                                .tellsApart(before, arguments, line.send().arguments()))
                        .isEmpty();
    }

    private void add(Line line, Optional<PlannedLine> judged, boolean release) {
        steps.add(new Step(line, judged, release));
        stands.put(places.movedBy(line), Optional.of(line.arguments()));
    }

    /** Another value of its phrase, for a line that says only one; empty where the phrase has none, or where only values near the present one may be said. */
    private Optional<Line> away(PlannedLine line, Line says) {
        if (!line.standIn()
                || line.happensEachTime()
                || line.phrase().isEmpty()
                || line.phrase().get().arguments().size() != says.arguments().size()) {
            return Optional.empty();
        }
        Phrase phrase = line.phrase().get();
        for (int i = 0; i < says.arguments().size(); i++) {
            PhraseArgument argument = phrase.arguments().get(i);
            List<String> values = argument.choices().isEmpty()
                    ? List.of(argument.low(), argument.high()).stream()
                            .flatMap(Optional::stream)
                            .map(Steps::text)
                            .toList()
                    : argument.choices();
            for (String value : argument.fixed().isPresent() ? List.<String>of() : values) {
                List<OscArgument> other = new ArrayList<>(says.arguments());
                Optional<OscArgument> read = FixedArgument.parse(new ArgumentSource.Fixed(argument.type(), value))
                        .argument();
                if (read.isPresent()) {
                    other.set(i, read.get());
                    if (line.expected()
                            .tellsApart(says.arguments(), other, line.send().arguments())) {
                        return Optional.of(says.saying(other));
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static String text(double value) {
        return value == Math.rint(value) && Math.abs(value) < Integer.MAX_VALUE
                ? String.valueOf((long) value)
                : String.valueOf(value);
    }
}
