package imperan.server.access;

/** The show key is another one: whoever came in with the one before is to be let out. */
public record KeyChanged() {}
