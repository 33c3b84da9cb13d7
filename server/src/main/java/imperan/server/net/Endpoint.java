package imperan.server.net;

import imperan.show.PartId;

/** Where a target is reached: its host and port, and the port of ours that we send from and hear it on. */
public record Endpoint(PartId target, String host, int port, int answerPort) {
}
