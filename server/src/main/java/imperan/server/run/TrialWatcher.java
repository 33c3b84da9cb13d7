package imperan.server.run;

/** Who is told of a trial while it runs, on the loop's thread; it must not wait for anything. */
public interface TrialWatcher {

    TrialWatcher NOBODY = new TrialWatcher() {
        @Override
        public void at(String number) {
            // nobody wants to know
        }

        @Override
        public void ended() {
            // nobody wants to know
        }
    };

    /** It has fired the cue of this number. */
    void at(String number);

    /** It is over; told once. */
    void ended();
}
