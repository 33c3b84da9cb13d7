package imperan.layout.placing;

import imperan.address.SlotAddress;
import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.PlacePhrases;
import imperan.layout.Arrangement.PlacePhrases.Manner;
import imperan.layout.Grids;
import imperan.layout.Room;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Grid;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrase;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.Tray;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Places controls for phrases: side by side for each address a phrase stands for, in strips where there are several phrases. */
public final class PhrasePlacer {

    private static final int WIDTH = 2;
    private static final int METER_WIDTH = 1;
    private static final int STRIPS_IN_A_ROW = 12;
    private static final int EACH_COLUMNS = 30;
    private static final int LEAST_COLUMNS = 16;
    private static final int LEAST_ROWS = 10;

    private final Show show;
    private final PlacePhrases place;
    private final List<EditRequest.Step> steps = new ArrayList<>();
    private final Grids grids;
    private final Vocabulary vocabulary;
    private int order;

    public PhrasePlacer(Show show, PlacePhrases place) {
        this.show = show;
        this.place = place;
        this.grids = new Grids(show);
        this.vocabulary = Vocabulary.of(show, place.target());
    }

    /** One phrase with its addresses, and where in a strip its control stands. */
    private record Row(PhraseControl control, SlotAddress slots, List<String> addresses, Cells cells) {}

    public Outcome outcome(Person author) {
        List<Phrase> phrases = place.phrases().stream()
                .map(show::part)
                .flatMap(Optional::stream)
                .map(Part::body)
                .filter(Phrase.class::isInstance)
                .map(Phrase.class::cast)
                .toList();
        if (show.part(place.target())
                .filter(part -> part.body() instanceof Target)
                .isEmpty()) {
            return Outcome.Refused.because("Its target is no longer in the rig");
        } else if (phrases.isEmpty()) {
            return Outcome.Refused.because("Choose a phrase first");
        } else if (place.first() < 1 || place.count() < 1 || place.count() > PlacePhrases.MOST) {
            return Outcome.Refused.because("1 to " + PlacePhrases.MOST + " can be placed at once, counted from 1");
        }
        List<Row> rows = rows(phrases);
        int most = rows.stream().mapToInt(row -> row.slots.count()).min().orElseThrow();
        if (place.first() + place.count() - 1 > most) {
            return Outcome.Refused.because(
                    phrases.size() == 1
                            ? phrases.get(0).address() + " stands for " + most + (most == 1 ? " address" : " addresses")
                            : "The strips can be numbered 1 to " + most + ", as far as each of these phrases goes");
        }
        Cells strip = Cells.around(rows.stream().map(Row::cells).toList());
        Optional<Held> page = place.page()
                .flatMap(show::held)
                .filter(held -> Grid.of(held.part().body()).isPresent());
        boolean each = place.manner() == Manner.LOOSE && place.count() == 1 && rows.size() > 1;
        Grid fresh = each ? roomForEach(rows) : roomFor(strip);
        PartId on = page.map(held -> held.part().id()).orElseGet(() -> newPage(fresh));
        Room room = page.map(held -> isUntouched(held) ? Room.toBe(held, fresh) : Room.on(grids, held))
                .orElse(Room.onNew(fresh));
        order = show.children(on).mapToInt(Part::order).max().orElse(0);
        Optional<Outcome> refused = each
                ? each(rows, on, room)
                : place.manner() == Manner.BANK ? bank(rows, strip, on, room) : strips(rows, strip, phrases, on, room);
        // the page first, or what lies beyond its old edge would be refused
        room.growth().ifPresent(step -> steps.add(0, step));
        String title = each ? "Place " + phrases.size() + " controls" : "Place " + words(phrases);
        return refused.orElseGet(() -> show.apply(new EditRequest(title + room.words(), steps), author));
    }

    /** A page on which nothing lies yet and whose cells nobody has chosen: it becomes as large as what is placed needs. */
    private boolean isUntouched(Held held) {
        return held.part().body() instanceof Page page
                && new Grid(page.columns(), page.rows()).equals(Grids.USUAL)
                && page.screen().kind() == Page.Screen.Kind.DESK
                && show.children(held.part().id()).findAny().isEmpty();
    }

    private Optional<Outcome> strips(List<Row> rows, Cells strip, List<Phrase> phrases, PartId on, Room room) {
        List<Cells> cells = rows.stream().map(Row::cells).toList();
        for (int i = 0; i < place.count(); i++) {
            Optional<Cell> way = room.take(cells, i == 0 ? place.at() : Optional.empty());
            if (way.isEmpty()) {
                return Optional.of(noRoom(i, place.count()));
            }
            if (place.manner() == Manner.TRAYS) {
                PartId tray = PartId.random();
                put(
                        tray,
                        on,
                        ++order,
                        Tray.plain(
                                words(phrases.get(0), i),
                                strip.moved(way.get().column(), way.get().row())));
                strip(rows, i, tray, new Cell(0, 0));
            } else {
                strip(rows, i, on, way.get());
            }
        }
        return Optional.empty();
    }

    private static Outcome noRoom(int placed, int wanted) {
        return Outcome.Refused.because(
                "There is room for " + placed + " of " + wanted + " here, and a page has at most " + Page.MAX_CELLS
                        + " × " + Page.MAX_CELLS + " cells. Place the others on a new page");
    }

    /** Phrases that have nothing to do with each other: one after the other, as in reading. */
    private Optional<Outcome> each(List<Row> rows, PartId on, Room room) {
        for (int i = 0; i < rows.size(); i++) {
            Row row = rows.get(i);
            Cells size = new Cells(
                    0,
                    0,
                    row.control.form().inStrip().width(),
                    row.control.form().inStrip().height());
            Optional<Cell> way = room.take(List.of(size), i == 0 ? place.at() : Optional.empty());
            if (way.isEmpty()) {
                return Optional.of(noRoom(i, rows.size()));
            }
            Cells cells = size.moved(way.get().column(), way.get().row());
            String address = row.addresses.get(place.first() - 1);
            put(
                    PartId.random(),
                    on,
                    ++order,
                    row.control.at(address, row.slots.match(address).orElse(Map.of()), place.target(), cells, false));
        }
        return Optional.empty();
    }

    /** All in one tray that shows a window of them; refused where the page has no room for the window. */
    private Optional<Outcome> bank(List<Row> rows, Cells strip, PartId on, Room room) {
        int window = Math.max(1, Math.min(place.window(), place.count()));
        Cells outside = new Cells(0, 0, window * strip.width(), strip.height());
        Optional<Cell> way = room.take(List.of(outside), place.at());
        if (way.isEmpty()) {
            return Optional.of(Outcome.Refused.because("There is no room for a bank of " + window
                    + " on this page. Let it show fewer at once, " + "or place it on a new page"));
        }
        PartId tray = PartId.random();
        put(
                tray,
                on,
                ++order,
                new Tray(
                        "Bank",
                        outside.moved(way.get().column(), way.get().row()),
                        place.count() * strip.width(),
                        strip.width(),
                        false));
        for (int i = 0; i < place.count(); i++) {
            strip(rows, i, tray, new Cell(i * strip.width(), 0));
        }
        return Optional.empty();
    }

    /** One control for each phrase, for the address with this number. */
    private void strip(List<Row> rows, int index, PartId on, Cell way) {
        for (Row row : rows) {
            String address = row.addresses.get(place.first() - 1 + index);
            Map<String, Integer> numbers = row.slots.match(address).orElse(Map.of());
            Control control = row.control.at(
                    address, numbers, place.target(), row.cells.moved(way.column(), way.row()), rows.size() > 1);
            put(PartId.random(), on, ++order, rows.size() == 1 ? named(control, row.slots, numbers) : control);
        }
    }

    /** A control that stands alone bears the name that its target gives, where that says one. */
    private Control named(Control control, SlotAddress slots, Map<String, Integer> numbers) {
        int end = slots.text().lastIndexOf('>');
        return end < 0
                ? control
                : vocabulary
                        .phrases()
                        .filter(phrase -> phrase.direction() != Phrase.Direction.OUT
                                && phrase.address().equals(slots.text().substring(0, end + 1) + "/name")
                                && !phrase.address().equals(slots.text())
                                && phrase.arguments().size() == 1
                                && phrase.arguments().get(0).type() == ArgumentType.TEXT)
                        .findFirst()
                        .map(phrase -> {
                            List<Listen> listens = new ArrayList<>(control.listens());
                            listens.add(Listen.label(
                                    Optional.of(place.target()),
                                    SlotAddress.parseFreely(phrase.address()).fill(numbers),
                                    0));
                            return control.withLines(control.sends(), listens);
                        })
                        .orElse(control);
    }

    /** Rows of a usual page's width, each as tall as the tallest: never less than what is wanted. */
    private static Grid roomForEach(List<Row> rows) {
        int widest = rows.stream()
                .mapToInt(row -> row.control.form().inStrip().width())
                .max()
                .orElseThrow();
        int tallest = rows.stream()
                .mapToInt(row -> row.control.form().inStrip().height())
                .max()
                .orElseThrow();
        int inRow = Math.max(1, EACH_COLUMNS / widest);
        return new Grid(EACH_COLUMNS, Math.max(LEAST_ROWS, tallest * ((rows.size() + inRow - 1) / inRow)));
    }

    private Grid roomFor(Cells strip) {
        int shown =
                place.manner() == Manner.BANK ? Math.max(1, Math.min(place.window(), place.count())) : place.count();
        int inRow = Math.min(shown, STRIPS_IN_A_ROW);
        return new Grid(
                Math.max(LEAST_COLUMNS, inRow * strip.width()),
                Math.max(LEAST_ROWS, strip.height() * ((shown + inRow - 1) / inRow)));
    }

    /** From top to bottom; a meter stands beside the fader of its strip. */
    private static List<Row> rows(List<Phrase> phrases) {
        List<PhraseControl> inStrip = phrases.stream()
                .map(PhraseControl::new)
                .sorted(Comparator.comparing(
                        (PhraseControl control) -> control.form().place()))
                .toList();
        boolean beside = inStrip.stream().anyMatch(PhrasePlacer::isMeter)
                && inStrip.stream().anyMatch(PhrasePlacer::isFader);
        List<Row> rows = new ArrayList<>();
        int top = 0;
        int meters = 0;
        for (PhraseControl control : inStrip) {
            SlotAddress slots = SlotAddress.parseFreely(control.address());
            int height = control.form().inStrip().height();
            boolean left = beside && isMeter(control) && meters++ == 0;
            boolean right = beside && isFader(control) && rows.stream().noneMatch(row -> isFader(row.control));
            Cells cells = left
                    ? new Cells(
                            0,
                            top,
                            METER_WIDTH,
                            Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE)
                                    .inStrip()
                                    .height())
                    : right
                            ? new Cells(METER_WIDTH, top, WIDTH, height)
                            : new Cells(
                                    0,
                                    top,
                                    beside
                                            ? METER_WIDTH + WIDTH
                                            : inStrip.size() == 1
                                                    ? control.form().inStrip().width()
                                                    : WIDTH,
                                    height);
            rows.add(new Row(control, slots, slots.expand(), cells));
            top += left ? 0 : height;
        }
        return rows;
    }

    private static boolean isMeter(PhraseControl control) {
        return control.form().place() == Form.Place.LEVEL;
    }

    private static boolean isFader(PhraseControl control) {
        return control.form().place() == Form.Place.PUSHED;
    }

    private PartId newPage(Grid grid) {
        PartId id = PartId.random();
        steps.addAll(grids.newPage(id, Optional.empty(), grid));
        return id;
    }

    private void put(PartId id, PartId parent, int order, Body body) {
        steps.add(new EditRequest.Put(new Part(id, Optional.of(parent), order, body), 0));
    }

    /** What a tray is called: the thing that the last slot numbers, and its number. */
    private String words(Phrase phrase, int index) {
        SlotAddress slots = SlotAddress.parseFreely(phrase.address());
        return slots.slots().isEmpty()
                ? "Strip"
                : slots.slots().get(slots.slots().size() - 1).name() + " " + (place.first() + index);
    }

    private String words(List<Phrase> phrases) {
        return phrases.size() > 1
                ? place.count() + " strips"
                : place.count() == 1
                        ? phrases.get(0).address()
                        : place.count() + " controls for " + phrases.get(0).address();
    }
}
