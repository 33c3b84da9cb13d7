package imperan.proof.report;

import imperan.show.Problem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What a script takes though it is not proved, as it is written: verdicts by their words, each for all targets or for one
 * ({@code returned}, {@code one-way:Sluice}, {@code silent:Wick}). What failed is only taken of a target that is named.
 */
public final class Allowed {

    /** Said of a target as a whole that does not answer. */
    private static final String SILENT = "silent";

    /** More nobody writes. */
    private static final int MOST_CHARACTERS = 10_000;
    /** The word before a target. */
    private static final Pattern WORD = Pattern.compile("([^,:]*):");

    /** Nothing but what is proved. */
    public static final Allowed NOTHING = new Allowed(List.of());

    private record Entry(String word, Optional<String> target) {
        private boolean takes(String wanted, String name) {
            return word.equals(wanted) && target.map(name::equals).orElse(true);
        }
    }

    /**
     * What was read.
     *
     * @param problem why it cannot be read; empty where it can, and then {@code allowed} is all of it
     */
    public record Read(Allowed allowed, Optional<Problem> problem) {}

    private final List<Entry> entries;

    private Allowed(List<Entry> entries) {
        this.entries = entries;
    }

    /** A verdict's word, as it is written in a script. */
    public static String word(Verdict verdict) {
        return verdict.word().replace(' ', '-');
    }

    /**
     * Reads what is written, with commas between.
     *
     * @param targets the names of those of the show
     */
    public static Read read(String text, List<String> targets) {
        if (text.length() > MOST_CHARACTERS) {
            return new Read(
                    NOTHING, Optional.of(Problem.of("What is allowed has at most " + MOST_CHARACTERS + " characters")));
        }
        List<Entry> entries = new ArrayList<>();
        for (String rest = text; !rest.isEmpty(); ) {
            Matcher word = WORD.matcher(rest);
            boolean isNamed = word.lookingAt();
            String target = isNamed ? target(rest.substring(word.end()), targets) : "";
            String part = isNamed ? word.group() + target : rest.split(",", 2)[0];
            Entry entry = isNamed
                    ? new Entry(word.group(1).strip(), Optional.of(target.strip()))
                    : new Entry(part.strip(), Optional.empty());
            if (!part.isBlank()) {
                Optional<Problem> problem = problem(entry, targets);
                if (problem.isPresent()) {
                    return new Read(NOTHING, problem);
                }
                entries.add(entry);
            }
            rest = rest.length() > part.length() ? rest.substring(part.length() + 1) : "";
        }
        return new Read(new Allowed(List.copyOf(entries)), Optional.empty());
    }

    /** The name that a text begins with: the longest of those of the show, which may have commas, else all up to the next comma. */
    private static String target(String text, List<String> targets) {
        String start = spaces(text);
        return targets.stream()
                .map(name -> start + name)
                .filter(name -> text.startsWith(name)
                        && (text.substring(name.length()).isBlank()
                                || text.substring(name.length()).stripLeading().startsWith(",")))
                .max(Comparator.comparingInt(String::length))
                .map(name -> name + spaces(text.substring(name.length())))
                .orElseGet(() -> text.split(",", 2)[0]);
    }

    private static String spaces(String text) {
        return text.substring(0, text.length() - text.stripLeading().length());
    }

    private static Optional<Problem> problem(Entry entry, List<String> targets) {
        Optional<Verdict> verdict = Arrays.stream(Verdict.values())
                .filter(each -> word(each).equals(entry.word()))
                .findFirst();
        boolean failed = entry.word().equals(SILENT)
                || verdict.filter(Verdict::fallsShort).isPresent();
        if (!failed && verdict.isEmpty()
                || verdict.map(Verdict::standing)
                        .filter(Verdict.Standing.GOOD::equals)
                        .isPresent()) {
            return Optional.of(Problem.of("“" + entry.word() + "” cannot be allowed. Words that can: " + words()));
        } else if (failed && entry.target().isEmpty()) {
            return Optional.of(
                    Problem.of("“" + entry.word() + "” is a failure: it is allowed for one target only, such as "
                            + entry.word() + ":" + targets.stream().findFirst().orElse("NAME")));
        } else if (entry.target().filter(name -> !targets.contains(name)).isPresent()) {
            return Optional.of(
                    Problem.of("There is no target “" + entry.target().get() + "” in this show"));
        }
        return Optional.empty();
    }

    private static String words() {
        return Stream.concat(
                        Arrays.stream(Verdict.values())
                                .filter(verdict -> verdict.standing() != Verdict.Standing.GOOD)
                                .map(Allowed::word),
                        Stream.of(SILENT + ":NAME"))
                .collect(Collectors.joining(", "));
    }

    boolean takes(LineResult line) {
        return entries.stream().anyMatch(entry -> entry.takes(word(line.verdict()), line.targetName()));
    }

    /** Whether a target may be silent, or have its port closed. */
    boolean takes(TargetFigures target) {
        return entries.stream()
                .filter(entry -> entry.target().isPresent())
                .anyMatch(entry -> entry.takes(SILENT, target.name())
                        || target.state()
                                        .filter(TargetState.PORT_CLOSED::equals)
                                        .isPresent()
                                && entry.takes(word(Verdict.PORT_CLOSED), target.name()));
    }

    /** Whether a target is named, whatever is allowed of it. */
    boolean names(String target) {
        return entries.stream()
                .anyMatch(entry -> entry.target().filter(target::equals).isPresent());
    }
}
