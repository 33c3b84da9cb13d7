package imperan.line;

import imperan.check.Finding;
import imperan.show.PartId;
import java.util.Optional;

/**
 * One send or listen as a row of the line table.
 *
 * @param id       names the line within the show: the part, {@code send} or {@code listen}, and its number from 1
 * @param part     the control, cue or song whose it is
 * @param field    of that part, such as {@code sends/0}
 * @param page     where its control lies, or the list in which its cue or song does, as people call it
 * @param on       when a send goes out, such as {@code press}, {@code cue} or {@code on air}; {@code value} or {@code label} of a listen
 * @param target   empty while nobody is chosen
 * @param types    the type tags of its arguments; empty for a listen
 * @param low      the argument at position 0, where one carries the value; {@code high} at position 1
 * @param shaping  the steps of that argument as text; {@value #AS_SENT} for a listen that has none of its own
 */
public record TableLine(
        String id,
        PartId part,
        Kind kind,
        int number,
        String field,
        String page,
        String label,
        String on,
        Optional<PartId> target,
        String targetName,
        String address,
        String types,
        Optional<Double> low,
        Optional<Double> high,
        String shaping) {

    /** What is heard goes the way back of what is sent. */
    public static final String AS_SENT = "as sent";

    /** Whether a finding about its part is about this line. */
    public boolean isMeantBy(Finding finding) {
        return finding.about().equals(part) && finding.isOf(field);
    }

    /** What a line is. */
    public enum Kind {
        SEND,
        LISTEN
    }
}
