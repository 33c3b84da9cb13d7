package imperan.layout;

import imperan.layout.Arrangement.AddControl;
import imperan.layout.Arrangement.AlignControls;
import imperan.layout.Arrangement.Axis;
import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.Extent;
import imperan.layout.Arrangement.MatchSizes;
import imperan.layout.Arrangement.MoveControls;
import imperan.layout.Arrangement.PasteControls;
import imperan.layout.Arrangement.RemoveControls;
import imperan.layout.Arrangement.ResizeControls;
import imperan.layout.Arrangement.SpreadControls;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToIntFunction;

/** Carries out arrangements: each is one edit with words for the history, or is refused with the reason. */
public final class Arranger {

    private final Show show;
    private final Person author;

    private Arranger(Show show, Person author) {
        this.show = show;
        this.author = author;
    }

    public static Outcome carryOut(Show show, Arrangement arrangement, Person author) {
        Arranger arranger = new Arranger(show, author);
        if (arrangement instanceof AddControl add) {
            return arranger.add(add);
        } else if (arrangement instanceof PasteControls paste) {
            return arranger.paste(paste);
        } else if (arrangement instanceof MoveControls move) {
            return arranger.move(move);
        } else if (arrangement instanceof ResizeControls resize) {
            return arranger.withAll(resize.controls(), "Resize", controls -> arranger.resize(controls, resize));
        } else if (arrangement instanceof AlignControls align) {
            return arranger.withAll(align.controls(), "Align", controls -> align(controls, align.edge()));
        } else if (arrangement instanceof SpreadControls spread) {
            return arranger.spread(spread);
        } else if (arrangement instanceof MatchSizes match) {
            return arranger.withAll(match.controls(), "Match the sizes of", controls -> match(controls, match.extent()));
        }
        return arranger.remove((RemoveControls) arrangement);
    }

    // ---- new controls

    private Outcome add(AddControl add) {
        Optional<Page> page = page(add.page());
        if (page.isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        }
        FreeCells free = freeOn(add.page(), page.get());
        String label = freeLabel(add.kind(), controls(add.page()));
        // smaller where the room is small, as tall as it can be
        for (int height = add.kind().height(); height >= 1; height--) {
            for (int width = add.kind().width(); width >= 1; width--) {
                Cell start = add.at().orElse(new Cell(0, 0));
                Cells cells = new Cells(start.column(), start.row(), width, height);
                Optional<Cells> place = add.at().isPresent() ? Optional.of(cells).filter(free::has)
                        : free.wayFor(List.of(cells), Optional.empty()).map(way -> cells.moved(way.column(), way.row()));
                if (place.isPresent()) {
                    Control control = new Control(label, place.get(), add.kind().form(), List.of(), List.of());
                    return apply("Add " + label, List.of(put(add.id(), add.page(), nextOrder(add.page()), control)));
                }
            }
        }
        return Outcome.Refused.because("There is no free cell here. Make the page larger or remove something");
    }

    /** The kind with the first number that no control of the page bears. */
    private static String freeLabel(ControlKind kind, List<Control> present) {
        List<String> labels = present.stream().map(Control::label).toList();
        int number = 1;
        while (labels.contains(kind.called() + " " + number)) {
            number++;
        }
        return kind.called() + " " + number;
    }

    private Outcome paste(PasteControls paste) {
        Optional<Page> page = page(paste.page());
        if (page.isEmpty()) {
            return Outcome.Refused.because("The page is no longer there");
        } else if (paste.copies().isEmpty()) {
            return Outcome.Refused.because("Nothing was copied yet. Select controls and press Ctrl+C first");
        }
        List<Cells> group = paste.copies().stream().map(copy -> copy.control().cells()).toList();
        Optional<Cell> way = freeOn(paste.page(), page.get()).wayFor(group, paste.at());
        if (way.isEmpty()) {
            return Outcome.Refused.because("This page has no room for the " + count(group.size())
                    + " in the places they have to each other. Make the page larger or remove something");
        }
        List<EditRequest.Step> steps = new ArrayList<>();
        int order = nextOrder(paste.page());
        for (PasteControls.Copy copy : paste.copies()) {
            Control placed = copy.control().at(copy.control().cells().moved(way.get().column(), way.get().row()));
            steps.add(put(copy.id(), paste.page(), order++, reachable(placed)));
        }
        return apply("Paste " + named(paste.copies().stream().map(PasteControls.Copy::control).toList()), steps);
    }

    /** A control from another show may name targets that this one has not: such a line waits for a target. */
    private Control reachable(Control control) {
        return new Control(control.label(), control.cells(), control.form(),
                control.sends().stream().map(s -> new Send(s.on(), s.target().filter(this::isTarget), s.address(), s.arguments())).toList(),
                control.listens().stream().map(l -> new Listen(l.target().filter(this::isTarget), l.address(), l.argument(), l.low(),
                        l.high())).toList());
    }

    private boolean isTarget(PartId id) {
        return show.part(id).filter(part -> part.body() instanceof Target).isPresent();
    }

    // ---- controls that are there

    /** A control and the cells it is to have. */
    private record Placed(Held held, Control control, Cells cells) {
    }

    private Outcome move(MoveControls move) {
        return withAll(move.controls(), "Move", controls -> {
            Page page = pageOf(controls.get(0));
            int right = within(move.right(), -least(controls, Cells::column),
                    page.columns() - most(controls, c -> c.column() + c.width()));
            int down = within(move.down(), -least(controls, Cells::row), page.rows() - most(controls, c -> c.row() + c.height()));
            return each(controls, c -> c.moved(right, down));
        });
    }

    private List<Placed> resize(List<Placed> controls, ResizeControls resize) {
        Page page = pageOf(controls.get(0));
        return each(controls, c -> new Cells(c.column(), c.row(),
                c.width() + within(resize.wider(), 1 - c.width(), page.columns() - c.column() - c.width()),
                c.height() + within(resize.taller(), 1 - c.height(), page.rows() - c.row() - c.height())));
    }

    private static List<Placed> align(List<Placed> controls, Arrangement.Edge edge) {
        int left = least(controls, Cells::column);
        int right = most(controls, c -> c.column() + c.width());
        int top = least(controls, Cells::row);
        int bottom = most(controls, c -> c.row() + c.height());
        return each(controls, c -> switch (edge) {
            case LEFT -> new Cells(left, c.row(), c.width(), c.height());
            case RIGHT -> new Cells(right - c.width(), c.row(), c.width(), c.height());
            case TOP -> new Cells(c.column(), top, c.width(), c.height());
            case BOTTOM -> new Cells(c.column(), bottom - c.height(), c.width(), c.height());
        });
    }

    private Outcome spread(SpreadControls spread) {
        boolean across = spread.axis() == Axis.ACROSS;
        return roomBetween(present(spread.controls()), across) < 0
                ? Outcome.Refused.because("The selected controls are together " + (across ? "wider" : "taller")
                        + " than the way from the first to the last, so there are no gaps. Move the last one further away")
                : withAll(spread.controls(), "Spread", controls -> spread(controls, across));
    }

    private static List<Placed> inOrder(List<Placed> controls, boolean across) {
        return controls.stream().sorted(Comparator.comparingInt(p -> start(p.cells(), across))).toList();
    }

    /** The cells between the first and the last that no control of the row takes; negative where they overlap along it. */
    private static int roomBetween(List<Placed> controls, boolean across) {
        if (controls.size() < 2) {
            return 0;
        }
        List<Placed> row = inOrder(controls, across);
        return start(row.get(row.size() - 1).cells(), across) - start(row.get(0).cells(), across)
                - row.stream().limit(row.size() - 1L).mapToInt(p -> size(p.cells(), across)).sum();
    }

    private static int start(Cells cells, boolean across) {
        return across ? cells.column() : cells.row();
    }

    private static int size(Cells cells, boolean across) {
        return across ? cells.width() : cells.height();
    }

    private static List<Placed> spread(List<Placed> controls, boolean across) {
        if (controls.size() < 2) {
            return controls;
        }
        List<Placed> inOrder = inOrder(controls, across);
        int gaps = inOrder.size() - 1;
        int room = roomBetween(controls, across);
        List<Placed> spread = new ArrayList<>();
        int next = start(inOrder.get(0).cells(), across);
        for (int i = 0; i < inOrder.size(); i++) {
            Placed placed = inOrder.get(i);
            Cells c = placed.cells();
            spread.add(new Placed(placed.held(), placed.control(), across ? new Cells(next, c.row(), c.width(), c.height())
                    : new Cells(c.column(), next, c.width(), c.height())));
            next += size(c, across) + room / gaps + (i < room % gaps ? 1 : 0);
        }
        return spread;
    }

    private static List<Placed> match(List<Placed> controls, Extent extent) {
        Cells first = controls.get(0).cells();
        return each(controls, c -> extent == Extent.WIDTH ? new Cells(c.column(), c.row(), first.width(), c.height())
                : new Cells(c.column(), c.row(), c.width(), first.height()));
    }

    private Outcome remove(RemoveControls remove) {
        List<Placed> present = present(remove.controls());
        return present.isEmpty() ? Outcome.Refused.because("What you selected is no longer there")
                : apply("Remove " + named(present.stream().map(Placed::control).toList()), present.stream()
                        .map(p -> (EditRequest.Step) new EditRequest.Remove(p.held().part().id(), p.held().version())).toList());
    }

    private Outcome withAll(List<PartId> ids, String verb, Function<List<Placed>, List<Placed>> change) {
        List<Placed> before = present(ids);
        if (before.isEmpty()) {
            return Outcome.Refused.because("What you selected is no longer there");
        }
        List<EditRequest.Step> steps = change.apply(before).stream().filter(p -> !p.cells().equals(p.control().cells()))
                .map(p -> (EditRequest.Step) new EditRequest.Put(new Part(p.held().part().id(), p.held().part().parent(),
                        p.held().part().order(), p.control().at(p.cells())), p.held().version())).toList();
        return steps.isEmpty() ? Outcome.Refused.because("There is nothing to do: everything selected is in its place, or at the edge of the page")
                : apply(verb + " " + named(before.stream().map(Placed::control).toList()), steps);
    }

    private List<Placed> present(List<PartId> ids) {
        return ids.stream().distinct().map(show::held).flatMap(Optional::stream).filter(h -> h.part().body() instanceof Control)
                .map(h -> new Placed(h, (Control) h.part().body(), ((Control) h.part().body()).cells())).toList();
    }

    private static List<Placed> each(List<Placed> controls, Function<Cells, Cells> place) {
        return controls.stream().map(p -> new Placed(p.held(), p.control(), place.apply(p.cells()))).toList();
    }

    private Outcome apply(String title, List<EditRequest.Step> steps) {
        return show.apply(new EditRequest(title, steps), author);
    }

    // ---- what is there

    private Optional<Page> page(PartId id) {
        return show.part(id).map(Part::body).filter(Page.class::isInstance).map(Page.class::cast);
    }

    private Page pageOf(Placed placed) {
        return placed.held().part().parent().flatMap(this::page)
                .orElseThrow(() -> new IllegalStateException("A control lies on no page"));
    }

    private List<Control> controls(PartId page) {
        return show.children(page).map(Part::body).filter(Control.class::isInstance).map(Control.class::cast).toList();
    }

    private FreeCells freeOn(PartId id, Page page) {
        return new FreeCells(page, controls(id).stream().map(Control::cells).toList());
    }

    private int nextOrder(PartId page) {
        return show.children(page).mapToInt(Part::order).max().orElse(0) + 1;
    }

    private static EditRequest.Step put(PartId id, PartId page, int order, Control control) {
        return new EditRequest.Put(new Part(id, Optional.of(page), order, control), 0);
    }

    private static int least(List<Placed> controls, ToIntFunction<Cells> of) {
        return controls.stream().mapToInt(p -> of.applyAsInt(p.cells())).min().orElseThrow();
    }

    private static int most(List<Placed> controls, ToIntFunction<Cells> of) {
        return controls.stream().mapToInt(p -> of.applyAsInt(p.cells())).max().orElseThrow();
    }

    private static int within(int value, int low, int high) {
        return Math.max(low, Math.min(high, value));
    }

    private static String named(List<Control> controls) {
        return controls.size() == 1 ? controls.get(0).called() : count(controls.size());
    }

    private static String count(int controls) {
        return controls == 1 ? "control" : controls + " controls";
    }
}
