/** Recording what goes over the wire, and playing it back. */
package imperan.server.capture;
