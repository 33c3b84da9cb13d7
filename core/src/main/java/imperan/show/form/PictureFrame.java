package imperan.show.form;

/** Shows the picture of its face and nothing else: a plan, a mark, a photograph of the rack. */
public record PictureFrame() implements Form {
    @Override
    public String called() {
        return "picture";
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
