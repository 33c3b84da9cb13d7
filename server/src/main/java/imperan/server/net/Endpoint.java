package imperan.server.net;

import imperan.show.PartId;
import imperan.show.Transport;

/**
 * Where a target is reached.
 *
 * @param host           its address
 * @param port           where it receives
 * @param answerPort     the port of ours that we send from and hear it on
 * @param transport      how packets travel
 * @param adapterAddress the address of ours to speak from; empty lets the system choose
 */
public record Endpoint(PartId target, String host, int port, int answerPort, Transport transport, String adapterAddress) {
}
