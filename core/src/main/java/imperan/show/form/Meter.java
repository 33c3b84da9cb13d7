package imperan.show.form;

/** A column that shows a level which its target reports. */
public record Meter() implements Form {
    @Override
    public String called() {
        return "meter";
    }

    @Override
    public boolean takesHands() {
        return false;
    }

    @Override
    public Place place() {
        return Place.LEVEL;
    }

    @Override
    public Size inStrip() {
        return new Size(2, 3);
    }

    @Override
    public Size onPhone() {
        return new Size(1, 4);
    }
}
