package imperan.standins;

/** What can be made to go wrong with a device. */
public enum Fault {
    DEAF("hears nothing; what it says by itself goes on"),
    PORT_CLOSED("its program does not run: nobody has its port open"),
    FROM_OTHER_PORT("answers from another port of its own"),
    TO_OTHER_PORT("answers to the port after ours"),
    OTHER_ADDRESS("answers under another address"),
    OTHER_TYPE("answers with another type"),
    CLAMPED("never says more than half"),
    LATE("answers after 0.7 s"),
    LOSES("loses 3 of 10 answers"),
    FIRST_ONLY("hears only whoever spoke to it first"),
    CHOKES("hears at most 50 messages a second"),
    NO_BUNDLES("ignores bundles"),
    FORGETS("forgets who listens, every 2 s"),
    SWITCH_OFF("its receive switch is off");

    private final String words;

    Fault(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
