package imperan.live;

import static imperan.live.Stage.ADA;
import static imperan.show.Shows.DESK;
import static imperan.show.Shows.PAGE;
import static imperan.show.Shows.put;

import imperan.live.Touch.Phase;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import imperan.show.Shows;
import imperan.show.form.Form;
import java.util.List;
import java.util.Optional;

/** A page with one control named “it”, and hands on it, for tests. */
final class OneControl {

    private OneControl() {}

    static Send send(Send.Phase on, String address, ArgumentSource... arguments) {
        return new Send(on, Optional.of(DESK), address, List.of(arguments));
    }

    static ArgumentSource value(int axis, double low, double high) {
        return new ArgumentSource.Value(ArgumentType.FLOAT32, low, high, axis);
    }

    static Listen hears(String address, int argument, int axis, double low, double high) {
        return Listen.value(Optional.of(DESK), address, argument, low, high, axis);
    }

    static Control control(Form form, List<Send> sends, Listen... listens) {
        return Control.plain("It", new Cells(0, 0, 1, 1), form, sends, List.of(listens));
    }

    static Stage stage(Control control) {
        return new Stage(Shows.accepted(Shows.withPage(), Shows.ADA, put(new PartId("it"), PAGE, control)));
    }

    static void touch(Stage stage, Phase phase, double x, double y) {
        touch(stage, phase, x, y, "");
    }

    static void touch(Stage stage, Phase phase, double x, double y, String words) {
        Asking.touch(stage.live, new Touch(new PartId("it"), "1", phase, x, y, false, words), ADA, stage.now);
    }

    static List<Double> positions(Stage stage) {
        return stage.value("it").axes().stream()
                .map(ControlValue.Axis::position)
                .toList();
    }
}
