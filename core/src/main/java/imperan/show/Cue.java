package imperan.show;

import imperan.show.cue.Acting;
import imperan.show.cue.CueAction;
import imperan.show.cue.CueFollow;
import imperan.show.cue.CueMark;
import imperan.track.Time;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What is done together at one moment of a show, on <em>go</em>.
 *
 * @param number  a decimal, such as {@code 12.5}; each once in its list
 * @param name    may be empty
 * @param actions in the order in which they are done, where their delays do not say otherwise
 * @param follow  how the next cue begins
 * @param at      when it is fired by the track on which its list lies, in seconds from the start; empty where only hands fire it
 */
public record Cue(
        String number,
        String name,
        String note,
        CueMark mark,
        List<CueAction> actions,
        CueFollow follow,
        Optional<Double> at)
        implements Body, Acting {

    private static final Pattern NUMBER = Pattern.compile("\\d{1,6}(\\.\\d{1,3})?");
    private static final int MOST_ACTIONS = 256;

    public Cue {
        actions = List.copyOf(actions);
    }

    /** One that does something and is followed by hand. */
    public static Cue plain(String number, String name, CueAction... actions) {
        return new Cue(number, name, "", CueMark.NONE, List.of(actions), CueFollow.BY_HAND, Optional.empty());
    }

    public Cue followed(CueFollow other) {
        return new Cue(number, name, note, mark, actions, other, at);
    }

    public Cue doing(List<CueAction> others) {
        return new Cue(number, name, note, mark, others, follow, at);
    }

    /** The same at another time of the track. */
    public Cue timed(double seconds) {
        return new Cue(number, name, note, mark, actions, follow, Optional.of(seconds));
    }

    @Override
    public Cue named(String other) {
        return new Cue(number, other, note, mark, actions, follow, at);
    }

    public Cue numbered(String other) {
        return new Cue(other, name, note, mark, actions, follow, at);
    }

    public Cue marked(CueMark other) {
        return new Cue(number, name, note, other, actions, follow, at);
    }

    @Override
    public Stream<Act> acts() {
        return Acting.in("actions", "cue", actions);
    }

    @Override
    public Cue acting(Act instead) {
        return doing(Acting.replaced("actions", actions, instead));
    }

    /** Its number as it counts; 0 where it is none. */
    public BigDecimal decimal() {
        return NUMBER.matcher(number).matches() ? new BigDecimal(number).stripTrailingZeros() : BigDecimal.ZERO;
    }

    @Override
    public Stream<ArgumentSource> sources() {
        return actions.stream().flatMap(CueAction::sources);
    }

    @Override
    public String called() {
        return name.isBlank() ? "Cue " + number : number + " " + name;
    }

    @Override
    public void check(PartRules rules) {
        if (!NUMBER.matcher(number).matches()) {
            rules.problem("number", "A cue has a number such as 12 or 12.5, with at most three decimals");
        } else {
            taken(rules)
                    .ifPresent(other -> rules.problem(
                            "number",
                            "“" + other.body().called() + "” has the number " + number + " already",
                            Optional.of(free(rules))));
        }
        rules.note("name", name);
        rules.note("note", note);
        rules.note("mark/word", mark.word());
        if (mark.shade() != CueMark.Shade.NONE && mark.word().isBlank()) {
            rules.problem("mark/word", "A colour needs a word beside it: not everybody tells colours apart");
        }
        if (actions.size() > MOST_ACTIONS) {
            rules.problem("actions", "A cue has at most " + MOST_ACTIONS + " actions");
        }
        for (int i = 0; i < actions.size(); i++) {
            actions.get(i).check(rules, "actions/" + i);
        }
        follow.check(rules, "follow");
        at.ifPresent(seconds -> time(rules, seconds));
    }

    private void time(PartRules rules, double seconds) {
        double most = rules.parent()
                .map(part -> (CueList) part.body())
                .flatMap(CueList::track)
                .flatMap(rules.show()::part)
                .filter(part -> part.body() instanceof Track)
                .map(part -> ((Track) part.body()).length())
                .orElse(Time.DAY);
        if (!(seconds >= 0 && seconds <= most)) {
            rules.problem("at", "A cue lies between the start of its track and the end at " + Time.text(most));
        }
    }

    private Optional<Part> taken(PartRules rules) {
        return numbers(rules)
                .flatMap(numbers -> numbers.of(decimal()).stream()
                        .filter(other -> !other.equals(rules.id()))
                        .findFirst())
                .flatMap(rules.show()::part);
    }

    private static Optional<CueNumbers> numbers(PartRules rules) {
        return rules.parent().map(list -> rules.show().derived(list.id(), CueNumbers.IN_A_LIST));
    }

    /** A number that no other cue of the list has: the next whole one after the highest. */
    private static String free(PartRules rules) {
        return numbers(rules).map(CueNumbers::free).orElse("1");
    }
}
