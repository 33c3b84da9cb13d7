package imperan.check;

import imperan.show.EditRequest;
import imperan.show.PartId;
import java.util.Optional;

/**
 * Something that the checks noticed.
 *
 * @param kind     what it is
 * @param about    the part it concerns
 * @param field    the field of that part which it concerns, as in {@link imperan.show.Problem}, such as {@code sends/0/address}; empty where no single one
 * @param text     one sentence with the numbers that it rests on
 * @param facts    what it rests on, shortly; while this stays the same, an accepted finding stays quiet
 * @param cause    the part in which findings of this kind have a common cause, such as the target of lines; that which it is about, where there is none
 * @param remedy   what mends it, where we can tell
 * @param accepted who accepted it as meant, and why; empty where nobody did
 */
public record Finding(
        FindingKind kind,
        PartId about,
        String field,
        String text,
        String facts,
        PartId cause,
        Optional<Remedy> remedy,
        Optional<Accepted> accepted) {

    /**
     * An edit that mends a finding.
     *
     * @param words what pressing it does
     */
    public record Remedy(String words, EditRequest edit) {}

    /**
     * @param acceptance the part that says so
     * @param by         who accepted it
     */
    public record Accepted(PartId acceptance, String by, String note) {}

    static Finding of(FindingKind kind, PartId about, String field, String text, String facts) {
        return new Finding(kind, about, field, text, facts, about, Optional.empty(), Optional.empty());
    }

    Finding with(Remedy mend) {
        return new Finding(kind, about, field, text, facts, cause, Optional.of(mend), accepted);
    }

    Finding with(Accepted acceptance) {
        return new Finding(kind, about, field, text, facts, cause, remedy, Optional.of(acceptance));
    }

    Finding because(PartId common) {
        return new Finding(kind, about, field, text, facts, common, remedy, accepted);
    }

    /** Nobody accepted it. */
    public boolean isOpen() {
        return accepted.isEmpty();
    }

    public boolean stopsShow() {
        return isOpen() && kind.severity() == Severity.STOPS_SHOW;
    }

    /** Whether it is about this send of a control, counted from 0. */
    public boolean isOfSend(int index) {
        return isOf("sends/" + index);
    }

    /** Whether it is about this listen of a control, counted from 0. */
    public boolean isOfListen(int index) {
        return isOf("listens/" + index);
    }

    /** Whether it is about this line, by its field such as {@code sends/0}. */
    public boolean isOf(String line) {
        return field.equals(line) || field.startsWith(line + "/");
    }
}
