package imperan.show;

/**
 * A message without arguments that a target wants again and again, or it forgets us.
 *
 * @param address       of the message, and of the answer to it
 * @param everySeconds  between two of them
 * @param windowSeconds without hearing anything, after which the link counts as lost
 */
public record KeepAlive(String address, double everySeconds, double windowSeconds) {
}
