package imperan.live;

import imperan.osc.Decoded;
import imperan.osc.OscArgument;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * Something that happened in the running show: the only way in which it tells of itself. What screens, the Wire and statistics know is
 * gathered from these, one after the other. Times are nanoseconds since 1970.
 */
public sealed interface LiveEvent {

    long at();

    Cause cause();

    /**
     * A line left, alone or in the bundle of this moment.
     *
     * @param bytes   of its message
     * @param ourPort from which, {@code peer} to which {@code host:port}
     */
    record LineLeft(long at, Cause cause, Line line, int bytes, int ourPort, String peer) implements LiveEvent {}

    /** A line, or a touch before a line was made of it, went no further. */
    record Stopped(long at, Cause cause, Optional<PartId> control, double position, Optional<Line> line, Reason reason)
            implements LiveEvent {}

    /**
     * A packet left, or would have.
     *
     * @param dialect  in which it is written, by its name
     * @param says     what it says, read back from its bytes
     * @param messages how many it holds
     * @param reason   why it did not leave; empty where it did
     */
    record PacketOut(
            long at,
            Cause cause,
            PartId target,
            String dialect,
            String peer,
            int ourPort,
            byte[] bytes,
            Decoded says,
            int messages,
            Optional<Reason> reason)
            implements LiveEvent {}

    /**
     * A packet arrived, and what came of it has been told.
     *
     * @param target        from which; empty for a packet that no target claims
     * @param dialect       in which it is read, by its name
     * @param says          what it says, or why it says nothing
     * @param answeredNanos for an answer to something of ours: how long after it
     * @param reason        why nothing came of it, or not all yet; empty where there is nothing to say
     */
    record PacketIn(
            long at,
            Cause cause,
            Optional<PartId> target,
            String dialect,
            String peer,
            int ourPort,
            byte[] bytes,
            Decoded says,
            Optional<Long> answeredNanos,
            Optional<Reason> reason)
            implements LiveEvent {}

    /**
     * An answer is awaited from now on.
     *
     * @param exchange   its number; they count from 1
     * @param control    whose line was said; empty for one that belongs to no control
     * @param address    on which the answer is to come
     * @param limitNanos how long it may take
     * @param listensElsewhere whether the control listens, and not there
     */
    record Opened(
            long at,
            Cause cause,
            long exchange,
            Optional<PartId> control,
            PartId target,
            String address,
            long limitNanos,
            boolean listensElsewhere)
            implements LiveEvent {}

    /**
     * While an answer is awaited, something came on its address that does not agree.
     *
     * @param onTheWay whether the phrase says that values come on the way to the final one
     */
    record Differed(
            long at,
            Cause cause,
            long exchange,
            Optional<PartId> control,
            String address,
            List<OscArgument> said,
            long afterNanos,
            boolean onTheWay)
            implements LiveEvent {}

    /** An exchange ended; one that expects nothing was never opened, and has the number 0. */
    record Ended(long at, Cause cause, long exchange, Optional<PartId> control, PartId target, MessageResult result)
            implements LiveEvent {}

    /** A link turned from one state to another. */
    record LinkTurned(long at, Cause cause, PartId target, LinkState state, String why) implements LiveEvent {}

    /** What a target was to answer came from another machine: perhaps that one stands in for it now. */
    record AnsweredElsewhere(long at, Cause cause, PartId target, String host) implements LiveEvent {}

    /** Something else is known of a link. That something is counted of it is not told beside what is counted. */
    record LinkChanged(long at, Cause cause, PartId target) implements LiveEvent {}

    /** Something about a control is otherwise. */
    record ValueChanged(long at, Cause cause, PartId control) implements LiveEvent {}

    /**
     * A target, or a cue, says that this page is to be shown.
     *
     * @param people on whose devices, by name; empty for all that follow
     */
    record PageWanted(long at, Cause cause, PartId page, List<String> people) implements LiveEvent {}

    /** Something about a cue list is otherwise. */
    record CuesChanged(long at, Cause cause, PartId list) implements LiveEvent {}

    /** Somebody stepped or steered a cue list; all of them were stopped with {@link Command.StepCues.Deed#STOP} each. */
    record CuesOrdered(long at, Cause cause, PartId list, Command.StepCues.Deed deed, Actor by) implements LiveEvent {}

    /** A list stepped itself by what a target says, and was broken off; told with the names of both. */
    record ListBrokenOff(long at, Cause cause, PartId list, String name, String target, String address)
            implements LiveEvent {}

    /**
     * A cue did not begin, as too many of its list ran; told with the names of both.
     *
     * @param first whether it is the first one since fewer ran
     */
    record CueNotBegun(long at, Cause cause, PartId list, String name, String cue, boolean first)
            implements LiveEvent {}

    /** A target would have stepped a list, and everything was just stopped. Told once for each stop, with the names of both. */
    record StepIgnored(long at, Cause cause, PartId list, String name, String target, String address)
            implements LiveEvent {}

    /** Something about a track is otherwise. That it goes on is not told. */
    record TrackChanged(long at, Cause cause, PartId track) implements LiveEvent {}

    /** The device that played the sound of a track is gone; the track goes on. Told with the names of both. */
    record SoundLost(long at, Cause cause, PartId track, String name, String device) implements LiveEvent {}

    /** Something about a set list is otherwise. */
    record SetChanged(long at, Cause cause, PartId set) implements LiveEvent {}

    /** Nothing more comes of a cue that was fired. */
    record CueEnded(long at, Cause cause, PartId list, FiredCue fired) implements LiveEvent {}

    /** Changes that waited for the pace of their target were overtaken by a later one, or presses had no room. */
    record NotQueued(long at, Cause cause, PartId target, boolean press) implements LiveEvent {}
}
