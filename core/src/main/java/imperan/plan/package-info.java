/** The rig of a show as a plan: what is free, what is said to the people at the other ends, and what is done with targets and hosts. */
package imperan.plan;
