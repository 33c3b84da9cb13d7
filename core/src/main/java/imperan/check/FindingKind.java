package imperan.check;

import static imperan.check.Severity.LOOK;
import static imperan.check.Severity.NOTE;
import static imperan.check.Severity.STOPS_SHOW;

/** What the checks look for: of each station the worst first. */
public enum FindingKind {
    /** A host or a target has the address of a network, which no machine has. */
    NETWORK_ADDRESS(STOPS_SHOW, Area.RIG, "Address of a network"),
    /** A host has an address that means everybody. */
    BROADCAST_ADDRESS(STOPS_SHOW, Area.RIG, "Address that means everybody"),
    /** A device has the router's address. */
    ROUTERS_ADDRESS(STOPS_SHOW, Area.RIG, "Router’s address used twice"),
    /** Two hosts have one address. */
    SAME_ADDRESS(STOPS_SHOW, Area.RIG, "Address used twice"),
    /** We send to the port on which we listen ourselves. */
    OUR_OWN_PORT(STOPS_SHOW, Area.RIG, "Sent to ourselves"),
    /** The port on which answers are to reach us cannot be opened. */
    PORT_TAKEN(STOPS_SHOW, Area.RIG, "Port taken"),
    /** The two ports of a target seem to stand the wrong way round. */
    SWAPPED_PORTS(STOPS_SHOW, Area.RIG, "Ports the wrong way round"),
    /** The adapter that a target is to be reached by is gone. */
    ADAPTER_GONE(STOPS_SHOW, Area.RIG, "Network interface gone"),
    /** A target lies in none of our networks. */
    OUTSIDE_OUR_NETWORKS(STOPS_SHOW, Area.RIG, "Outside our networks"),
    /** Other ends were told an address that is no longer ours. */
    OUR_ADDRESS_CHANGED(STOPS_SHOW, Area.RIG, "Our address changed"),
    /** A target answered before, and does no longer. */
    TARGET_LOST(STOPS_SHOW, Area.RIG, "Target lost"),
    /** The host of a target says that no program listens on its port. */
    PORT_CLOSED(STOPS_SHOW, Area.RIG, "Port closed"),
    /** Nothing that is meant for a target leaves. */
    TARGET_HELD(LOOK, Area.RIG, "Target held"),
    /** The address means this very machine, and nothing there has the port open. */
    LOOPBACK_CLOSED(LOOK, Area.RIG, "Nothing on this machine"),
    /** A machine of the rig is given an address that only means the machine itself. */
    LOOPBACK_HOST(LOOK, Area.RIG, "Address that only means the machine itself"),
    /** A host lies outside the network that its router serves. */
    OTHER_NETWORK(LOOK, Area.RIG, "Outside the rig’s network"),
    /** A fixed address lies where a router gives out addresses by itself. */
    IN_GIVEN_RANGE(LOOK, Area.RIG, "Fixed address in the DHCP range"),
    /** Two targets of one host answer to one port of ours, and cannot always be told apart. */
    SHARED_ANSWER_PORT(LOOK, Area.RIG, "Answer port shared"),
    /** More targets of the show are one and the same machine and port than that kind of target speaks with. */
    TOO_MANY_PARTNERS(LOOK, Area.RIG, "Too many partners"),
    /** Messages leave in bundles for a target that does not take them. */
    BUNDLES_NOT_TAKEN(LOOK, Area.RIG, "Bundles not taken"),
    /** More messages a second may leave than that kind of target keeps up with. */
    FASTER_THAN_PACE(LOOK, Area.RIG, "Faster than the target’s pace"),
    /** Messages go to every machine of a network. */
    TO_EVERYBODY(LOOK, Area.RIG, "Sent to everybody"),
    /** A port of ours is one of those that the system keeps for itself. */
    SYSTEM_PORT(LOOK, Area.RIG, "System port"),

    /** Two phrases of one phrasebook have the same address and direction: only the first is looked at. */
    PHRASE_TWICE(LOOK, Area.PHRASEBOOKS, "Phrase written twice"),

    /** A line has no target: nobody gets it. */
    NO_TARGET(STOPS_SHOW, Area.LINES, "No target chosen"),
    /** An address still has a slot in it, or an argument still has no choice made. */
    INCOMPLETE(STOPS_SHOW, Area.LINES, "Incomplete"),
    /** Its target has no such address. */
    ADDRESS_UNKNOWN(STOPS_SHOW, Area.LINES, "Address not in the phrasebook"),
    /** Its target has this address with other capitals. */
    LETTER_CASE(STOPS_SHOW, Area.LINES, "Capitals differ"),
    /** Its target has this address, and not with this number. */
    NUMBER_OUT_OF_RANGE(STOPS_SHOW, Area.LINES, "Number out of range"),
    /** The number is one beside the end, as if it were counted from the other one of 0 and 1. */
    COUNTING_BASE(STOPS_SHOW, Area.LINES, "Counted from the wrong number"),
    /** What is sent is what the target only says itself. */
    ONLY_SAID_BY_TARGET(STOPS_SHOW, Area.LINES, "Sent, but only the target says it"),
    /** What is listened to is what the target never says. */
    NEVER_SAID_BY_TARGET(STOPS_SHOW, Area.LINES, "Listened to, but never said"),
    /** The arguments have other types than the phrase. */
    WRONG_TYPES(STOPS_SHOW, Area.LINES, "Argument types differ"),
    /** A text is none of those that the target understands. */
    NOT_A_CHOICE(STOPS_SHOW, Area.LINES, "None of the choices"),
    /** What is sent goes beyond what counts. */
    RANGE_BEYOND(LOOK, Area.LINES, "Range goes beyond"),
    /** What is sent does not reach all that counts. */
    RANGE_SHORT(LOOK, Area.LINES, "Range does not reach"),
    /** What is heard cannot go back through a step. */
    NO_WAY_BACK(LOOK, Area.LINES, "No way back"),
    /** A forward leads back to what it hears, by itself or by others. */
    FORWARD_RING(LOOK, Area.LINES, "Forwards lead in a ring"),
    /** Cues of a list begin without any time between, more than it fires at once, or in a ring. */
    CUE_CHAIN(LOOK, Area.LINES, "Too many cues at once"),
    /** A cue says, or is answered by, what steps its own list. */
    STEPS_ITSELF(LOOK, Area.LINES, "A list may step itself"),
    /** A text has letters beyond ASCII, which OSC 1.0 does not know. */
    NOT_ASCII(NOTE, Area.LINES, "Letters beyond ASCII"),
    /** A text looks like a number, and no phrase says that a text is meant. */
    LOOKS_LIKE_NUMBER(NOTE, Area.LINES, "Text that looks like a number"),
    /** A control sends nothing and listens to nothing. */
    NO_LINES(NOTE, Area.LINES, "No lines"),
    /** Two controls move the same value. */
    SAME_LINE_TWICE(NOTE, Area.LINES, "Same line from two controls"),
    /** Two controls start the same action. */
    SAME_ACTION_TWICE(NOTE, Area.LINES, "Same action from two controls"),
    /** A cue says what a key of a page says, too: both may fire it. */
    CUE_AND_KEY(NOTE, Area.LINES, "Same action by a cue and by a key"),
    /** A control moves and is answered, and has no effect now. */
    MASKED(NOTE, Area.LINES, "No effect now"),

    /** Smaller on its screen than a finger needs. */
    TOO_SMALL(LOOK, Area.PAGES, "Too small for a finger"),
    /** One key of the keyboard presses two controls that are seen together. */
    KEY_TWICE(LOOK, Area.PAGES, "Key used twice"),
    /** Two controls of a page have the same label. */
    LABEL_TWICE(NOTE, Area.PAGES, "Label used twice"),
    /** A control that hands take has no label. */
    NO_LABEL(NOTE, Area.PAGES, "No label");

    /** The station at which a finding is mended. */
    public enum Area {
        RIG,
        PHRASEBOOKS,
        LINES,
        PAGES
    }

    private final Severity severity;
    private final Area area;
    private final String title;

    FindingKind(Severity severity, Area area, String title) {
        this.severity = severity;
        this.area = area;
        this.title = title;
    }

    public Severity severity() {
        return severity;
    }

    public Area area() {
        return area;
    }

    /** What it is, in two or three words. */
    public String title() {
        return title;
    }

    /** Whether its remedy is a guess about one and no good for many: which number was meant instead of one that is not there. */
    public boolean isMendedAlone() {
        return this == NUMBER_OUT_OF_RANGE || this == COUNTING_BASE;
    }

    /** Whether it is so only at this moment, and of no edit's making. */
    public boolean isOfNow() {
        return this == TARGET_LOST || this == PORT_CLOSED || this == TARGET_HELD || this == MASKED;
    }
}
