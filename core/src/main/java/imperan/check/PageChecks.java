package imperan.check;

import imperan.show.Control;
import imperan.show.Face;
import imperan.show.Laid;
import imperan.show.Listen;
import imperan.show.Page;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Show;
import imperan.show.Twin;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Checks of what lies on a page, by itself: whether fingers find it, and whether it says what it is. */
final class PageChecks {

    private PageChecks() {}

    static List<Finding> of(Show show, Part part) {
        Optional<Control> control = control(show, part);
        Optional<Part> page = page(show, part);
        if (control.isEmpty() || page.isEmpty() || !control.get().form().takesFingers()) {
            return List.of();
        }
        List<Finding> found = new ArrayList<>();
        PartId on = page.get().id();
        // the cells of a tray are as large as those of its page
        TouchArea area = TouchArea.of((Page) page.get().body(), ((Laid) part.body()).cells());
        if (area.isTooSmall()) {
            String size = area.width() + " × " + area.height();
            found.add(Finding.of(
                            FindingKind.TOO_SMALL,
                            part.id(),
                            "cells",
                            "“" + control.get().called() + "” is " + size + " px on its screen; a finger needs "
                                    + TouchArea.LEAST + " × " + TouchArea.LEAST,
                            size)
                    .because(on));
        }
        if (part.body() instanceof Control own
                && own.label().isBlank()
                && !isSeen(own.face())
                && own.listens().stream().noneMatch(listen -> listen.role() == Listen.Role.LABEL)) {
            found.add(Finding.of(
                            FindingKind.NO_LABEL,
                            part.id(),
                            "label",
                            "A " + own.form().called() + " on "
                                    + page.get().body().called() + " has no label",
                            "")
                    .because(on));
        }
        return found;
    }

    private static boolean isSeen(Face face) {
        return face.picture().isPresent() || !face.icon().isEmpty();
    }

    private static Optional<Control> control(Show show, Part part) {
        Optional<Part> seen = part.body() instanceof Twin twin ? show.part(twin.of()) : Optional.of(part);
        return seen.map(Part::body).filter(Control.class::isInstance).map(Control.class::cast);
    }

    /** The page on which something lies, be it in a tray. */
    static Optional<Part> page(Show show, Part part) {
        return part.body() instanceof Page
                ? Optional.of(part)
                : part.parent().flatMap(show::part).flatMap(parent -> page(show, parent));
    }
}
