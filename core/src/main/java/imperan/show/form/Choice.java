package imperan.show.form;

import imperan.show.PartRules;
import java.util.List;
import java.util.Optional;

/**
 * A row or a column of which one is on. The first stands at position 0, the last at 1.
 *
 * @param options   at least two
 * @param direction {@link Form.Direction#RIGHT} for a row from left to right, {@link Form.Direction#UP} for a column with the first on top
 */
public record Choice(List<Option> options, Form.Direction direction) implements Form {
    public Choice {
        options = List.copyOf(options);
    }

    /**
     * @param label for people
     * @param text  what is sent and heard for it, with its exact spelling
     */
    public record Option(String label, String text) {}

    @Override
    public String called() {
        return "choice";
    }

    @Override
    public void check(PartRules rules) {
        if (options.size() < 2 || options.size() > PartRules.MAX_OPTIONS) {
            rules.problem("form/options", "A choice has 2 to " + PartRules.MAX_OPTIONS + " options");
        }
        if (options.stream().map(Option::text).distinct().count() < options.size()) {
            rules.problem("form/options", "Two options say the same");
        }
        if (options.stream()
                .anyMatch(option ->
                        option.label.length() > PartRules.MAX_LABEL || option.text.length() > PartRules.MAX_LABEL)) {
            rules.problem("form/options", "An option has at most " + PartRules.MAX_LABEL + " characters");
        }
    }

    @Override
    public double snapped(double position) {
        return position(index(position));
    }

    /** Where an option stands. */
    private double position(int index) {
        return options.size() == 1 ? 0 : index / (options.size() - 1.0);
    }

    @Override
    public boolean restsOnDemand() {
        return false;
    }

    @Override
    public boolean eachCounts() {
        return true;
    }

    @Override
    public Position press(Position at, Finger finger, HandMemory memory, long now) {
        // the first option of a column is on top
        double along = direction == Direction.RIGHT ? finger.x() : 1 - finger.y();
        return Position.of(position(Math.min(options.size() - 1, (int) (Position.clamp(along) * options.size()))));
    }

    @Override
    public Optional<String> text(Position at, String typed) {
        return Optional.of(options.get(index(at.first())).label());
    }

    @Override
    public Place place() {
        return Place.CHOSEN;
    }

    @Override
    public Size inStrip() {
        return new Size(3, Math.min(8, options.size()));
    }

    /** As a row, where each has room in it, else as a column. */
    @Override
    public Choice forPhone() {
        return pointing(options.size() <= PHONE_COLUMNS / 2 ? Direction.RIGHT : Direction.UP);
    }

    @Override
    public Size onPhone() {
        return direction == Direction.RIGHT ? new Size(PHONE_COLUMNS, 1) : new Size(PHONE_COLUMNS / 2, options.size());
    }

    @Override
    public Choice pointing(Direction other) {
        return new Choice(options, other);
    }
}
