package imperan.show;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * A key of a keyboard, or of a key pad that acts as one, alone or with others held down: {@code g}, {@code F5}, {@code Ctrl+Shift+g}; by its place on the keyboard, whatever letter is
 * printed there, in brackets: {@code [KeyG]}, {@code Ctrl+[Numpad1]}. The names are those of the W3C's "UI Events KeyboardEvent key Values" and "… code Values".
 *
 * @param held    what is held down with it
 * @param key     its name; a letter as a small one
 * @param byPlace whether the name is that of a place
 */
public record KeyStroke(Set<Modifier> held, String key, boolean byPlace) {

    /** Keys that are held down while another one is pressed. */
    public enum Modifier {
        CTRL("Ctrl"),
        ALT("Alt"),
        SHIFT("Shift"),
        META("Meta");

        private final String called;

        Modifier(String called) {
            this.called = called;
        }
    }

    /** What browsers do not hand on to pages (common practice, no source). */
    private static final Set<String> KEPT_BY_BROWSERS =
            Set.of("Ctrl+w", "Ctrl+t", "Ctrl+n", "Ctrl+Shift+w", "Ctrl+Shift+t", "Ctrl+Shift+n", "Ctrl+Tab", "Alt+F4");

    public KeyStroke {
        held = held.isEmpty() ? Set.of() : EnumSet.copyOf(held);
    }

    /** @param problem empty where the text names a key */
    public record Read(Optional<KeyStroke> stroke, Optional<String> problem) {}

    public static Read read(String text) {
        Set<Modifier> held = EnumSet.noneOf(Modifier.class);
        String rest = text.strip();
        for (int plus = rest.indexOf('+', 1); plus > 0 && plus < rest.length() - 1; plus = rest.indexOf('+', 1)) {
            String word = rest.substring(0, plus).strip();
            Optional<Modifier> found = List.of(Modifier.values()).stream()
                    .filter(each -> each.called.equalsIgnoreCase(word))
                    .findFirst();
            if (found.isEmpty()) {
                return bad("“" + word + "” cannot be held with a key: Ctrl, Alt, Shift and Meta can");
            } else if (!held.add(found.get())) {
                return bad(found.get().called + " is there twice");
            }
            rest = rest.substring(plus + 1).strip();
        }
        boolean byPlace = rest.startsWith("[") && rest.endsWith("]") && rest.length() > 2;
        String name = byPlace ? rest.substring(1, rest.length() - 1) : rest;
        if (!(byPlace
                ? name.matches("[A-Za-z0-9]{1,30}")
                : name.length() == 1 && name.charAt(0) > ' ' || name.matches("[A-Za-z0-9]{2,30}"))) {
            return bad("Write one key, such as g, F5, Ctrl+g, or [KeyG] for its place on the keyboard");
        }
        KeyStroke stroke =
                new KeyStroke(held, !byPlace && name.length() == 1 ? name.toLowerCase(Locale.ROOT) : name, byPlace);
        return KEPT_BY_BROWSERS.contains(stroke.text())
                ? bad("Browsers keep " + stroke.text() + " for themselves: it never gets here")
                : new Read(Optional.of(stroke), Optional.empty());
    }

    private static Read bad(String problem) {
        return new Read(Optional.empty(), Optional.of(problem));
    }

    /** As it is written; two texts that mean the same key are written alike. */
    public String text() {
        List<String> words =
                new ArrayList<>(held.stream().sorted().map(each -> each.called).collect(Collectors.toList()));
        words.add(byPlace ? "[" + key + "]" : key);
        return String.join("+", words);
    }
}
