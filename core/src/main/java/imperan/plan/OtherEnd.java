package imperan.plan;

import imperan.show.Target;

/** What must be typed at the other end of a link: people get the crosswise ports wrong, so it is said in words. */
public final class OtherEnd {

    private OtherEnd() {}

    /**
     * @param target  as it is meant: with its venue end, or as it is reached
     * @param ourHost our own address on the way to it; empty where it is not known
     */
    public static String words(Target target, String ourHost) {
        String receive = "At " + target.name() + ": receive on port " + target.port();
        if (target.transport().isConnection()) {
            return receive + " by " + target.transport().atOtherEnd() + "; it answers over the same connection.";
        } else if (target.answering() == Target.Answering.NONE) {
            return receive + "; it sends nothing back.";
        }
        return receive + ", and send answers to " + (ourHost.isEmpty() ? "this machine" : ourHost) + ", port "
                + target.answerPort() + ".";
    }
}
