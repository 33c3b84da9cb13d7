/** A copy of a layout that somebody works on, and how it goes back. */
package imperan.layout.drafts;
