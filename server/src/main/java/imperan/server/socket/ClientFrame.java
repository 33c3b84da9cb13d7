package imperan.server.socket;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.live.Touch;
import imperan.show.PartId;
import io.swagger.v3.oas.annotations.media.Schema;

import java.util.List;

/** What a browser says over its WebSocket. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ClientFrame.Hello.class, name = "hello"),
    @JsonSubTypes.Type(value = ClientFrame.Called.class, name = "called"),
    @JsonSubTypes.Type(value = ClientFrame.Touched.class, name = "touch"),
    @JsonSubTypes.Type(value = ClientFrame.Beat.class, name = "beat"),
    @JsonSubTypes.Type(value = ClientFrame.Fire.class, name = "fire"),
    @JsonSubTypes.Type(value = ClientFrame.Watch.class, name = "watch")
})
@Schema(oneOf = {ClientFrame.Hello.class, ClientFrame.Called.class, ClientFrame.Touched.class, ClientFrame.Beat.class,
    ClientFrame.Fire.class, ClientFrame.Watch.class})
public sealed interface ClientFrame {

    /** The first frame: who this is, and which show it looks at; empty for the live one. */
    record Hello(String browser, String name, String show) implements ClientFrame {
    }

    /** Whoever said hello has another name from now on. */
    record Called(String name) implements ClientFrame {
    }

    /** A finger, a mouse or a key; {@code x} and {@code y} as in {@link Touch}. */
    record Touched(PartId control, String finger, Touch.Phase phase, double x, double y, boolean fine)
            implements ClientFrame {
    }

    /** Sent while a finger is down, so that a device that vanishes lets go. */
    record Beat() implements ClientFrame {
    }

    /** Send one send of a control once. */
    record Fire(PartId control, int send) implements ClientFrame {
    }

    /** What is on the screen: the Wire, and the controls whose path is shown. */
    record Watch(boolean wire, List<PartId> traces) implements ClientFrame {
    }
}
