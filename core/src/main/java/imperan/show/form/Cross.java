package imperan.show.form;

/** A crosspoint of a matrix: a cell that fills with its level. It never jumps. */
public record Cross() implements Slider {
    @Override
    public String called() {
        return "cross";
    }

    @Override
    public Size onPhone() {
        return new Size(1, 1);
    }
}
