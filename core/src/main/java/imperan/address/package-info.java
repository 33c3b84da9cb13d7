/** OSC addresses and messages as people type them. */
package imperan.address;
