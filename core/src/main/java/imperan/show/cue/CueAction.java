package imperan.show.cue;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Control;
import imperan.show.PartId;
import imperan.show.PartRules;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** One thing that a cue does. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "does")
@JsonSubTypes({
    @JsonSubTypes.Type(value = CueAction.SayLine.class, name = "say"),
    @JsonSubTypes.Type(value = CueAction.BringControl.class, name = "bring"),
    @JsonSubTypes.Type(value = CueAction.FadeLine.class, name = "fade"),
    @JsonSubTypes.Type(value = CueAction.RecallLook.class, name = "look"),
    @JsonSubTypes.Type(value = CueAction.ShowPage.class, name = "page"),
    @JsonSubTypes.Type(value = CueAction.SayStartList.class, name = "start"),
    @JsonSubTypes.Type(value = CueAction.HoldTarget.class, name = "hold"),
    @JsonSubTypes.Type(value = CueAction.SteerList.class, name = "list"),
    @JsonSubTypes.Type(value = CueAction.SteerTrack.class, name = "track"),
    @JsonSubTypes.Type(value = CueAction.SteerSongs.class, name = "songs")
})
public sealed interface CueAction {

    /** What a fade or a line may carry: what a plain fader could send. */
    Form AS_A_FADER = Fader.plain(Form.Direction.UP, Form.Grab.JUMP);

    /** Seconds from the beginning of its cue to its own. */
    double delay();

    /** Seconds from its beginning to its end; 0 where it is done at once. */
    default double seconds() {
        return 0;
    }

    /** Where the arguments of its message come from. */
    default Stream<ArgumentSource> sources() {
        return Stream.empty();
    }

    /** Tells what is wrong with it. */
    void check(PartRules rules, String field);

    /**
     * Says a line once.
     *
     * @param target    empty while none is chosen
     * @param arguments fixed ones, and what is looked up as it leaves
     */
    record SayLine(double delay, Optional<PartId> target, String address, List<ArgumentSource> arguments)
            implements CueAction {

        public SayLine {
            arguments = List.copyOf(arguments);
        }

        @Override
        public Stream<ArgumentSource> sources() {
            return arguments.stream();
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
            rules.address(field + "/address", address, target);
            for (int i = 0; i < arguments.size(); i++) {
                if (arguments.get(i) instanceof ArgumentSource.Value) {
                    rules.problem(field + "/arguments/" + i, "A cue has no position to send: fix it, or look it up");
                } else {
                    arguments.get(i).check(rules, field + "/arguments/" + i, AS_A_FADER);
                }
            }
        }
    }

    /**
     * Brings a control to where it is to stand, as a hand would.
     *
     * @param control empty while none is chosen
     * @param to      of each of its axes, 0 to 1
     */
    record BringControl(double delay, Optional<PartId> control, List<Double> to, double seconds, FadeCurve curve)
            implements CueAction {

        public BringControl {
            to = List.copyOf(to);
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
            rules.seconds(field + "/seconds", seconds);
            if (to.isEmpty() || to.stream().anyMatch(each -> !(each >= 0 && each <= 1))) {
                rules.problem(field + "/to", "Where a control is to stand lies between 0 and 1");
            }
            control.flatMap(id -> rules.show().part(id))
                    .filter(part ->
                            part.body() instanceof Control other && other.form().axes() != to.size())
                    .ifPresent(part -> rules.problem(
                            field + "/to",
                            "“" + part.body().called() + "” has "
                                    + ((Control) part.body()).form().axes() + " axes to bring somewhere, and not "
                                    + to.size()));
        }
    }

    /**
     * Fades a number of a line from where it is known to be, or from a stated value, to another.
     *
     * @param target    empty while none is chosen
     * @param arguments fixed ones, what is looked up as each step leaves, and one {@link ArgumentSource.Value} without steps in the place of the number that fades
     * @param from      empty for where its target said last that it is
     * @param unknown   what is to be done where nobody knows where it is
     */
    record FadeLine(
            double delay,
            Optional<PartId> target,
            String address,
            List<ArgumentSource> arguments,
            Optional<Double> from,
            double to,
            double seconds,
            FadeCurve curve,
            Unknown unknown)
            implements CueAction {

        /** What becomes of a fade whose beginning nobody knows. */
        public enum Unknown {
            /** It is left out. */
            SKIP,
            /** Its end is said at once. */
            JUMP
        }

        public FadeLine {
            arguments = List.copyOf(arguments);
        }

        @Override
        public Stream<ArgumentSource> sources() {
            return arguments.stream();
        }

        /** Where in the line the number stands that fades. */
        public int place() {
            return (int) arguments.stream()
                    .takeWhile(source -> !(source instanceof ArgumentSource.Value))
                    .count();
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
            rules.seconds(field + "/seconds", seconds);
            rules.address(field + "/address", address, target);
            rules.number(field + "/to", to);
            from.ifPresent(start -> rules.number(field + "/from", start));
            long fading = arguments.stream()
                    .filter(ArgumentSource.Value.class::isInstance)
                    .count();
            if (fading != 1) {
                rules.problem(field + "/arguments", "One argument of a fade is the number that fades");
            }
            for (int i = 0; i < arguments.size(); i++) {
                String place = field + "/arguments/" + i;
                if (arguments.get(i) instanceof ArgumentSource.Value value) {
                    boolean numeric = value.type() != ArgumentType.TEXT
                            && value.type() != ArgumentType.BOOLEAN
                            && value.type() != ArgumentType.COLOUR;
                    if (!value.shaping().isEmpty() || !numeric) {
                        rules.problem(place, "What fades is a number as it is sent");
                    }
                } else {
                    arguments.get(i).check(rules, place, AS_A_FADER);
                }
            }
        }
    }

    /** Brings all controls of a look to where they stand in it; {@code look} is empty while none is chosen. */
    record RecallLook(double delay, Optional<PartId> look, double seconds, FadeCurve curve) implements CueAction {
        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
            rules.seconds(field + "/seconds", seconds);
        }
    }

    /**
     * Shows a page.
     *
     * @param page   empty while none is chosen
     * @param people on whose devices, by name; empty for all that follow
     */
    record ShowPage(double delay, Optional<PartId> page, List<String> people) implements CueAction {

        public ShowPage {
            people = List.copyOf(people);
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
            people.forEach(name -> rules.note(field + "/people", name));
        }
    }

    /** Sends the start list of a target. */
    record SayStartList(double delay, Optional<PartId> target) implements CueAction {
        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
        }
    }

    /** Holds a target, or lets it go. */
    record HoldTarget(double delay, Optional<PartId> target, boolean hold) implements CueAction {
        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
        }
    }

    /** Steers a cue list, this one or another. */
    record SteerList(double delay, Optional<PartId> list, Deed deed) implements CueAction {

        /** What can be done with a list from a cue. */
        public enum Deed {
            GO,
            PAUSE,
            RESUME,
            STOP,
            RESET
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
        }
    }

    /**
     * Plays a track, or places it.
     *
     * @param track empty while none is chosen
     * @param mark  where to, or the section that is looped; without one a track is placed at its start
     */
    record SteerTrack(double delay, Optional<PartId> track, Deed deed, Optional<PartId> mark) implements CueAction {

        /** What can be done with a track from a cue. */
        public enum Deed {
            PLAY,
            PAUSE,
            PLACE,
            LOOP,
            LEAVE
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
        }
    }

    /**
     * Makes a song of a set list ready, or puts the one that is ready on air.
     *
     * @param set  empty while none is chosen
     * @param song for {@link Deed#READY} which; else empty
     */
    record SteerSongs(double delay, Optional<PartId> set, Deed deed, Optional<PartId> song) implements CueAction {

        /** What can be done with a set list from a cue. */
        public enum Deed {
            NEXT,
            PREVIOUS,
            READY,
            ON_AIR
        }

        @Override
        public void check(PartRules rules, String field) {
            rules.seconds(field + "/delay", delay);
        }
    }
}
