package imperan.server.proof;

import imperan.dialect.Codec;
import imperan.dialect.Dialect;
import imperan.dialect.Dialects;
import imperan.dialect.Osc;
import imperan.live.Line;
import imperan.osc.Decoded;
import imperan.osc.OscMessage;
import imperan.osc.OscText;
import imperan.proof.run.ProofRun;
import imperan.server.store.ProofStore.Old;
import imperan.show.PartId;
import imperan.show.Phrasebook;
import imperan.show.Show;
import java.util.List;
import java.util.Optional;

/**
 * A message that puts something back, between what a proof knows and what is written down: packets of the dialect that its target is spoken to in. What cannot be read
 * again is still told, with what is known of it.
 */
final class LeftMessage {

    /** Rows of before the dialect was written down: they hold OSC, of which this one reads every address. */
    private static final Dialect UNSAID = Osc.BARE;

    private LeftMessage() {}

    /** Each in the dialect of its target in this show. */
    static List<Old> written(List<ProofRun.Old> left, Show show) {
        return left.stream()
                .map(old -> written(old, Phrasebook.spokenWith(show, old.target())))
                .toList();
    }

    static Old written(ProofRun.Old old, Dialect spoken) {
        return new Old(
                old.target().value(),
                old.back().targetName(),
                Optional.of(spoken.id()),
                spoken.codec()
                        .write(new OscMessage(old.back().address(), old.back().arguments())));
    }

    /** Empty where it cannot be read. */
    static Optional<ProofRun.Old> read(Old old) {
        return message(old).map(message -> {
            PartId target = new PartId(old.target());
            return new ProofRun.Old(
                    target,
                    new Line(
                            Optional.empty(),
                            0,
                            Optional.of(target),
                            old.name(),
                            message.address(),
                            message.arguments()));
        });
    }

    private static Optional<OscMessage> message(Old old) {
        Optional<Codec> codec =
                old.dialect().map(Dialects::of).orElse(Optional.of(UNSAID)).map(Dialect::codec);
        // what one line says may take several packets, and the last of them completes it
        return codec.flatMap(reads -> old.packets().stream().map(reads::read).reduce((before, last) -> last))
                .map(Decoded::messages)
                .filter(said -> said.size() == 1)
                .map(said -> said.get(0));
    }

    /** For people. */
    static String told(Old old) {
        return old.name() + " "
                + message(old)
                        .map(message -> (message.address() + " " + OscText.brief(message.arguments())).strip())
                        .orElseGet(() -> unreadable(old));
    }

    private static String unreadable(Old old) {
        int bytes = old.packets().stream().mapToInt(packet -> packet.length).sum();
        String spoken = old.dialect()
                .map(id -> Dialects.of(id)
                        .map(Dialect::called)
                        .orElse("a protocol that this Imperan does not have: " + id))
                .orElse(UNSAID.called());
        return "(cannot be read: " + bytes + (bytes == 1 ? " byte" : " bytes") + " of " + spoken
                + ". Set it by hand at the target)";
    }
}
