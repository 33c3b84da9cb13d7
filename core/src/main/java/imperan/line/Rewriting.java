package imperan.line;

import imperan.check.Lined;
import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Control;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Send;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Lines of one control or cue, changed all together. */
public final class Rewriting {

    private Rewriting() {}

    /** The address that stands for the control: of its first send, or where it sends nothing of its first listen. */
    public static Optional<String> address(Control control) {
        return control.sends().stream().map(Send::address).findFirst().or(() -> control.listens().stream()
                .map(Listen::address)
                .findFirst());
    }

    /** Another address for that one; what shares it goes on sharing it. */
    public static Control readdressed(Control control, String address) {
        String before = address(control).orElse("");
        return readdressed(control, other -> other.equals(before) ? address : other);
    }

    public static Control readdressed(Control control, UnaryOperator<String> address) {
        return (Control) readdressed((Body) control, address);
    }

    /** Other addresses of a control or a cue. */
    public static Body readdressed(Body body, UnaryOperator<String> address) {
        return Lined.changed(
                body,
                send -> send.at(address.apply(send.address())),
                listen -> listen.on(address.apply(listen.address())));
    }

    /** Another text for the first fixed value of each send. */
    public static Control valued(Control control, String text) {
        return control.withLines(
                control.sends().stream()
                        .map(send -> send.saying(valued(send.arguments(), text)))
                        .toList(),
                control.listens());
    }

    private static List<ArgumentSource> valued(List<ArgumentSource> sources, String text) {
        List<ArgumentSource> changed = new ArrayList<>(sources);
        for (int i = 0; i < changed.size(); i++) {
            if (changed.get(i) instanceof ArgumentSource.Fixed fixed) {
                changed.set(i, new ArgumentSource.Fixed(fixed.type(), text));
                break;
            }
        }
        return changed;
    }

    /** Another target for one, or for any where that one is empty. */
    public static Body retargeted(Body body, Optional<PartId> from, PartId to) {
        UnaryOperator<Optional<PartId>> changed =
                before -> from.isEmpty() || from.equals(before) ? Optional.of(to) : before;
        return Lined.changed(
                body,
                send -> send.to(changed.apply(send.target())),
                listen -> listen.to(changed.apply(listen.target())));
    }
}
