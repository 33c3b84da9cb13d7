package imperan.server.net;

import imperan.dialect.Dialect;
import imperan.show.PartId;
import imperan.show.Reach;

/**
 * Where a target is reached.
 *
 * @param host           its address
 * @param port           where it receives
 * @param answerPort     the port of ours that we send from and hear it on
 * @param transport      how packets travel
 * @param spoken         how packets are read
 * @param adapterAddress the address of ours to speak from; empty lets the system choose
 */
public record Endpoint(
        PartId target, String host, int port, int answerPort, Reach transport, Dialect spoken, String adapterAddress) {}
