package imperan.words;

import imperan.proof.report.Allowed;
import imperan.proof.report.Extent;
import imperan.proof.report.LineResult;
import imperan.proof.report.Loss;
import imperan.proof.report.Obstacle;
import imperan.proof.report.Restored;
import imperan.proof.report.Ruling;
import imperan.proof.report.TargetFigures;
import imperan.proof.report.TargetState;
import imperan.proof.report.Verdict;
import imperan.proof.run.PlannedLine;
import imperan.show.Phrase;
import imperan.show.ProofRule;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** What a proof says, in words. */
public final class ProofWords {

    private static final double PERCENT = 100;
    private static final double NANOS_OF_MILLI = 1e6;
    private static final int FIGURES = 3;

    private ProofWords() {}

    /** One or two words. */
    public static String verdict(Verdict verdict) {
        return verdict.word();
    }

    /** Why a line is not proved by itself. */
    public static String obstacle(Obstacle obstacle) {
        return switch (obstacle) {
            case NO_TARGET -> "No target is chosen, or it is gone";
            case HELD -> "Its target is held, silent or in rehearsal";
            case NO_WAY_OUT -> "This machine has no way to its target now";
            case NOTHING_TO_SAY -> "What it sends is typed by a person, or looked up, each time";
            case NOT_CLEARED -> "Nobody has said that the stage is clear";
            case EVENT -> "Something happens each time it is sent";
            case TOGGLE -> "It toggles each time it is sent";
            case DANGEROUS -> "What it does cannot be undone, or hurts";
            case EFFECT_UNKNOWN -> "The phrasebook does not say what it does";
            case CANNOT_BE_READ -> "The present value cannot be asked, so it cannot be put back";
            case NO_SMALL_STEP -> "It has no value near the present one";
            case AT_ZERO -> "It stands at zero, and nothing is raised from zero at the venue";
            case SILENCES -> "It silences something now, and nothing is unmuted at the venue";
            case MOVED_MEANWHILE -> "Somebody moved it meanwhile, here or at the target";
            case MOVED_BESIDE -> "Somebody moved meanwhile what it would silence or switch off";
            case LEFT_OUT -> "Left out";
            case TARGET_SILENT -> "Target silent";
            case STOPPED -> "The proof was stopped before";
        };
    }

    /**
     * What is said at a venue.
     *
     * @param values all that the line can say
     */
    public static String atVenue(PlannedLine line, String values) {
        ProofRule rule = line.phrase().map(Phrase::proof).orElse(ProofRule.USUAL);
        return rule.sweep()
                ? values
                : rule.low()
                        .map(low -> "between " + number(low) + " and "
                                + number(rule.high().orElseThrow()))
                        .orElse("near the present value");
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** How far a verdict goes; empty where nothing is to be said of it. */
    public static String extent(Extent extent) {
        List<String> words = new ArrayList<>();
        extent.low()
                .ifPresent(low ->
                        words.add(figures(low) + " … " + figures(extent.high().orElseThrow()) + " only"));
        if (extent.choices() < extent.ofChoices()) {
            words.add(extent.choices() + " of " + extent.ofChoices() + " choices");
        }
        extent.texts()
                .ifPresent(texts -> words.add("texts of at most " + texts.longest() + " characters"
                        + (texts.accents() ? "" : ", without accents")));
        extent.unseen().ifPresent(step -> words.add("steps of " + figures(step) + " or finer not checked"));
        return String.join(" · ", words);
    }

    private static String figures(double value) {
        return new BigDecimal(value)
                .round(new MathContext(FIGURES))
                .stripTrailingZeros()
                .toPlainString();
    }

    /** How a target as a whole came out of it: one or two words. */
    public static String target(TargetState state) {
        return switch (state) {
            case ANSWERED -> "answered";
            case SENT_ONLY -> "send only";
            case NOT_TRIED -> "not tried";
            case SILENT -> "silent";
            case PORT_CLOSED -> "port closed";
        };
    }

    /** What came of a target as a whole: why it failed, else what was lost. */
    public static String says(TargetFigures target) {
        Optional<TargetState> state = target.state().filter(TargetState::isFailed);
        return state.map(how -> how == TargetState.PORT_CLOSED
                        ? "No program is listening on its port: start it, or mend the port"
                        : "It answers nothing: is it on, and is its OSC input switched on?")
                .orElseGet(() -> loss(target.loss()));
    }

    /** What keeps a report from being taken by a script, one sentence each: what failed first. */
    public static List<String> because(Ruling ruling) {
        List<String> because = new ArrayList<>();
        ruling.failedTargets()
                .forEach(target -> because.add(target.name() + " failed as a whole: "
                        + target.state().map(ProofWords::target).orElse("")));
        counted(ruling.failed(), "failed").ifPresent(because::add);
        counted(ruling.left(), "undecided or not tried").ifPresent(because::add);
        ruling.unconfirmed()
                .forEach(target -> because.add("No line to " + target.name()
                        + " is confirmed: allow one of its verdicts by name, such as one-way:" + target.name()));
        return because;
    }

    private static Optional<String> counted(List<LineResult> lines, String how) {
        Map<String, Long> words = lines.stream()
                .collect(Collectors.groupingBy(
                        line -> Allowed.word(line.verdict()), TreeMap::new, Collectors.counting()));
        return lines.isEmpty()
                ? Optional.empty()
                : Optional.of(lines.size() + (lines.size() == 1 ? " line " : " lines ") + how + ": "
                        + words.entrySet().stream()
                                .map(entry -> entry.getValue() + " " + entry.getKey())
                                .collect(Collectors.joining(", ")));
    }

    /** What became of the value that stood there; empty where there is nothing to do. */
    public static String restored(Restored restored) {
        return switch (restored) {
            case NOT_MOVED, YES -> "";
            case UNCONFIRMED -> "The old value was sent back, and not confirmed";
            case UNKNOWN -> "The old value is not known: it stays as the proof left it";
            case LEFT -> "It stays as it is";
        };
    }

    /** What came of one line, as a sentence; empty where its verdict says all. */
    public static String says(LineResult line) {
        return switch (line.verdict()) {
            case SKIPPED -> line.because().map(ProofWords::obstacle).orElse("");
            case CONFIRMED, WITNESSED -> "";
            case HEARD -> line.targetName() + " says " + line.said();
            case NOT_HEARD -> "Nothing received. Move it at " + line.targetName()
                    + " while a proof runs, where it tells only what changes";
            case MASKED -> "Answered, but something else in " + line.targetName() + " stands in the way now";
            case RETURNED -> "The same came back: perhaps an echo. Say in the phrasebook how " + line.targetName()
                    + " is asked for it, or look at it";
            case ACKNOWLEDGED -> "Something came, and does not say what " + line.targetName() + " did. Look at it";
            case COARSER -> line.targetName() + " keeps steps of "
                    + line.extent()
                            .flatMap(Extent::coarser)
                            .map(ProofWords::figures)
                            .orElse("its own")
                    + ". If that is how it works, set this step in its phrase";
            case DIFFERENT_ARGUMENTS -> "Sent " + line.sent() + ", answered " + line.said()
                    + ", with another number of arguments. Say in the phrasebook which of them is the value";
            case RELEASED_EARLY -> "Released before its answer came: what came may answer the release. Look at it";
            case UNPROMPTED -> line.targetName()
                    + " says one value after the other there by itself, so no answer could be told from those. Stop what moves it";
            case STRENGTH_UNKNOWN -> "Answered, in a report that does not say how strongly it is known. Prove it again";
            case ONE_WAY -> "Sent; " + line.targetName() + " does not answer it, and nobody looked";
            case NOT_JUDGED -> "What came proves nothing: " + line.targetName()
                    + " stood there already, or this machine lost packets";
            case LOST -> line.answered() + " of " + line.probes() + " answered; for the others nothing came";
            case INTERMITTENT -> line.answered() + " of " + line.probes() + " taken";
            case IGNORED -> "Sent " + line.sent() + "; asked afterwards, " + line.targetName() + " still says "
                    + line.said();
            case LATE -> "Answered after "
                    + line.worst().map(ProofWords::millis).orElse("") + ", later than its limit";
            case WRONG_VALUE, WRONG_TYPE -> line.probes() == 0
                    ? line.targetName() + " says " + line.said()
                            + ": it has no argument of the number that is listened to"
                    : "Sent " + line.sent() + ", answered " + line.said();
            case OTHER_ADDRESS -> "The value came under another address";
            case NO_ANSWER -> (line.sent().isEmpty() ? "Sent" : "Sent " + line.sent()) + "; no answer";
            case PORT_CLOSED -> "No program is listening on the port of " + line.targetName();
            case NOT_SEEN -> "Sent, and a person saw nothing";
        };
    }

    public static String millis(long nanos) {
        double millis = nanos / NANOS_OF_MILLI;
        return millis < 10 ? String.format(Locale.ROOT, "%.1f ms", millis) : Math.round(millis) + " ms";
    }

    /** What was lost, and what that says of all that will be said. */
    public static String loss(Loss loss) {
        return loss.of() == 0
                ? "nothing judged"
                : loss.lost() + " of " + loss.of() + " lost: " + percent(loss.low()) + " to " + percent(loss.high())
                        + " (95 %)";
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, share > 0 && share < 0.1 ? "%.1f %%" : "%.0f %%", share * PERCENT);
    }
}
