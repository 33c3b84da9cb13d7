package imperan.layout.arranging;

import imperan.check.Lined;
import imperan.layout.Arrangement;
import imperan.layout.Arrangement.AddControl;
import imperan.layout.Arrangement.AddPage;
import imperan.layout.Arrangement.AlignControls;
import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.CopyLayout;
import imperan.layout.Arrangement.DuplicatePage;
import imperan.layout.Arrangement.FillAcross;
import imperan.layout.Arrangement.FindAndReplace;
import imperan.layout.Arrangement.GatherControls;
import imperan.layout.Arrangement.MatchSizes;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.OrderPage;
import imperan.layout.Arrangement.OwnLines;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.PhonePage;
import imperan.layout.Arrangement.PlaceLines;
import imperan.layout.Arrangement.PlacePhrases;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.Arrangement.ResizeControls;
import imperan.layout.Arrangement.ScatterTray;
import imperan.layout.Arrangement.SpreadControls;
import imperan.layout.Arrangement.SwapLayout;
import imperan.layout.Arrangement.SwapTarget;
import imperan.layout.Arrangement.TakeLearned;
import imperan.layout.ControlKind;
import imperan.layout.FreeCells;
import imperan.layout.Grids;
import imperan.layout.Laying;
import imperan.layout.Room;
import imperan.layout.drafts.Drafts;
import imperan.layout.placing.LinePlacer;
import imperan.layout.placing.PhrasePlacer;
import imperan.layout.placing.Teaching;
import imperan.line.LineEdit;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Grid;
import imperan.show.Held;
import imperan.show.Laid;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Show;
import imperan.show.Tray;
import imperan.show.Twin;
import imperan.show.cue.Acting;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Carries out arrangements: each is one edit with words for the history, or is refused with the reason. */
public final class Arranger {

    private static final Outcome GONE = Outcome.Refused.because("What you selected is no longer there");

    private final Show show;
    private final Person author;
    private final Grids grids;

    private Arranger(Show show, Person author) {
        this.show = show;
        this.author = author;
        this.grids = new Grids(show);
    }

    public static Outcome carryOut(Show show, Arrangement arrangement, Person author) {
        Arranger arranger = new Arranger(show, author);
        if (arrangement instanceof AddControl add) {
            return arranger.add(add);
        } else if (arrangement instanceof PasteControls paste) {
            return new Paster(show, paste).outcome(author);
        } else if (arrangement instanceof PlacePhrases place) {
            return new PhrasePlacer(show, place).outcome(author);
        } else if (arrangement instanceof PlaceLines place) {
            return new LinePlacer(show, place).outcome(author);
        } else if (arrangement instanceof MoveControls move) {
            return arranger.lay(move.controls(), "Move", (cells, grid) -> Laying.moved(cells, move, grid));
        } else if (arrangement instanceof ResizeControls resize) {
            return arranger.lay(resize.controls(), "Resize", (cells, grid) -> Laying.resized(cells, resize, grid));
        } else if (arrangement instanceof AlignControls align) {
            return arranger.lay(align.controls(), "Align", (cells, grid) -> Laying.aligned(cells, align));
        } else if (arrangement instanceof SpreadControls spread) {
            return arranger.spread(spread);
        } else if (arrangement instanceof MatchSizes match) {
            return arranger.lay(match.controls(), "Match the sizes of", (cells, grid) -> Laying.matched(cells, match));
        } else if (arrangement instanceof RemoveControls remove) {
            return arranger.remove(remove);
        } else if (arrangement instanceof GatherControls gather) {
            return arranger.gather(gather);
        } else if (arrangement instanceof ScatterTray scatter) {
            return arranger.scatter(scatter);
        } else if (arrangement instanceof FillAcross fill) {
            return new LineEdit(show, author).fill(arranger.grids.row(fill.controls()), fill.field(), fill.text());
        } else if (arrangement instanceof FindAndReplace replace) {
            return new LineEdit(show, author)
                    .replace(
                            arranger.lined(
                                    replace.controls().isEmpty()
                                            ? Lined.all(show).map(Part::id).toList()
                                            : replace.controls()),
                            replace.find(),
                            replace.put(),
                            replace.inAddresses(),
                            replace.inLabels());
        } else if (arrangement instanceof SwapTarget swap) {
            return new LineEdit(show, author).swap(arranger.lined(swap.controls()), swap.from(), swap.to());
        } else if (arrangement instanceof TakeLearned learned) {
            return Teaching.of(show, learned, author);
        } else if (arrangement instanceof AddPage page) {
            return arranger.apply("Add a page", arranger.grids.newPage(page.id(), page.beside(), Grids.USUAL));
        } else if (arrangement instanceof DuplicatePage duplicate) {
            return arranger.duplicate(duplicate);
        } else if (arrangement instanceof PhonePage phone) {
            return arranger.toPhone(phone);
        } else if (arrangement instanceof OwnLines own) {
            return arranger.ownLines(own);
        } else if (arrangement instanceof CopyLayout copy) {
            return new Drafts(show, author).copy(copy.layout(), copy.id());
        } else if (arrangement instanceof SwapLayout swap) {
            return new Drafts(show, author).swap(swap.draft());
        }
        return arranger.order((OrderPage) arrangement);
    }

    // ---- new controls

    private Outcome add(AddControl add) {
        Optional<Held> held =
                show.held(add.page()).filter(each -> Grid.of(each.part().body()).isPresent());
        if (held.isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        }
        if (add.at()
                .filter(cell -> !grids.free(add.page()).has(new Cells(cell.column(), cell.row(), 1, 1)))
                .isPresent()) {
            return Outcome.Refused.because("There is no free cell here. Tap another one, or remove what lies here");
        }
        ControlKind kind = add.kind();
        String label = freeLabel(kind, grids.laid(add.page()));
        Room room = Room.on(grids, held.get());
        // at a cell that a hand chose it takes what room there is; by itself it looks for enough to be of use
        Optional<Cells> usable = add.at().isPresent()
                ? fitting(add, kind.leastWidth(), kind.leastHeight())
                : fitting(
                        add,
                        Math.max(kind.leastWidth(), (kind.width() + 1) / 2),
                        Math.max(kind.leastHeight(), (kind.height() + 1) / 2));
        Cells usual = new Cells(0, 0, kind.width(), kind.height());
        Optional<Cells> place = usable.or(
                        () -> room.take(List.of(usual), add.at()).map(way -> usual.moved(way.column(), way.row())))
                .or(() -> fitting(add, kind.leastWidth(), kind.leastHeight()));
        if (place.isEmpty()) {
            return Outcome.Refused.because(kind.called()
                    + (kind.leastWidth() == 1
                            ? " needs a free cell"
                            : " take " + kind.width() + " × " + kind.height() + " cells")
                    + ", and there is no such room here. Remove something, or place it on another page");
        }
        List<EditRequest.Step> steps = new ArrayList<>(room.growth().stream().toList());
        kind.parts(add.id(), add.page(), grids.nextOrder(add.page()), label, place.get())
                .forEach(part -> steps.add(new EditRequest.Put(part, 0)));
        return apply("Add " + label + room.words(), steps);
    }

    /** Where a new control lies as it is: smaller where the room is small, as tall as it can be, but not less than this. */
    private Optional<Cells> fitting(AddControl add, int leastWidth, int leastHeight) {
        FreeCells free = grids.free(add.page());
        for (int height = add.kind().height(); height >= leastHeight; height--) {
            for (int width = add.kind().width(); width >= leastWidth; width--) {
                Cell start = add.at().orElse(new Cell(0, 0));
                Cells cells = new Cells(start.column(), start.row(), width, height);
                Optional<Cells> place = add.at().isPresent()
                        ? Optional.of(cells).filter(free::has)
                        : free.wayFor(List.of(cells), Optional.empty())
                                .map(way -> cells.moved(way.column(), way.row()));
                if (place.isPresent()) {
                    return place;
                }
            }
        }
        return Optional.empty();
    }

    /** The kind with the first number that nothing on the grid bears. */
    private static String freeLabel(ControlKind kind, List<Laid> present) {
        List<String> labels = present.stream()
                .map(laid -> laid instanceof Control control ? control.label() : laid.called())
                .toList();
        int number = 1;
        while (labels.contains(kind.called() + " " + number)) {
            number++;
        }
        return kind.called() + " " + number;
    }

    // ---- what is there

    private Outcome spread(SpreadControls spread) {
        return Laying.roomBetween(cells(present(spread.controls())), spread) < 0
                ? Outcome.Refused.because(
                        "The selected controls are together "
                                + (spread.axis() == Arrangement.Axis.ACROSS ? "wider" : "taller")
                                + " than the way from the first to the last, so there are no gaps. Move the last one further away")
                : lay(spread.controls(), "Spread", (cells, grid) -> Laying.spread(cells, spread));
    }

    /** The controls among these or in these trays, and the cues and songs among them. */
    private List<Held> lined(List<PartId> ids) {
        return Stream.concat(
                        grids.controls(ids).stream(),
                        ids.stream()
                                .flatMap(id -> show.held(id).stream())
                                .filter(held -> held.part().body() instanceof Acting))
                .toList();
    }

    private Outcome lay(List<PartId> ids, String verb, BiFunction<List<Cells>, Grid, List<Cells>> change) {
        List<Held> before = present(ids);
        if (before.isEmpty()) {
            return GONE;
        }
        List<Cells> places = change.apply(
                cells(before),
                grids.of(before.get(0).part().parent().orElseThrow()).orElseThrow());
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            Laid laid = (Laid) before.get(i).part().body();
            if (!places.get(i).equals(laid.cells())) {
                steps.add(put(before.get(i), laid.at(places.get(i))));
            }
        }
        return steps.isEmpty()
                ? Outcome.Refused.because(
                        "There is nothing to do: everything selected is in its place, or at the edge of the page")
                : apply(verb + " " + named(before), steps);
    }

    private Outcome remove(RemoveControls remove) {
        List<Held> present = remove.controls().stream()
                .distinct()
                .map(show::held)
                .flatMap(Optional::stream)
                .filter(h -> h.part().body() instanceof Laid)
                .toList();
        Set<PartId> gone = present.stream().map(h -> h.part().id()).collect(Collectors.toSet());
        // where it is shown again there would be nothing to show
        Stream<Held> twins = gone.stream()
                .flatMap(show::referringTo)
                .filter(part -> part.body() instanceof Twin && !gone.contains(part.id()))
                .distinct()
                .map(part -> show.held(part.id()).orElseThrow());
        return present.isEmpty()
                ? GONE
                : apply(
                        "Remove " + named(present),
                        Stream.concat(present.stream(), twins)
                                .map(h -> (EditRequest.Step)
                                        new EditRequest.Remove(h.part().id(), h.version()))
                                .toList());
    }

    private Outcome gather(GatherControls gather) {
        List<Held> present = present(gather.controls());
        if (present.isEmpty()) {
            return GONE;
        } else if (present.stream().anyMatch(h -> h.part().body() instanceof Tray)) {
            return Outcome.Refused.because("A tray does not lie in a tray. Take its controls out of it first");
        }
        PartId page = present.get(0).part().parent().orElseThrow();
        if (show.part(page).filter(part -> part.body() instanceof Page).isEmpty()) {
            return Outcome.Refused.because("These controls lie in a tray already");
        }
        Cells around = Cells.around(cells(present));
        List<EditRequest.Step> steps = new ArrayList<>();
        steps.add(new EditRequest.Put(
                new Part(gather.id(), Optional.of(page), grids.nextOrder(page), Tray.plain(gather.name(), around)), 0));
        for (Held held : present) {
            Laid laid = (Laid) held.part().body();
            steps.add(new EditRequest.Put(
                    new Part(
                            held.part().id(),
                            Optional.of(gather.id()),
                            held.part().order(),
                            laid.at(laid.cells().moved(-around.column(), -around.row()))),
                    held.version()));
        }
        return apply("Gather " + named(present) + " in a tray", steps);
    }

    private Outcome scatter(ScatterTray scatter) {
        Optional<Held> held = show.held(scatter.tray()).filter(h -> h.part().body() instanceof Tray);
        if (held.isEmpty()) {
            return GONE;
        }
        Tray tray = (Tray) held.get().part().body();
        if (tray.movesWindow()) {
            return Outcome.Refused.because(
                    "A bank holds more than the page has room for. Make it as wide outside as it is inside first");
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        for (Held inside : grids.inside(scatter.tray())) {
            Laid laid = (Laid) inside.part().body();
            steps.add(new EditRequest.Put(
                    new Part(
                            inside.part().id(),
                            held.get().part().parent(),
                            inside.part().order(),
                            laid.at(laid.cells()
                                    .moved(tray.cells().column(), tray.cells().row()))),
                    inside.version()));
        }
        EditRequest.Step gone =
                new EditRequest.Remove(scatter.tray(), held.get().version());
        // the tray goes first, or it would take along what still lies in it
        steps.add(0, gone);
        return apply("Take apart " + tray.called(), steps);
    }

    private List<Held> present(List<PartId> ids) {
        List<Held> all = ids.stream()
                .distinct()
                .map(show::held)
                .flatMap(Optional::stream)
                .filter(h -> h.part().body() instanceof Laid)
                .toList();
        // what lies elsewhere cannot be laid together with the first
        return all.stream()
                .filter(h -> h.part().parent().equals(all.get(0).part().parent()))
                .toList();
    }

    private static List<Cells> cells(List<Held> laid) {
        return laid.stream().map(h -> ((Laid) h.part().body()).cells()).toList();
    }

    // ---- pages

    private Outcome duplicate(DuplicatePage duplicate) {
        Optional<Part> original = show.part(duplicate.page()).filter(part -> part.body() instanceof Page);
        if (original.isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        }
        Page page = (Page) original.get().body();
        Page copy = new Page(
                duplicate
                        .screen()
                        .map(screen -> page.name() + ", " + words(screen))
                        .orElse(page.name() + " copy"),
                page.columns(),
                page.rows(),
                duplicate.screen().map(Page.Screen::of).orElse(page.screen()),
                page.strip(),
                Optional.empty());
        List<EditRequest.Step> steps = roomBehind(original.get(), 1);
        steps.add(new EditRequest.Put(
                new Part(duplicate.id(), original.get().parent(), original.get().order() + 1, copy), 0));
        Map<PartId, PartId> copies = new HashMap<>(Map.of(duplicate.page(), duplicate.id()));
        copyInside(duplicate.page(), duplicate.shares(), copies, steps);
        return apply((duplicate.shares() ? "Show again the page " : "Duplicate the page ") + page.name(), steps);
    }

    private static String words(Page.Screen.Kind screen) {
        return screen.name().toLowerCase(Locale.ROOT);
    }

    private void copyInside(PartId from, boolean shares, Map<PartId, PartId> copies, List<EditRequest.Step> steps) {
        for (Held inside : grids.inside(from)) {
            PartId id = PartId.random();
            copies.put(inside.part().id(), id);
            Body body = shares && inside.part().body() instanceof Control control
                    ? new Twin(inside.part().id(), control.cells())
                    : inside.part().body();
            steps.add(new EditRequest.Put(
                    new Part(id, Optional.of(copies.get(from)), inside.part().order(), body), 0));
            copyInside(inside.part().id(), shares, copies, steps);
        }
    }

    private Outcome ownLines(OwnLines own) {
        Optional<Held> held = show.held(own.twin()).filter(h -> h.part().body() instanceof Twin);
        Optional<Control> shown = held.flatMap(h -> grids.shown((Twin) h.part().body()));
        if (shown.isEmpty()) {
            return GONE;
        }
        Part twin = held.get().part();
        return apply(
                "Give " + shown.get().called() + " lines of its own",
                List.of(
                        new EditRequest.Remove(twin.id(), held.get().version()),
                        new EditRequest.Put(
                                new Part(
                                        own.id(),
                                        twin.parent(),
                                        twin.order(),
                                        shown.get().at(((Twin) twin.body()).cells())),
                                0)));
    }

    private Outcome toPhone(PhonePage phone) {
        Optional<Part> original = show.part(phone.page()).filter(part -> part.body() instanceof Page);
        if (original.isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        } else if (phone.across() != 1 && phone.across() != 2) {
            return Outcome.Refused.because("On a phone there is room for one strip across, or for two");
        }
        List<PhonePages.Laying> pages = new PhonePages(grids, phone.across()).of(phone.page());
        if (pages.isEmpty()) {
            return Outcome.Refused.because(
                    "There is no control on this page yet. Place some, then copy them to a phone page");
        }
        List<EditRequest.Step> steps = roomBehind(original.get(), pages.size());
        for (int i = 0; i < pages.size(); i++) {
            PhonePages.Laying laying = pages.get(i);
            PartId id = i == 0 ? phone.id() : PartId.random();
            String name = original.get().body().called() + ", phone" + (i == 0 ? "" : " " + (i + 1));
            steps.add(new EditRequest.Put(
                    new Part(
                            id,
                            original.get().parent(),
                            original.get().order() + 1 + i,
                            new Page(
                                    name,
                                    PhonePages.COLUMNS,
                                    laying.rows(),
                                    Page.Screen.of(Page.Screen.Kind.PHONE),
                                    false,
                                    Optional.empty())),
                    0));
            for (int j = 0; j < laying.controls().size(); j++) {
                steps.add(new EditRequest.Put(
                        new Part(
                                PartId.random(),
                                Optional.of(id),
                                j,
                                laying.controls().get(j)),
                        0));
            }
        }
        return apply("Copy the page " + original.get().body().called() + " to a phone page", steps);
    }

    /** Makes room for so many pages behind one: those that are there move up. */
    private List<EditRequest.Step> roomBehind(Part page, int count) {
        List<EditRequest.Step> steps = new ArrayList<>();
        List<Part> pages = pagesAround(page);
        int place = pages.indexOf(page) + 1;
        for (int i = place; i < pages.size(); i++) {
            Part later = pages.get(i);
            steps.add(new EditRequest.Put(
                    new Part(later.id(), later.parent(), page.order() + 1 + count + i - place, later.body()),
                    show.held(later.id()).orElseThrow().version()));
        }
        return steps;
    }

    private Outcome order(OrderPage order) {
        Optional<Part> page = show.part(order.page()).filter(part -> part.body() instanceof Page);
        if (page.isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        }
        List<Part> pages = new ArrayList<>(pagesAround(page.get()));
        int from = pages.indexOf(page.get());
        pages.remove(from);
        pages.add((int) Math.max(0, Math.min(pages.size(), (long) from + order.places())), page.get());
        List<EditRequest.Step> steps = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            Part each = pages.get(i);
            if (each.order() != i) {
                steps.add(new EditRequest.Put(
                        new Part(each.id(), each.parent(), i, each.body()),
                        show.held(each.id()).orElseThrow().version()));
            }
        }
        return steps.isEmpty()
                ? Outcome.Refused.because("It is there already")
                : apply("Order the page " + page.get().body().called(), steps);
    }

    private List<Part> pagesAround(Part page) {
        return show.all(Page.class).stream()
                .filter(part -> part.parent().equals(page.parent()))
                .sorted(Comparator.comparingInt(Part::order).thenComparing(Part::id))
                .toList();
    }

    // ---- edits

    private Outcome apply(String title, List<EditRequest.Step> steps) {
        return show.apply(new EditRequest(title, steps), author);
    }

    private static EditRequest.Step put(Held held, Body body) {
        return new EditRequest.Put(
                new Part(held.part().id(), held.part().parent(), held.part().order(), body), held.version());
    }

    static String named(List<Held> laid) {
        return laid.size() == 1 ? laid.get(0).part().body().called() : laid.size() + " controls";
    }
}
