package imperan.line;

import imperan.check.Lined;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource;
import imperan.show.Cue;
import imperan.show.CueList;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Problem;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.cue.CueAction;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Edits of cue lists that take reckoning: which number is free, and how messages count on. */
public final class CueEdit {

    private static final BigDecimal THOUSANDTH = new BigDecimal("0.001");
    private static final BigDecimal HIGHEST = new BigDecimal("999999");

    private CueEdit() {}

    /**
     * A cue that does nothing yet, behind another one.
     *
     * @param after empty for the end of the list
     */
    public static Outcome insert(Show show, PartId list, Optional<PartId> after, PartId id, Person author) {
        List<Part> cues = CueList.cues(show, list);
        // behind one that is gone meanwhile is at the end
        Optional<Part> before = cues.stream()
                .filter(cue -> after.filter(cue.id()::equals).isPresent())
                .findFirst()
                .or(() -> cues.stream().reduce((first, second) -> second));
        // a list begins with a cue that does nothing: somewhere safe to go back to
        Optional<String> number = before.isEmpty() ? Optional.of("0") : behind(cues, before.get());
        if (show.part(list).filter(part -> part.body() instanceof CueList).isEmpty()) {
            return Outcome.Refused.because("This cue list is no longer there");
        } else if (number.isEmpty()) {
            return full(cues, before.get());
        }
        return show.apply(
                new EditRequest(
                        "Add cue " + number.get(),
                        List.of(new EditRequest.Put(
                                new Part(id, Optional.of(list), cues.size(), Cue.plain(number.get(), "")), 0))),
                author);
    }

    /** The same cue again behind it, with the next number, and with the next numbers in its lines. */
    public static Outcome copy(Show show, PartId cue, PartId id, Person author) {
        Optional<Part> part = show.part(cue).filter(found -> found.body() instanceof Cue);
        if (part.isEmpty()) {
            return Outcome.Refused.because("This cue is no longer there");
        }
        PartId list = part.get().parent().orElseThrow();
        List<Part> cues = CueList.cues(show, list);
        Optional<String> number = behind(cues, part.get());
        if (number.isEmpty()) {
            return full(cues, part.get());
        }
        Cue before = (Cue) part.get().body();
        Renumbering further = new Renumbering(
                target -> target.map(known -> Vocabulary.of(show, known)).orElse(Vocabulary.NONE));
        List<CueAction> actions = before.actions().stream()
                .map(action -> next(action, further, Counting.ADDRESS, 1))
                .toList();
        Cue copy = new Cue(
                number.get(),
                Renumbering.furtherName(before.name(), 1),
                before.note(),
                before.mark(),
                actions,
                before.follow(),
                before.at());
        return further.problems().isEmpty()
                ? show.apply(
                        new EditRequest(
                                "Copy cue " + before.number(),
                                List.of(new EditRequest.Put(new Part(id, Optional.of(list), cues.size(), copy), 0))),
                        author)
                : new Outcome.Refused(further.problems());
    }

    /** Which number of a line counts on. */
    public enum Counting {
        /** The one in its address; where there is none, the first fixed one after it. */
        ADDRESS,
        /** The first fixed number after the address. */
        ARGUMENT,
        NOTHING
    }

    /** What a cue does is what others do, too: the first of them with the next numbers in its lines, the second with those after them. What they did before is gone. */
    public static Outcome paste(Show show, PartId cue, List<PartId> onto, Counting counting, Person author) {
        Optional<Part> part = show.part(cue).filter(found -> found.body() instanceof Cue);
        List<Held> others = onto.stream()
                .flatMap(id -> show.held(id).stream())
                .filter(found ->
                        found.part().body() instanceof Cue && !found.part().id().equals(cue))
                .toList();
        if (part.isEmpty() || others.isEmpty()) {
            return Outcome.Refused.because("There is no cue to take it from, or none to give it to");
        }
        Cue from = (Cue) part.get().body();
        Renumbering further = new Renumbering(
                target -> target.map(known -> Vocabulary.of(show, known)).orElse(Vocabulary.NONE));
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < others.size(); i++) {
            int by = i + 1;
            Part other = others.get(i).part();
            steps.add(new EditRequest.Put(
                    new Part(
                            other.id(),
                            other.parent(),
                            other.order(),
                            ((Cue) other.body())
                                    .doing(from.actions().stream()
                                            .map(action -> next(action, further, counting, by))
                                            .toList())),
                    others.get(i).version()));
        }
        return further.problems().isEmpty()
                ? show.apply(
                        new EditRequest(
                                "Paste what cue " + from.number() + " does onto " + steps.size()
                                        + (steps.size() == 1 ? " cue" : " cues"),
                                steps),
                        author)
                : new Outcome.Refused(further.problems());
    }

    private static CueAction next(CueAction action, Renumbering further, Counting counting, int by) {
        if (counting == Counting.NOTHING) {
            return action;
        } else if (action instanceof CueAction.SayLine say && counting == Counting.ARGUMENT) {
            return new CueAction.SayLine(say.delay(), say.target(), say.address(), counted(say.arguments(), by));
        } else if (action instanceof CueAction.FadeLine fade && counting == Counting.ARGUMENT) {
            return new CueAction.FadeLine(
                    fade.delay(),
                    fade.target(),
                    fade.address(),
                    counted(fade.arguments(), by),
                    fade.from(),
                    fade.to(),
                    fade.seconds(),
                    fade.curve(),
                    fade.unknown());
        } else if (action instanceof CueAction.SayLine say) {
            String address = further.further(say.address(), say.target(), by);
            return new CueAction.SayLine(
                    say.delay(),
                    say.target(),
                    address,
                    address.equals(say.address()) ? counted(say.arguments(), by) : say.arguments());
        } else if (action instanceof CueAction.FadeLine fade) {
            return new CueAction.FadeLine(
                    fade.delay(),
                    fade.target(),
                    further.further(fade.address(), fade.target(), by),
                    fade.arguments(),
                    fade.from(),
                    fade.to(),
                    fade.seconds(),
                    fade.curve(),
                    fade.unknown());
        }
        return action;
    }

    /** Of a line whose address has no number the first fixed number counts on. */
    private static List<ArgumentSource> counted(List<ArgumentSource> arguments, int by) {
        List<ArgumentSource> counted = new ArrayList<>(arguments);
        for (int i = 0; i < counted.size(); i++) {
            if (Renumbering.fixedNumber(counted.get(i)).isPresent()) {
                counted.set(
                        i,
                        new ArgumentSource.Fixed(
                                counted.get(i).type(),
                                String.valueOf(
                                        Renumbering.fixedNumber(counted.get(i)).getAsInt() + by)));
                break;
            }
        }
        return counted;
    }

    /** A number between that of a cue and the next one; empty where there is none. Without a cue one before the first. */
    static Optional<String> between(List<Part> cues, Optional<Part> before) {
        if (before.isPresent()) {
            return behind(cues, before.get());
        }
        BigDecimal first =
                cues.isEmpty() ? BigDecimal.valueOf(2) : ((Cue) cues.get(0).body()).decimal();
        BigDecimal half = first.compareTo(BigDecimal.ONE) > 0
                ? first.subtract(BigDecimal.ONE)
                : first.divide(BigDecimal.valueOf(2), 3, RoundingMode.DOWN);
        return half.signum() > 0 ? Optional.of(plain(half)) : Optional.empty();
    }

    /** All numbers anew, in the order in which the cues stand. */
    public static Outcome renumber(Show show, PartId list, BigDecimal first, BigDecimal step, Person author) {
        List<Part> cues = CueList.cues(show, list);
        if (step.signum() <= 0
                || first.signum() < 0
                || first.compareTo(HIGHEST) > 0
                || step.compareTo(HIGHEST) > 0
                || step.compareTo(THOUSANDTH) < 0) {
            return new Outcome.Refused(
                    List.of(Problem.at(list, "step", "Cues count on from 0 to 999999, by a thousandth or more")));
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        BigDecimal number = first;
        for (Part part : cues) {
            Cue cue = (Cue) part.body();
            if (cue.decimal().compareTo(number) != 0) {
                steps.add(new EditRequest.Put(
                        new Part(part.id(), part.parent(), part.order(), cue.numbered(plain(number))),
                        show.held(part.id()).orElseThrow().version()));
            }
            number = number.add(step);
        }
        return cues.isEmpty()
                ? Outcome.Refused.because("There is no cue to number")
                : steps.isEmpty()
                        ? Outcome.Refused.because("The cues have these numbers already")
                        : show.apply(
                                new EditRequest(
                                        "Renumber "
                                                + show.part(list)
                                                        .map(part -> part.body().called())
                                                        .orElse("a list"),
                                        steps),
                                author);
    }

    /**
     * A number that a cue says to a target, which counts that for itself.
     *
     * @param cue   its number
     * @param text  the line
     */
    public record Counted(PartId part, String cue, PartId target, String text) {}

    /** The lines of a list that say a whole number, in their address or as a fixed argument: whatever becomes of the numbers of cues, they stay. */
    public static List<Counted> counted(Show show, PartId list) {
        List<Counted> counted = new ArrayList<>();
        Renumbering numbers = new Renumbering(
                target -> target.map(known -> Vocabulary.of(show, known)).orElse(Vocabulary.NONE));
        for (Part part : CueList.cues(show, list)) {
            for (Send send : Lined.of(part.body()).orElseThrow().sends()) {
                boolean counts = numbers.number(send.address(), send.target()).isPresent()
                        || send.arguments().stream().anyMatch(CueEdit::isCounted);
                send.target()
                        .filter(target -> counts)
                        .ifPresent(target -> counted.add(new Counted(
                                part.id(),
                                ((Cue) part.body()).number(),
                                target,
                                (send.address() + " "
                                                + send.arguments().stream()
                                                        .map(source -> source instanceof ArgumentSource.Fixed fixed
                                                                ? fixed.text()
                                                                : "…")
                                                        .collect(Collectors.joining(" ")))
                                        .strip())));
            }
        }
        return counted;
    }

    /** 0 and 1 are off and on. */
    private static boolean isCounted(ArgumentSource source) {
        return Renumbering.fixedNumber(source).stream().anyMatch(number -> number > 1);
    }

    /** A free number behind a cue and before the next one: the next whole one where that is free, else one between. */
    private static Optional<String> behind(List<Part> cues, Part cue) {
        BigDecimal at = ((Cue) cue.body()).decimal();
        Optional<BigDecimal> next = cues.stream()
                .map(each -> ((Cue) each.body()).decimal())
                .filter(each -> each.compareTo(at) > 0)
                .min(BigDecimal::compareTo);
        BigDecimal whole = at.setScale(0, RoundingMode.FLOOR).add(BigDecimal.ONE);
        if (next.isEmpty() || whole.compareTo(next.get()) < 0) {
            return whole.compareTo(HIGHEST) > 0 ? Optional.empty() : Optional.of(plain(whole));
        }
        for (int decimals = 1; decimals <= 3; decimals++) {
            BigDecimal between =
                    at.add(next.get()).divide(BigDecimal.valueOf(2)).setScale(decimals, RoundingMode.FLOOR);
            if (between.compareTo(at) > 0 && between.compareTo(next.get()) < 0) {
                return Optional.of(plain(between));
            }
        }
        BigDecimal least = at.add(THOUSANDTH);
        return least.compareTo(next.get()) < 0 ? Optional.of(plain(least)) : Optional.empty();
    }

    private static Outcome full(List<Part> cues, Part before) {
        return Outcome.Refused.because(
                "There is no number left behind cue " + ((Cue) before.body()).number() + ": renumber the list first");
    }

    private static String plain(BigDecimal number) {
        return number.stripTrailingZeros().toPlainString();
    }
}
