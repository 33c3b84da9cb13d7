package imperan.show.form;

/** The time of day. */
public record Clock() implements Form {
    @Override
    public String called() {
        return "clock";
    }

    @Override
    public boolean wantsLines() {
        return false;
    }

    @Override
    public boolean takesHands() {
        return false;
    }

    @Override
    public Size onPhone() {
        return new Size(PHONE_COLUMNS / 2, 2);
    }
}
