package imperan.live;

/** How a target and we stand with each other. */
public enum LinkState {
    /** Nothing heard yet. */
    UNHEARD,
    /** It sends, but does not answer us. */
    HEARD,
    /** It answers. */
    ANSWERING,
    /** It answered before, and its window has passed. */
    LOST,
    /** Its host says that nobody has the port open. */
    PORT_CLOSED,
    /** One-way by nature: nothing is expected. */
    SENDS_ONLY;

    /** Whether the target is there, as far as anything tells. */
    public boolean isThere() {
        return this == ANSWERING || this == HEARD || this == SENDS_ONLY;
    }
}
