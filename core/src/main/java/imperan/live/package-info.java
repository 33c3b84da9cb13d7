/**
 * The running show: touches become messages, messages move controls, links live and are lost.
 *
 * <p>Single-threaded and without a clock: every entry takes the time as nanoseconds since 1970, and the same inputs in
 * the same order give the same outputs. What is to be sent and what has changed goes to a {@link imperan.live.LiveSink}.
 */
package imperan.live;
