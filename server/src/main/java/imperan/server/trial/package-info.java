/** Trials of cue lists. */
package imperan.server.trial;
