package imperan.show.form;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** All forms, by the names that files have for them. Whoever goes through all forms goes through this list. */
public final class Forms {
    public static final Map<String, Class<? extends Form>> ALL = all();

    private Forms() {}

    private static Map<String, Class<? extends Form>> all() {
        Map<String, Class<? extends Form>> forms = new LinkedHashMap<>();
        forms.put("fader", Fader.class);
        forms.put("button", Button.class);
        forms.put("knob", Knob.class);
        forms.put("choice", Choice.class);
        forms.put("meter", Meter.class);
        forms.put("lamp", Lamp.class);
        forms.put("readout", Readout.class);
        forms.put("cross", Cross.class);
        forms.put("pad", Pad.class);
        forms.put("colour", Colour.class);
        forms.put("tilt", Tilt.class);
        forms.put("motion", Motion.class);
        forms.put("wheel", Wheel.class);
        forms.put("tap", Tap.class);
        forms.put("line", TextLine.class);
        forms.put("needle", Needle.class);
        forms.put("clock", Clock.class);
        forms.put("pageKey", PageKey.class);
        forms.put("picture", PictureFrame.class);
        forms.put("targetEnd", TargetEnd.class);
        forms.put("cueKey", CueKey.class);
        forms.put("cueDisplay", CueDisplay.class);
        forms.put("trackKey", TrackKey.class);
        forms.put("trackDisplay", TrackDisplay.class);
        forms.put("songKey", SongKey.class);
        forms.put("songDisplay", SongDisplay.class);
        return Collections.unmodifiableMap(forms);
    }
}
