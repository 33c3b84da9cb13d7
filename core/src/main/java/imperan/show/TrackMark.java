package imperan.show;

import imperan.track.Time;

/**
 * A place on a track, or a section of it, with a name.
 *
 * @param at     seconds from the start
 * @param length of a section, in seconds; 0 for a place
 */
public record TrackMark(String name, double at, double length) implements Body {

    private static final double LEAST_SECTION = 0.05;

    /** Where it ends; for a place where it is. */
    public double end() {
        return at + length;
    }

    public boolean lasts() {
        return length > 0;
    }

    @Override
    public String called() {
        return name.isBlank() ? "Mark at " + Time.text(at) : name;
    }

    @Override
    public void check(PartRules rules) {
        rules.note("name", name);
        double most = rules.parent().map(part -> ((Track) part.body()).length()).orElse(Time.DAY);
        if (!(at >= 0 && at <= most)) {
            rules.problem("at", "A mark lies between the start and the end at " + Time.text(most));
        } else if (!(length >= 0 && at + length <= most)) {
            rules.problem("length", "A section ends before the end at " + Time.text(most));
        } else if (length > 0 && length < LEAST_SECTION) {
            rules.problem("length", "A section is 0.05 s or longer");
        }
    }
}
