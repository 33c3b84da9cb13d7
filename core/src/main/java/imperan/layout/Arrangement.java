package imperan.layout;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import imperan.line.LineEdit;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Body;
import imperan.show.Page;
import imperan.show.PartId;
import java.util.List;
import java.util.Optional;

/**
 * Something a person does with what lies on a page, as an intention: it is carried out from where things are when its
 * turn comes, so two people who move the same control both have their way. {@link Arranger} carries it out, as one edit.
 *
 * <p>A grid is a page or a tray; what is laid on one is a control or a tray.
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
    @JsonSubTypes.Type(value = Arrangement.PlacePhrases.class, name = "place"),
    @JsonSubTypes.Type(value = Arrangement.PlaceLines.class, name = "placeLines"),
    @JsonSubTypes.Type(value = Arrangement.PasteControls.class, name = "paste"),
    @JsonSubTypes.Type(value = Arrangement.GatherControls.class, name = "gather"),
    @JsonSubTypes.Type(value = Arrangement.ScatterTray.class, name = "scatter"),
    @JsonSubTypes.Type(value = Arrangement.FillAcross.class, name = "fill"),
    @JsonSubTypes.Type(value = Arrangement.FindAndReplace.class, name = "replace"),
    @JsonSubTypes.Type(value = Arrangement.SwapTarget.class, name = "swapTarget"),
    @JsonSubTypes.Type(value = Arrangement.TakeLearned.class, name = "learned"),
    @JsonSubTypes.Type(value = Arrangement.AddPage.class, name = "addPage"),
    @JsonSubTypes.Type(value = Arrangement.DuplicatePage.class, name = "duplicatePage"),
    @JsonSubTypes.Type(value = Arrangement.PhonePage.class, name = "phonePage"),
    @JsonSubTypes.Type(value = Arrangement.OwnLines.class, name = "ownLines"),
    @JsonSubTypes.Type(value = Arrangement.CopyLayout.class, name = "copyLayout"),
    @JsonSubTypes.Type(value = Arrangement.SwapLayout.class, name = "swapLayout"),
    @JsonSubTypes.Type(value = Arrangement.OrderPage.class, name = "orderPage")
})
public sealed interface Arrangement {

    /** A cell of a grid, counted from 0. */
    record Cell(int column, int row) {}

    /** A side of a rectangle of cells. */
    enum Edge {
        LEFT,
        RIGHT,
        TOP,
        BOTTOM
    }

    enum Axis {
        ACROSS,
        DOWN
    }

    /** What of the size is to be the same. */
    enum Extent {
        WIDTH,
        HEIGHT
    }

    /**
     * A new control.
     *
     * @param page the grid
     * @param id its id for life, chosen by who asks, so that it can be shown as soon as it is there
     * @param at its top left cell; empty for the first place that has room
     */
    record AddControl(PartId page, PartId id, ControlKind kind, Optional<Cell> at) implements Arrangement {}

    /** All as one: they keep their places to each other and stay on their grid. */
    record MoveControls(List<PartId> controls, int right, int down) implements Arrangement {
        public MoveControls {
            controls = List.copyOf(controls);
        }
    }

    /** Each at its lower right corner, down to one cell and up to the edge of the grid. */
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

    /** With what lies in the trays among them. */
    record RemoveControls(List<PartId> controls) implements Arrangement {
        public RemoveControls {
            controls = List.copyOf(controls);
        }
    }

    /**
     * Controls for phrases of a target's phrasebook, ready to play. One phrase gives a row of controls; several give a row of strips,
     * each with a control for every phrase, from top to bottom.
     *
     * @param page    empty for a new page that has room for all
     * @param first   which of the addresses that a phrase stands for begins, from 1
     * @param count   how many of them, from 1
     * @param at      the top left cell; empty for the first place that has room
     * @param manner  how they lie on the page
     * @param window  how many a bank shows at once
     */
    record PlacePhrases(
            Optional<PartId> page,
            PartId target,
            List<PartId> phrases,
            int first,
            int count,
            Optional<Cell> at,
            Manner manner,
            int window)
            implements Arrangement {

        /** More at once than any page shows. */
        public static final int MOST = 128;

        /** How what is placed lies on its page. */
        public enum Manner {
            /** Each control by itself. */
            LOOSE,
            /** A tray for each strip. */
            TRAYS,
            /** All in one bank that shows some of them. */
            BANK
        }

        public PlacePhrases {
            phrases = List.copyOf(phrases);
        }
    }

    /**
     * Controls for addresses, or whole messages, that somebody typed or pasted, one in each line: where the phrasebook knows the address, the control that fits it; a key where the line has
     * arguments of its own; else a fader. An address with slots stands for all of them. Empty lines, and lines that cannot be read, are passed by.
     *
     * @param page a page, or empty for a new one that has room for all
     */
    record PlaceLines(Optional<PartId> page, PartId target, List<String> lines) implements Arrangement {

        /** More at once than any page shows. */
        public static final int MOST = 256;

        public PlaceLines {
            lines = List.copyOf(lines);
        }
    }

    /**
     * Copies, with all their lines, in the places they had to each other.
     *
     * @param page    the grid they go to
     * @param copies  trays before what lies in them
     * @param at      where the top left of them all goes; empty for the first place that has room for them
     * @param meaning what the copies are to do
     * @param targets for targets that this show has not: which one is meant, by the one that was
     */
    record PasteControls(PartId page, List<Copy> copies, Optional<Cell> at, Meaning meaning, List<Meant> targets)
            implements Arrangement {

        public PasteControls {
            copies = List.copyOf(copies);
            targets = List.copyOf(targets);
        }

        /** What copies are to do. */
        public enum Meaning {
            /** The same as what was copied. */
            SAME,
            /** The same to the next numbers: after 1 to 4 come 5 to 8. */
            NEXT_NUMBERS,
            /** The same addresses with the next fixed values. */
            NEXT_VALUES
        }

        /**
         * @param id   of the copy
         * @param in   the copied tray it lies in; empty where it lies on what is pasted to
         * @param body a control or a tray
         */
        public record Copy(PartId id, Optional<PartId> in, Body body) {}

        /** @param was the target in the show that was copied from, {@code is} the one that is meant here */
        public record Meant(PartId was, PartId is) {}
    }

    /** Into a new tray around them. */
    record GatherControls(List<PartId> controls, PartId id, String name) implements Arrangement {
        public GatherControls {
            controls = List.copyOf(controls);
        }
    }

    /** A tray goes, and what lies in it lies on the page where it was. */
    record ScatterTray(PartId tray) implements Arrangement {}

    /**
     * A row of controls gets the texts of a run, in reading order; what the run is too short for stays.
     *
     * @param text such as {@code /lamp/<1..8>/level}
     */
    record FillAcross(List<PartId> controls, LineEdit.Field field, String text) implements Arrangement {

        public FillAcross {
            controls = List.copyOf(controls);
        }
    }

    /**
     * A text in addresses or labels, and names of cues and songs.
     *
     * @param controls where, be it controls, cues or songs; empty for the whole show
     */
    record FindAndReplace(List<PartId> controls, String find, String put, boolean inAddresses, boolean inLabels)
            implements Arrangement {
        public FindAndReplace {
            controls = List.copyOf(controls);
        }
    }

    /**
     * Lines go to another target.
     *
     * @param controls whose, be it controls or cues
     * @param from     the lines to this one; empty for all of theirs
     */
    record SwapTarget(List<PartId> controls, Optional<PartId> from, PartId to) implements Arrangement {
        public SwapTarget {
            controls = List.copyOf(controls);
        }
    }

    /** Controls get the lines of what was learned. */
    record TakeLearned(List<Pairing> pairs) implements Arrangement {

        public TakeLearned {
            pairs = List.copyOf(pairs);
        }

        /**
         * @param argument the position of the argument that varied
         * @param low      the least number seen, {@code high} the greatest
         */
        public record Pairing(
                PartId control,
                PartId target,
                String address,
                int argument,
                ArgumentType type,
                double low,
                double high) {}
    }

    /**
     * An empty page behind the others.
     *
     * @param id     its id for life, chosen by who asks
     * @param beside a page of the layout that it comes to; empty for the first layout
     */
    record AddPage(PartId id, Optional<PartId> beside) implements Arrangement {}

    /**
     * A page with all that lies on it once more, behind it.
     *
     * @param screen what the copy is meant for; empty for the same
     * @param shares whether its controls are the same controls once more, with the same lines, or copies with lines of their own
     */
    record DuplicatePage(PartId page, PartId id, Optional<Page.Screen.Kind> screen, boolean shares)
            implements Arrangement {}

    /**
     * The controls of a page once more on one for a phone, behind it: copies with the same lines, laid out anew. Where one phone page has no room for
     * all, more pages follow.
     *
     * @param id     of the first of them
     * @param across how many strips stand beside each other, 1 or 2
     */
    record PhonePage(PartId page, PartId id, int across) implements Arrangement {}

    /**
     * A place where a control is shown again gets a copy of it, with lines of its own.
     *
     * @param id of the copy
     */
    record OwnLines(PartId twin, PartId id) implements Arrangement {}

    /**
     * A layout once more, to work on while the layout itself is played.
     *
     * @param id of the copy
     */
    record CopyLayout(PartId layout, PartId id) implements Arrangement {}

    /** A copy takes the place of what it was copied from. */
    record SwapLayout(PartId draft) implements Arrangement {}

    /** A page goes before or behind others. */
    record OrderPage(PartId page, int places) implements Arrangement {}
}
