package imperan.show.form;

import imperan.shaping.Smoothing;
import imperan.shaping.Tempo;
import java.util.List;
import java.util.stream.IntStream;

/** What a control remembers of hands between one landing and the next: the tempo of taps, the smoothing of its axes, and the steps that it was just turned. */
public final class HandMemory {
    final Tempo tempo;
    final List<Smoothing> smoothings;
    private int steps;

    private HandMemory(Form form, Tempo tempo) {
        this.tempo = tempo;
        this.smoothings = IntStream.range(0, form.axes()).mapToObj(axis -> new Smoothing(form.smoothingSeconds())).toList();
    }

    /** Of a control that no hand has moved. */
    public static HandMemory of(Form form) {
        return new HandMemory(form, new Tempo());
    }

    /** Of the same control once it has another form: who taps goes on in time. */
    public HandMemory with(Form form) {
        return new HandMemory(form, tempo);
    }

    void turn(int further) {
        steps += further;
    }

    /** The whole steps that it was turned since this was last asked; negative the other way. */
    public int takeSteps() {
        int taken = steps;
        steps = 0;
        return taken;
    }
}
