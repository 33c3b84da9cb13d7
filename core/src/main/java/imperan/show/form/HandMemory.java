package imperan.show.form;

import imperan.shaping.Tempo;

/** What a control remembers of hands between one landing and the next: the tempo of taps, the tilt that counts as level, and the steps that it was just turned. */
public final class HandMemory {
    final Tempo tempo;
    /** The tilt that counts as level, in degrees. */
    double flatSideways;

    double flatForwards;
    private int steps;

    private HandMemory(Tempo tempo) {
        this.tempo = tempo;
    }

    /** Of a control that no hand has moved. */
    public static HandMemory fresh() {
        return new HandMemory(new Tempo());
    }

    /** Of the same control once it has another form: who taps goes on in time, and level is where it was. */
    public HandMemory kept() {
        HandMemory kept = new HandMemory(tempo);
        kept.flat(flatSideways, flatForwards);
        kept.steps = steps;
        return kept;
    }

    /** A tilt counts as level from now on, in degrees. */
    public void flat(double sideways, double forwards) {
        flatSideways = sideways;
        flatForwards = forwards;
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
