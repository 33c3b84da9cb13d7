package imperan.proof;

/** Why an answer may be missing, in the order in which a message would fail: at our end, on its way, at the target, and on the way back. */
public enum Suspect {
    GUARDED(Stage.BUILT),
    ANOTHER_HAND(Stage.BUILT),
    DISABLED(Stage.BUILT),
    NO_MESSAGE(Stage.BUILT),

    HELD(Stage.SENT),
    SILENCED(Stage.SENT),
    REHEARSING(Stage.SENT),
    SAME_VALUE(Stage.SENT),
    OVERTAKEN(Stage.SENT),
    QUEUE_FULL(Stage.SENT),
    OUR_PORT_TAKEN(Stage.SENT),
    NO_WAY_OUT(Stage.SENT),
    NOT_TAKEN(Stage.SENT),

    OUTSIDE_OUR_NETWORKS(Stage.ARRIVED),
    WRONG_ADAPTER(Stage.ARRIVED),
    HOST_SILENT(Stage.ARRIVED),
    PORT_CLOSED(Stage.ARRIVED),
    SAME_ADDRESS(Stage.ARRIVED),
    DEAF(Stage.ARRIVED),
    STAND_IN_INSTEAD(Stage.ARRIVED),
    VENUE_INSTEAD(Stage.ARRIVED),
    FRAMING(Stage.ARRIVED),

    SWITCH_OFF(Stage.UNDERSTOOD),
    TOO_MANY_PARTNERS(Stage.UNDERSTOOD),
    ADDRESS_UNKNOWN(Stage.UNDERSTOOD),
    WRONG_ARGUMENTS(Stage.UNDERSTOOD),
    BUNDLES(Stage.UNDERSTOOD),
    OVER_PACE(Stage.UNDERSTOOD),

    MASKED(Stage.ACTED),
    ALREADY_THERE(Stage.ACTED),

    ONE_WAY(Stage.ANSWERED),
    ALL_BUT_THE_MOVER(Stage.ANSWERED),
    NOT_LISTENED(Stage.ANSWERED),
    OTHER_ADDRESS(Stage.ANSWERED),
    OTHER_TYPE(Stage.ANSWERED),
    OTHER_VALUE(Stage.ANSWERED),
    LATE(Stage.ANSWERED),
    OTHER_PORT(Stage.ANSWERED),
    OTHER_SOURCE(Stage.ANSWERED),
    TAKEN_FOR_ANOTHER(Stage.ANSWERED),
    MALFORMED(Stage.ANSWERED),
    FOR_LATER(Stage.ANSWERED),
    LAPSED(Stage.ANSWERED),
    OUR_DROPS(Stage.ANSWERED),
    LOSS(Stage.ANSWERED),
    PHRASE_WRONG(Stage.ANSWERED);

    private final Stage stage;

    Suspect(Stage stage) {
        this.stage = stage;
    }

    /** Where a message fails if this is the cause. */
    public Stage stage() {
        return stage;
    }
}
