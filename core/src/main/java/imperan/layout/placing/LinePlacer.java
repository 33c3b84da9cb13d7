package imperan.layout.placing;

import imperan.address.MessageLine;
import imperan.address.SlotAddress;
import imperan.dialect.Dialect;
import imperan.layout.Arrangement.Cell;
import imperan.layout.Arrangement.PlaceLines;
import imperan.layout.Grids;
import imperan.layout.Room;
import imperan.osc.OscMessage;
import imperan.phrasebook.Vocabulary;
import imperan.show.ArgumentSource;
import imperan.show.ArgumentSource.ArgumentType;
import imperan.show.Cells;
import imperan.show.Control;
import imperan.show.EditRequest;
import imperan.show.FixedArgument;
import imperan.show.Grid;
import imperan.show.Held;
import imperan.show.Listen;
import imperan.show.Outcome;
import imperan.show.Part;
import imperan.show.PartId;
import imperan.show.Person;
import imperan.show.Phrasebook;
import imperan.show.Send;
import imperan.show.Show;
import imperan.show.Target;
import imperan.show.form.Button;
import imperan.show.form.Fader;
import imperan.show.form.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Places a control for each line that somebody typed or pasted. */
public final class LinePlacer {

    private static final int COLUMNS = 30;
    private static final int ROWS = 10;

    private final Show show;
    private final PlaceLines place;
    private final Grids grids;
    private final Vocabulary known;
    private final Dialect spoken;

    public LinePlacer(Show show, PlaceLines place) {
        this.show = show;
        this.place = place;
        this.grids = new Grids(show);
        this.known = Vocabulary.of(show, place.target());
        this.spoken = Phrasebook.spokenWith(show, place.target());
    }

    public Outcome outcome(Person author) {
        if (show.part(place.target())
                .filter(part -> part.body() instanceof Target)
                .isEmpty()) {
            return Outcome.Refused.because("Its target is no longer in the rig");
        }
        // counted before any is made: a few lines may stand for millions
        List<OscMessage> messages = messages();
        long count = messages.stream()
                .mapToLong(message -> SlotAddress.parseFreely(message.address()).count())
                .sum();
        if (count > PlaceLines.MOST) {
            return Outcome.Refused.because(
                    "More than " + PlaceLines.MOST + " controls are too many for a page. Place them in parts");
        }
        List<Control> controls = new ArrayList<>();
        messages.forEach(message -> SlotAddress.parseFreely(message.address())
                .expand()
                .forEach(address -> controls.add(control(address, message))));
        if (controls.isEmpty()) {
            return Outcome.Refused.because("No line can be read as an address yet");
        }
        return laid(controls, author);
    }

    private List<OscMessage> messages() {
        return place.lines().stream()
                .flatMap(
                        line -> MessageLine.parse(line, spoken::fault).message().filter(LinePlacer::canBeSent).stream())
                .filter(message ->
                        SlotAddress.parseFreely(message.address()).problem().isEmpty())
                .toList();
    }

    private Outcome laid(List<Control> controls, Person author) {
        List<EditRequest.Step> steps = new ArrayList<>();
        Optional<Held> page = place.page()
                .flatMap(show::held)
                .filter(held -> Grid.of(held.part().body()).isPresent());
        Grid fresh = fresh(controls);
        PartId on = page.map(held -> held.part().id()).orElseGet(() -> {
            PartId id = PartId.random();
            steps.addAll(grids.newPage(id, Optional.empty(), fresh));
            return id;
        });
        Room room = page.map(held -> Room.on(grids, held)).orElse(Room.onNew(fresh));
        int order = show.children(on).mapToInt(Part::order).max().orElse(0);
        for (int i = 0; i < controls.size(); i++) {
            Optional<Cell> way = room.take(List.of(controls.get(i).cells()), Optional.empty());
            if (way.isEmpty()) {
                return Outcome.Refused.because("There is room for " + i + " of " + controls.size()
                        + " on this page. Place the others on a new one");
            }
            Control there = controls.get(i)
                    .at(controls.get(i)
                            .cells()
                            .moved(way.get().column(), way.get().row()));
            steps.add(new EditRequest.Put(new Part(PartId.random(), Optional.of(on), ++order, there), 0));
        }
        // the page first, or what lies beyond its old edge would be refused
        room.growth().ifPresent(step -> steps.add(0, step));
        return show.apply(
                new EditRequest(
                        "Place " + (controls.size() == 1 ? "1 control" : controls.size() + " controls") + room.words(),
                        steps),
                author);
    }

    private static Grid fresh(List<Control> controls) {
        int widest = controls.stream()
                .mapToInt(control -> control.cells().width())
                .max()
                .orElseThrow();
        int tallest = controls.stream()
                .mapToInt(control -> control.cells().height())
                .max()
                .orElseThrow();
        int inRow = Math.max(1, COLUMNS / widest);
        return new Grid(COLUMNS, Math.max(ROWS, tallest * ((controls.size() + inRow - 1) / inRow)));
    }

    private Control control(String address, OscMessage message) {
        Optional<Vocabulary.Known> phrase =
                message.arguments().isEmpty() ? known.said(address).or(() -> known.heard(address)) : Optional.empty();
        if (phrase.isPresent()) {
            PhraseControl fitting = new PhraseControl(phrase.get().phrase());
            return fitting.at(address, phrase.get().numbers(), place.target(), cells(fitting.form()), false);
        }
        Optional<PartId> target = Optional.of(place.target());
        if (message.arguments().isEmpty()) {
            // the usual range of a continuous value where nobody tells (common practice, no source)
            Form fader = Fader.plain(Form.Direction.UP, Form.Grab.RELATIVE);
            return Control.plain(
                    PhraseControl.label(address),
                    cells(fader),
                    fader,
                    List.of(new Send(
                            Send.Phase.CHANGE,
                            target,
                            address,
                            List.of(new ArgumentSource.Value(ArgumentType.FLOAT32, 0, 1)))),
                    List.of(Listen.asSent(target, address, 0)));
        }
        Form key = Button.plain(Button.Action.ONE_SHOT);
        return Control.plain(
                PhraseControl.label(address),
                cells(key),
                key,
                List.of(new Send(
                        Send.Phase.PRESS,
                        target,
                        address,
                        message.arguments().stream()
                                .<ArgumentSource>flatMap(argument -> FixedArgument.holding(argument).stream())
                                .toList())),
                List.of());
    }

    private static boolean canBeSent(OscMessage message) {
        return message.arguments().stream()
                .allMatch(argument -> FixedArgument.holding(argument).isPresent());
    }

    private static Cells cells(Form form) {
        return new Cells(0, 0, form.inStrip().width(), form.inStrip().height());
    }
}
