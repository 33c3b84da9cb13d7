package imperan.show;

import java.util.List;

/**
 * What a person touches.
 *
 * @param label   on its strip of tape; may be empty
 * @param cells   where it lies on its page
 * @param form    what it looks like and how a hand moves it
 * @param sends   in the order in which they go out
 * @param listens what moves or lights it
 */
public record Control(String label, Cells cells, Form form, List<Send> sends, List<Listen> listens) implements Body {

    public Control {
        sends = List.copyOf(sends);
        listens = List.copyOf(listens);
    }

    /** The same control in another place. */
    public Control at(Cells place) {
        return new Control(label, place, form, sends, listens);
    }

    @Override
    public String called() {
        return label.isBlank() ? form.called() : label;
    }
}
