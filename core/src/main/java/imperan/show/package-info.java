/**
 * The show as parts: what a programmer keeps together, and how it changes.
 *
 * <p>A show is a set of {@link imperan.show.Part parts}; every change is an {@link imperan.show.Edit}, which knows its
 * own inverse, so undo, history and several people at once are one mechanism. Values that move while a show runs are
 * not here but in {@code imperan.live}.
 */
package imperan.show;
