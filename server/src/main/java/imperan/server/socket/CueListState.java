package imperan.server.socket;

import imperan.cue.Outcome;
import imperan.live.CueListView;
import imperan.live.FiredCue;
import imperan.osc.OscText;
import imperan.server.run.ShowClock;
import imperan.show.PartId;
import imperan.words.OutcomeWords;
import imperan.words.ReasonWords;
import java.util.List;
import java.util.Optional;

/**
 * How a cue list stands, in words. Times that are to come are told as milliseconds from now, for clocks differ.
 *
 * @param next   the cue that go fires; empty at the end
 * @param last   the one that was fired last
 * @param guardMs how long another go does nothing yet
 * @param targets to which the next cue says something
 * @param slowest the target that needs longest for the next cue; empty where none sets a pace that is felt
 * @param broken whether more cues than may would have begun without any time between
 * @param deafTo what stepped it until it was broken off for stepping itself; empty while it hears its targets
 */
public record CueListState(
        PartId list,
        Optional<PartId> next,
        Optional<PartId> last,
        double guardMs,
        boolean paused,
        boolean broken,
        Optional<String> deafTo,
        List<PartId> targets,
        Optional<Slowest> slowest,
        List<CueState> running,
        List<CueState> over) {

    /**
     * A cue that was fired.
     *
     * @param cue       its part, which may be another one by now, or gone
     * @param cueNumber as it was then, like its {@code name}
     * @param agoMs     when it was fired; {@code endsInMs} when it ends, as far as that is known; {@code followsInMs} when the next one
     *                  follows by itself
     */
    public record CueState(
            double number,
            PartId cue,
            String cueNumber,
            String name,
            String by,
            double agoMs,
            double endsInMs,
            Optional<Double> followsInMs,
            List<ActionState> actions) {

        private static CueState of(FiredCue fired, long now) {
            return new CueState(
                    fired.number(),
                    fired.id(),
                    fired.cue().number(),
                    fired.cue().name(),
                    fired.by(),
                    (now - fired.firedAt()) / 1e6,
                    Math.max(0, (fired.endsAt() - now) / 1e6),
                    fired.followsAt().map(at -> Math.max(0, (at - now) / 1e6)),
                    fired.marks().stream().map(ActionState::of).toList());
        }
    }

    /** @param word for the outcome; {@code why} it fell short, empty where it did not */
    public record ActionState(Outcome outcome, String word, Optional<String> why, Optional<String> mend) {
        private static ActionState of(FiredCue.Mark mark) {
            Optional<ReasonWords> words = mark.reason().map(ReasonWords::of);
            return new ActionState(
                    mark.outcome(),
                    OutcomeWords.of(mark.outcome(), false),
                    words.map(ReasonWords::why),
                    words.map(ReasonWords::mend));
        }
    }

    /** @param seconds that a target needs for so many messages */
    public record Slowest(PartId target, int messages, double seconds) {}

    /** As it stands at this moment. */
    public static CueListState of(CueListView view) {
        long now = ShowClock.now();
        return new CueListState(
                view.list(),
                view.next(),
                view.last(),
                view.guardedUntil() <= now ? 0 : (view.guardedUntil() - now) / 1e6,
                view.paused(),
                view.broken(),
                view.deafTo()
                        .map(stepped -> (stepped.address() + " " + OscText.brief(stepped.arguments())).strip()
                                + " from " + stepped.target()),
                view.targets(),
                view.slowest().map(slowest -> new Slowest(slowest.target(), slowest.messages(), slowest.seconds())),
                view.running().stream().map(each -> CueState.of(each, now)).toList(),
                view.over().stream().map(each -> CueState.of(each, now)).toList());
    }
}
