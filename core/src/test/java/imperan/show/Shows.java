package imperan.show;

import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;

/** Small shows for tests. */
public final class Shows {

    public static final Person ADA = new Person("b1", "Ada");
    public static final Person BEN = new Person("b2", "Ben");
    public static final PartId DESK = new PartId("desk");
    public static final PartId LAYOUT = new PartId("layout");
    public static final PartId PAGE = new PartId("page");

    private Shows() {}

    public static Target target(String name) {
        return Target.plain(name, "127.0.0.1", 7101, 9201, Target.Answering.REPORTS);
    }

    /** A desk, a layout and a page of 8 × 8 cells. */
    public static Show withPage() {
        return accepted(
                Show.empty(),
                ADA,
                put(DESK, null, target("Desk")),
                put(LAYOUT, null, Layout.plain("Layout")),
                put(PAGE, LAYOUT, Page.plain("Page", 8, 8)));
    }

    public static Control fader(String label, int column, String address) {
        return Control.plain(
                label,
                new Cells(column, 0, 1, 4),
                Fader.restingAt(Form.Direction.UP, Form.Grab.RELATIVE, 0.25),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(DESK),
                        address,
                        List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.FLOAT32, 0, 1)))),
                List.of(Listen.value(Optional.of(DESK), address, 0, 0, 1)));
    }

    public static Control button(String label, int column, boolean latching, String address) {
        return Control.plain(
                label,
                new Cells(column, 4, 1, 1),
                Button.plain(latching ? Button.Action.LATCHING : Button.Action.MOMENTARY),
                List.of(new Send(
                        Send.Phase.CHANGE,
                        Optional.of(DESK),
                        address,
                        List.of(new ArgumentSource.Value(ArgumentSource.ArgumentType.INT32, 0, 1)))),
                List.of(Listen.value(Optional.of(DESK), address, 0, 0, 1)));
    }

    /** A new part. */
    public static EditRequest.Step put(PartId id, PartId parent, Body body) {
        return new EditRequest.Put(new Part(id, Optional.ofNullable(parent), 0, body), 0);
    }

    /** A part that is there, with another body, based on the version it has now. */
    public static EditRequest.Step change(Show show, PartId id, Body body) {
        Held held = show.held(id).orElseThrow();
        return new EditRequest.Put(
                new Part(id, held.part().parent(), held.part().order(), body), held.version());
    }

    public static EditRequest.Step remove(Show show, PartId id) {
        return new EditRequest.Remove(id, show.held(id).orElseThrow().version());
    }

    public static Outcome apply(Show show, Person author, EditRequest.Step... steps) {
        return show.apply(new EditRequest("Edit", List.of(steps)), author);
    }

    public static Show accepted(Show show, Person author, EditRequest.Step... steps) {
        return ((Outcome.Accepted) apply(show, author, steps)).show();
    }

    public static List<Problem> refused(Show show, Person author, EditRequest.Step... steps) {
        return ((Outcome.Refused) apply(show, author, steps)).problems();
    }
}
