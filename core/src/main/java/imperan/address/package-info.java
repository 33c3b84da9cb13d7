/** OSC addresses as people type them. */
package imperan.address;
