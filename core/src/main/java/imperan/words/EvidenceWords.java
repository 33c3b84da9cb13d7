package imperan.words;

import imperan.live.AnswerTally;
import imperan.osc.OscText;
import imperan.proof.Evidence;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;

/** What was seen, in one sentence. */
public final class EvidenceWords {

    private static final Map<Class<?>, Function<Evidence, String>> ALL = new HashMap<>();

    static {
        say(Evidence.WentNoFurther.class, e -> ReasonWords.of(e.reason()).why());
        say(
                Evidence.Waited.class,
                e -> e.dropped() > 0
                        ? count(e.dropped(), "press", "presses") + " had no room while they waited"
                        : e.merged() == 0
                                ? "It waits for its turn"
                                : count(e.merged(), "value", "values") + " were overtaken while they waited");
        say(Evidence.PortClosed.class, e -> "Its machine said so " + ago(e.ago()));
        say(Evidence.NobodyHasAddress.class, e -> "No machine on this network answers for " + e.host());
        say(Evidence.Silence.class, e -> e.ago()
                .map(time -> "Nothing has come from it for " + seconds(time))
                .orElse("Nothing has come from it yet"));
        say(
                Evidence.SpeaksUnasked.class,
                e -> "It speaks (last " + ago(e.ago()) + "), and answers nothing that we send");
        say(Evidence.Answered.class, e -> "It answered " + ago(e.ago()));
        say(
                Evidence.OthersAnswer.class,
                e -> "It answers on " + count(e.others(), "other address", "other addresses") + ", and here to none of "
                        + count(e.here().judged(), "message", "messages"));
        say(Evidence.SomeAnswered.class, e -> latest(e.tally()));
        say(
                Evidence.InBundles.class,
                e -> "Of the last messages in bundles " + of(e.bundled()) + " were answered, of those alone "
                        + of(e.alone()));
        say(
                Evidence.Hurried.class,
                e -> "At more than 25 messages a second " + e.fast().answered() + " of "
                        + e.fast().judged() + " were answered, at less " + of(e.slow()) + " of late");
        say(
                Evidence.TooFast.class,
                e -> e.messages() + " messages left within a second; its link sheet allows " + e.allowed());
        say(
                Evidence.AfterRenewal.class,
                e -> count(e.times(), "time", "times") + " it answered again, each time after a keep-alive");
        say(
                Evidence.KeptAlive.class,
                e -> "It answered this before, and wants a keep-alive"
                        + e.answeredAgo()
                                .map(time -> "; it answered the last one " + ago(time))
                                .orElse("; it did not answer one yet"));
        say(Evidence.BookSays.class, e -> "Its phrasebook says: " + e.words());
        say(Evidence.Checked.class, Evidence.Checked::words);
        say(Evidence.Stands.class, e -> "It said " + e.address() + " " + e.text() + ", " + ago(e.ago()));
        say(Evidence.CameAs.class, e -> "The same value came as " + e.address());
        say(
                Evidence.CameElsewhere.class,
                e -> "The same value came from " + e.from().host() + " port "
                        + e.from().port() + " to our port " + e.from().ourPort()
                        + e.from()
                                .claimed()
                                .map(name -> ", and was taken for " + name)
                                .orElse(""));
        say(
                Evidence.Strays.class,
                e -> count(e.count(), "packet", "packets") + " came from " + e.host() + " port " + e.port()
                        + " to our port " + e.ourPort() + ", the last one " + ago(e.ago()));
        say(
                Evidence.Came.class,
                e -> "Sent: " + OscText.briefTags(e.sent()) + " " + OscText.brief(e.sent()) + "; came: "
                        + OscText.briefTags(e.said()) + " " + OscText.brief(e.said()));
        say(Evidence.CameLate.class, e -> "It came after " + millis(e.after()) + "; the limit is " + millis(e.limit()));
        say(Evidence.Unreadable.class, e -> "A packet that cannot be read came " + ago(e.ago()));
        say(Evidence.ForLater.class, e -> "A bundle for later came " + ago(e.ago()));
        say(
                Evidence.NoProgram.class,
                e -> count(e.datagrams(), "packet", "packets")
                        + " came to ports of this machine on which no program listens, while the target was asked "
                        + ago(e.ago()));
        say(
                Evidence.LostHere.class,
                e -> count(e.packets(), "packet", "packets") + " came faster than this machine handled them");
        say(
                Evidence.Switched.class,
                e -> e.toStandIn() ? "It is switched to its stand-in" : "It is switched to the venue");
    }

    private EvidenceWords() {}

    private static <E extends Evidence> void say(Class<E> kind, Function<E, String> words) {
        ALL.put(kind, evidence -> words.apply(kind.cast(evidence)));
    }

    public static String of(Evidence evidence) {
        return ALL.get(evidence.getClass()).apply(evidence);
    }

    private static String latest(AnswerTally tally) {
        return tally.latestAnswered() + " of the last " + tally.latest() + " were answered";
    }

    private static String of(AnswerTally tally) {
        return tally.latestAnswered() + " of " + tally.latest();
    }

    private static String count(long number, String one, String many) {
        return number + " " + (number == 1 ? one : many);
    }

    private static String ago(long nanos) {
        return seconds(nanos) + " ago";
    }

    private static String seconds(long nanos) {
        double seconds = nanos / 1e9;
        return seconds < 10
                ? String.format(Locale.ROOT, "%.1f s", seconds)
                : seconds < 120 ? Math.round(seconds) + " s" : Math.round(seconds / 60) + " min";
    }

    private static String millis(long nanos) {
        return nanos / 1_000_000 + " ms";
    }
}
