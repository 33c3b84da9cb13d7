package imperan.check;

import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.Listen;
import imperan.show.Send;
import imperan.show.cue.CueAction;
import imperan.show.form.Button;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** What a part says and listens to, whatever it is, and what it is with one of these lines changed. */
public interface Lined {

    List<Send> sends();

    List<Listen> listens();

    /** The field of one of its sends, such as {@code sends/0}. */
    String field(int send);

    Body with(int send, Send changed);

    Body with(int listen, Listen changed);

    /** The field of one of its listens. */
    default String listenField(int listen) {
        return "listens/" + listen;
    }

    /** A control that says and hears the same: the part itself, or for a cue a plain button. */
    Control asControl();

    /** What it is with all of its lines changed. */
    static Body changed(Body body, UnaryOperator<Send> sends, UnaryOperator<Listen> listens) {
        Body now = body;
        Lined before = of(body).orElseThrow();
        for (int i = 0; i < before.sends().size(); i++) {
            now = of(now).orElseThrow().with(i, sends.apply(before.sends().get(i)));
        }
        for (int i = 0; i < before.listens().size(); i++) {
            now = of(now).orElseThrow().with(i, listens.apply(before.listens().get(i)));
        }
        return now;
    }

    /** Empty of what has no lines. */
    static Optional<Lined> of(Body body) {
        return body instanceof Control control ? Optional.of(new OfControl(control)) : body instanceof Cue cue ? Optional.of(OfCue.of(cue)) : Optional.empty();
    }

    private static <T> List<T> replaced(List<T> all, int index, T changed) {
        List<T> others = new ArrayList<>(all);
        others.set(index, changed);
        return others;
    }

    /** The lines of a control are its own. */
    record OfControl(Control control) implements Lined {

        @Override
        public List<Send> sends() {
            return control.sends();
        }

        @Override
        public List<Listen> listens() {
            return control.listens();
        }

        @Override
        public String field(int send) {
            return "sends/" + send;
        }

        @Override
        public Control asControl() {
            return control;
        }

        @Override
        public Body with(int send, Send changed) {
            return control.withLines(replaced(control.sends(), send, changed), control.listens());
        }

        @Override
        public Body with(int listen, Listen changed) {
            return control.withLines(control.sends(), replaced(control.listens(), listen, changed));
        }
    }

    /**
     * The lines of a cue are its actions that say one; what fades is looked at where it ends.
     *
     * @param places of the sends among the actions
     */
    record OfCue(Cue cue, List<Send> sends, List<Integer> places) implements Lined {

        private static OfCue of(Cue cue) {
            List<Send> sends = new ArrayList<>();
            List<Integer> places = new ArrayList<>();
            for (int i = 0; i < cue.actions().size(); i++) {
                Optional<Send> said = said(cue.actions().get(i));
                if (said.isPresent()) {
                    sends.add(said.get());
                    places.add(i);
                }
            }
            return new OfCue(cue, sends, places);
        }

        private static Optional<Send> said(CueAction action) {
            if (action instanceof CueAction.SayLine say) {
                return Optional.of(new Send(Send.Phase.PRESS, say.target(), say.address(), say.arguments()));
            } else if (action instanceof CueAction.FadeLine fade) {
                return Optional.of(new Send(Send.Phase.PRESS, fade.target(), fade.address(), fade.arguments().stream().map(source -> source instanceof ArgumentSource.Value value ? end(fade, value) : source).toList()));
            }
            return Optional.empty();
        }

        private static ArgumentSource end(CueAction.FadeLine fade, ArgumentSource.Value value) {
            boolean whole = value.type() == ArgumentSource.ArgumentType.INT32 || value.type() == ArgumentSource.ArgumentType.INT64;
            return new ArgumentSource.Fixed(value.type(), whole ? String.valueOf(Math.round(fade.to())) : String.valueOf(fade.to()));
        }

        @Override
        public List<Listen> listens() {
            return List.of();
        }

        @Override
        public String field(int send) {
            return "actions/" + places.get(send);
        }

        @Override
        public Control asControl() {
            return Control.plain(cue.called(), new Cells(0, 0, 1, 1), Button.plain(Button.Action.ONE_SHOT), sends, List.of());
        }

        @Override
        public Body with(int send, Send changed) {
            int place = places.get(send);
            CueAction before = cue.actions().get(place);
            CueAction after = before instanceof CueAction.FadeLine fade
                    ? new CueAction.FadeLine(fade.delay(), changed.target(), changed.address(), fading(fade, changed), fade.from(), fade.to(), fade.seconds(), fade.curve(), fade.unknown())
                    : new CueAction.SayLine(before.delay(), changed.target(), changed.address(), changed.arguments());
            return cue.doing(replaced(cue.actions(), place, after));
        }

        /** The number that fades is again where it was, as the type that it has now. */
        private static List<ArgumentSource> fading(CueAction.FadeLine fade, Send changed) {
            int place = fade.place();
            return place < changed.arguments().size() ? replaced(changed.arguments(), place, new ArgumentSource.Value(changed.arguments().get(place).type(), List.of(), 0)) : fade.arguments();
        }

        @Override
        public Body with(int listen, Listen changed) {
            return cue;
        }
    }
}
