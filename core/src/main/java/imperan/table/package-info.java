/** Tables as text that spreadsheets open (RFC 4180): cells are shown there as they are, and nothing in them is taken for a formula. */
package imperan.table;
