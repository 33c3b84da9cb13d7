package imperan.show;

/**
 * Where a simulated stand-in for a target listens.
 *
 * @param inUse whether messages go there now, instead of to the target itself
 */
public record StandInEnd(String host, int port, boolean inUse) {}
