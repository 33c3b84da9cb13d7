package imperan.show.cue;

import imperan.show.Body;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** What does things at one go: a cue when it is fired, a song when it is made ready and when it goes on air. */
public interface Acting {

    /**
     * One of its actions.
     *
     * @param list  the field that it lies in, such as {@code actions}
     * @param index in that list
     * @param when  in one or two words, when it is done
     */
    record Act(String list, int index, String when, CueAction action) {

        /** The field of this action, such as {@code actions/0}. */
        public String field() {
            return list + "/" + index;
        }

        /** Another action in its place. */
        public Act doing(CueAction other) {
            return new Act(list, index, when, other);
        }
    }

    /** All of its actions, in the order in which they are done. */
    Stream<Act> acts();

    /** What it is with one of its actions replaced by what stands in its place. */
    Body acting(Act instead);

    /** What it is called for people. */
    String called();

    /** The same with another name. */
    Body named(String name);

    /** The actions of one field. */
    static Stream<Act> in(String list, String when, List<CueAction> actions) {
        return IntStream.range(0, actions.size()).mapToObj(i -> new Act(list, i, when, actions.get(i)));
    }

    /** A list with what stands in the place of one of its actions, where that one is of this field. */
    static List<CueAction> replaced(String list, List<CueAction> actions, Act instead) {
        if (!list.equals(instead.list)) {
            return actions;
        }
        List<CueAction> others = new ArrayList<>(actions);
        others.set(instead.index, instead.action);
        return others;
    }
}
