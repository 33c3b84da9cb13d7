package imperan.server.run;

import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Form;
import imperan.show.KeepAlive;
import imperan.show.Layout;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The show that a new Imperan opens with: an evening walk at a restored tide mill, and its audio desk. */
final class DemoShow {

    static final String ID = "salt-clock";
    static final String NAME = "The Salt Clock";

    private static final PartId BELLOWS = new PartId("bellows");
    private static final PartId LAYOUT = new PartId("wheelhouse");
    private static final PartId PAGE = new PartId("sound");
    private static final List<String> INPUTS = List.of("Wheel", "Sluice gate", "Miller", "Gulls", "Tide bell", "Rope",
            "Choir L", "Choir R", "Rain", "Engine", "Talkback", "Spare");

    private final int port;
    private final int answerPort;

    /** @param port of the stand-in desk, {@code answerPort} of ours */
    DemoShow(int port, int answerPort) {
        this.port = port;
        this.answerPort = answerPort;
    }

    EditRequest asEdit() {
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(put(BELLOWS, Optional.empty(), 0, new Target("Bellows", "127.0.0.1", port, answerPort,
                Target.Answering.QUERIES, Optional.of(new KeepAlive("/bellows/stay", 3, 7)), Optional.empty())));
        steps.add(put(LAYOUT, Optional.empty(), 0, new Layout("Wheelhouse")));
        steps.add(put(PAGE, Optional.of(LAYOUT), 0, new Page("Sound", 28, 12)));
        for (int i = 1; i <= INPUTS.size(); i++) {
            strip(steps, i, 2 * (i - 1), INPUTS.get(i - 1), "/bellows/in/" + i);
        }
        strip(steps, 13, 26, "Main", "/bellows/main");
        return new EditRequest("Open the demo show", steps);
    }

    private static void strip(List<EditRequest.Step> steps, int number, int column, String name, String address) {
        steps.add(put(new PartId("level-" + number), Optional.of(PAGE), 2 * number, control(name,
                new Cells(column, 1, 2, 9), new Form.Fader(Form.Direction.UP, Form.Grab.RELATIVE, 0),
                address + "/level", ArgumentType.FLOAT32)));
        steps.add(put(new PartId("name-" + number), Optional.of(PAGE), 100 + number, new Control("", new Cells(column, 0, 2, 1),
                new Form.Readout(), List.of(), List.of(new Listen(Optional.of(BELLOWS), address + "/name", 0, 0, 1)))));
        steps.add(put(new PartId("mute-" + number), Optional.of(PAGE), 2 * number + 1, control("Mute",
                new Cells(column, 10, 2, 2), new Form.Button(true), address + "/mute", ArgumentType.INT32)));
    }

    private static Control control(String label, Cells cells, Form form, String address, ArgumentType type) {
        return new Control(label, cells, form,
                List.of(new Send(Send.Phase.CHANGE, Optional.of(BELLOWS), address,
                        List.of(new ArgumentSource.Value(type, 0, 1)))),
                List.of(new Listen(Optional.of(BELLOWS), address, 0, 0, 1)));
    }

    private static EditRequest.Step put(PartId id, Optional<PartId> parent, int order, Body body) {
        return new EditRequest.Put(new Part(id, parent, order, body), 0);
    }
}
