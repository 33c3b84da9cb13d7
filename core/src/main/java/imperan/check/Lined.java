package imperan.check;

import imperan.show.ArgumentSource;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.Listen;
import imperan.show.Part;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Song;
import imperan.show.cue.Acting;
import imperan.show.cue.CueAction;
import imperan.show.form.Button;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

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

    /** In one or two words, when one of its sends goes out. */
    String on(int send);

    /** What it is under another name, made from the one that it has. */
    Body named(UnaryOperator<String> name);

    /** A control that says and hears the same: the part itself, or for a cue or a song a plain button. */
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

    /** Whether it is of a kind that has lines. */
    static boolean isLined(Body body) {
        return body instanceof Control || body instanceof Acting;
    }

    /** All of a show that may have lines: controls, cues, songs. */
    static Stream<Part> all(Show show) {
        return Stream.of(Control.class, Cue.class, Song.class).flatMap(kind -> show.all(kind).stream());
    }

    /** Empty of what has no lines. */
    static Optional<Lined> of(Body body) {
        return body instanceof Control control
                ? Optional.of(new OfControl(control))
                : body instanceof Acting acting ? Optional.of(OfActions.of(acting)) : Optional.empty();
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
        public String on(int send) {
            return control.sends().get(send).on().name().toLowerCase(Locale.ROOT);
        }

        @Override
        public Body named(UnaryOperator<String> name) {
            return control.labelled(name.apply(control.label()));
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
     * The lines of a cue or a song are its actions that say one; what fades is looked at where it ends.
     *
     * @param acts those of its actions
     */
    record OfActions(Acting acting, List<Send> sends, List<Acting.Act> acts) implements Lined {

        private static OfActions of(Acting acting) {
            List<Send> sends = new ArrayList<>();
            List<Acting.Act> saying = new ArrayList<>();
            acting.acts().forEach(act -> said(act.action()).ifPresent(send -> {
                sends.add(send);
                saying.add(act);
            }));
            return new OfActions(acting, sends, saying);
        }

        private static Optional<Send> said(CueAction action) {
            if (action instanceof CueAction.SayLine say) {
                return Optional.of(new Send(Send.Phase.PRESS, say.target(), say.address(), say.arguments()));
            } else if (action instanceof CueAction.FadeLine fade) {
                return Optional.of(new Send(
                        Send.Phase.PRESS,
                        fade.target(),
                        fade.address(),
                        fade.arguments().stream()
                                .map(source -> source instanceof ArgumentSource.Value value ? end(fade, value) : source)
                                .toList()));
            }
            return Optional.empty();
        }

        private static ArgumentSource end(CueAction.FadeLine fade, ArgumentSource.Value value) {
            boolean whole = value.type() == ArgumentSource.ArgumentType.INT32
                    || value.type() == ArgumentSource.ArgumentType.INT64;
            return new ArgumentSource.Fixed(
                    value.type(), whole ? String.valueOf(Math.round(fade.to())) : String.valueOf(fade.to()));
        }

        @Override
        public List<Listen> listens() {
            return List.of();
        }

        @Override
        public String field(int send) {
            return acts.get(send).field();
        }

        @Override
        public String on(int send) {
            return acts.get(send).when();
        }

        @Override
        public Body named(UnaryOperator<String> name) {
            // a cue without a name is called by its number
            return acting instanceof Cue cue
                    ? cue.named(name.apply(cue.name()))
                    : acting.named(name.apply(acting.called()));
        }

        @Override
        public Control asControl() {
            return Control.plain(
                    acting.called(), new Cells(0, 0, 1, 1), Button.plain(Button.Action.ONE_SHOT), sends, List.of());
        }

        @Override
        public Body with(int send, Send changed) {
            CueAction before = acts.get(send).action();
            CueAction after = before instanceof CueAction.FadeLine fade
                    ? new CueAction.FadeLine(
                            fade.delay(),
                            changed.target(),
                            changed.address(),
                            fading(fade, changed),
                            fade.from(),
                            fade.to(),
                            fade.seconds(),
                            fade.curve(),
                            fade.unknown())
                    : new CueAction.SayLine(before.delay(), changed.target(), changed.address(), changed.arguments());
            return acting.acting(acts.get(send).doing(after));
        }

        /** The number that fades is again where it was, as the type that it has now. */
        private static List<ArgumentSource> fading(CueAction.FadeLine fade, Send changed) {
            int place = fade.place();
            return place < changed.arguments().size()
                    ? replaced(
                            changed.arguments(),
                            place,
                            new ArgumentSource.Value(
                                    changed.arguments().get(place).type(), List.of(), 0))
                    : fade.arguments();
        }

        @Override
        public Body with(int listen, Listen changed) {
            return (Body) acting;
        }
    }
}
