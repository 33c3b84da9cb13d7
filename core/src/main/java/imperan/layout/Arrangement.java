package imperan.layout;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.show.Control;
import imperan.show.PartId;

import java.util.List;
import java.util.Optional;

/**
 * Something a person does with the controls of a page, as an intention: it is carried out from where the controls are when its
 * turn comes, so two people who move the same control both have their way. {@link Arranger} carries it out, as one edit.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "what")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Arrangement.AddControl.class, name = "add"),
    @JsonSubTypes.Type(value = Arrangement.MoveControls.class, name = "move"),
    @JsonSubTypes.Type(value = Arrangement.ResizeControls.class, name = "resize"),
    @JsonSubTypes.Type(value = Arrangement.AlignControls.class, name = "align"),
    @JsonSubTypes.Type(value = Arrangement.SpreadControls.class, name = "spread"),
    @JsonSubTypes.Type(value = Arrangement.MatchSizes.class, name = "match"),
    @JsonSubTypes.Type(value = Arrangement.RemoveControls.class, name = "remove"),
    @JsonSubTypes.Type(value = Arrangement.PasteControls.class, name = "paste")
})
public sealed interface Arrangement {

    /** A cell of a page, counted from 0. */
    record Cell(int column, int row) {
    }

    /** A side of a rectangle of cells. */
    enum Edge { LEFT, RIGHT, TOP, BOTTOM }

    enum Axis { ACROSS, DOWN }

    /** What of the size is to be the same. */
    enum Extent { WIDTH, HEIGHT }

    /**
     * A new control.
     *
     * @param id its id for life, chosen by who asks, so that it can be shown as soon as it is there
     * @param at its top left cell; empty for the first place that has room
     */
    record AddControl(PartId page, PartId id, ControlKind kind, Optional<Cell> at) implements Arrangement {
    }

    /** All as one: they keep their places to each other and stay on the page. */
    record MoveControls(List<PartId> controls, int right, int down) implements Arrangement {
        public MoveControls {
            controls = List.copyOf(controls);
        }
    }

    /** Each at its lower right corner, down to one cell and up to the edge of the page. */
    record ResizeControls(List<PartId> controls, int wider, int taller) implements Arrangement {
        public ResizeControls {
            controls = List.copyOf(controls);
        }
    }

    /** To the outermost edge among them. */
    record AlignControls(List<PartId> controls, Edge edge) implements Arrangement {
        public AlignControls {
            controls = List.copyOf(controls);
        }
    }

    /** With equal gaps between the first and the last, which stay; what cannot be shared out goes to the first gaps. */
    record SpreadControls(List<PartId> controls, Axis axis) implements Arrangement {
        public SpreadControls {
            controls = List.copyOf(controls);
        }
    }

    /** As wide or as tall as the first of the list. */
    record MatchSizes(List<PartId> controls, Extent extent) implements Arrangement {
        public MatchSizes {
            controls = List.copyOf(controls);
        }
    }

    record RemoveControls(List<PartId> controls) implements Arrangement {
        public RemoveControls {
            controls = List.copyOf(controls);
        }
    }

    /**
     * Copies, with all their lines, in the places they had to each other.
     *
     * @param at where the top left of them all goes; empty for the first place that has room for them
     */
    record PasteControls(PartId page, List<Copy> copies, Optional<Cell> at) implements Arrangement {

        public PasteControls {
            copies = List.copyOf(copies);
        }

        /** @param id of the copy */
        public record Copy(PartId id, Control control) {
        }
    }
}
