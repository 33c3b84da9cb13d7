/** Cue lists that are played through for a trial: at their targets, or in a copy of the show that nobody hears. */
package imperan.trial;
