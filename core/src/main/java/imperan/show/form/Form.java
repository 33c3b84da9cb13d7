package imperan.show.form;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.show.PartId;
import imperan.show.PartRules;
import java.util.List;
import java.util.Optional;

/**
 * What a control is to the hand: how it looks, how it moves under a finger and what it can say. Who works with controls asks the form, and never which form it is.
 * A control's position runs from 0 to 1 whatever its form, on each of its axes: most forms have one, an XY pad has two. All forms are in {@link Forms}.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
public interface Form {

    /** The word for a control of this form that has no label. */
    String called();

    /** Tells what is wrong with it. */
    default void check(PartRules rules) {}

    // ---- where it can stand

    /** In how many ways it can be moved at once. */
    default int axes() {
        return 1;
    }

    /** Where the control stands while nothing is known of it, and where it goes on a double tap, 0 to 1, on each axis. */
    default double rest() {
        return 0;
    }

    /** The nearest position that the form has. */
    default double snapped(double position) {
        return Math.max(0, Math.min(1, position));
    }

    /** Whether it is of no use without a send or a listen. */
    default boolean wantsLines() {
        return true;
    }

    /** Where it holds a hand a little, 0 to 1; empty for nowhere. */
    default Optional<Double> holdsAt() {
        return Optional.empty();
    }

    // ---- under the hand

    /** Whether hands move it; what they do not move only shows what its target says. */
    default boolean takesHands() {
        return true;
    }

    /** Whether a finger does something with it, be it only here and not at a target. */
    default boolean takesFingers() {
        return takesHands();
    }

    /** Whether it goes back to its rest value when the finger lifts. */
    default boolean springs() {
        return false;
    }

    /** Whether it goes to its rest value on a double tap. */
    default boolean restsOnDoubleTap() {
        return false;
    }

    /** Whether it goes to its rest value when somebody brings the page to rest. */
    default boolean restsOnDemand() {
        return takesHands();
    }

    /** Whether each press says the same, and its release nothing. */
    default boolean triggers() {
        return false;
    }

    /** Whether the same said twice is meant twice. */
    default boolean saysEachTime() {
        return triggers();
    }

    /** Whether each of its values counts for itself, as with a button; else the latest is enough. */
    default boolean eachCounts() {
        return false;
    }

    /** Of the controls of one group on the same grid one at most is on; empty for one that minds no other. */
    default String group() {
        return "";
    }

    /** The position after a finger landed on it. */
    default Position press(Position at, Finger finger, HandMemory memory, long now) {
        return at;
    }

    /** The position after the finger moved. */
    default Position move(Position at, Finger finger, HandMemory memory) {
        return at;
    }

    /** The position after the finger lifted or was lost. */
    default Position release(Position at) {
        return springs() ? Position.rest(this) : at;
    }

    /**
     * The position after a step of a key.
     *
     * @param right of the way from end to end, negative to the left; {@code up} likewise
     */
    default Position step(Position at, double right, double up, HandMemory memory) {
        return axes() == 1
                ? Position.of(Slider.stepped(this, at.first(), Position.clamp(at.first() + right + up)))
                : Position.of(Position.clamp(at.get(0) + right), Position.clamp(at.get(1) + up));
    }

    /** The position after somebody typed how far it is to go. */
    default Position set(Position at, double to) {
        return Position.all(axes(), to).snapped(this);
    }

    /** One of its saved positions, from 0; empty where there is none of this number. */
    default Optional<Position> saved(int index) {
        return Optional.empty();
    }

    /** The position after the device was tilted, in degrees from level; empty where it minds no tilt. */
    default Optional<Position> tilted(double sideways, double forwards, HandMemory memory) {
        return Optional.empty();
    }

    /** The position after the device was moved with an acceleration, in metres per second squared; empty where it minds no motion. */
    default Optional<Position> moved(double right, double up, double out) {
        return Optional.empty();
    }

    // ---- what it says, and what it is told

    /** Whether it has a colour to send, on its three axes. */
    default boolean givesColour() {
        return false;
    }

    /** Whether it has steps to send. */
    default boolean givesSteps() {
        return false;
    }

    /** Whether it has a typed text to send. */
    default boolean givesText() {
        return false;
    }

    /** Whether it is on or off, and being on can have a meaning of its own. */
    default boolean turnsOnAndOff() {
        return false;
    }

    /** Its options, of which one is on; their positions are at even distances, from 0. Empty for a form without. */
    default List<Choice.Option> options() {
        return List.of();
    }

    /** Which of its options a position means. */
    default int index(double position) {
        return (int) Math.round(Math.max(0, Math.min(1, position)) * (options().size() - 1));
    }

    /** The texts, or numbers, that say where it stands, at even distances; empty where that is a number on a scale. */
    default List<String> heardTexts() {
        return options().stream().map(Choice.Option::text).toList();
    }

    /**
     * Where it stands, in words; empty where that is a number on a scale.
     *
     * @param typed the line that was typed last
     */
    default Optional<String> text(Position at, String typed) {
        return Optional.empty();
    }

    /**
     * A part without which it is of no use.
     *
     * @param what   in a word
     * @param chosen empty while none is
     */
    record Needs(String what, Optional<PartId> chosen) {}

    /** What it is of no use without; empty for nothing. */
    default Optional<Needs> needs() {
        return Optional.empty();
    }

    /** The target whose address and port are changed with it while the show is played; empty where none are. */
    default Optional<PartId> addressOf() {
        return Optional.empty();
    }

    /** The page or the tray to which it leads. */
    default Optional<PartId> goesTo() {
        return Optional.empty();
    }

    /** The cue list that a press steps or steers; empty where it does not. */
    default Optional<CueKey> listSteps() {
        return Optional.empty();
    }

    /** The track that a press plays or places. */
    default Optional<TrackKey> trackSteps() {
        return Optional.empty();
    }

    /** The set list of which a press makes a song ready, or puts one on air. */
    default Optional<SongKey> songSteps() {
        return Optional.empty();
    }

    // ---- on a page

    /** Where it stands in a strip of controls that belong together, from above. */
    enum Place {
        NAME,
        LAMP,
        TURNED,
        LEVEL,
        PUSHED,
        CHOSEN,
        PRESSED
    }

    /** In cells. */
    record Size(int width, int height) {}

    default Place place() {
        return Place.PRESSED;
    }

    /** How large it is in a strip. */
    default Size inStrip() {
        return new Size(2, 1);
    }

    /** Columns of a page for a phone. */
    int PHONE_COLUMNS = 8;

    /** How large it is by itself on a page for a phone. */
    default Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 1);
    }

    /** The form that it has on a page for a phone. */
    default Form forPhone() {
        return this;
    }

    /** Whether its way goes sideways. */
    default boolean liesDown() {
        return false;
    }

    /** The same with its way in another direction, where it has one. */
    default Form pointing(Direction direction) {
        return this;
    }

    /** In which its value grows, or in which its options stand. */
    enum Direction {
        UP,
        RIGHT
    }

    /** How it takes a finger that lands beside where it stands. Whatever is set, a control whose value is not known never jumps. */
    enum Grab {
        /** It moves as far as the finger moves. */
        RELATIVE,
        /** It waits until the finger passes it. */
        PICK_UP,
        /** It goes to the finger. */
        JUMP
    }
}
