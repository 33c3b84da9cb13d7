package imperan.server.socket;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.live.Gate;
import imperan.live.Touch;
import imperan.show.PartId;
import io.swagger.v3.oas.annotations.media.Schema;

import java.util.List;
import java.util.Optional;

/** What a browser says over its WebSocket. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = ClientFrame.Hello.class, name = "hello"),
    @JsonSubTypes.Type(value = ClientFrame.Called.class, name = "called"),
    @JsonSubTypes.Type(value = ClientFrame.Touched.class, name = "touch"),
    @JsonSubTypes.Type(value = ClientFrame.Beat.class, name = "beat"),
    @JsonSubTypes.Type(value = ClientFrame.Fire.class, name = "fire"),
    @JsonSubTypes.Type(value = ClientFrame.Watch.class, name = "watch"),
    @JsonSubTypes.Type(value = ClientFrame.Gated.class, name = "gate"),
    @JsonSubTypes.Type(value = ClientFrame.StartList.class, name = "start"),
    @JsonSubTypes.Type(value = ClientFrame.LeaveAsItIs.class, name = "leave"),
    @JsonSubTypes.Type(value = ClientFrame.Refresh.class, name = "refresh"),
    @JsonSubTypes.Type(value = ClientFrame.Rest.class, name = "rest"),
    @JsonSubTypes.Type(value = ClientFrame.Selecting.class, name = "selecting")
})
@Schema(oneOf = {ClientFrame.Hello.class, ClientFrame.Called.class, ClientFrame.Touched.class, ClientFrame.Beat.class,
    ClientFrame.Fire.class, ClientFrame.Watch.class, ClientFrame.Gated.class, ClientFrame.StartList.class, ClientFrame.LeaveAsItIs.class,
    ClientFrame.Refresh.class, ClientFrame.Rest.class, ClientFrame.Selecting.class})
public sealed interface ClientFrame {

    /** The first frame: who this is, and which show it looks at; empty for the live one. */
    record Hello(String browser, String name, String show) implements ClientFrame {
    }

    /** Whoever said hello has another name from now on. */
    record Called(String name) implements ClientFrame {
    }

    /** A finger, a mouse or a key; {@code x}, {@code y} and {@code words} as in {@link Touch}. */
    record Touched(PartId control, String finger, Touch.Phase phase, double x, double y, boolean fine, String words)
            implements ClientFrame {
    }

    /** Sent while a finger is down, so that a device that vanishes lets go. */
    record Beat() implements ClientFrame {
    }

    /** Send one send of a control once. */
    record Fire(PartId control, int send) implements ClientFrame {
    }

    /** Hold, rehearse or let go: one target, or all where none is named. */
    record Gated(Optional<PartId> target, Gate gate) implements ClientFrame {
    }

    /** Send a target's start list. */
    record StartList(PartId target) implements ClientFrame {
    }

    /** Nobody wants the start list of a target that came back. */
    record LeaveAsItIs(PartId target) implements ClientFrame {
    }

    /** Ask a target for everything that the show listens to. */
    record Refresh(PartId target) implements ClientFrame {
    }

    /** Bring these controls to their rest values. */
    record Rest(List<PartId> controls) implements ClientFrame {
    }

    /** What this browser has selected while building. */
    record Selecting(List<PartId> controls) implements ClientFrame {
    }

    /** What is on the screen: the Wire, and the controls whose path is shown. */
    record Watch(boolean wire, List<PartId> traces) implements ClientFrame {
    }
}
