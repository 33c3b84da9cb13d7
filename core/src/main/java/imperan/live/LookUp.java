package imperan.live;

import imperan.osc.OscArgument;
import imperan.shaping.Chain;
import imperan.shaping.Signal;
import imperan.shaping.Span;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.FixedArgument;
import imperan.show.NamedValue;
import imperan.show.PartId;
import imperan.show.form.Form;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Where messages look up what they say and do not have themselves: named values, where other controls stand, what targets said last. */
final class LookUp {

    /** Either an argument, or why there is none. */
    record Found(Optional<OscArgument> argument, Optional<Reason> missing) {

        private static Found of(OscArgument argument) {
            return new Found(Optional.of(argument), Optional.empty());
        }

        private static Found none(Reason reason) {
            return new Found(Optional.empty(), Optional.of(reason));
        }

        private static Found read(FixedArgument read, int place) {
            return read.argument()
                    .map(Found::of)
                    .orElseGet(() ->
                            none(new Reason.LookedUpUnfit(place, read.problem().orElse(""))));
        }
    }

    private final LiveState state;
    private final Map<PartId, NamedValue> named = new HashMap<>();

    LookUp(LiveState state) {
        this.state = state;
    }

    void put(PartId id, NamedValue value) {
        named.put(id, value);
    }

    void remove(PartId id) {
        named.remove(id);
    }

    /** @param place of the argument in its message, from 0 */
    Found find(ArgumentSource.LookedUp source, int place) {
        if (source instanceof ArgumentSource.OfNamedValue of) {
            return of.value()
                    .map(named::get)
                    .map(value -> Found.read(value.as(of.type()), place))
                    .orElseGet(() -> Found.none(new Reason.NothingToLookUp(place)));
        } else if (source instanceof ArgumentSource.OfControl of) {
            return of.control()
                    .map(state.controls::get)
                    .map(control -> stands(of, control, place))
                    .orElseGet(() -> Found.none(new Reason.NothingToLookUp(place)));
        }
        ArgumentSource.Said of = (ArgumentSource.Said) source;
        return of.target()
                .map(state.links::get)
                .map(link -> said(of, link, place))
                .orElseGet(() -> Found.none(new Reason.NothingToLookUp(place)));
    }

    private static Found stands(ArgumentSource.OfControl of, LiveControl control, int place) {
        Form form = control.control.form();
        if (form.givesText()) {
            return Found.read(FixedArgument.parse(new ArgumentSource.Fixed(of.type(), control.typed)), place);
        } else if (!form.options().isEmpty()) {
            return Found.read(
                    FixedArgument.parse(new ArgumentSource.Fixed(
                            of.type(),
                            form.options()
                                    .get(form.index(control.position.first()))
                                    .text())),
                    place);
        } else if (of.axis() >= form.axes()) {
            return Found.none(new Reason.NothingToLookUp(place));
        }
        return shaped(new Chain(of.shaping()), Signal.of(control.position.get(of.axis())), of.type(), place);
    }

    private static Found said(ArgumentSource.Said of, Link link, int place) {
        Optional<List<OscArgument>> last = link.lastSaid().on(of.address());
        if (last.isEmpty()) {
            return Found.none(new Reason.NotSaidYet(link.target().name(), of.address(), link.answersQuestions()));
        }
        return Reading.argument(last.get(), of.argument())
                .flatMap(Spelling::signal)
                .map(signal -> shaped(new Chain(Span.ANY, of.shaping()), signal, of.type(), place))
                .orElseGet(() -> Found.none(new Reason.LookedUpUnfit(place, "it has no number and no text there")));
    }

    private static Found shaped(Chain chain, Signal in, ArgumentType type, int place) {
        if (!in.isNumber() && !chain.takesTexts() && !(chain.steps().isEmpty() && type == ArgumentType.TEXT)) {
            return Found.none(new Reason.LookedUpUnfit(place, "“" + in.text() + "” is not a number"));
        }
        Optional<Signal> out = chain.out(in);
        if (out.isEmpty()) {
            return Found.none(new Reason.LookedUpUnfit(place, "its steps make nothing of it"));
        } else if (!out.get().isNumber() && type != ArgumentType.TEXT) {
            return Found.none(new Reason.LookedUpUnfit(place, "“" + out.get().text() + "” is not a number"));
        }
        return Found.of(CompiledSend.argument(type, chain, out.get()));
    }
}
