package imperan.show.cue;

/** How a fade goes from its start to its end. */
public enum FadeCurve {

    /** The same way in the same time. */
    EVEN {
        @Override
        public double at(double share) {
            return share;
        }
    },
    /** Slow at first: the square of the time. */
    SLOW_START {
        @Override
        public double at(double share) {
            return share * share;
        }
    },
    /** Slow at last: what is left falls with the square of the time that is left. */
    SLOW_END {
        @Override
        public double at(double share) {
            return 1 - (1 - share) * (1 - share);
        }
    },
    /** Slow at both ends: 3 t² − 2 t³, the cubic that is level at both. */
    SLOW_ENDS {
        @Override
        public double at(double share) {
            return share * share * (3 - 2 * share);
        }
    };

    /** How much of the way is gone, 0 to 1, after a share of the time, 0 to 1. */
    public abstract double at(double share);
}
