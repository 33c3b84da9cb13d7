/** How lines, an address and typed arguments, become the bytes of one protocol and are read from them. OSC is the first one. */
package imperan.dialect;
