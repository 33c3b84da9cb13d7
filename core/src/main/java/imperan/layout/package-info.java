/** What is wanted of pages and their controls, and the cells on which it happens; how it is done is in the rooms below: placing, arranging, lines, drafts, files. */
package imperan.layout;
