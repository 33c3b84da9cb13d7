package imperan.show.song;

import imperan.show.PartId;
import imperan.show.PartRules;
import java.util.Optional;

/**
 * Where the time of a track comes from.
 *
 * @param target    who reports its position, for {@link Source#REPORTED}; empty where none is chosen
 * @param address   on which; {@code argument} counts its arguments from 0
 * @param unit      how a reported position is told
 * @param tolerance what a report is off by more, in seconds, is a jump
 * @param freewheel how long the track goes on by itself where reports end, in seconds
 */
public record TimeFrom(
        Source source,
        Optional<PartId> target,
        String address,
        int argument,
        Unit unit,
        double tolerance,
        double freewheel) {

    /** What the clock of a track is. */
    public enum Source {
        /** The track is played here. */
        OWN,
        /** A target reports where it is. */
        REPORTED,
        /** The time of day is the position. */
        DAY,
        /** Cues are fired by hand alone. */
        NONE
    }

    /** How a position is told. */
    public enum Unit {
        SECONDS,
        /** Whole frames at the rate of the track. */
        FRAMES,
        /** Minutes and seconds, or a time code at the rate of the track. */
        TEXT
    }

    /** Reports come many times a second, and late by a few hundredths (common practice, no source). */
    public static final TimeFrom OWN = new TimeFrom(Source.OWN, Optional.empty(), "", 0, Unit.SECONDS, 0.1, 2);

    private static final double LEAST_TOLERANCE = 0.01;
    private static final double MOST = 60;

    public TimeFrom from(Source other) {
        return new TimeFrom(other, target, address, argument, unit, tolerance, freewheel);
    }

    /** Tells what is wrong with it. */
    public void check(PartRules rules, String field) {
        if (!(tolerance >= LEAST_TOLERANCE && tolerance <= MOST)) {
            rules.problem(field + "/tolerance", "What counts as a jump is off by 0.01 to 60 s");
        }
        if (!(freewheel >= 0 && freewheel <= MOST)) {
            rules.problem(field + "/freewheel", "Without reports a track goes on for 0 to 60 s");
        }
        if (argument < 0) {
            rules.problem(field + "/argument", "Arguments are counted from 0");
        }
        if (source == Source.REPORTED || !address.isEmpty()) {
            rules.address(field + "/address", address, target);
        }
    }
}
