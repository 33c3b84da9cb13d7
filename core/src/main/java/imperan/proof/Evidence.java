package imperan.proof;

import imperan.live.AnswerTally;
import imperan.live.Missed.CameFrom;
import imperan.live.Reason;
import imperan.osc.OscArgument;
import java.util.List;
import java.util.Optional;

/** Something that was seen, or that is written down. Times are nanoseconds before the question was asked. */
public sealed interface Evidence {

    /** The touch went no further, for this reason. */
    record WentNoFurther(Reason reason) implements Evidence {}

    /** It waited for the pace of its target. */
    record Waited(long merged, long dropped) implements Evidence {}

    /** Its machine said that nobody has the port open. */
    record PortClosed(long ago) implements Evidence {}

    /** The network says that no machine has this address. */
    record NobodyHasAddress(String host) implements Evidence {}

    /** Nothing ever came from it, or since then. */
    record Silence(Optional<Long> ago) implements Evidence {}

    /** Packets come from it, and none of them answers. */
    record SpeaksUnasked(long ago) implements Evidence {}

    /** It answered something. */
    record Answered(long ago) implements Evidence {}

    /** It answers on so many other addresses, and never on this one. */
    record OthersAnswer(int others, AnswerTally here) implements Evidence {}

    /** Some were answered and some were not. */
    record SomeAnswered(AnswerTally tally) implements Evidence {}

    /** What left in bundles, beside what left alone. */
    record InBundles(AnswerTally bundled, AnswerTally alone) implements Evidence {}

    /** What left while much was said, beside what left while little was. */
    record Hurried(AnswerTally fast, AnswerTally slow) implements Evidence {}

    /** More left within a second than the link sheet allows. */
    record TooFast(int messages, int allowed) implements Evidence {}

    /** Each time that it answered again after it had not, a keep-alive had left in between. */
    record AfterRenewal(int times) implements Evidence {}

    /** It is told what changes only as long as it asks again and again. */
    record KeptAlive(Optional<Long> answeredAgo) implements Evidence {}

    /** The phrasebook, or its link sheet, says so in these words. */
    record BookSays(String words) implements Evidence {}

    /** What is checked beforehand speaks against it. */
    record Checked(String words) implements Evidence {}

    /** What is masked by the target itself. */
    record Stands(String address, String text, long ago) implements Evidence {}

    /** The same came under this address. */
    record CameAs(String address) implements Evidence {}

    /** The same came from somewhere else. */
    record CameElsewhere(CameFrom from) implements Evidence {}

    /** Packets that nobody claims come from its machine, or on a port of ours that is not the answer port. */
    record Strays(String host, int port, int ourPort, long count, long ago) implements Evidence {}

    /** What came instead. */
    record Came(List<OscArgument> said, List<OscArgument> sent) implements Evidence {
        public Came {
            said = List.copyOf(said);
            sent = List.copyOf(sent);
        }
    }

    /** The answer came after all, this long after the message. */
    record CameLate(long after, long limit) implements Evidence {}

    /** Packets came that cannot be read. */
    record Unreadable(long ago) implements Evidence {}

    /** A bundle came that takes effect later. */
    record ForLater(long ago) implements Evidence {}

    /** Packets that this machine did not handle in time. */
    record LostHere(long packets) implements Evidence {}

    /** Datagrams came to ports of this machine on which no program listens, while the target was asked. */
    record NoProgram(long datagrams, long ago) implements Evidence {}

    /** Which end of the target is spoken to. */
    record Switched(boolean toStandIn) implements Evidence {}
}
