package imperan.proof.report;

import java.util.Optional;

/** Which lines are proved, as what their last proof said of each tells. */
public enum Which {
    ALL {
        @Override
        public boolean takes(Optional<Proved> last) {
            return true;
        }
    },
    /** Those that do not stand proved now. */
    OPEN {
        @Override
        public boolean takes(Optional<Proved> last) {
            return last.filter(Proved::holds).isEmpty();
        }
    },
    /** Those that fell short, whether or not they are others since. */
    SHORT {
        @Override
        public boolean takes(Optional<Proved> last) {
            return last.filter(proved -> proved.verdict().fallsShort()).isPresent();
        }
    },
    /** Those that are new, or others since: the line, the end it is said to, or its phrase. */
    CHANGED {
        @Override
        public boolean takes(Optional<Proved> last) {
            return last.map(Proved::stale).orElse(true);
        }
    };

    /** @param last what the last proof said of a line; empty where none did */
    public abstract boolean takes(Optional<Proved> last);
}
