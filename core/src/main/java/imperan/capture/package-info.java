/** Packets that were recorded: written to files that network analysers open, read from theirs, and played back. Time is an argument. */
package imperan.capture;
