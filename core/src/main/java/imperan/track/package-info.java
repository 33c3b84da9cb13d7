/**
 * Time that cues follow: a track with marks and beats, a transport that plays it, somebody else's clock that is followed through jitter and gaps, and the times that people and files
 * write. Time is an argument, in nanoseconds of any clock that does not go back; positions are seconds from the start of a track.
 */
package imperan.track;
