package imperan.show.form;

import imperan.shaping.Tempo;

/** What a control remembers of hands between one landing and the next: the tempo of taps, and the steps that it was just turned. */
public final class HandMemory {
    final Tempo tempo;
    private int steps;

    private HandMemory(Tempo tempo) {
        this.tempo = tempo;
    }

    /** Of a control that no hand has moved. */
    public static HandMemory fresh() {
        return new HandMemory(new Tempo());
    }

    /** Of the same control once it has another form: who taps goes on in time. */
    public HandMemory kept() {
        return new HandMemory(tempo);
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
