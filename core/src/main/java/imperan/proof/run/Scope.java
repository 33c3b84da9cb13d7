package imperan.proof.run;

import imperan.line.TableLine;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.Optional;
import java.util.Set;

/**
 * Which lines a proof is about.
 *
 * @param within a layout, a page, a tray or a cue list; empty for all
 * @param target only lines to this one; empty for all
 * @param lines  only these, by their names in the line table; empty for all
 */
public record Scope(Optional<PartId> within, Optional<PartId> target, Optional<Set<String>> lines) {

    public static final Scope ALL = new Scope(Optional.empty(), Optional.empty(), Optional.empty());

    public Scope {
        lines = lines.map(Set::copyOf);
    }

    boolean holds(Show show, TableLine line) {
        return line.kind() == TableLine.Kind.SEND
                && isPlayed(show, line)
                && fits(show, line.id(), line.part(), line.target());
    }

    boolean holds(Show show, PlannedListen listen) {
        return fits(show, listen.id(), listen.control(), Optional.of(listen.target()));
    }

    private boolean fits(Show show, String id, PartId control, Optional<PartId> to) {
        return lines.map(wanted -> wanted.contains(id)).orElse(true)
                && target.map(wanted -> to.filter(wanted::equals).isPresent()).orElse(true)
                && within.map(around -> isWithin(show, control, around)).orElse(true);
    }

    /** What lies in a copy in work is not played. */
    static boolean isPlayed(Show show, TableLine line) {
        return show.part(line.part()).filter(part -> !show.inDraft(part)).isPresent();
    }

    private static boolean isWithin(Show show, PartId part, PartId around) {
        for (Optional<PartId> at = Optional.of(part);
                at.isPresent();
                at = at.flatMap(show::part).flatMap(Part::parent)) {
            if (at.get().equals(around)) {
                return true;
            }
        }
        return false;
    }
}
