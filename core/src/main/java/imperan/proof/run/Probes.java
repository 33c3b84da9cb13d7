package imperan.proof.run;

import imperan.live.Line;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Phrase.PhraseArgument;
import imperan.show.Send;
import imperan.show.TextRule;
import imperan.show.form.Position;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What a send of a control can say, for a proof: its ends and its middle, then points that no coarse step hits, some of them near the
 * ends; each of its choices, on and off.
 */
final class Probes {

    /** Of a choice with more options, some that lie all over it. */
    static final int MOST_CHOICES = 64;
    /** At a venue not as many are said. */
    static final int MOST_CHOICES_AT_VENUE = 16;

    /** How many of the points are ends and middle. */
    static final int ENDS_AND_MIDDLE = 3;

    /** After ends and middle: two, and two near the ends, that lie between the steps of whoever divides the range into 8, 20 or 32. */
    private static final double[] POINTS = {0, 0.5, 1, 0.3271, 0.7353, 0.0467, 0.9547};
    /** What is typed where a text is a value, any will do, and nobody says which. */
    private static final List<String> TEXTS = List.of("Proof A", "Proof B");
    /** As long are texts where it is known, or may be tried, how long they can be. */
    private static final int[] LENGTHS = {1, 8, 33, 64};

    private static final String PLAIN = "Proof of texts, ";
    private static final String ACCENTED = "Prüfung à l’été, ";

    private final PartId id;
    private final Control control;
    private final Send send;
    private final String targetName;
    private final Optional<Phrase> phrase;
    private final boolean standIn;
    private final int most;

    /** @param standIn whether a stand-in hears them */
    Probes(PartId id, Control control, Send send, String targetName, Optional<Phrase> phrase, boolean standIn) {
        this.id = id;
        this.control = control;
        this.send = send;
        this.targetName = targetName;
        this.phrase = phrase;
        this.standIn = standIn;
        this.most = standIn ? MOST_CHOICES : MOST_CHOICES_AT_VENUE;
    }

    /** Each once; empty where what it says is up to a person, or looked up when it is said. */
    List<Line> all() {
        List<Line> lines = new ArrayList<>();
        if (has(ArgumentSource.LookedUp.class)) {
            return lines;
        } else if (has(ArgumentSource.Typed.class)) {
            texts().forEach(text -> add(lines, line(Position.rest(control.form()), 0, text)));
        } else if (has(ArgumentSource.Steps.class)) {
            add(lines, line(Position.rest(control.form()), 1, ""));
            add(lines, line(Position.rest(control.form()), -1, ""));
        } else if (has(ArgumentSource.Chosen.class)) {
            int options = control.form().options().size();
            for (int i : spreadOver(options)) {
                add(lines, line(Position.of(options == 1 ? 0 : i / (options - 1.0)), 0, ""));
            }
        } else {
            for (int i = 0; i < POINTS.length; i++) {
                if (send.saysAt(spread(i))) {
                    add(lines, line(spread(i), 0, ""));
                }
            }
        }
        return lines;
    }

    /** All where they are few enough, else the first, the last, and some at even distances. */
    private int[] spreadOver(int options) {
        return options <= most
                ? IntStream.range(0, options).toArray()
                : IntStream.range(0, most)
                        .map(i -> (int) Math.round(i * (options - 1.0) / (most - 1)))
                        .toArray();
    }

    /** On several axes each stands elsewhere, so that two that were taken for each other are noticed. */
    private Position spread(int turn) {
        double[] axes = new double[control.form().axes()];
        for (int axis = 0; axis < axes.length; axis++) {
            axes[axis] = control.form().snapped(POINTS[(turn + axis) % POINTS.length]);
        }
        return Position.of(axes);
    }

    /** As it is said when a finger lifts. */
    Line released() {
        return line(Position.rest(control.form()), 0, "");
    }

    /** Where the control stands elsewhere. */
    Line at(Position position) {
        return line(position, 0, "");
    }

    private boolean has(Class<? extends ArgumentSource> kind) {
        return send.arguments().stream().anyMatch(kind::isInstance);
    }

    private List<String> texts() {
        ArgumentType type = send.arguments().stream()
                .filter(ArgumentSource.Typed.class::isInstance)
                .map(ArgumentSource::type)
                .findFirst()
                .orElseThrow();
        List<String> choices = phrase.stream()
                .flatMap(known -> known.arguments().stream())
                .map(PhraseArgument::choices)
                .filter(some -> !some.isEmpty())
                .findFirst()
                .orElse(List.of());
        boolean any = type == ArgumentType.TEXT
                && phrase.filter(known -> known.effect() == Phrase.Effect.VALUE).isPresent();
        return !choices.isEmpty()
                ? Arrays.stream(spreadOver(choices.size()))
                        .mapToObj(choices::get)
                        .toList()
                : any ? anyTexts() : List.of();
    }

    /** At a stand-in texts of several lengths; at a venue short plain ones, unless its phrase says what it takes. */
    private List<String> anyTexts() {
        TextRule rule = phrase.stream()
                .flatMap(known -> known.arguments().stream())
                .filter(argument -> argument.type() == ArgumentType.TEXT)
                .map(PhraseArgument::texts)
                .findFirst()
                .orElse(TextRule.UNKNOWN);
        if (!standIn && rule.longest().isEmpty()) {
            return TEXTS;
        }
        String letters = rule.characters() == TextRule.Characters.ANY ? ACCENTED : PLAIN;
        int longest = rule.longest().orElse(LENGTHS[LENGTHS.length - 1]);
        List<String> texts = new ArrayList<>();
        for (int i = 0; i < LENGTHS.length && (i == 0 || LENGTHS[i - 1] < longest); i++) {
            int length = Math.min(LENGTHS[i], longest);
            // each begins otherwise, so that one that stands is told from the next
            String text = ((char) ('A' + i) + " " + letters.repeat(length)).substring(0, length);
            texts.add(text);
        }
        return texts.size() > 1 ? texts : List.of("A", "B");
    }

    private Line line(Position position, int steps, String typed) {
        return Line.of(id, send, control.form(), position, steps, typed, targetName);
    }

    private static void add(List<Line> lines, Line line) {
        if (lines.stream().noneMatch(other -> other.arguments().equals(line.arguments()))) {
            lines.add(line);
        }
    }
}
