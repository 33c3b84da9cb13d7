/** A show without sockets, fed with what was recorded. */
package imperan.rehearsal;
