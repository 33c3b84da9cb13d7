package imperan.proof.run;

import imperan.check.Lined;
import imperan.line.LineTable;
import imperan.line.TableLine;
import imperan.phrasebook.Vocabulary;
import imperan.show.Part;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** A short text that is another one as soon as a line, the end it is said to, or its phrase is: so a verdict tells whether it still holds. */
public final class Print {

    private static final int CHARACTERS = 24;

    private Print() {}

    /** Of all lines of a show that are sent or only listened to, by their names in the line table. */
    public static Map<String, String> all(Show show) {
        Map<String, String> prints = new LinkedHashMap<>();
        for (TableLine row : LineTable.of(show)) {
            if (Scope.ALL.holds(show, row)) {
                Send send = Lined.of(show.part(row.part()).orElseThrow().body())
                        .orElseThrow()
                        .sends()
                        .get(row.number() - 1);
                Optional<Target> target = send.target()
                        .flatMap(show::part)
                        .map(Part::body)
                        .filter(Target.class::isInstance)
                        .map(Target.class::cast);
                prints.put(
                        row.id(),
                        of(
                                send,
                                target.map(Target::asReached),
                                target.flatMap(found ->
                                                Vocabulary.of(show, found).said(send.address()))
                                        .map(Vocabulary.Known::phrase)));
            }
        }
        PlannedListen.of(show).forEach(listen -> prints.put(listen.id(), listen.print()));
        return prints;
    }

    /**
     * @param line    a send or a listen
     * @param reached the end that is spoken to
     */
    static String of(Record line, Optional<Target> reached, Optional<Phrase> phrase) {
        String end = reached.map(target -> target.host() + " " + target.port() + " " + target.answerPort() + " "
                        + target.transport() + " " + target.answering() + " " + target.bundles())
                .orElse("");
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256")
                    .digest((line + "\n" + end + "\n" + phrase).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, CHARACTERS);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
