/**
 * A proof while it runs. {@link imperan.proof.run.Planner} decides what may be said by itself and what not, {@link imperan.proof.run.ProofRun} says it by the door of the running show
 * like any other actor, and learns what came of it from the events of the show. Nothing here knows a clock or a thread.
 */
package imperan.proof.run;
