package imperan.layout;

import imperan.show.ArgumentSource;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Form;
import imperan.show.Laid;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Tray;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The kinds of controls a page can be given, each as it comes from the shelf. Sizes are in cells. */
public enum ControlKind {

    FADER("Fader", 2, 8, Form.Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE)),
    KNOB("Knob", 2, 3, Form.Knob.restingAt(0)),
    WHEEL("Wheel", 3, 3, new Form.Wheel(24)),
    BUTTON("Button", 2, 2, Form.Button.plain(Form.Button.Action.MOMENTARY)),
    CHOICE("Choice", 4, 2, new Form.Choice(List.of(new Form.Choice.Option("One", "1"), new Form.Choice.Option("Two", "2")), Form.Direction.RIGHT)),
    PADS("Pads", 8, 8, Form.Button.plain(Form.Button.Action.MOMENTARY)),
    XY_PAD("XY pad", 6, 6, new Form.Pad(Form.Grab.JUMP, false)),
    TILT("Tilt", 4, 4, new Form.Tilt(45, 0.2)),
    COLOUR("Colour", 6, 5, new Form.Colour(List.of("#ffd696", "#ffffff", "#ff8a3c", "#3ca0ff", "#5fd6a0"))),
    PIANO("Keys", 14, 4, Form.Button.plain(Form.Button.Action.MOMENTARY)),
    LINE("Text line", 6, 1, new Form.TextLine()),
    TAP("Tap", 2, 2, new Form.Tap(30, 240)),
    MATRIX("Matrix", 8, 8, new Form.Cross()),
    METER("Meter", 1, 8, new Form.Meter()),
    NEEDLE("Needle", 4, 3, new Form.Needle()),
    LAMP("Lamp", 2, 1, Form.Lamp.PLAIN),
    READOUT("Readout", 3, 1, new Form.Readout()),
    CLOCK("Clock", 4, 2, new Form.Clock()),
    PICTURE("Picture", 4, 3, new Form.Picture()),
    PAGE_KEY("Page key", 3, 2, new Form.PageKey(Optional.empty()));

    /** A keyboard begins at C of the octave in the middle (MIDI 1.0: note 60). */
    private static final int MIDDLE_C = 60;
    private static final int OCTAVE = 12;
    private static final int VELOCITY = 100;
    private static final String[] NOTES = {"C", "C♯", "D", "D♯", "E", "F", "F♯", "G", "G♯", "A", "A♯", "B"};
    private static final int CELL = 2;

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

    /** Less than this is of no use: a single control can be small, what consists of several needs all of its room. */
    int leastWidth() {
        return isSeveral() ? width : 1;
    }

    int leastHeight() {
        return isSeveral() ? height : 1;
    }

    private boolean isSeveral() {
        return this == PADS || this == PIANO || this == MATRIX;
    }

    /**
     * The parts that make one of this kind: a control, or a tray with several.
     *
     * @param id    of the control, or of the tray
     * @param label free on its grid
     */
    List<Part> parts(PartId id, PartId grid, int order, String label, Cells cells) {
        List<Part> parts = new ArrayList<>();
        Laid first = isSeveral() ? Tray.plain(label, cells) : Control.plain(label, cells, form, List.of(), List.of());
        parts.add(new Part(id, Optional.of(grid), order, first));
        if (this == PIANO) {
            piano(parts, id, cells);
        } else if (isSeveral()) {
            squares(parts, id, cells);
        }
        return parts;
    }

    /** Squares of two by two cells, as many as there is room for, numbered along the rows. */
    private void squares(List<Part> parts, PartId tray, Cells cells) {
        int across = cells.width() / CELL;
        int down = cells.height() / CELL;
        for (int i = 0; i < across * down; i++) {
            Cells place = new Cells(i % across * CELL, i / across * CELL, CELL, CELL);
            String label = this == MATRIX ? (i % across + 1) + "›" + (i / across + 1) : String.valueOf(i + 1);
            parts.add(new Part(PartId.random(), Optional.of(tray), i, Control.plain(label, place, form, List.of(), List.of())));
        }
    }

    /** An octave: the five of the upper row between the seven of the lower one. A press says its number and how hard. */
    private void piano(List<Part> parts, PartId tray, Cells cells) {
        int upper = cells.height() / 2;
        int white = 0;
        for (int i = 0; i < OCTAVE; i++) {
            boolean black = NOTES[i].length() > 1;
            Cells place = black ? new Cells(2 * white - 1, 0, CELL, upper) : new Cells(2 * white, upper, CELL, cells.height() - upper);
            white += black ? 0 : 1;
            int note = MIDDLE_C + i;
            parts.add(new Part(PartId.random(), Optional.of(tray), i, Control.plain(NOTES[i], place, form, List.of(
                    note(Send.Phase.PRESS, note, VELOCITY), note(Send.Phase.RELEASE, note, 0)), List.of())));
        }
    }

    private static Send note(Send.Phase on, int note, int velocity) {
        return new Send(on, Optional.empty(), "/note", List.of(new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, String.valueOf(note)),
                new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, String.valueOf(velocity))));
    }
}
