package imperan.proof.run;

import imperan.check.Lined;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.live.Expectation;
import imperan.phrasebook.Vocabulary;
import imperan.show.Listen;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.StandInEnd;
import imperan.show.Target;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A listen on an address on which no line of the show awaits its answer, such as that of a meter: a proof waits whether anything comes on it.
 *
 * @param id    as in the line table
 * @param print of listen, end and phrase as they are planned
 * @param asks  whether its target understands the address as a question that changes nothing
 */
public record PlannedListen(
        String id,
        String print,
        PartId control,
        String page,
        String label,
        PartId target,
        String targetName,
        boolean standIn,
        Listen listen,
        boolean asks) {

    /** Of all of a show that is played, in the order of the line table. */
    static List<PlannedListen> of(Show show) {
        List<TableLine> rows = LineTable.of(show).stream()
                .filter(row -> row.target().isPresent() && Scope.isPlayed(show, row))
                .toList();
        Set<String> awaited = new HashSet<>();
        rows.stream().filter(row -> row.kind() == TableLine.Kind.SEND).forEach(row -> {
            Send send = Lined.of(show.part(row.part()).orElseThrow().body())
                    .orElseThrow()
                    .sends()
                    .get(row.number() - 1);
            awaited.add(place(
                    row.target().get(),
                    Expectation.of(
                                    send.address(),
                                    Vocabulary.of(show, row.target().get()))
                            .address()
                            .orElse(send.address())));
        });
        return rows.stream()
                .filter(row -> row.kind() == TableLine.Kind.LISTEN
                        && !awaited.contains(place(row.target().get(), row.address())))
                .map(row -> of(show, row))
                .toList();
    }

    private static String place(PartId target, String address) {
        return target + " " + address;
    }

    private static PlannedListen of(Show show, TableLine row) {
        Listen listen = Lined.of(show.part(row.part()).orElseThrow().body())
                .orElseThrow()
                .listens()
                .get(row.number() - 1);
        Target target = show.part(row.target().orElseThrow())
                .map(Part::body)
                .filter(Target.class::isInstance)
                .map(Target.class::cast)
                .orElseThrow();
        Optional<Phrase> phrase =
                Vocabulary.of(show, target).heard(listen.address()).map(Vocabulary.Known::phrase);
        boolean asks = target.answering() == Target.Answering.QUERIES
                && phrase.filter(known ->
                                known.direction() == Phrase.Direction.BOTH && known.effect() == Phrase.Effect.VALUE)
                        .isPresent();
        return new PlannedListen(
                row.id(),
                Print.of(listen, Optional.of(target.asReached()), phrase),
                row.part(),
                row.page(),
                row.label(),
                row.target().get(),
                row.targetName(),
                target.standIn().filter(StandInEnd::inUse).isPresent(),
                listen,
                asks);
    }
}
