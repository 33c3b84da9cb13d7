/**
 * Small simulated devices that speak OSC over sockets of their own, in a process of their own. A device is a class that
 * turns messages into replies with the time given; {@link imperan.standins.UdpPost} lends it a socket.
 */
package imperan.standins;
