/** The network a show lives on: addresses and ports, judged without touching a socket. */
package imperan.rig;
