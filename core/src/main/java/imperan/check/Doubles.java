package imperan.check;

import imperan.show.ArgumentSource;
import imperan.show.Control;
import imperan.show.Cue;
import imperan.show.KeyStroke;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Phrase;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.cue.Acting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/** What must not be there twice, or is seldom meant to be: lines, actions, keys, labels and phrases, each found without looking through the show. Copies in work are left out. */
final class Doubles {

    /**
     * Something that a part has, which others may have as well.
     *
     * @param where the target, page, layout or phrasebook in which it counts
     * @param on    for lines: the kind of screen, for a page on a phone is to do the same as one on a desk
     */
    private record Trait(FindingKind kind, Optional<PartId> where, String what, Optional<Page.Screen.Kind> on) {

        private Trait(FindingKind kind, Optional<PartId> where, String what) {
            this(kind, where, what, Optional.empty());
        }
    }

    /** By each trait those that have it, in the order of their ids, each with the field in which it stands. */
    private final Map<Trait, SortedMap<PartId, String>> having = new HashMap<>();

    private final Map<PartId, Set<Trait>> traits = new HashMap<>();

    /** Takes note of a part as it is now; empty for one that is gone. */
    void note(Show show, PartId id, Optional<Part> now) {
        for (Trait gone : traits.getOrDefault(id, Set.of())) {
            SortedMap<PartId, String> others = having.get(gone);
            others.remove(id);
            if (others.isEmpty()) {
                having.remove(gone);
            }
        }
        Map<Trait, String> fresh = now.map(part -> traitsOf(show, part)).orElse(Map.of());
        fresh.forEach((trait, field) ->
                having.computeIfAbsent(trait, t -> new TreeMap<>()).put(id, field));
        if (fresh.isEmpty()) {
            traits.remove(id);
        } else {
            traits.put(id, Set.copyOf(fresh.keySet()));
        }
    }

    /** Those who have something in common with a part as it was noted last. */
    Set<PartId> alike(PartId id) {
        Set<PartId> found = new HashSet<>();
        traits.getOrDefault(id, Set.of())
                .forEach(trait -> found.addAll(having.get(trait).keySet()));
        return found;
    }

    /** What a part has in common with others: said of each but the first that has it. */
    List<Finding> of(Show show, PartId id) {
        List<Finding> found = new ArrayList<>();
        for (Trait trait : traits.getOrDefault(id, Set.of())) {
            SortedMap<PartId, String> all = having.get(trait);
            (trait.kind() == FindingKind.CUE_AND_KEY ? key(show, id, all) : first(id, all))
                    .flatMap(show::part)
                    .ifPresent(first -> found.add(Finding.of(
                                    trait.kind(),
                                    id,
                                    all.get(id),
                                    text(show, trait, id, first, all.size()),
                                    trait.what() + " " + first.id().value())
                            .because(trait.where().orElse(id))));
        }
        return found;
    }

    /** The first one that has it; empty for itself. */
    private static Optional<PartId> first(PartId id, SortedMap<PartId, String> all) {
        return Optional.of(all.firstKey()).filter(first -> !first.equals(id));
    }

    /** Of a cue or a song the first key that says the same; what several cues say, or several keys, is meant. */
    private static Optional<PartId> key(Show show, PartId id, SortedMap<PartId, String> all) {
        return show.part(id).filter(part -> part.body() instanceof Acting).flatMap(acting -> all.keySet().stream()
                .filter(other -> show.part(other)
                        .filter(part -> part.body() instanceof Control)
                        .isPresent())
                .findFirst());
    }

    private static String text(Show show, Trait trait, PartId id, Part first, int count) {
        String other = first.body().called();
        String at = "“" + other + "”"
                + PageChecks.page(show, first)
                        .map(page -> " on " + page.body().called())
                        .orElse("");
        String more = count > 2 ? " and " + (count - 2 == 1 ? "1 other" : count - 2 + " others") : "";
        String own = show.part(id).map(part -> part.body().called()).orElse("");
        return switch (trait.kind()) {
            case SAME_LINE_TWICE -> "“" + own + "” moves " + trait.what() + ", and so does " + at + more;
            case SAME_ACTION_TWICE -> "“" + own + "” starts " + trait.what() + ", and so does " + at + more;
            case CUE_AND_KEY -> (show.part(id)
                                    .filter(part -> part.body() instanceof Cue)
                                    .isPresent()
                            ? "Cue “"
                            : "Song “")
                    + own + "” says " + trait.what() + ", and so does the key " + at
                    + ": pressed together it is said twice";
            case KEY_TWICE -> "The key " + trait.what() + " presses “" + own + "”, and also " + at;
            case LABEL_TWICE -> "“" + own + "” is the label of " + count + " controls of this page";
            default -> other + " is written twice: only the first is looked at";
        };
    }

    // ---- what a part has

    private static Map<Trait, String> traitsOf(Show show, Part part) {
        Map<Trait, String> found = new HashMap<>();
        if (part.body() instanceof Phrase phrase) {
            found.put(
                    new Trait(FindingKind.PHRASE_TWICE, part.parent(), phrase.direction() + " " + phrase.address()),
                    "address");
        } else if (part.body() instanceof Control control && !show.inDraft(part)) {
            Optional<Part> page = PageChecks.page(show, part);
            for (int i = 0; i < control.sends().size(); i++) {
                Send send = control.sends().get(i);
                if (send.target().isPresent() && !send.address().isBlank()) {
                    Trait said = said(send, page);
                    found.putIfAbsent(said, "sends/" + i + "/address");
                    if (said.kind() == FindingKind.SAME_ACTION_TWICE) {
                        found.putIfAbsent(
                                new Trait(FindingKind.CUE_AND_KEY, said.where(), said.what()),
                                "sends/" + i + "/address");
                    }
                }
            }
            if (!control.behaviour().key().isEmpty()) {
                // keys press whichever page is shown
                KeyStroke.read(control.behaviour().key())
                        .stroke()
                        .ifPresent(key -> found.put(
                                new Trait(FindingKind.KEY_TWICE, Optional.empty(), key.text()), "behaviour/key"));
            }
            if (!control.label().isBlank()) {
                found.put(
                        new Trait(
                                FindingKind.LABEL_TWICE,
                                page.map(Part::id),
                                control.label().strip()),
                        "label");
            }
        } else if (part.body() instanceof Acting) {
            Lined lined = Lined.of(part.body()).orElseThrow();
            for (int i = 0; i < lined.sends().size(); i++) {
                Trait said = said(lined.sends().get(i), Optional.empty());
                if (said.kind() == FindingKind.SAME_ACTION_TWICE && said.where().isPresent()) {
                    found.putIfAbsent(
                            new Trait(FindingKind.CUE_AND_KEY, said.where(), said.what()), lined.field(i) + "/address");
                }
            }
        }
        return found;
    }

    /** The address and what stands fixed beside it: with another channel number before the value it is another line. */
    private static Trait said(Send send, Optional<Part> page) {
        boolean moves = send.arguments().stream().anyMatch(argument -> !(argument instanceof ArgumentSource.Fixed));
        StringBuilder said = new StringBuilder(send.address());
        send.arguments().forEach(argument -> {
            if (argument instanceof ArgumentSource.Fixed fixed) {
                said.append(' ').append(fixed.text());
            }
        });
        return new Trait(
                moves ? FindingKind.SAME_LINE_TWICE : FindingKind.SAME_ACTION_TWICE,
                send.target(),
                said.toString(),
                page.map(part -> ((Page) part.body()).screen().kind()));
    }
}
