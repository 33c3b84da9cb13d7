package imperan.server.socket;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.live.Command;
import imperan.show.PartId;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/** What a browser says over its WebSocket. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ClientFrame.Hello.class, name = "hello"),
    @JsonSubTypes.Type(value = ClientFrame.Called.class, name = "called"),
    @JsonSubTypes.Type(value = ClientFrame.Do.class, name = "do"),
    @JsonSubTypes.Type(value = ClientFrame.Beat.class, name = "beat"),
    @JsonSubTypes.Type(value = ClientFrame.Watch.class, name = "watch"),
    @JsonSubTypes.Type(value = ClientFrame.Selecting.class, name = "selecting")
})
@Schema(
        oneOf = {
            ClientFrame.Hello.class,
            ClientFrame.Called.class,
            ClientFrame.Do.class,
            ClientFrame.Beat.class,
            ClientFrame.Watch.class,
            ClientFrame.Selecting.class
        })
public sealed interface ClientFrame {

    /** The first frame: who this is, and which show it looks at; empty for the live one. */
    record Hello(String browser, String name, String show) implements ClientFrame {}

    /** Whoever said hello has another name from now on. */
    record Called(String name) implements ClientFrame {}

    /** Something to be done with the live show. */
    record Do(Command command) implements ClientFrame {}

    /** Sent while a finger is down, so that a device that vanishes lets go. */
    record Beat() implements ClientFrame {}

    /** What this browser has selected while building. */
    record Selecting(List<PartId> controls) implements ClientFrame {}

    /** The controls whose path is on the screen. */
    record Watch(List<PartId> traces) implements ClientFrame {}
}
