/** Proofs of the live show, from the plan to the report. */
package imperan.server.proof;
