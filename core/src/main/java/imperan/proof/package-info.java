/** Why an answer did not come: what is known of it, what may be the cause, and in which order. Time and evidence are arguments; nothing here asks anybody. */
package imperan.proof;
