/** Work on pages: what is done with several controls at once, judged and placed without a screen. */
package imperan.layout;
