package imperan.show;

/** A show with one can be operated and not changed, until somebody takes it away. */
public record Lock(String by) implements Body {

    /** Its id in every show: there is one at most. */
    public static final PartId ID = new PartId("lock");

    @Override
    public String called() {
        return "the lock";
    }

    @Override
    public void check(PartRules rules) {
        if (!rules.id().equals(ID)) {
            rules.problem("", "A show has one lock at most");
        }
    }
}
