package imperan.check;

/** How much a finding weighs, the worst first. */
public enum Severity {
    /** It cannot work like this: nobody opens the doors with it. */
    STOPS_SHOW,
    /** It may work, and is often a slip. */
    LOOK,
    /** Good to know, and often meant. */
    NOTE
}
