package imperan.show;

import imperan.show.cue.Acting;
import imperan.show.cue.CueAction;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One song of a set list. Without anything chosen it is a blank one: a safe place to stand at.
 *
 * @param list  the cue list that belongs to it, with the track it lies on
 * @param page  that is shown when it is made ready
 * @param ready what is done when it is made ready, besides
 * @param onAir what is done when it goes on air, besides
 */
public record Song(
        String name,
        Optional<PartId> list,
        Optional<PartId> page,
        List<CueAction> ready,
        List<CueAction> onAir,
        String note)
        implements Body, Acting {

    private static final int MOST_ACTIONS = 256;

    public Song {
        ready = List.copyOf(ready);
        onAir = List.copyOf(onAir);
    }

    /** One that does nothing by itself. */
    public static Song blank(String name) {
        return new Song(name, Optional.empty(), Optional.empty(), List.of(), List.of(), "");
    }

    @Override
    public Song named(String other) {
        return new Song(other, list, page, ready, onAir, note);
    }

    @Override
    public Stream<Act> acts() {
        return Stream.concat(Acting.in("ready", "ready", ready), Acting.in("onAir", "on air", onAir));
    }

    @Override
    public Song acting(Act instead) {
        return new Song(
                name,
                list,
                page,
                Acting.replaced("ready", ready, instead),
                Acting.replaced("onAir", onAir, instead),
                note);
    }

    @Override
    public Stream<ArgumentSource> sources() {
        return Stream.concat(ready.stream(), onAir.stream()).flatMap(CueAction::sources);
    }

    @Override
    public String called() {
        return name;
    }

    @Override
    public void check(PartRules rules) {
        rules.name(name);
        rules.note("note", note);
        check(rules, "ready", ready);
        check(rules, "onAir", onAir);
    }

    private static void check(PartRules rules, String field, List<CueAction> actions) {
        if (actions.size() > MOST_ACTIONS) {
            rules.problem(field, "A song does at most " + MOST_ACTIONS + " things at once");
        }
        for (int i = 0; i < actions.size(); i++) {
            actions.get(i).check(rules, field + "/" + i);
        }
    }
}
