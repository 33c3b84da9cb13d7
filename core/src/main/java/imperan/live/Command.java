package imperan.live;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.osc.OscDecoder;
import imperan.show.PartId;
import imperan.track.Time;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Something that an {@link Actor} wants done with the running show. Data, the same from wherever it comes; {@link LiveShow#carryOut} is its
 * one door.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Touch.class, name = "touch"),
    @JsonSubTypes.Type(value = Command.TestFire.class, name = "fire"),
    @JsonSubTypes.Type(value = Command.Rest.class, name = "rest"),
    @JsonSubTypes.Type(value = Command.SetGate.class, name = "gate"),
    @JsonSubTypes.Type(value = Command.SendStartList.class, name = "start"),
    @JsonSubTypes.Type(value = Command.LeaveAsItIs.class, name = "leave"),
    @JsonSubTypes.Type(value = Command.Refresh.class, name = "refresh"),
    @JsonSubTypes.Type(value = Command.FindOut.class, name = "findOut"),
    @JsonSubTypes.Type(value = Command.Say.class, name = "say"),
    @JsonSubTypes.Type(value = Command.SayBytes.class, name = "bytes"),
    @JsonSubTypes.Type(value = Command.Learn.class, name = "learn"),
    @JsonSubTypes.Type(value = Command.StepCues.class, name = "cues"),
    @JsonSubTypes.Type(value = Command.StepTrack.class, name = "track"),
    @JsonSubTypes.Type(value = Command.StepSongs.class, name = "songs"),
    @JsonSubTypes.Type(value = Command.StopAll.class, name = "stopAll")
})
public sealed interface Command
        permits Touch,
                Command.TestFire,
                Command.Rest,
                Command.SetGate,
                Command.SendStartList,
                Command.LeaveAsItIs,
                Command.Refresh,
                Command.FindOut,
                Command.Say,
                Command.SayBytes,
                Command.Prove,
                Command.Learn,
                Command.StepCues,
                Command.StepTrack,
                Command.StepSongs,
                Command.StopAll {

    /** What its actor has to be allowed. */
    default Right needs() {
        return Right.OPERATE;
    }

    /** Why nobody can want this, whatever the show; empty where one can. */
    default Optional<String> problem() {
        return Optional.empty();
    }

    /**
     * Send one send of a control as the control stands, whatever was sent before.
     *
     * @param send which of its sends, from 0
     */
    record TestFire(PartId control, int send) implements Command {}

    /** Bring these controls to their rest values, but for those that a hand holds. */
    record Rest(List<PartId> controls) implements Command {
        public Rest {
            controls = List.copyOf(controls);
        }
    }

    /** Hold a target, rehearse with it or let it go; all where none is named. Before a gate closes, what hands hold is let go. */
    record SetGate(Optional<PartId> target, Gate gate) implements Command {
        @Override
        public Right needs() {
            return Right.GATE;
        }
    }

    /** Send a target's start list. */
    record SendStartList(PartId target) implements Command {}

    /** Nobody wants the start list of a target that came back. */
    record LeaveAsItIs(PartId target) implements Command {}

    /** Ask a target for everything that the show listens to. */
    record Refresh(PartId target) implements Command {}

    /** Find out whether a target is there: its keep-alive leaves at once, and a few questions that change nothing. */
    record FindOut(PartId target) implements Command {}

    /** Send one message that belongs to no control, as a line of text, to see whether anything arrives. */
    record Say(PartId target, String line) implements Command {
        @Override
        public Right needs() {
            return Right.RAW;
        }
    }

    /**
     * Send bytes as one packet as they are, whether or not they are a message: to see what a receiver makes of them, or to say again what
     * was recorded. No answer is awaited, and no pace is kept.
     *
     * @param hex two hexadecimal digits for each byte; blanks between them do not matter
     */
    record SayBytes(PartId target, String hex) implements Command {

        private static final Pattern HEX = Pattern.compile("(?:[0-9a-fA-F]{2})+");

        @Override
        public Right needs() {
            return Right.RAW;
        }

        @Override
        public Optional<String> problem() {
            String digits = digits();
            return digits.length() > 2 * OscDecoder.UDP_MAX_BYTES
                    ? Optional.of("A packet has at most " + OscDecoder.UDP_MAX_BYTES + " bytes")
                    : HEX.matcher(digits).matches()
                            ? Optional.empty()
                            : Optional.of("Bytes are written as two hexadecimal digits each, such as 2f 61 00 00");
        }

        /** The packet; there is one where there is no problem. */
        byte[] bytes() {
            return HexFormat.of().parseHex(digits());
        }

        private String digits() {
            return hex.replaceAll("\\s", "");
        }
    }

    /**
     * Say a line for a proof. Its answer is awaited whether or not anybody listens, asked for where its target tells only when it is asked,
     * and waited for longer than its limit, so that one that is late is not taken for the next one's. Without arguments it is a question.
     * Nobody says it from outside, so it has no name there.
     *
     * @param question where the line is one that a phrase tells how to ask
     */
    record Prove(Line line, Optional<Question> question) implements Command {
        @Override
        public Right needs() {
            return Right.PROVE;
        }
    }

    /**
     * Step or steer a cue list.
     *
     * @param cue for {@link Deed#GO} the one that was next on the screen, so that nobody fires another one; for {@link Deed#JUMP} and
     *            {@link Deed#FIRE} which; else empty
     */
    record StepCues(PartId list, Deed deed, Optional<PartId> cue) implements Command {

        /** What can be done with a list. */
        public enum Deed {
            /** Fire the next cue. */
            GO,
            /** The one before is next. */
            BACK,
            /** Another one is next. */
            JUMP,
            /** Fire a cue; the next one stays what it is. */
            FIRE,
            PAUSE,
            RESUME,
            STOP,
            /** Stop, and go to the start: a cue 0 is fired. */
            RESET,
            /** Hear targets again, after the list stepped itself and was broken off. */
            ARM
        }
    }

    /**
     * Play a track, or place it.
     *
     * @param seconds for {@link Deed#PLACE} where to, from the start; 0 without
     * @param mark    for {@link Deed#LOOP} the section; for {@link Deed#PLACE} a mark in the place of seconds
     */
    record StepTrack(PartId track, Deed deed, Optional<Double> seconds, Optional<PartId> mark) implements Command {

        /** What can be done with a track. */
        public enum Deed {
            PLAY,
            PAUSE,
            PLACE,
            LOOP,
            /** Play what is looped to its end, and go on. */
            LEAVE,
            /** Fire what is passed from now on. */
            ARM,
            DISARM,
            /** The device that says so plays the sound aloud, and no other. */
            SPEAK,
            SILENT
        }

        static StepTrack of(PartId track, Deed deed) {
            return new StepTrack(track, deed, Optional.empty(), Optional.empty());
        }

        static StepTrack toStart(PartId track) {
            return of(track, Deed.PLACE);
        }

        @Override
        public Optional<String> problem() {
            return seconds.filter(to -> !(to >= 0 && to <= Time.DAY))
                    .map(to -> "A place on a track lies between its start and its end");
        }
    }

    /**
     * Make a song of a set list ready, or put the one that is ready on air.
     *
     * @param song for {@link Deed#READY} which; else empty
     */
    record StepSongs(PartId set, Deed deed, Optional<PartId> song) implements Command {

        /** What can be done with a set list. */
        public enum Deed {
            NEXT,
            PREVIOUS,
            READY,
            ON_AIR
        }
    }

    /** Stop all that plays by itself: tracks pause, fades where they are, waits ended. */
    record StopAll() implements Command {}

    /** Listen anew for who wants it to what targets say while somebody moves the real thing, or stop listening for them. */
    record Learn(boolean on) implements Command {}
}
