/** What targets understand and say: read from tables and from OSCQuery JSON, written again, compared and collected. */
package imperan.phrasebook;
