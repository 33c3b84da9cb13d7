package imperan.proof;

import imperan.show.Phrasebook;
import imperan.show.Show;
import imperan.show.Target;
import java.util.Set;
import java.util.TreeSet;

/** Where a target's answers go by mistake. */
public final class OtherPorts {

    private static final int LAST = 65_535;

    private OtherPorts() {}

    /** The neighbours of the port it should answer to, its own port number, and the usual one of its kind. */
    public static Set<Integer> of(Show show, Target target) {
        Set<Integer> ports = new TreeSet<>(Set.of(target.answerPort() - 1, target.answerPort() + 1));
        ports.add(target.port());
        Phrasebook.of(show, target).flatMap(book -> book.sheet().port()).ifPresent(ports::add);
        ports.removeIf(port -> port < 1 || port > LAST || port == target.answerPort());
        return ports;
    }
}
