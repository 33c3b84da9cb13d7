package imperan.check;

import imperan.check.FindingKind.Severity;

/** What the checks look for, the worst first. */
public enum FindingKind {
    /** A host or a target has the address of a network, which no machine has. */
    NETWORK_ADDRESS(Severity.FAULT),
    /** A host has an address that means everybody. */
    BROADCAST_ADDRESS(Severity.FAULT),
    /** A device has the router's address. */
    ROUTERS_ADDRESS(Severity.FAULT),
    /** Two hosts have one address. */
    SAME_ADDRESS(Severity.FAULT),
    /** We send to the port on which we listen ourselves. */
    OUR_OWN_PORT(Severity.FAULT),
    /** The port on which answers are to reach us cannot be opened. */
    PORT_TAKEN(Severity.FAULT),
    /** The two ports of a target seem to stand the wrong way round. */
    SWAPPED_PORTS(Severity.FAULT),
    /** The adapter that a target is to be reached by is gone. */
    ADAPTER_GONE(Severity.FAULT),
    /** A target lies in none of our networks. */
    OUTSIDE_OUR_NETWORKS(Severity.FAULT),
    /** Other ends were told an address that is no longer ours. */
    OUR_ADDRESS_CHANGED(Severity.FAULT),
    /** The address means this very machine, and nothing there has the port open. */
    LOOPBACK_CLOSED(Severity.CAUTION),
    /** A machine of the rig is given an address that only means the machine itself. */
    LOOPBACK_HOST(Severity.CAUTION),
    /** A host lies outside the network that its router serves. */
    OTHER_NETWORK(Severity.CAUTION),
    /** A fixed address lies where a router gives out addresses by itself. */
    IN_GIVEN_RANGE(Severity.CAUTION),
    /** Two targets of one host answer to one port of ours, and cannot always be told apart. */
    SHARED_ANSWER_PORT(Severity.CAUTION),
    /** More targets of the show are one and the same machine and port than that kind of target speaks with. */
    TOO_MANY_PARTNERS(Severity.CAUTION),
    /** Messages leave in bundles for a target that does not take them. */
    BUNDLES_NOT_TAKEN(Severity.CAUTION),
    /** Messages go to every machine of a network. */
    TO_EVERYBODY(Severity.CAUTION),
    /** A port of ours is one of those that the system keeps for itself. */
    SYSTEM_PORT(Severity.CAUTION);

    /** How bad a finding is. */
    public enum Severity {
        /** It cannot work like this. */
        FAULT,
        /** It may work, and is often a slip. */
        CAUTION
    }

    private final Severity severity;

    FindingKind(Severity severity) {
        this.severity = severity;
    }

    public Severity severity() {
        return severity;
    }
}
