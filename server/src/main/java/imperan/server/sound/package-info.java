/** Sound files of tracks: kept once by their hash, decoded once for their length and for the picture of their wave, and given out to browsers. */
package imperan.server.sound;
