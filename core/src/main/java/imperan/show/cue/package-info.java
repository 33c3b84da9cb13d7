/** What a cue is made of: its actions, how the next one follows, and what marks it for the eye. */
package imperan.show.cue;
