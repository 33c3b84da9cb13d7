package imperan.layout;

import imperan.show.Form;

/** The kinds of controls a page can be given, each as it comes from the shelf. Sizes are in cells. */
public enum ControlKind {

    FADER("Fader", 2, 8, new Form.Fader(Form.Direction.UP, Form.Grab.RELATIVE, 0)),
    BUTTON("Button", 2, 2, new Form.Button(false)),
    READOUT("Readout", 3, 1, new Form.Readout());

    private final String called;
    private final int width;
    private final int height;
    private final Form form;

    ControlKind(String called, int width, int height, Form form) {
        this.called = called;
        this.width = width;
        this.height = height;
        this.form = form;
    }

    String called() {
        return called;
    }

    int width() {
        return width;
    }

    int height() {
        return height;
    }

    Form form() {
        return form;
    }
}
