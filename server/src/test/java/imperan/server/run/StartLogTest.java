package imperan.server.run;

import static org.assertj.core.api.Assertions.assertThat;

import imperan.live.SocketState;
import imperan.show.Held;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class StartLogTest {

    private static final PartId DESK = new PartId("desk");
    private static final Show SHOW = Show.of(
            1,
            List.of(new Held(
                    new Part(
                            DESK,
                            Optional.empty(),
                            0,
                            Target.plain("Desk", "192.0.2.9", 7101, 9201, Target.Answering.REPORTS)),
                    1,
                    new Person("b", "Ada"))));

    private final StartLog log = new StartLog();

    private List<String> said() {
        return log.entries().stream()
                .map(entry -> (entry.failed() ? "! " : "") + entry.what())
                .toList();
    }

    @Test
    void whatBecameOfASocketIsSaidOnce() {
        log.live("The Salt Clock");
        log.socket(SHOW, DESK, SocketState.opening());
        log.socket(SHOW, DESK, SocketState.taken("port 9201 is taken by another program"));
        log.socket(SHOW, DESK, SocketState.taken("port 9201 is taken by another program"));
        log.socket(SHOW, DESK, SocketState.open("192.0.2.10"));
        log.socket(SHOW, DESK, SocketState.open("192.0.2.10"));
        log.socket(SHOW, new PartId("gone"), SocketState.open("192.0.2.10"));
        assertThat(said())
                .containsExactly(
                        "Desk: sending to 192.0.2.9 port 7101, receiving on 192.0.2.10 port 9201",
                        "! Desk: port 9201 is taken by another program",
                        "“The Salt Clock” is live");
        log.live("Another");
        log.socket(SHOW, DESK, SocketState.open("192.0.2.10"));
        assertThat(said()).hasSize(5);
    }

    @Test
    void theOldestMakeRoom() {
        for (int i = 0; i < StartLog.MOST + 10; i++) {
            log.done("Line " + i);
        }
        assertThat(said()).hasSize(StartLog.MOST).startsWith("Line " + (StartLog.MOST + 9));
    }
}
