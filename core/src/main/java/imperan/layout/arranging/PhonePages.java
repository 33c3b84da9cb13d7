package imperan.layout.arranging;

import imperan.layout.Arrangement.Cell;
import imperan.layout.FreeCells;
import imperan.layout.Grids;
import imperan.layout.Laying;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.Grid;
import imperan.show.Held;
import imperan.show.Laid;
import imperan.show.Listen;
import imperan.show.PartId;
import imperan.show.Tray;
import imperan.show.Twin;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The controls of a page laid out anew for a phone that is held upright: what stands around a fader becomes a strip that lies, strips go below one
 * another or two across, all else follows in reading order. Nothing comes to be smaller than 44 px; what has no room goes on another page.
 */
final class PhonePages {

    /** 390 px over eight columns are 44.25 px each, 844 px over fifteen rows 45.7, gaps and bars taken off: the most that {@link PageShape} finds large enough. */
    static final int COLUMNS = Form.PHONE_COLUMNS;

    private static final int ROWS = 15;
    /** Fewer rows would make few controls taller than a thumb reaches. */
    private static final int LEAST_ROWS = 8;
    /** How far above or below its fader a part of a strip may stand, in rows. */
    private static final int NEAR = 2;
    /** The least travel of a fader beside its buttons, in columns. */
    private static final int TRAVEL = 2;

    private final Grids grids;
    private final int across;

    /** @param across how many strips stand beside each other, 1 or 2 */
    PhonePages(Grids grids, int across) {
        this.grids = grids;
        this.across = across;
    }

    /** One page: so many rows of eight columns, and its controls in their places. */
    record Laying(int rows, List<Control> controls) {}

    /** The pages, at least one where there is a control. */
    List<Laying> of(PartId page) {
        List<Laying> pages = new ArrayList<>();
        List<Control> here = new ArrayList<>();
        for (List<Control> block : blocks(page)) {
            List<Cells> cells = block.stream().map(Control::cells).toList();
            Optional<Cell> way = new FreeCells(
                            new Grid(COLUMNS, ROWS),
                            here.stream().map(Control::cells).toList())
                    .wayFor(cells, Optional.empty());
            if (way.isEmpty()) {
                pages.add(page(here));
                here = new ArrayList<>();
                way = Optional.of(new Cell(0, 0));
            }
            for (Control control : block) {
                here.add(control.at(
                        control.cells().moved(way.get().column(), way.get().row())));
            }
        }
        if (!here.isEmpty()) {
            pages.add(page(here));
        }
        return pages;
    }

    /** As many rows as are used: the fewer, the larger are its controls. */
    private static Laying page(List<Control> controls) {
        Cells used = Cells.around(controls.stream().map(Control::cells).toList());
        return new Laying(Math.max(LEAST_ROWS, used.row() + used.height()), List.copyOf(controls));
    }

    // ---- what belongs together

    private List<List<Control>> blocks(PartId page) {
        List<List<Control>> blocks = new ArrayList<>();
        List<Control> loose = new ArrayList<>();
        for (Held held : grids.inReadingOrder(grids.inside(page))) {
            Laid laid = (Laid) held.part().body();
            if (laid instanceof Tray) {
                blocks.addAll(blocks(
                        controls(grids.inReadingOrder(grids.inside(held.part().id())))));
            } else {
                loose.addAll(controls(List.of(held)));
            }
        }
        List<List<Control>> all = blocks(loose);
        all.addAll(blocks);
        return all;
    }

    private List<Control> controls(List<Held> held) {
        List<Control> controls = new ArrayList<>();
        for (Held each : held) {
            Laid laid = (Laid) each.part().body();
            Optional<Control> control = laid instanceof Twin twin
                    ? grids.shown(twin).map(shown -> shown.at(twin.cells()))
                    : laid instanceof Control own ? Optional.of(own) : Optional.empty();
            control.filter(c -> !opensTray(c)).ifPresent(controls::add);
        }
        return controls;
    }

    /** What pops up lies open on a phone, so nothing opens it. */
    private boolean opensTray(Control control) {
        return control.form()
                .goesTo()
                .flatMap(grids.show()::part)
                .filter(part -> part.body() instanceof Tray)
                .isPresent();
    }

    /** Controls of one grid, as blocks that are moved as one. */
    private List<List<Control>> blocks(List<Control> controls) {
        Set<Control> taken = new HashSet<>();
        List<List<Control>> blocks = new ArrayList<>();
        for (Control control : controls) {
            if (isUpright(control)) {
                List<Control> strip = new ArrayList<>(controls.stream()
                        .filter(c -> !isUpright(c) && !taken.contains(c) && standsBy(c.cells(), control.cells()))
                        .toList());
                taken.addAll(strip);
                taken.add(control);
                List<Control> rest = new ArrayList<>(strip);
                blocks.add(strip(control, rest));
                rest.forEach(each -> blocks.add(List.of(alone(each))));
            }
        }
        controls.stream()
                .filter(control -> !taken.contains(control))
                .forEach(control -> blocks.add(List.of(alone(control))));
        return blocks;
    }

    private static boolean isUpright(Control control) {
        return control.form().place() == Form.Place.PUSHED && !control.form().liesDown();
    }

    /** Above or below the fader within its columns, or as its meter at its left. */
    private static boolean standsBy(Cells cells, Cells fader) {
        int right = fader.column() + fader.width();
        // over a meter, too, that stands beside the fader
        boolean within = cells.column() >= fader.column() - 1
                && cells.column() + cells.width() <= right
                && cells.column() + cells.width() > fader.column();
        int gap = Math.max(fader.row() - (cells.row() + cells.height()), cells.row() - (fader.row() + fader.height()));
        boolean left = cells.width() == 1 && cells.column() + 1 == fader.column() && gap < 0;
        return left || within && gap <= NEAR;
    }

    // ---- how it lies

    /**
     * A fader that lies, its meter at its left, its keys at its right or, where these are many, beneath it.
     *
     * @param rest what stands by it; what is not taken into the strip is left in it
     */
    private List<Control> strip(Control fader, List<Control> rest) {
        int wide = COLUMNS / across;
        List<Control> meters = rest.stream()
                .filter(c -> c.form().place() == Form.Place.LEVEL)
                .limit(1)
                .toList();
        List<Control> keys = rest.stream().filter(c -> c.form().turnsOnAndOff()).toList();
        List<Control> names = rest.stream().filter(c -> isName(c, fader)).toList();
        rest.removeAll(meters);
        rest.removeAll(keys);
        rest.removeAll(names);
        Control named = names.stream()
                .findFirst()
                .map(name -> bearing(fader, name.listens().get(0)))
                .orElse(fader);
        List<Control> laid = new ArrayList<>();
        int left = 0;
        for (Control meter : meters) {
            laid.add(meter.at(new Cells(left++, 0, 1, 1)));
        }
        int keyWidth = left + 2 * keys.size() + 2 * TRAVEL <= wide ? 2 : 1;
        boolean beside = left + keyWidth * keys.size() + TRAVEL <= wide;
        int end = beside ? wide - keyWidth * keys.size() : wide;
        laid.add(named.formed(named.form().pointing(Form.Direction.RIGHT))
                .at(new Cells(left, 0, Math.max(TRAVEL, end - left), 1)));
        int column = beside ? end : 0;
        int row = beside ? 0 : 1;
        for (Control key : keys) {
            if (column + keyWidth > wide) {
                column = 0;
                row++;
            }
            laid.add(key.at(new Cells(column, row, keyWidth, 1)));
            column += keyWidth;
        }
        return laid;
    }

    /** A readout of nothing but the name of the thing, which the fader can bear itself. */
    private static boolean isName(Control control, Control fader) {
        return control.form().place() == Form.Place.NAME
                && control.listens().size() == 1
                && (control.listens().get(0).address().endsWith("/name")
                        || control.listens().get(0).address().endsWith("/label")
                        || fader.listens().stream()
                                .anyMatch(listen -> listen.role() == Listen.Role.LABEL
                                        && listen.address()
                                                .equals(control.listens().get(0).address())));
    }

    private static Control bearing(Control fader, Listen name) {
        if (fader.listens().stream().anyMatch(listen -> listen.role() == Listen.Role.LABEL)) {
            return fader;
        }
        List<Listen> listens = new ArrayList<>(fader.listens());
        listens.add(Listen.label(name.target(), name.address(), name.argument()));
        return fader.withLines(fader.sends(), listens);
    }

    /** A control by itself, as large as a hand needs it. */
    private static Control alone(Control control) {
        Control here = control.formed(control.form().forPhone());
        Form.Size size = here.form().onPhone();
        return here.at(new Cells(0, 0, size.width(), Math.min(ROWS, size.height())));
    }
}
