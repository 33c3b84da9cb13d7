package imperan.server.proof;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.dialect.Dialect;
import imperan.dialect.Osc;
import imperan.live.Line;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.proof.run.ProofRun;
import imperan.server.store.ProofStore.Old;
import imperan.show.PartId;
import imperan.show.ShowJson;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** What proofs left is read again as it was written, whatever its target is spoken to in, and what cannot be read is told all the same. */
class LeftMessageTest {

    private static final PartId DESK = new PartId("desk");
    private static final JsonMapper JSON = ShowJson.mapper();

    private static ProofRun.Old left(String address) {
        return new ProofRun.Old(
                DESK,
                new Line(
                        Optional.empty(),
                        0,
                        Optional.of(DESK),
                        "Desk",
                        address,
                        List.of(new OscArgument.Float32(0.25f))));
    }

    @ParameterizedTest
    @CsvSource({"STRICT,/in/1/level", "BARE,/in/1/level", "BARE,in/1/level"})
    void isReadAgainAsItWasWritten(Osc spoken, String address) {
        Old written = JSON.readValue(JSON.writeValueAsString(LeftMessage.written(left(address), spoken)), Old.class);
        assertThat(LeftMessage.read(written)).hasValue(left(address));
        assertThat(LeftMessage.told(written)).isEqualTo("Desk " + address + " 0.25");
    }

    /** What earlier versions wrote down: one packet, without its dialect. */
    @ParameterizedTest
    @CsvSource({"/in/1/level", "in/1/level"})
    void rowsOfBeforeAreReadWhateverTheirAddress(String address) {
        String bytes = Base64.getEncoder()
                .encodeToString(OscEncoder.encode(OscMessage.of(address, new OscArgument.Float32(0.25f))));
        Old old = JSON.readValue("{\"target\":\"desk\",\"name\":\"Desk\",\"message\":\"" + bytes + "\"}", Old.class);
        assertThat(LeftMessage.read(old)).hasValue(left(address));
    }

    @Test
    void whatCannotBeReadIsToldWithWhatIsKnownOfIt() {
        Old cut = new Old("desk", "Desk", Optional.of("osc"), List.of(new byte[] {'/', 'a', 0}));
        Old foreign = new Old("desk", "Desk", Optional.of("semaphore"), List.of(new byte[] {1}, new byte[] {2}));
        Old empty = new Old("desk", "Desk", Optional.empty(), List.of());
        assertThat(List.of(cut, foreign, empty))
                .noneMatch(old -> LeftMessage.read(old).isPresent());
        assertThat(LeftMessage.told(cut))
                .isEqualTo("Desk (cannot be read: 3 bytes of OSC. Set it by hand at the target)");
        assertThat(LeftMessage.told(foreign))
                .isEqualTo(
                        "Desk (cannot be read: 2 bytes of a protocol that this Imperan does not have: semaphore. Set it by hand at the target)");
        assertThat(LeftMessage.told(empty)).startsWith("Desk (cannot be read: 0 bytes of OSC");
    }

    @Test
    void aLineOfSeveralPacketsIsOneMessage() {
        Dialect spoken = Osc.STRICT;
        List<byte[]> packets = spoken.codec().write(OscMessage.of("/a", new OscArgument.Float32(0.25f)));
        Old twice = new Old("desk", "Desk", Optional.of(spoken.id()), List.of(packets.get(0), packets.get(0)));
        assertThat(LeftMessage.read(twice)).as("the last one completes it").hasValue(left("/a"));
    }
}
