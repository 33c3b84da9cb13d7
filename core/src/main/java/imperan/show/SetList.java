package imperan.show;

import java.util.List;
import java.util.Optional;

/**
 * Songs in the order in which they are played; they lie in it. One of them is made ready, and one is on air.
 *
 * @param next  what a target says when somebody there makes the next song ready; empty where nobody does
 * @param onAir likewise when the song that is ready is put on air
 */
public record SetList(String name, Optional<Behaviour.Condition> next, Optional<Behaviour.Condition> onAir, String note)
        implements Body {

    public static SetList plain(String name) {
        return new SetList(name, Optional.empty(), Optional.empty(), "");
    }

    /** The songs of one, in their order. */
    public static List<Part> songs(Show show, PartId set) {
        return show.children(set).filter(part -> part.body() instanceof Song).toList();
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.note("note", note);
        next.ifPresent(when -> when.check(rules, "next"));
        onAir.ifPresent(when -> when.check(rules, "onAir"));
    }
}
