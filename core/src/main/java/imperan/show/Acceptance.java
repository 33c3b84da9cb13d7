package imperan.show;

/**
 * A finding that is meant to be so. It stays quiet while its facts are those that were accepted; who accepted it is the
 * author of the part.
 *
 * @param finding the kind of finding
 * @param about   the part it concerns
 * @param facts   what was so when it was accepted
 * @param note    why it is meant; may be empty
 */
public record Acceptance(String finding, PartId about, String facts, String note) implements Body {

    @Override
    public String called() {
        return "on purpose: " + finding;
    }

    @Override
    public void check(PartRules rules) {
        if (rules.show().part(about).isEmpty()) {
            rules.problem("about", "What this finding was about is no longer there");
        }
        rules.note("note", note);
    }
}
