/**
 * How a list of cues runs: what go, back, stop and the rest of the orders do to it, when its actions begin, and how far its fades are. It says what is due and is told what became of it;
 * nothing is sent from here. Time is an argument, in nanoseconds of any clock that does not go back.
 */
package imperan.cue;
