package imperan.server.run;

import imperan.proof.run.ProofRun;

/** Is told on the loop's thread how a proof comes along, and must not wait for anything there. */
public interface ProofWatcher {

    /** What stands at the targets was read. Once it is written down, {@link ProofRun#isWrittenDown} lets it go on; that is said on the loop. */
    void read(ProofRun run);

    /** Some lines are done since this was told last, so less is to be put back; at most once a second. */
    void advanced(ProofRun run);

    /** All was said, and put back. */
    void ended(ProofRun run);

    /** Another show got the sockets before the end. */
    void abandoned(ProofRun run);
}
