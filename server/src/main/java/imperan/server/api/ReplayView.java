package imperan.server.api;

import imperan.capture.Captured;
import imperan.live.ControlValue;
import imperan.rehearsal.Replay;
import imperan.rehearsal.Replayed;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import java.util.List;
import java.util.Optional;

/**
 * What a show made of what came in a capture, in words. Of long lists the beginning.
 *
 * @param passedOver how many packets at its end were not looked at, because there are too many
 */
public record ReplayView(
        int packets,
        Stretch stretch,
        int passedOver,
        int messages,
        int malformed,
        List<String> strangers,
        int followedCount,
        List<FollowedView> followed,
        int unfollowedCount,
        List<UnfollowedView> unfollowed,
        int silentCount,
        List<ControlName> silent) {

    private static final int MOST = 200;

    /**
     * How far it was played, in milliseconds from its first packet on.
     *
     * @param of   packets there are
     * @param at   when the last one came that was played, {@code next} when the one after it did; empty at the end
     * @param last when the last one of all came
     */
    public record Stretch(int of, double at, Optional<Double> next, double last) {
        static Stretch of(List<Captured> packets, int played) {
            return new Stretch(
                    packets.size(),
                    played == 0 ? 0 : Replay.millis(packets, played - 1),
                    played < packets.size() ? Optional.of(Replay.millis(packets, played)) : Optional.empty(),
                    packets.isEmpty() ? 0 : Replay.millis(packets, packets.size() - 1));
        }
    }

    /** @param stands how it stands in the end */
    public record FollowedView(PartId control, String label, int messages, String stands) {
        static FollowedView of(Replayed.Followed followed, Show show) {
            ControlValue value = followed.value();
            String stands = !value.words().isEmpty()
                    ? value.words()
                    : !value.echoText().isEmpty() ? value.echoText() : value.label();
            return new FollowedView(followed.control(), called(show, followed.control()), followed.messages(), stands);
        }
    }

    public record UnfollowedView(String target, String address, int messages) {}

    public record ControlName(PartId control, String label) {}

    static ReplayView of(Replayed replayed, Stretch stretch, int passedOver, Show show) {
        return new ReplayView(
                replayed.packets(),
                stretch,
                passedOver,
                replayed.messages(),
                replayed.malformed(),
                replayed.strangers().stream().limit(MOST).toList(),
                replayed.followed().size(),
                replayed.followed().stream()
                        .limit(MOST)
                        .map(each -> FollowedView.of(each, show))
                        .toList(),
                replayed.unfollowed().size(),
                replayed.unfollowed().stream()
                        .limit(MOST)
                        .map(each -> new UnfollowedView(called(show, each.target()), each.address(), each.messages()))
                        .toList(),
                replayed.silent().size(),
                replayed.silent().stream()
                        .limit(MOST)
                        .map(id -> new ControlName(id, called(show, id)))
                        .toList());
    }

    private static String called(Show show, PartId part) {
        return show.part(part).map(Part::body).map(body -> body.called()).orElse("");
    }
}
