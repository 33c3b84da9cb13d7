package imperan.track;

import java.util.Optional;

/**
 * Keeps a transport with a position that somebody else reports now and then, late or early by a little, with gaps, and with jumps. One report that does not fit may be a late one: a jump takes
 * two that fit each other. Where reports end, the transport goes on for a while by itself. A correction by less than the tolerance arms nothing again.
 */
public final class OutsideClock {

    /** Of what a report is off, so much is taken over at once. */
    private static final double SHARE = 0.15;
    /** Who moved by a smaller share of the time that went by stands still. */
    private static final double STANDS = 0.25;

    private record Report(double seconds, long at) {

        private boolean isFollowedBy(double later, long now, double tolerance) {
            return Math.abs(later - seconds - (now - at) / 1e9) <= tolerance;
        }

        private boolean standsUntil(double later, long now) {
            return Math.abs(later - seconds) < STANDS * (now - at) / 1e9;
        }
    }

    private final Transport<?> transport;
    private double tolerance;
    private double freewheel;
    private Optional<Report> last = Optional.empty();
    /** A report that does not fit what went before. */
    private Optional<Report> stray = Optional.empty();
    /** The first of several reports of one place. */
    private Optional<Report> standing = Optional.empty();

    public OutsideClock(Transport<?> transport) {
        this.transport = transport;
    }

    /**
     * @param tolerance what is off by more, in seconds, is a jump
     * @param freewheel how long it goes on by itself where reports end, in seconds
     */
    public void follow(double tolerance, double freewheel) {
        this.tolerance = tolerance;
        this.freewheel = freewheel;
    }

    /** What was reported so far does not count. */
    public void forget() {
        last = Optional.empty();
        stray = Optional.empty();
        standing = Optional.empty();
    }

    /** Whether a report came within the time that it goes on by itself. */
    public boolean isHeard(long now) {
        return last.filter(report -> now - report.at < freewheel * 1e9).isPresent();
    }

    /** Somebody says where it is. */
    public void reported(double seconds, long now) {
        Optional<Report> before = last.filter(report -> now > report.at);
        if (transport.isRolling()) {
            whileRolling(seconds, now, before);
        } else {
            whileStanding(seconds, now, before);
        }
        last = Optional.of(new Report(seconds, now));
    }

    private void whileStanding(double seconds, long now, Optional<Report> before) {
        boolean isWhereItWas = before.filter(report -> seconds >= report.seconds - tolerance
                        && seconds <= report.seconds + (now - report.at) / 1e9 + tolerance)
                .isPresent();
        if (last.isEmpty()) {
            // what went before it was heard is not passed by that
            transport.begin(seconds, now);
        }
        boolean isNear = Math.abs(seconds - transport.position(now)) <= tolerance;
        if (isNear || isWhereItWas && seconds < transport.position(now)) {
            // it had gone on by itself while the other one stood: nothing of that is passed again
            transport.correct(seconds, now);
        } else if (!isWhereItWas || seconds - transport.position(now) > tolerance) {
            transport.place(seconds, now);
        }
        if (before.filter(report -> !report.standsUntil(seconds, now) && report.isFollowedBy(seconds, now, tolerance))
                .isPresent()) {
            transport.play(now);
        }
        stray = Optional.empty();
        standing = Optional.empty();
    }

    private void whileRolling(double seconds, long now, Optional<Report> before) {
        double off = seconds - transport.position(now);
        if (Math.abs(off) <= tolerance) {
            stray = Optional.empty();
            if (before.filter(report -> report.standsUntil(seconds, now)).isEmpty()) {
                standing = Optional.empty();
                transport.correct(transport.position(now) + SHARE * off, now);
            } else if (standing.or(() -> before)
                    .filter(report -> now - report.at >= tolerance / 2 * 1e9 && report.standsUntil(seconds, now))
                    .isPresent()) {
                transport.pause(now);
                transport.correct(seconds, now);
            } else {
                standing = standing.or(() -> before);
            }
            return;
        }
        Optional<Report> agreeing = stray.filter(report -> now > report.at);
        if (standing.isPresent()
                && before.filter(report -> report.standsUntil(seconds, now)).isPresent()) {
            transport.pause(now);
            transport.correct(seconds, now);
        } else if (agreeing.filter(report -> report.standsUntil(seconds, now)).isPresent()) {
            transport.pause(now);
            transport.place(seconds, now);
        } else if (agreeing.filter(report -> report.isFollowedBy(seconds, now, tolerance))
                .isPresent()) {
            transport.place(seconds, now);
            stray = Optional.empty();
        } else {
            stray = Optional.of(new Report(seconds, now));
        }
    }

    /** When it stops going on by itself. */
    public long due() {
        return transport.isRolling() && last.isPresent()
                ? last.get().at + Math.round(freewheel * 1e9)
                : Transport.NEVER;
    }

    /** What is due by now is done. */
    public void proceed(long now) {
        if (due() <= now) {
            // one that did not fit and was the last is where it stands
            Optional<Report> end = stray;
            transport.pause(now);
            end.ifPresent(report -> transport.place(report.seconds, now));
            stray = Optional.empty();
        }
    }
}
