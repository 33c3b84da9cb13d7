package imperan.osc;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * An address pattern, compiled once (OSC 1.0, "OSC Message Dispatching and Pattern Matching"; {@code //} as in OSC 1.1,
 * "Features and Future of Open Sound Control version 1.1 for NIME", 2009).
 *
 * <p>{@code ?} one character, {@code *} any run of them, {@code [a-z]} and {@code [!a-z]} one character of a set,
 * {@code {foo,bar}} one of several texts; none of them crosses a {@code /}. {@code //} stands for any number of address
 * parts. The pattern runs as a set of states side by side, so matching takes time linear in the address for every
 * pattern, however its stars are arranged.
 */
public final class AddressPattern {

    /** Longer patterns are refused, which also bounds the states a hostile message can make us keep. */
    public static final int MAX_LENGTH = 1024;

    private static final String SPECIAL = "?*[{";

    private final List<State> states;
    private final String pattern;

    private AddressPattern(String pattern, List<State> states) {
        this.pattern = pattern;
        this.states = states;
    }

    /** Either a pattern or, where the text is none, the reason. */
    public sealed interface Compiled {
        record Pattern(AddressPattern pattern) implements Compiled {}

        /** @param offset in characters of the pattern */
        record Faulty(int offset, String reason) implements Compiled {}
    }

    /** One step of the pattern: the characters it takes, and which states follow. Without a set it takes nothing. */
    private record State(CharSet takes, int[] next) {}

    private interface CharSet {
        boolean has(char c);
    }

    /** True where matching needs more than comparing texts. */
    public static boolean isPattern(String address) {
        for (int i = 0; i < address.length(); i++) {
            if (SPECIAL.indexOf(address.charAt(i)) >= 0) {
                return true;
            }
        }
        return address.contains("//");
    }

    public static Compiled compile(String pattern) {
        if (pattern.length() > MAX_LENGTH) {
            return new Compiled.Faulty(MAX_LENGTH, "The pattern is longer than " + MAX_LENGTH + " characters");
        }
        Builder builder = new Builder(pattern);
        int failedAt = builder.build();
        return failedAt < 0
                ? new Compiled.Pattern(new AddressPattern(pattern, List.copyOf(builder.states)))
                : new Compiled.Faulty(failedAt, builder.reason);
    }

    /** How many steps matching may still take, for all patterns of one packet together. Not safe for several threads. */
    public static final class Budget {

        private long left;

        /** @param steps a step is one state looked at for one character */
        public Budget(long steps) {
            left = steps;
        }

        private boolean take(long steps) {
            left -= steps;
            return left >= 0;
        }

        /** Whether it did not suffice: some addresses were not looked at. */
        public boolean isSpent() {
            return left < 0;
        }
    }

    /** Does the whole address match? */
    public boolean matches(String address) {
        return matches(address, new Budget(Long.MAX_VALUE));
    }

    /** Does the whole address match? Not where the budget does not suffice to tell. */
    public boolean matches(String address, Budget budget) {
        BitSet now = new BitSet(states.size());
        BitSet next = new BitSet(states.size());
        enter(0, now);
        for (int i = 0; i < address.length() && !now.isEmpty(); i++) {
            char c = address.charAt(i);
            if (!budget.take(now.cardinality())) {
                return false;
            }
            next.clear();
            for (int s = now.nextSetBit(0); s >= 0; s = now.nextSetBit(s + 1)) {
                State state = states.get(s);
                if (state.takes != null && state.takes.has(c)) {
                    for (int follower : state.next) {
                        enter(follower, next);
                    }
                }
            }
            BitSet swap = now;
            now = next;
            next = swap;
        }
        return now.get(states.size() - 1);
    }

    /** Adds a state and all that follow it without taking a character; a set bit ends the walk, so loops end too. */
    private void enter(int index, BitSet into) {
        if (into.get(index)) {
            return;
        }
        into.set(index);
        State state = states.get(index);
        if (state.takes == null) {
            for (int follower : state.next) {
                enter(follower, into);
            }
        }
    }

    @Override
    public String toString() {
        return pattern;
    }

    /** Builds the states front to back; each step ends where the next begins. */
    private static final class Builder {
        private static final CharSet INSIDE_PART = c -> c != '/';
        private static final CharSet ANY = c -> true;

        private final String text;
        private final List<State> states = new ArrayList<>();
        private String reason = "";

        Builder(String text) {
            this.text = text;
        }

        /** @return -1, or the offset of the fault */
        int build() {
            int i = 0;
            while (i < text.length()) {
                char c = text.charAt(i);
                int end = i + 1;
                switch (c) {
                    case '?' -> take(INSIDE_PART);
                    case '*' -> {
                        // a run of stars says no more than one
                        repeat(INSIDE_PART);
                        while (end < text.length() && text.charAt(end) == '*') {
                            end++;
                        }
                    }
                    case '[' -> end = set(i);
                    case '{' -> end = choice(i);
                    case ']', '}' -> {
                        end = fault("'" + c + "' closes what was never opened");
                    }
                    case '/' -> {
                        if (text.startsWith("//", i)) {
                            // one slash, then any parts, each closed by a slash
                            take(only('/'));
                            anyParts();
                            end = i + 2;
                            while (end < text.length() && text.charAt(end) == '/') {
                                end++;
                            }
                        } else {
                            take(only('/'));
                        }
                    }
                    default -> take(only(c));
                }
                if (end < 0) {
                    return i;
                }
                i = end;
            }
            states.add(new State(null, new int[0]));
            return -1;
        }

        private void take(CharSet set) {
            states.add(new State(set, new int[] {states.size() + 1}));
        }

        /** Zero or more: a fork that leads past the taker, and a taker that leads back to the fork. */
        private void repeat(CharSet set) {
            int fork = states.size();
            states.add(new State(null, new int[] {fork + 1, fork + 2}));
            states.add(new State(set, new int[] {fork}));
        }

        /** Nothing, or any characters of which the last is a slash. */
        private void anyParts() {
            int fork = states.size();
            states.add(new State(null, new int[] {fork + 1, fork + 4}));
            repeat(ANY);
            take(only('/'));
        }

        private int set(int open) {
            int close = text.indexOf(']', open);
            if (close < 0) {
                return fault("'[' is never closed");
            }
            boolean negated = text.startsWith("!", open + 1);
            String members = text.substring(open + (negated ? 2 : 1), close);
            if (members.isEmpty()) {
                return fault("The brackets hold no character");
            }
            BitSet set = new BitSet();
            for (int i = 0; i < members.length(); i++) {
                // a minus between two characters is a range, at the end it stands for itself
                if (i + 2 < members.length() && members.charAt(i + 1) == '-') {
                    set.set(
                            Math.min(members.charAt(i), members.charAt(i + 2)),
                            Math.max(members.charAt(i), members.charAt(i + 2)) + 1);
                    i += 2;
                } else {
                    set.set(members.charAt(i));
                }
            }
            take(negated ? c -> c != '/' && !set.get(c) : c -> c != '/' && set.get(c));
            return close + 1;
        }

        private int choice(int open) {
            int close = text.indexOf('}', open);
            if (close < 0) {
                return fault("'{' is never closed");
            }
            String[] options = text.substring(open + 1, close).split(",", -1);
            int fork = states.size();
            states.add(null);
            int[] starts = new int[options.length];
            List<Integer> ends = new ArrayList<>();
            for (int o = 0; o < options.length; o++) {
                starts[o] = states.size();
                for (char c : options[o].toCharArray()) {
                    take(only(c));
                }
                ends.add(states.size());
                states.add(null);
            }
            int after = states.size();
            states.set(fork, new State(null, starts));
            ends.forEach(end -> states.set(end, new State(null, new int[] {after})));
            return close + 1;
        }

        private static CharSet only(char wanted) {
            return c -> c == wanted;
        }

        /** Notes why; the step that failed answers -1 instead of its end. */
        private int fault(String why) {
            reason = why;
            return -1;
        }
    }
}
