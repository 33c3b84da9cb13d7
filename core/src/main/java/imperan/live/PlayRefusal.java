package imperan.live;

/** Why a track or a set list did not do what somebody wanted of it. */
public enum PlayRefusal {
    /** The time of the track comes from somebody else, or from nowhere. */
    ANOTHER_CLOCK,
    /** What is to be looped is no section of the track. */
    NO_SECTION,
    MARK_GONE,
    /** No song is ready that could go on air. */
    NOTHING_READY,
    /** There is no song after it. */
    AT_END,
    /** There is no song before it. */
    AT_START,
    SONG_GONE
}
