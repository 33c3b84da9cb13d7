package imperan.layout;

import imperan.show.ArgumentSource;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Laid;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Tray;
import imperan.show.form.Button;
import imperan.show.form.Choice;
import imperan.show.form.Clock;
import imperan.show.form.Colour;
import imperan.show.form.Cross;
import imperan.show.form.CueDisplay;
import imperan.show.form.CueKey;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import imperan.show.form.Knob;
import imperan.show.form.Lamp;
import imperan.show.form.Meter;
import imperan.show.form.Motion;
import imperan.show.form.Needle;
import imperan.show.form.Pad;
import imperan.show.form.PageKey;
import imperan.show.form.PictureFrame;
import imperan.show.form.Readout;
import imperan.show.form.SongDisplay;
import imperan.show.form.SongKey;
import imperan.show.form.Tap;
import imperan.show.form.TargetEnd;
import imperan.show.form.TextLine;
import imperan.show.form.Tilt;
import imperan.show.form.TrackDisplay;
import imperan.show.form.TrackKey;
import imperan.show.form.Wheel;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The kinds of controls a page can be given, each as it comes from the shelf. Sizes are in cells. */
public enum ControlKind {
    FADER("Fader", 2, 8, Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE)),
    KNOB("Knob", 2, 3, Knob.restingAt(0)),
    WHEEL("Wheel", 3, 3, new Wheel(24)),
    BUTTON("Button", 2, 2, Button.plain(Button.Action.MOMENTARY)),
    CHOICE(
            "Choice",
            4,
            2,
            new Choice(List.of(new Choice.Option("One", "1"), new Choice.Option("Two", "2")), Form.Direction.RIGHT)),
    PADS("Pads", 8, 8, Button.plain(Button.Action.MOMENTARY)),
    XY_PAD("XY pad", 6, 6, new Pad(Form.Grab.JUMP, false)),
    TILT("Tilt", 4, 4, new Tilt(45)),
    MOTION("Motion", 4, 4, new Motion(20)),
    COLOUR("Colour", 6, 5, Colour.USUAL),
    PIANO("Keys", 14, 4, Button.plain(Button.Action.MOMENTARY)),
    LINE("Text line", 6, 1, new TextLine()),
    TAP("Tap", 2, 2, new Tap(30, 240)),
    MATRIX("Matrix", 8, 8, new Cross()),
    METER("Meter", 1, 8, new Meter()),
    NEEDLE("Needle", 4, 3, new Needle()),
    LAMP("Lamp", 2, 1, Lamp.PLAIN),
    READOUT("Readout", 3, 1, new Readout()),
    CLOCK("Clock", 4, 2, new Clock()),
    PICTURE("Picture", 4, 3, new PictureFrame()),
    PAGE_KEY("Page key", 3, 2, new PageKey(Optional.empty())),
    TARGET_END("Address", 5, 3, new TargetEnd(Optional.empty())),
    CUE_KEY("Cue key", 4, 3, new CueKey(Optional.empty(), CueKey.CueOrder.GO, Optional.empty())),
    CUE_DISPLAY("Cue display", 8, 2, new CueDisplay(Optional.empty(), CueDisplay.Shown.NEXT)),
    TRACK_KEY("Track key", 4, 3, new TrackKey(Optional.empty(), TrackKey.TrackOrder.PLAY, Optional.empty())),
    TRACK_DISPLAY("Track display", 6, 2, new TrackDisplay(Optional.empty())),
    SONG_KEY("Song key", 4, 3, new SongKey(Optional.empty(), SongKey.SongOrder.NEXT, Optional.empty())),
    SONG_DISPLAY("Song display", 8, 2, new SongDisplay(Optional.empty(), SongDisplay.Shown.NEXT));

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

    public String called() {
        return called;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** Less than this is of no use: a single control can be small, what consists of several needs all of its room. */
    public int leastWidth() {
        return isSeveral() ? width : 1;
    }

    public int leastHeight() {
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
    public List<Part> parts(PartId id, PartId grid, int order, String label, Cells cells) {
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
            parts.add(new Part(
                    PartId.random(), Optional.of(tray), i, Control.plain(label, place, form, List.of(), List.of())));
        }
    }

    /** An octave: the five of the upper row between the seven of the lower one. A press says its number and how hard. */
    private void piano(List<Part> parts, PartId tray, Cells cells) {
        int upper = cells.height() / 2;
        int white = 0;
        for (int i = 0; i < OCTAVE; i++) {
            boolean black = NOTES[i].length() > 1;
            Cells place = black
                    ? new Cells(2 * white - 1, 0, CELL, upper)
                    : new Cells(2 * white, upper, CELL, cells.height() - upper);
            white += black ? 0 : 1;
            int note = MIDDLE_C + i;
            parts.add(new Part(
                    PartId.random(),
                    Optional.of(tray),
                    i,
                    Control.plain(
                            NOTES[i],
                            place,
                            form,
                            List.of(note(Send.Phase.PRESS, note, VELOCITY), note(Send.Phase.RELEASE, note, 0)),
                            List.of())));
        }
    }

    private static Send note(Send.Phase on, int note, int velocity) {
        return new Send(
                on,
                Optional.empty(),
                "/note",
                List.of(
                        new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, String.valueOf(note)),
                        new ArgumentSource.Fixed(ArgumentSource.ArgumentType.INT32, String.valueOf(velocity))));
    }
}
