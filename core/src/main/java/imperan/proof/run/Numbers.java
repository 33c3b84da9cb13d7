package imperan.proof.run;

import imperan.live.Spelling;
import imperan.osc.OscArgument;
import java.util.Optional;

/** What a target says, in the type that a line sends. */
final class Numbers {

    private Numbers() {}

    /** What was said, in the type of what is sent; empty where it cannot be. */
    static Optional<OscArgument> as(OscArgument sent, OscArgument said) {
        if (sent.getClass().equals(said.getClass()) && !(sent instanceof OscArgument.Bare)) {
            return Optional.of(said);
        }
        return Spelling.number(said).flatMap(number -> {
            if (sent instanceof OscArgument.Float32) {
                return Optional.of(new OscArgument.Float32(number.floatValue()));
            } else if (sent instanceof OscArgument.Float64) {
                return Optional.of(new OscArgument.Float64(number));
            } else if (sent instanceof OscArgument.Int32) {
                return Optional.of(new OscArgument.Int32((int) Math.round(number)));
            } else if (sent instanceof OscArgument.Int64) {
                return Optional.of(new OscArgument.Int64(Math.round(number)));
            }
            return sent instanceof OscArgument.Bare
                    ? Optional.of(number > 0 ? OscArgument.Bare.TRUE : OscArgument.Bare.FALSE)
                    : Optional.empty();
        });
    }
}
