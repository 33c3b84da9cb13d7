package imperan.live;

import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * A control at one moment, as screens draw it.
 *
 * @param axes     each axis of its form, in order
 * @param belief   what we may believe of it
 * @param disputed whether what we sent and what was answered differ for longer than the answer window
 * @param unanswered whether what it said last was not answered in time, or not as it should be
 * @param text     the position as the argument that is sent
 * @param echoText the echo in the same terms, or what the target said where that was a text; empty where it said nothing
 * @param words    how its target says in words of its own where it stands, such as −3.0 dB; empty where it does not
 * @param unit     of these numbers, as the phrasebook of its target has it; empty where it says none
 * @param label    what its target calls it; empty where it says nothing of that
 * @param enabled  whether its target lets it do something now, as far as it told
 * @param open     whether a guarded control takes a hand now
 * @param holder   the browser whose finger is on it, or empty
 * @param holderName the name of that browser's user, or empty
 * @param movedBy  who moved it last, a person or a target; empty where nobody did
 * @param presses  how often it was pressed, so that a press is seen even where it is over when the screen is drawn
 */
public record ControlValue(
        PartId control,
        List<Axis> axes,
        Belief belief,
        boolean disputed,
        boolean unanswered,
        String text,
        String echoText,
        String words,
        String unit,
        String label,
        boolean enabled,
        boolean open,
        String holder,
        String holderName,
        String movedBy,
        long presses) {

    /**
     * @param position where the cap stands, 0 to 1; the rest value while it is unset
     * @param echo     where the target last said it stands, 0 to 1; empty where it never did
     */
    public record Axis(double position, Optional<Double> echo) {}

    /** Where it stands on its first axis. */
    public double position() {
        return axes.get(0).position();
    }

    /** What the target said of its first axis. */
    public Optional<Double> echo() {
        return axes.get(0).echo();
    }
}
