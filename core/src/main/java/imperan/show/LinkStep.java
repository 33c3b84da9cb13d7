package imperan.show;

/** The way from nothing to a proven link, in this order. */
public enum LinkStep {
    /** At the other end: whatever it needs is switched on, restarted and saved. */
    OTHER_END_SWITCHED_ON,
    /** Address and port entered. */
    ADDRESS_ENTERED,
    /** Our address and answer port were told to it. */
    ANSWER_PORT_TOLD,
    /** A first message has left. */
    SENT,
    /** Something came back. */
    RECEIVED,
    /** An effect was seen at the far end. */
    SEEN_TO_WORK,
    /** The versions of the program and the device are noted. */
    VERSION_NOTED
}
