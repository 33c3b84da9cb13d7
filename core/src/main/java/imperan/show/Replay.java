package imperan.show;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** A show and the edits that follow it, each against the version before. A part that many of them change is put in its place once. */
final class Replay {

    private final Show from;
    private final Map<PartId, Optional<Held>> changed = new LinkedHashMap<>();
    /** Who removed what is gone; a copy as soon as that is otherwise than in the show it started from. */
    private Map<PartId, Person> gone;

    private boolean copied;
    private long number;

    Replay(Show from) {
        this.from = from;
        this.gone = from.removers();
        this.number = from.version();
    }

    Replay add(Edit edit) {
        number = edit.number();
        for (Edit.Change change : edit.changes()) {
            changed.put(change.id(), change.after().map(part -> new Held(part, edit.number(), edit.author())));
            if (change.after().isEmpty() || gone.containsKey(change.id())) {
                copyGone();
                gone.remove(change.id());
                if (change.after().isEmpty()) {
                    gone.put(change.id(), edit.author());
                }
            }
        }
        if (gone.size() > Show.MOST_REMOVED) {
            gone.keySet()
                    .removeAll(gone.keySet().stream()
                            .limit(gone.size() - Show.MOST_REMOVED)
                            .toList());
        }
        return this;
    }

    private void copyGone() {
        if (!copied) {
            gone = new LinkedHashMap<>(gone);
            copied = true;
        }
    }

    Show show() {
        return from.after(changed, number, copied ? Collections.unmodifiableMap(gone) : gone);
    }
}
