package imperan.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import imperan.osc.OscArgument;
import imperan.osc.OscEncoder;
import imperan.osc.OscMessage;
import imperan.server.run.ShowLoop;
import imperan.server.store.ProofStore;
import imperan.server.store.ShowStore;
import imperan.show.PartId;
import imperan.standins.Fault;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A server that ended in the middle of a proof offers what that moved. */
@OwnServer
class ProofLeftTest extends Proving {

    @Test
    void whatAProofLeftIsOfferedAndNeverSentByItself() {
        answering("Bellows");
        imperan.post("Bellows").byHand(OscMessage.of("/bellows/in/2/level", new OscArgument.Float32(1)));
        imperan.bean(ProofStore.class)
                .putOld(
                        imperan.show(),
                        List.of(
                                new ProofStore.Old(
                                        "eddy",
                                        "Eddy",
                                        Optional.of("osc"),
                                        List.of("noise".getBytes(StandardCharsets.US_ASCII))),
                                new ProofStore.Old(
                                        "bellows",
                                        "Bellows",
                                        Optional.of("osc-bare"),
                                        List.of(OscEncoder.encode(OscMessage.of(
                                                "/bellows/in/2/level", new OscArgument.Float32(0.25f)))))));
        PartId bellows = new PartId("bellows");
        imperan.fault("Bellows", Fault.PORT_CLOSED, true);
        Desk.waitUntil(
                "it is written down that a target was away",
                () -> imperan.bean(ShowStore.class).remembered(imperan.show()).places().away().stream()
                        .anyMatch(away -> away.target().equals(bellows)));
        imperan.fault("Bellows", Fault.PORT_CLOSED, false);
        imperan.stopServer();
        imperan.startServer();
        answering("Bellows");
        assertThat(imperan.bean(ShowLoop.class)
                        .askLive(imperan.show(), (running, now) -> running.away())
                        .join())
                .as("what was proved before is not known to hold, though it is back and this server is another one")
                .anyMatch(away -> away.target().equals(bellows));
        station();
        Locator left = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Left by a proof"));
        assertThat(left).containsText("A proof left 2 values");
        button("Start the proof").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("The last proof left values that are not back");
        left.getByText("What would be sent").click();
        assertThat(left).containsText("Bellows /bellows/in/2/level 0.25");
        assertThat(left).containsText("Eddy (cannot be read: 5 bytes of OSC");
        assertThat(standing()).containsEntry("Bellows/strips/1/level", "1.0");
        button("Put it back").click();
        assertThat(left).containsText("A proof left 1 value");
        Desk.waitUntil(
                "it is back", () -> standing().get("Bellows/strips/1/level").equals("0.25"));
        button("Put it back").click();
        assertThat(left.getByRole(AriaRole.ALERT)).containsText("Set these values by hand");
        button("Leave it as it is").click();
        assertThat(left).isHidden();
    }

    /** What cannot be written down is not moved: a crash would leave nobody who knows where it stood. */
    @Test
    void aDatabaseWithoutRoomWhileItReadsWhatStandsMovesNothing() throws SQLException {
        answering("Bellows");
        Map<String, String> before = standing();
        try (Connection owner = imperan.database();
                Statement statement = owner.createStatement()) {
            // SQLSTATE 53100 is disk_full: PostgreSQL, appendix A
            statement.execute(
                    """
                    create function no_room() returns trigger language plpgsql as
                    $$ begin raise exception 'could not extend file: No space left on device' using errcode = '53100'; end $$""");
            statement.execute(
                    "create trigger no_room before insert on proof_old for each row execute function no_room()");
            station();
            button("Start the proof").click();
            assertThat(page.getByText("nothing was sent that moves anything")).isVisible();
            waitForTheEnd();
            assertThat(standing()).isEqualTo(before);
            statement.execute("drop trigger no_room on proof_old");
        }
    }
}
