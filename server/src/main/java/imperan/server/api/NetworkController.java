package imperan.server.api;

import imperan.rig.Prefix;
import imperan.server.access.NetworkDoor;
import imperan.server.net.ServiceFinder;
import imperan.server.net.ThisMachine;
import imperan.server.run.StartLog;
import imperan.show.Problem;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Letting the network in, and the key it is asked for. */
@RestController
@RequestMapping("/api/network")
class NetworkController {

    private final NetworkDoor door;
    private final ServiceFinder finder;
    private final StartLog startLog;

    NetworkController(NetworkDoor door, ServiceFinder finder, StartLog startLog) {
        this.door = door;
        this.finder = finder;
        this.startLog = startLog;
    }

    record OpenDoor(boolean open) {}

    /** @param problems why it could not be done; empty where it was */
    record DoorAnswer(NetworkDoor.Door door, List<Problem> problems) {}

    /**
     * What was opened since the start, the newest first, and where this machine can be reached.
     *
     * @param adapters the adapters that are up, each with its addresses
     */
    record StartView(List<StartLog.StartEntry> entries, NetworkDoor.Door door, List<String> adapters) {}

    @GetMapping("/start")
    StartView start() {
        return new StartView(
                startLog.entries(),
                door.door(),
                ThisMachine.adapters().stream()
                        .map(adapter -> adapter.name() + ": "
                                + adapter.addresses().stream()
                                        .map(Prefix::toString)
                                        .collect(Collectors.joining(", ")))
                        .toList());
    }

    @GetMapping
    NetworkDoor.Door door() {
        return door.door();
    }

    @PutMapping
    ResponseEntity<DoorAnswer> open(@RequestBody OpenDoor wanted) {
        Optional<String> trouble = Optional.empty();
        if (wanted.open()) {
            trouble = door.open();
        } else {
            door.shut();
        }
        return ResponseEntity.status(trouble.isPresent() ? HttpStatus.UNPROCESSABLE_CONTENT : HttpStatus.OK)
                .body(new DoorAnswer(
                        door.door(), trouble.map(Problem::of).stream().toList()));
    }

    /** Another key: everybody on the network is asked again. */
    @PostMapping("/key")
    DoorAnswer changeKey() {
        door.changeKey();
        return new DoorAnswer(door.door(), List.of());
    }

    /** What announces itself on the network; it takes some seconds until all have spoken. */
    @GetMapping("/found")
    Collection<ServiceFinder.FoundService> found() {
        return finder.look();
    }

    /** For phones that are to trust it. */
    @GetMapping(value = "/certificate", produces = "application/x-x509-ca-cert")
    ResponseEntity<byte[]> certificate() {
        return door.certificate()
                .map(bytes -> ResponseEntity.ok()
                        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"imperan.crt\"")
                        .body(bytes))
                .orElse(ResponseEntity.notFound().build());
    }
}
