package imperan.show;

import imperan.address.SlotAddress;
import imperan.dialect.Dialect;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How a target is asked what stands, where that is not the address of a phrase without arguments.
 *
 * @param address    of the question, with the slots of the phrase
 * @param fixed      whether the question carries what names the place in a message of the phrase, such as a channel number before the value
 * @param answeredOn the address on which it is answered, with the same slots; empty where that is the address of the question
 * @param places     for each argument of the phrase, in order, the argument of the answer that says it, from 0; empty where they stand in
 *                   the same places
 */
public record AskRule(String address, boolean fixed, String answeredOn, List<Integer> places) {

    public AskRule {
        places = List.copyOf(places);
    }

    /** A question on an address, without arguments, that is answered there. */
    public static AskRule on(String address) {
        return new AskRule(address, false, "", List.of());
    }

    /** The same, with what names the place. */
    public AskRule named() {
        return new AskRule(address, true, answeredOn, places);
    }

    public AskRule answered(String on) {
        return new AskRule(address, fixed, on, places);
    }

    public AskRule at(List<Integer> where) {
        return new AskRule(address, fixed, answeredOn, where);
    }

    void check(PartRules rules, Dialect spoken) {
        rules.slotAddress("answer/ask/address", address, spoken);
        if (!answeredOn.isEmpty()) {
            rules.slotAddress("answer/ask/answeredOn", answeredOn, spoken);
        }
        if (places.stream().anyMatch(place -> place < 0)) {
            rules.problem("answer/ask/places", "Arguments are counted from 0");
        }
        if (places.size() > AnswerRule.MOST_PLACES) {
            rules.problem(
                    "answer/ask/places", "No message has more than " + AnswerRule.MOST_PLACES + " arguments that vary");
        }
    }

    /**
     * Why it does not fit a phrase, in words; empty where it does. Each question asks about the place that was said to, and its answer
     * names that place: else the answer about one could be taken for that about another.
     *
     * @param said address of the phrase, with its slots
     */
    public Optional<String> misfit(String said) {
        Set<String> known = slots(said);
        Set<String> asked = slots(address);
        Set<String> told = answeredOn.isEmpty() ? asked : slots(answeredOn);
        return Stream.concat(asked.stream(), told.stream())
                .filter(slot -> !known.contains(slot))
                .findFirst()
                .map(slot -> "The phrase has no slot <" + slot + ">: use those of " + said)
                .or(() -> known.stream()
                        .filter(slot -> !told.contains(slot))
                        .findFirst()
                        .map(slot -> "The address of the answer has to have the slot <" + slot
                                + ">: else the answer about one could be taken for that about another"));
    }

    private static Set<String> slots(String text) {
        return SlotAddress.parseFreely(text).slots().stream()
                .map(SlotAddress.Piece.Slot::name)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** The address of the question about an address of the phrase with these numbers. */
    public String asksOn(Map<String, Integer> numbers) {
        return SlotAddress.parseFreely(address).fill(numbers);
    }

    /** The address on which it is answered. */
    public String comesOn(Map<String, Integer> numbers) {
        return answeredOn.isEmpty()
                ? asksOn(numbers)
                : SlotAddress.parseFreely(answeredOn).fill(numbers);
    }
}
