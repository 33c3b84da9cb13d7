/** What came of a proof: a verdict for each line, figures for each target, and the report that keeps them. Values, and the formats in which they leave. */
package imperan.proof.report;
