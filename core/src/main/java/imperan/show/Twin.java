package imperan.show;

/**
 * A control that is shown once more in another place, such as on the page for a phone: it has no lines of its own, so what is moved or
 * changed at one place is moved and changed at the other.
 *
 * @param of the control; where it is gone, nothing is shown and the place says so
 */
public record Twin(PartId of, Cells cells) implements Laid {

    @Override
    public Twin at(Cells place) {
        return new Twin(of, place);
    }

    @Override
    public String called() {
        return "shown again";
    }
}
