/** The line table: every send and listen of a show as a row, with what is wrong with it, in and out as a table of text. */
package imperan.line;
