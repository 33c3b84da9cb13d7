package imperan.show;

import imperan.show.form.Form;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What a person touches.
 *
 * @param label   on its strip of tape; may be empty
 * @param cells   where it lies on its page
 * @param form    what it looks like and how a hand moves it
 * @param face    what it shows beside its value
 * @param behaviour how it behaves, whatever its form
 * @param sends   in the order in which they go out
 * @param listens what moves or lights it
 */
public record Control(
        String label, Cells cells, Form form, Face face, Behaviour behaviour, List<Send> sends, List<Listen> listens)
        implements Laid {

    public Control {
        sends = List.copyOf(sends);
        listens = List.copyOf(listens);
    }

    /** A control with a plain face that behaves as most do. */
    public static Control plain(String label, Cells cells, Form form, List<Send> sends, List<Listen> listens) {
        return new Control(label, cells, form, Face.PLAIN, Behaviour.PLAIN, sends, listens);
    }

    @Override
    public Control at(Cells place) {
        return new Control(label, place, form, face, behaviour, sends, listens);
    }

    public Control labelled(String text) {
        return new Control(text, cells, form, face, behaviour, sends, listens);
    }

    public Control withLines(List<Send> otherSends, List<Listen> otherListens) {
        return new Control(label, cells, form, face, behaviour, otherSends, otherListens);
    }

    public Control behaving(Behaviour other) {
        return new Control(label, cells, form, face, other, sends, listens);
    }

    public Control faced(Face other) {
        return new Control(label, cells, form, other, behaviour, sends, listens);
    }

    /** The same in another form. */
    public Control formed(Form other) {
        return new Control(label, cells, other, face, behaviour, sends, listens);
    }

    /** Whether a hand on the other one does the same: what both look like, where they lie and what they hear does not count. */
    public boolean isPlayedLike(Control other) {
        return form.equals(other.form) && sends.equals(other.sends);
    }

    @Override
    public String called() {
        return label.isBlank() ? form.called() : label;
    }

    @Override
    public Stream<ArgumentSource> sources() {
        return sends.stream().flatMap(send -> send.arguments().stream());
    }

    @Override
    public String described() {
        return form.called()
                + sends.stream()
                        .map(Send::address)
                        .distinct()
                        .map(address -> " " + address)
                        .collect(Collectors.joining());
    }

    @Override
    public void check(PartRules rules) {
        if (label.length() > PartRules.MAX_LABEL) {
            rules.problem("label", "A label has at most " + PartRules.MAX_LABEL + " characters");
        }
        if (!(form.rest() >= 0 && form.rest() <= 1)) {
            rules.problem("form/rest", "The rest value lies between 0 and 1");
        }
        if (form.holdsAt().filter(at -> !(at >= 0 && at <= 1)).isPresent()) {
            rules.problem("form/holdsAt", "Where it holds lies between 0 and 1");
        }
        rules.place(this);
        form.check(rules);
        behaviour.check(rules);
        face.check(rules);
        for (int i = 0; i < sends.size(); i++) {
            sends.get(i).check(rules, "sends/" + i, form);
        }
        for (int i = 0; i < listens.size(); i++) {
            listens.get(i).check(rules, "listens/" + i, form);
        }
    }
}
