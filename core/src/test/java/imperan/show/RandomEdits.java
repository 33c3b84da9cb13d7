package imperan.show;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** Edits as nobody would make them, from a seed: parts come, change, move into others, become copies in work, go, and come back. */
public final class RandomEdits {

    private final Random random;
    private final List<Edit> edits = new ArrayList<>();
    private Show show = Show.empty();
    private int names;

    public RandomEdits(long seed) {
        random = new Random(seed);
        take(show.apply(
                new EditRequest(
                        "Begin",
                        List.of(
                                Shows.put(Shows.DESK, null, Shows.target("Desk")),
                                Shows.put(Shows.LAYOUT, null, Layout.plain("Layout")),
                                Shows.put(Shows.PAGE, Shows.LAYOUT, Page.plain("Page", 64, 64)),
                                Shows.put(
                                        new PartId("book"),
                                        null,
                                        new Phrasebook("Book", Phrasebook.LinkSheet.unknown())))),
                Shows.ADA));
    }

    public Show show() {
        return show;
    }

    /** The edits so far. */
    public List<Edit> all() {
        return List.copyOf(edits);
    }

    /** The next edit that is accepted. */
    public Edit next() {
        int before = edits.size();
        while (edits.size() == before) {
            if (random.nextInt(6) == 0) {
                Edit last = edits.get(edits.size() - 1);
                take(show.revert(last, Shows.ADA, new Edit.Role(Edit.Role.Kind.UNDO, last.number())));
            } else {
                List<EditRequest.Step> steps = new ArrayList<>();
                for (int i = random.nextInt(3); i >= 0; i--) {
                    steps.add(step());
                }
                take(show.apply(new EditRequest("Edit", steps), Shows.ADA));
            }
        }
        return edits.get(edits.size() - 1);
    }

    private void take(Outcome outcome) {
        if (outcome instanceof Outcome.Accepted accepted) {
            show = accepted.show();
            edits.add(accepted.edit());
        }
    }

    private EditRequest.Step step() {
        return switch (random.nextInt(10)) {
            case 0, 1, 2 -> fresh(
                    "c",
                    any(Page.class, Tray.class),
                    Shows.fader("F", random.nextInt(64), "/f/" + random.nextInt(9))
                            .at(cells()));
            case 3 -> fresh("p", any(Layout.class), Page.plain("P", 64, 64));
            case 4 -> fresh("l", Optional.empty(), new Layout("L", draft()));
            case 5 -> fresh("h", any(Phrasebook.class), phrase("/f/<n:0.." + random.nextInt(9) + ">"));
            case 6 -> fresh("t", any(Page.class), new Tray("T", cells(), 8, 1, false));
            case 7 -> part().<EditRequest.Step>map(
                            held -> new EditRequest.Remove(held.part().id(), held.version()))
                    .orElseGet(this::step);
            default -> part().map(this::changed).orElseGet(this::step);
        };
    }

    private EditRequest.Step changed(Held held) {
        Body body = held.part().body();
        Optional<PartId> parent = held.part().parent();
        if (body instanceof Layout layout) {
            body = new Layout("L" + random.nextInt(99), draft());
        } else if (body instanceof Page page) {
            parent = any(Layout.class);
        } else if (body instanceof Control control) {
            body = random.nextBoolean() ? control.labelled("F" + random.nextInt(99)) : control.at(cells());
            parent = random.nextBoolean() ? any(Page.class, Tray.class) : parent;
        } else if (body instanceof Phrase) {
            body = phrase("/f/<n:" + random.nextInt(9) + ".." + (9 + random.nextInt(9)) + ">");
        } else if (body instanceof Target target) {
            body = target.speaking(new PartId("book"))
                    .at("10.0.0." + (1 + random.nextInt(9)), 7000 + random.nextInt(9));
        }
        return new EditRequest.Put(new Part(held.part().id(), parent, random.nextInt(20), body), held.version());
    }

    private Cells cells() {
        return new Cells(random.nextInt(64), random.nextInt(64), 1, 1);
    }

    private Optional<Layout.Draft> draft() {
        return random.nextInt(3) == 0 ? Optional.of(new Layout.Draft(Shows.LAYOUT, List.of())) : Optional.empty();
    }

    private static Phrase phrase(String address) {
        return Phrase.plain(
                address,
                Phrase.Direction.BOTH,
                List.of(Phrase.PhraseArgument.plain(
                        ArgumentSource.ArgumentType.FLOAT32,
                        Optional.empty(),
                        Optional.empty(),
                        "dB",
                        List.of(),
                        Optional.empty())),
                AnswerRule.usual(AnswerRule.Kind.SAME),
                "",
                "");
    }

    private EditRequest.Step fresh(String kind, Optional<PartId> parent, Body body) {
        return new EditRequest.Put(new Part(new PartId(kind + names++), parent, random.nextInt(20), body), 0);
    }

    @SafeVarargs
    private Optional<PartId> any(Class<? extends Body>... kinds) {
        List<Part> all = new ArrayList<>();
        for (Class<? extends Body> kind : kinds) {
            all.addAll(show.all(kind));
        }
        return all.isEmpty()
                ? Optional.empty()
                : Optional.of(all.get(random.nextInt(all.size())).id());
    }

    private Optional<Held> part() {
        List<Held> all = List.copyOf(show.parts());
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(random.nextInt(all.size())));
    }
}
