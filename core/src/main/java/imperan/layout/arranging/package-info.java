/** Carries out what is wanted of pages and controls: moving, sizing, pasting, pages for phones. */
package imperan.layout.arranging;
