/** Parts of the parts that cues follow in time: where a track takes its sound and its time from. */
package imperan.show.song;
