package imperan.show.form;

/** Shows what its target last said, a text or a number; hands do not move it. */
public record Readout() implements Form {
    @Override
    public String called() {
        return "readout";
    }

    @Override
    public boolean takesHands() {
        return false;
    }

    @Override
    public Place place() {
        return Place.NAME;
    }
}
