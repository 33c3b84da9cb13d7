package imperan.show.form;

/** A needle whose zero stands in the middle. */
public record Needle() implements Form {
    @Override
    public String called() {
        return "needle";
    }

    @Override
    public boolean takesHands() {
        return false;
    }

    @Override
    public double rest() {
        return 0.5;
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 2);
    }
}
